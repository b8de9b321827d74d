package ivesk.server.treatment;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Briefing;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.record.OwnCurve;
import ivesk.core.treatment.state.Shortened;
import ivesk.server.plan.PlanView;
import ivesk.server.treatment.TreatmentWire.CareView;
import ivesk.server.treatment.TreatmentWire.DoneStageView;
import ivesk.server.treatment.TreatmentWire.ShortenedView;
import ivesk.server.treatment.TreatmentWire.StepView;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What of a treatment stands by its plan: words and limits of the stage that it is in, and the
/// stages before. A tap changes nothing of it, but one that changes the plan, opens a stage or
/// reaches back.
///
/// @param seq number of the newest entry that changed any of it
/// @param cover zones with open spots, which go under barrier
/// @param acidPrepSeconds how long an acid prep stays on; empty where it is none
/// @param shortened what would be left if the gate shortened it; empty when that shuts the formula
/// @param care what goes on calm skin, in order
/// @param handset the client may answer by a phone of their own
/// @param before stages that are done
/// @param ownCurve what this client felt before, from three peels of the family on
record PlannedView(
    int seq,
    PlanView plan,
    List<StepView> steps,
    List<String> briefing,
    List<Zone> cover,
    Optional<Long> acidPrepSeconds,
    Optional<ShortenedView> shortened,
    List<CareView> care,
    boolean handset,
    List<DoneStageView> before,
    Optional<OwnCurve> ownCurve) {

  static PlannedView of(Live live, Optional<OwnCurve> ownCurve) {
    TreatmentPlan plan = live.plan();
    Map<ReadyStep, Instant> done = live.state().ready().stepsDone();
    return new PlannedView(
        live.planned(),
        PlanView.of(plan),
        ReadyStep.of(plan).stream()
            .map(step ->
                new StepView(
                    step,
                    step.together(),
                    step.label(plan),
                    step.how(plan),
                    Optional.ofNullable(done.get(step))))
            .toList(),
        Briefing.of(plan),
        plan.preparation().cover(),
        plan.preparation().acidPrep().map(Duration::toSeconds),
        Shortened.of(plan)
            .map(left -> new ShortenedView(left.contact().map(Duration::toSeconds), left.layers())),
        plan.careSteps().stream().map(CareView::of).toList(),
        plan.handling().handset(),
        live.stages().subList(0, live.stages().size() - 1).stream().map(DoneStageView::of).toList(),
        ownCurve);
  }
}
