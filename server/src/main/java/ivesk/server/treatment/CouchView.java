package ivesk.server.treatment;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.ClientCue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Corrected;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.HandedOver;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.record.Conflict;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.PrepAnswer;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.server.treatment.TreatmentWire.BesideView;
import ivesk.server.treatment.TreatmentWire.CareNow;
import ivesk.server.treatment.TreatmentWire.EndedZoneView;
import ivesk.server.treatment.TreatmentWire.EndingStepView;
import ivesk.server.treatment.TreatmentWire.EventView;
import ivesk.server.treatment.TreatmentWire.LayerView;
import ivesk.server.treatment.TreatmentWire.OnSkinView;
import ivesk.server.treatment.TreatmentWire.SeenView;
import ivesk.server.treatment.TreatmentWire.StageNow;
import ivesk.server.treatment.TreatmentWire.UndoView;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;

/// What the couch shows now: it answers every tap, and stays under 6 kB. What stands by the plan is
/// PlannedView's; what happened before is known.
///
/// @param seq number of the newest event
/// @param planned number of the newest entry that changed what stands by the plan
/// @param serverNow what the browser sets its clocks by
/// @param therapist who treats now
/// @param clockJump how the machine's clock was set while this runs; its own goes on
/// @param stepsDone while it is made ready; empty afterwards, when PlannedView has them
/// @param clientCues what is said aloud to the client whose eyes are shut
/// @param conflicts what two screens said differently of one moment
/// @param whyOwed it was ended before its least time and nobody has said why
record CouchView(
    UUID id,
    UUID visitId,
    int seq,
    int planned,
    Instant serverNow,
    Phase phase,
    String therapist,
    Optional<String> clockJump,
    StageNow stage,
    Optional<Map<ReadyStep, Instant>> stepsDone,
    GateView gate,
    AcidView acid,
    SeenNow seen,
    CalmView calm,
    AheadView ahead,
    List<ClientCue> clientCues,
    List<Conflict> conflicts,
    boolean whyOwed,
    LogView log) {

  /// @param prepAnswer the answer to the prep; empty before it
  /// @param passes that answer lets the plan go on; empty before it
  /// @param answers what each of the eleven answers to the prep leads to
  /// @param prepTouchedAt when the prep touched the skin
  /// @param mayKeep the answer to the prep does not forbid to keep the plan
  record GateView(
      Optional<Integer> prepAnswer,
      Optional<Boolean> passes,
      List<PrepAnswer.Leads> answers,
      Optional<Instant> prepTouchedAt,
      Optional<GateA> decided,
      boolean mayKeep) {
    static GateView of(TreatmentState state) {
      Optional<Integer> prep = state.prepAnswer();
      boolean hot = state.zones().values().stream().anyMatch(zone -> zone.hotSpot().isPresent());
      return new GateView(
          prep,
          prep.map(answer -> PrepAnswer.passes(answer, hot)),
          IntStream.rangeClosed(0, 10).mapToObj(answer -> PrepAnswer.leads(answer, hot)).toList(),
          state.ready().prepTouchedAt(),
          state.ready().gateA(),
          prep.filter(answer -> answer >= PrepAnswer.NOT_TO_BE_KEPT).isEmpty());
    }
  }

  /// @param ledger acid against base; from the plan where nothing was measured
  /// @param noMoreAcid there was an alarm: no acid in this visit, unless the clinician allows it
  record AcidView(
      Optional<Long> contactLimitSeconds,
      int layersPlanned,
      List<LayerView> layers,
      boolean fanOn,
      Clocks clocks,
      OnSkinView ledger,
      boolean noMoreAcid) {
    static AcidView of(Live live) {
      TreatmentState state = live.state();
      return new AcidView(
          state.ready().contactLimit().map(Duration::toSeconds),
          state.layersPlanned(),
          LayerView.of(live.plan(), state),
          state.acid().fanOn(),
          Clocks.of(live.plan(), state),
          OnSkinView.of(live),
          state.noMoreAcid());
    }
  }

  /// What was seen and told.
  ///
  /// @param alarms what stands until somebody says how it ended, the gravest first
  /// @param endedZones those that were ended while the rest ran on
  /// @param beside regions whose acid is off, each with its own rest
  record SeenNow(
      List<SeenView> zones,
      Set<Sign> signs,
      List<Alarm> alarms,
      Response response,
      List<Looks.Told> answers,
      List<EndedZoneView> endedZones,
      List<BesideView> beside) {
    static SeenNow of(Live live, Instant now) {
      TreatmentState state = live.state();
      return new SeenNow(
          SeenView.of(state.zones()),
          state.signs(),
          Alarm.standing(live.plan(), state),
          state.response(),
          state.looks().answers(),
          EndedZoneView.of(state.endedZones()),
          Advisor.beside(state, now).stream().map(BesideView::of).toList());
    }
  }

  /// The ending, and what goes on calm skin.
  ///
  /// @param barrierOn what covered the skin is still on it
  record CalmView(
      List<EndingStepView> endingSteps,
      List<CareNow> care,
      List<TreatmentEvent.ExtractedPoint> extracted,
      boolean barrierOn,
      AddOnNow addOn,
      Optional<Instant> restAt) {
    static CalmView of(TreatmentPlan plan, TreatmentState state) {
      return new CalmView(
          state.endingSteps(plan).stream()
              .map(step -> new EndingStepView(step, state.ending().steps().contains(step)))
              .toList(),
          state.careOffered(plan).stream().map(step -> CareNow.of(step, plan, state)).toList(),
          state.care().extracted(),
          state.barrierOn(),
          new AddOnNow(
              state.care().addOnAt(),
              state.care().addOnOffAt(),
              plan.addOn().flatMap(after -> Gate.addOn(plan, state))),
          state.ending().restAt());
    }
  }

  /// @param notNow why the plan's add-on may not go on; empty when it may, or none is planned
  record AddOnNow(Optional<Instant> at, Optional<Instant> offAt, Optional<String> notNow) {}

  /// @param undo what may still be taken back
  /// @param from how many entries before these the screen knows already
  record LogView(boolean recalculated, Optional<UndoView> undo, int from, List<EventView> events) {
    /// @param since number of the newest entry that the screen has; where one of those has changed
    ///   its place or its meaning since, all are told again
    static LogView of(Live live, int since) {
      int from = since <= live.events().size() && since >= live.settled() ? since : 0;
      return new LogView(
          live.events().getLast().fact() instanceof Corrected,
          live.state()
              .last()
              .filter(_ -> live.events().size() > 1)
              .map(last -> new UndoView(last.event(), last.until())),
          from,
          EventView.of(live, from));
    }
  }

  /// @param since number of the newest entry that the screen has
  static CouchView of(Live live, Instant now, int since, Optional<String> clockJump) {
    TreatmentPlan plan = live.plan();
    TreatmentState state = live.state();
    return new CouchView(
        live.id(),
        live.visitId(),
        live.events().size(),
        live.planned(),
        now,
        state.phase(),
        therapist(live.events()),
        clockJump,
        StageNow.of(live.stages().getLast()),
        Optional.of(state.ready().stepsDone()).filter(_ -> state.phase() == Phase.READY),
        GateView.of(state),
        AcidView.of(live),
        SeenNow.of(live, now),
        CalmView.of(plan, state),
        AheadView.of(plan, state, now),
        Cues.toClient(plan, state),
        Conflict.of(live.events(), live.stages().getLast().from()),
        state.whyOwed(),
        LogView.of(live, since));
  }

  /// Whoever opened it, until somebody took it over.
  private static String therapist(List<TreatmentEvent> events) {
    return events.reversed().stream()
        .filter(event -> event.fact() instanceof HandedOver)
        .findFirst()
        .orElse(events.getFirst())
        .who();
  }
}
