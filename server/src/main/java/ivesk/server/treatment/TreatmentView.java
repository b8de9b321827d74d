package ivesk.server.treatment;

import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.objection.ScriptRules;
import ivesk.core.product.UnitDose;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Briefing;
import ivesk.core.treatment.advice.ClientCue;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Corrected;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HandedOver;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.record.Conflict;
import ivesk.core.treatment.record.Correction;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.OwnCurve;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.PrepAnswer;
import ivesk.core.treatment.state.Shortened;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import ivesk.server.plan.PlanView;
import ivesk.server.treatment.TreatmentWire.BesideView;
import ivesk.server.treatment.TreatmentWire.CareView;
import ivesk.server.treatment.TreatmentWire.DoneStageView;
import ivesk.server.treatment.TreatmentWire.EndedZoneView;
import ivesk.server.treatment.TreatmentWire.EndingStepView;
import ivesk.server.treatment.TreatmentWire.EventView;
import ivesk.server.treatment.TreatmentWire.LayerView;
import ivesk.server.treatment.TreatmentWire.MindView;
import ivesk.server.treatment.TreatmentWire.MoreBase;
import ivesk.server.treatment.TreatmentWire.OnSkinView;
import ivesk.server.treatment.TreatmentWire.ShortenedView;
import ivesk.server.treatment.TreatmentWire.StageAhead;
import ivesk.server.treatment.TreatmentWire.StageNow;
import ivesk.server.treatment.TreatmentWire.StepView;
import ivesk.server.treatment.TreatmentWire.UndoView;
import ivesk.server.treatment.TreatmentWire.WhyView;
import ivesk.server.treatment.TreatmentWire.ZoneView;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/// A treatment as a screen needs it: what happened, what holds now, and every coming change.
///
/// @param seq number of the newest event
/// @param serverNow what the browser sets its clocks by
/// @param gatePasses the answer to the prep lets the plan go on; empty before it
/// @param gateAnswers what each of the eleven answers to the prep leads to
/// @param cover zones with open spots, which go under barrier
/// @param acidPrepSeconds how long an acid prep stays on; empty where it is none
/// @param prepTouchedAt when it touched the skin
/// @param addOnNotNow why the plan's add-on may not go on; empty when it may, or none is planned
/// @param mayKeep the answer to the prep does not forbid to keep the plan
/// @param shortened what would be left if the gate shortened it; empty when that shuts the formula
/// @param alarms what stands until somebody says how it ended, the gravest first
/// @param checkInSeconds how long after each of the eleven answers the next is due
/// @param why the row of the table behind the advice, with the values that it was matched by
/// @param stage where it stands in the visit
/// @param ledger acid against base; from the plan where nothing was measured
/// @param barrierOn what covered the skin is still on it
/// @param noMoreAcid there was an alarm: no acid in this visit, unless the clinician allows it
/// @param beside regions whose acid is off, each with its own rest
/// @param endedZones those that were ended while the rest ran on
/// @param therapist who treats now
/// @param conflicts what two screens said differently of one moment
/// @param ownCurve what this client felt before, from three peels of the family on
/// @param clientCues what is said aloud to the client whose eyes are shut
/// @param handset the client may answer by a phone of their own
/// @param clockJump how the machine's clock was set while this runs; its own goes on
/// @param eventsFrom how many entries before these the screen knows already
/// @param whyOwed it was ended before its least time and nobody has said why
record TreatmentView(
    UUID id,
    UUID visitId,
    int seq,
    Instant serverNow,
    Phase phase,
    PlanView plan,
    List<StepView> steps,
    List<String> briefing,
    Optional<Integer> prepAnswer,
    Optional<Boolean> gatePasses,
    List<PrepAnswer.Leads> gateAnswers,
    List<Zone> cover,
    Optional<Long> acidPrepSeconds,
    Optional<Instant> prepTouchedAt,
    Optional<GateA> gateA,
    boolean mayKeep,
    Optional<ShortenedView> shortened,
    Optional<Long> contactLimitSeconds,
    int layersPlanned,
    List<LayerView> layers,
    Map<Zone, ZoneView> zones,
    Set<Sign> signs,
    List<Alarm> alarms,
    Response response,
    boolean fanOn,
    List<Looks.Told> answers,
    Clocks clocks,
    Advice advice,
    Optional<WhyView> why,
    List<Advice> ifAnswered,
    List<Long> checkInSeconds,
    List<Cue> cues,
    List<ClientCue> clientCues,
    boolean handset,
    List<EndingStepView> endingSteps,
    List<CareView> care,
    List<TreatmentEvent.ExtractedPoint> extracted,
    boolean barrierOn,
    boolean noMoreAcid,
    List<BesideView> beside,
    List<EndedZoneView> endedZones,
    StageNow stage,
    OnSkinView ledger,
    String therapist,
    Optional<OwnCurve> ownCurve,
    List<Conflict> conflicts,
    Optional<Instant> addOnAt,
    Optional<Instant> addOnOffAt,
    Optional<String> addOnNotNow,
    Optional<Instant> restAt,
    boolean wipeOwed,
    boolean whyOwed,
    String summary,
    boolean recalculated,
    Optional<String> clockJump,
    Optional<UndoView> undo,
    int eventsFrom,
    List<EventView> events) {

  /// @param since number of the newest entry that the screen has; where one of those has changed
  ///   its place or its meaning since, all are told again
  static TreatmentView of(
      Live live, Instant now, int since, Optional<OwnCurve> ownCurve, Optional<String> clockJump) {
    int from = since <= live.events().size() && since >= live.settled() ? since : 0;
    TreatmentState state = live.state();
    Optional<Integer> prep = state.prepAnswer();
    Set<UUID> gone = Correction.gone(live.events());
    Advice advice = Advisor.advise(live.plan(), state, now);
    boolean hot = state.zones().values().stream().anyMatch(zone -> zone.hotSpot().isPresent());
    return new TreatmentView(
        live.id(),
        live.visitId(),
        live.events().size(),
        now,
        state.phase(),
        PlanView.of(live.plan()),
        ReadyStep.of(live.plan()).stream()
            .map(step ->
                new StepView(
                    step,
                    step.together(),
                    step.label(live.plan()),
                    step.how(live.plan()),
                    Optional.ofNullable(state.ready().stepsDone().get(step))))
            .toList(),
        Briefing.of(live.plan()),
        prep,
        prep.map(answer -> PrepAnswer.passes(answer, hot)),
        IntStream.rangeClosed(0, 10).mapToObj(answer -> PrepAnswer.leads(answer, hot)).toList(),
        live.plan().preparation().cover(),
        live.plan().preparation().acidPrep().map(Duration::toSeconds),
        state.ready().prepTouchedAt(),
        state.ready().gateA(),
        prep.filter(answer -> answer >= PrepAnswer.NOT_TO_BE_KEPT).isEmpty(),
        Shortened.of(live.plan())
            .map(left -> new ShortenedView(left.contact().map(Duration::toSeconds), left.layers())),
        state.ready().contactLimit().map(Duration::toSeconds),
        state.layersPlanned(),
        layers(live.plan(), state),
        state.zones().entrySet().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, entry -> ZoneView.of(entry.getValue()))),
        state.signs(),
        Alarm.standing(live.plan(), state),
        state.response(),
        state.acid().fanOn(),
        state.looks().answers(),
        Clocks.of(live.plan(), state),
        advice,
        Advisor.why(advice, live.plan(), state, now).map(WhyView::of),
        Cues.ifAnswered(live.plan(), state, now),
        Cues.checkIns(live.plan(), state, now).stream().map(Duration::toSeconds).toList(),
        Cues.of(live.plan(), state),
        Cues.toClient(live.plan(), state),
        live.plan().handling().handset(),
        state.endingSteps(live.plan()).stream()
            .map(step ->
                new EndingStepView(step, step.words(), state.ending().steps().contains(step)))
            .toList(),
        state.careOffered(live.plan()).stream()
            .map(step -> care(step, live.plan(), state))
            .toList(),
        state.care().extracted(),
        state.barrierOn(),
        state.noMoreAcid(),
        Advisor.beside(state, now).stream().map(BesideView::of).toList(),
        state.endedZones().zones().entrySet().stream()
            .map(one ->
                new EndedZoneView(
                    one.getKey(),
                    one.getValue().endedAt(),
                    one.getValue().offAt(),
                    one.getValue().told(),
                    one.getValue().restAt()))
            .sorted(Comparator.comparing(EndedZoneView::endedAt))
            .toList(),
        stage(live),
        ledger(live),
        therapist(live.events()),
        ownCurve,
        Conflict.of(live.events(), live.stages().getLast().from()),
        state.care().addOnAt(),
        state.care().addOnOffAt(),
        live.plan().addOn().flatMap(after -> Gate.addOn(live.plan(), state)),
        state.ending().restAt(),
        state.zones().values().stream().anyMatch(ZoneState::wipeOwed),
        state.whyOwed(),
        Outcome.summary(live.stages(), now),
        live.events().getLast().fact() instanceof Corrected,
        clockJump,
        state
            .last()
            .filter(last -> live.events().size() > 1)
            .map(last -> new UndoView(last.event(), last.until())),
        from,
        events(live, from, gone));
  }

  private static List<EventView> events(Live live, int from, Set<UUID> gone) {
    Map<UUID, Instant> moved = Correction.moved(live.events());
    return live.events().subList(from, live.events().size()).stream()
        .map(event -> event(event, gone.contains(event.id()), moved))
        .toList();
  }

  /// Plans stand on their own.
  private static Optional<Fact> told(Fact fact) {
    return switch (fact) {
      case Opened _ -> Optional.empty();
      case PlanChanged(var choice, var plan) ->
          Optional.of(new GateADecided(choice, plan.formula().code()));
      default -> Optional.of(fact);
    };
  }

  private static CareView care(CareStep step, TreatmentPlan plan, TreatmentState state) {
    boolean begun = state.care().started().containsKey(step.id());
    return new CareView(
        step.id(),
        step.kind(),
        step.label(),
        step.how(),
        step.zones(),
        step.time().map(Duration::toSeconds),
        step.extracts(),
        step.said(),
        step.minds().stream()
            .flatMap(mind ->
                ScriptRules.says(mind.rule()).stream()
                    .map(words -> new MindView(words, mind.swap())))
            .toList(),
        Optional.ofNullable(state.care().started().get(step.id())),
        Optional.ofNullable(state.care().done().get(step.id())),
        begun ? Optional.empty() : Gate.careNotNow(plan, state, step));
  }

  private static StageNow stage(Live live) {
    Stage now = live.stages().getLast();
    return new StageNow(
        now.plan().staging().number(),
        now.plan().staging().of(),
        now.from(),
        now.plan()
            .staging()
            .next()
            .map(next ->
                new StageAhead(
                    next.formula().code(),
                    next.region(),
                    next.sharesSkin(now.plan()),
                    Gate.next(now.plan(), now.state()))),
        live.stages().subList(0, live.stages().size() - 1).stream()
            .map(done ->
                new DoneStageView(
                    done.plan().staging().number(),
                    PlanView.of(done.plan()),
                    done.plan().region(),
                    done.from(),
                    done.state().ready().contactLimit().map(Duration::toSeconds),
                    layers(done.plan(), done.state()),
                    done.state().looks().answers(),
                    Clocks.of(done.plan(), done.state()),
                    done.state().ending().restAt(),
                    done.state().careOffered(done.plan()).stream()
                        .map(step -> care(step, done.plan(), done.state()))
                        .toList()))
            .toList());
  }

  private static List<LayerView> layers(TreatmentPlan plan, TreatmentState state) {
    return state.layers().stream()
        .map(layer ->
            new LayerView(
                layer.number(),
                OnSkin.formula(plan, layer).code(),
                layer.nextRung() ? plan.nextLot() : plan.lot(),
                OnSkin.volume(plan, layer).ml(),
                layer.delivered().isPresent(),
                layer.startedAt(),
                layer.coveredAt(),
                layer.zones()))
        .toList();
  }

  private static final int MOST_MORE = 3;

  private static OnSkinView ledger(Live live) {
    OnSkin skin = OnSkin.of(live.stages());
    Optional<Staging.Base> laidOut = live.plan().staging().base();
    return new OnSkinView(
        skin.acid().mmol(),
        skin.dose(),
        skin.salicylate(),
        laidOut.map(base -> skin.base().mmol()),
        skin.next().mmol(),
        skin.measured(),
        skin.outruns(),
        laidOut.stream()
            .flatMap(base ->
                IntStream.rangeClosed(1, MOST_MORE)
                    .map(times -> times * step(base.unit()))
                    .mapToObj(
                        units -> new MoreBase(base.words(units), base.one().times(units).mmol())))
            .toList());
  }

  /// What is measured is laid out by ten, what is counted one by one.
  private static int step(UnitDose.Unit unit) {
    return unit.measured() ? 10 : 1;
  }

  /// Whoever opened it, until somebody took it over.
  private static String therapist(List<TreatmentEvent> events) {
    return events.reversed().stream()
        .filter(event -> event.fact() instanceof HandedOver)
        .findFirst()
        .orElse(events.getFirst())
        .who();
  }

  private static EventView event(TreatmentEvent event, boolean gone, Map<UUID, Instant> moved) {
    return new EventView(
        event.id(),
        moved.getOrDefault(event.id(), event.at()),
        event.who(),
        told(event.fact()),
        gone,
        gone ? Correction.Scope.NOTHING : Correction.of(event.fact()));
  }
}
