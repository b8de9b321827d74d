package ivesk.core.treatment.record;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/// A treatment as its log tells it, as corrected.
public final class Replay {
  private Replay() {}

  /// The state after all events: that of the stage which they have come to.
  ///
  /// @throws IllegalArgumentException when there is no event, or the first opened nothing
  public static TreatmentState state(List<TreatmentEvent> events) {
    return stages(events).getLast().state();
  }

  /// The state after one more event of a stage; an END that counts is judged on the way.
  public static TreatmentState after(
      TreatmentPlan plan, TreatmentState state, TreatmentEvent event) {
    boolean ends = event.fact() instanceof EndingStarted && state.endedAt().isEmpty();
    return ends
        ? state.ended(plan, event, EndJudge.judge(plan, state, event.at()))
        : state.after(plan, event);
  }

  /// The stages that a treatment has come through, the last of which it is in, as corrected.
  ///
  /// @throws IllegalArgumentException when the first event did not open it
  public static List<Stage> stages(List<TreatmentEvent> events) {
    if (events.isEmpty() || !(events.getFirst().fact() instanceof Opened(var opened))) {
      throw new IllegalArgumentException("the first event opens a treatment");
    }
    List<TreatmentEvent> log = Correction.applied(events);
    List<Stage> stages = new ArrayList<>();
    TreatmentPlan planned = opened;
    int from = 0;
    while (from < log.size()) {
      int to = from + 1;
      boolean last = planned.staging().next().isEmpty();
      while (to < log.size() && (last || !(log.get(to).fact() instanceof StageOpened))) to++;
      List<TreatmentEvent> part = log.subList(from, to);
      TreatmentPlan plan = changed(part).orElse(planned);
      Stage stage = stage(stages, plan, part);
      stages.add(stage);
      planned = plan.staging().next().orElse(plan);
      from = to;
    }
    return settledBeside(stages);
  }

  /// The stages with what was seen of their regions while later ones were treated.
  public static List<Stage> settledBeside(List<Stage> stages) {
    List<TreatmentState.Beside> beside = stages.getLast().state().beside();
    if (beside.isEmpty()) return List.copyOf(stages);
    return stages.stream()
        .map(stage ->
            beside.stream()
                .filter(one -> one.plan().staging().number() == stage.plan().staging().number())
                .findFirst()
                .map(one -> new Stage(stage.plan(), one.state(), stage.from()))
                .orElse(stage))
        .toList();
  }

  private static Stage stage(List<Stage> before, TreatmentPlan plan, List<TreatmentEvent> events) {
    TreatmentEvent first = events.getFirst();
    TreatmentState state =
        before.isEmpty()
            ? after(plan, TreatmentState.opened(plan, first.at()), first)
            : before.getLast().state().onTo(before.getLast().plan(), plan, first);
    for (TreatmentEvent event : events.subList(1, events.size())) state = after(plan, state, event);
    return new Stage(plan, state, first.at());
  }

  private static Optional<TreatmentPlan> changed(List<TreatmentEvent> events) {
    return events.stream()
        .flatMap(event ->
            event.fact() instanceof PlanChanged(_, var plan) ? Stream.of(plan) : Stream.empty())
        .reduce((_, later) -> later);
  }

  /// The plan of the stage that a treatment has come to: as it was opened, or as it was changed at
  /// gate A.
  ///
  /// @throws IllegalArgumentException when the first event did not open it
  public static TreatmentPlan plan(List<TreatmentEvent> events) {
    return stages(events).getLast().plan();
  }
}
