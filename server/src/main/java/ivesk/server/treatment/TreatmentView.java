package ivesk.server.treatment;

import ivesk.core.skin.Zone;
import ivesk.core.treatment.Advice;
import ivesk.core.treatment.Advisor;
import ivesk.core.treatment.AfterProduct;
import ivesk.core.treatment.Alarm;
import ivesk.core.treatment.Briefing;
import ivesk.core.treatment.Correction;
import ivesk.core.treatment.Cue;
import ivesk.core.treatment.EndingStep;
import ivesk.core.treatment.EndingSteps;
import ivesk.core.treatment.Gate;
import ivesk.core.treatment.Looks;
import ivesk.core.treatment.Outcome;
import ivesk.core.treatment.Phase;
import ivesk.core.treatment.ReadyStep;
import ivesk.core.treatment.Sign;
import ivesk.core.treatment.Treatment;
import ivesk.core.treatment.TreatmentEvent;
import ivesk.core.treatment.TreatmentEvent.Corrected;
import ivesk.core.treatment.TreatmentEvent.Fact;
import ivesk.core.treatment.TreatmentEvent.GateA;
import ivesk.core.treatment.TreatmentEvent.GateADecided;
import ivesk.core.treatment.TreatmentEvent.Opened;
import ivesk.core.treatment.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.TreatmentEvent.ProductApplied;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentState;
import ivesk.core.treatment.Whitening;
import ivesk.core.treatment.ZoneState;
import ivesk.server.plan.PlanView;
import ivesk.server.treatment.Treatments.Live;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/// A treatment as a screen needs it: what happened, what holds now, and every coming change.
///
/// @param seq number of the newest event
/// @param serverNow what the browser sets its clocks by
/// @param gatePasses the answer to the prep lets the plan go on; empty before it
/// @param cover zones with open spots, which go under barrier
/// @param acidPrepSeconds how long an acid prep stays on; empty where it is none
/// @param prepTouchedAt when it touched the skin
/// @param addOnNotNow why the plan's add-on may not go on; empty when it may, or none is planned
/// @param mayKeep the answer to the prep does not forbid to keep the plan
/// @param shortened what would be left if the gate shortened it; empty when that shuts the formula
/// @param alarms what stands until somebody says how it ended, the gravest first
/// @param checkInSeconds how long after each of the eleven answers the next is due
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
    Advisor.Clocks clocks,
    Advice advice,
    List<Advice> ifAnswered,
    List<Long> checkInSeconds,
    List<Cue> cues,
    List<EndingStepView> endingSteps,
    List<CareView> care,
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

  /// What is known of one zone, as a screen draws it.
  record ZoneView(
      int redness,
      Whitening whitening,
      boolean wipeOwed,
      Optional<Integer> hotSpot,
      boolean reached,
      boolean ended) {
    static ZoneView of(ZoneState zone) {
      return new ZoneView(
          zone.redness(),
          zone.whitening(),
          zone.wipeOwed(),
          zone.hotSpot(),
          zone.reached(),
          zone.ended());
    }
  }

  /// @param seconds empty for formulas without minutes
  record ShortenedView(Optional<Long> seconds, int layers) {}

  /// @param together with which others it is done in one go
  record StepView(
      ReadyStep id,
      ReadyStep.Together together,
      String label,
      String how,
      Optional<Instant> doneAt) {}

  record EndingStepView(EndingStep id, String words, boolean done) {}

  /// @param appliedAt when it went on
  record CareView(AfterProduct id, String label, Optional<Instant> appliedAt) {}

  record LayerView(int number, Instant startedAt, Optional<Instant> coveredAt, List<Zone> zones) {}

  /// The event that may still be taken back, and until when.
  record UndoView(UUID event, Instant until) {}

  /// An event as the ribbon reads it; the plan that opened it stands on its own.
  ///
  /// @param at when it happened, as corrected
  /// @param takenBack it was a mistaken tap, or taken out; nothing follows from it
  /// @param correctable what of it may be corrected
  record EventView(
      UUID id,
      Instant at,
      String who,
      Optional<Fact> fact,
      boolean takenBack,
      Correction.Scope correctable) {}

  /// @param since number of the newest entry that the screen has; where one of those has changed
  ///   its place or its meaning since, all are told again
  static TreatmentView of(Live live, Instant now, int since, Optional<String> clockJump) {
    int from = since <= live.events().size() && since >= live.settled() ? since : 0;
    TreatmentState state = live.state();
    Optional<Integer> prep = Treatment.prepAnswer(state);
    Set<UUID> gone = Correction.gone(live.events());
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
        prep.map(answer -> Gate.passes(answer, hot)),
        live.plan().preparation().cover(),
        live.plan().preparation().acidPrep().map(Duration::toSeconds),
        state.ready().prepTouchedAt(),
        state.ready().gateA(),
        prep.filter(answer -> answer >= Gate.NOT_TO_BE_KEPT).isEmpty(),
        Gate.shortensTo(live.plan())
            .map(left -> new ShortenedView(left.contact().map(Duration::toSeconds), left.layers())),
        state.ready().contactLimit().map(Duration::toSeconds),
        state.layersPlanned(),
        state.layers().stream()
            .map(l -> new LayerView(l.number(), l.startedAt(), l.coveredAt(), l.zones()))
            .toList(),
        state.zones().entrySet().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, entry -> ZoneView.of(entry.getValue()))),
        state.signs(),
        Alarm.standing(live.plan(), state),
        state.response(),
        state.acid().fanOn(),
        state.looks().answers(),
        Advisor.clocks(live.plan(), state),
        Advisor.advise(live.plan(), state, now),
        Advisor.ifAnswered(live.plan(), state, now),
        Advisor.checkIns(live.plan(), state, now).stream().map(Duration::toSeconds).toList(),
        Advisor.cues(live.plan(), state),
        EndingSteps.of(live.plan(), state).stream()
            .map(step ->
                new EndingStepView(step, step.words(), state.ending().steps().contains(step)))
            .toList(),
        AfterProduct.offered(live.plan(), state).stream()
            .map(product -> care(product, live, gone))
            .toList(),
        state.care().addOnAt(),
        state.care().addOnOffAt(),
        live.plan().addOn().flatMap(after -> Treatment.addOn(live.plan(), state)),
        state.ending().restAt(),
        state.zones().values().stream().anyMatch(ZoneState::wipeOwed),
        Treatment.whyOwed(state),
        Outcome.summary(live.plan(), state, now),
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

  private static CareView care(AfterProduct product, Live live, Set<UUID> gone) {
    return new CareView(
        product,
        product.label(),
        live.events().stream()
            .filter(event -> !gone.contains(event.id()))
            .filter(
                event -> event.fact() instanceof ProductApplied(var applied) && applied == product)
            .map(TreatmentEvent::at)
            .findFirst());
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
