package ivesk.core.treatment.advice;

import static ivesk.core.treatment.advice.ZoneChecks.crystals;
import static ivesk.core.treatment.advice.ZoneChecks.endedAlone;
import static ivesk.core.treatment.advice.ZoneChecks.holding;
import static ivesk.core.treatment.advice.ZoneChecks.known;
import static ivesk.core.treatment.advice.ZoneChecks.seen;
import static ivesk.core.treatment.advice.ZoneChecks.when;

import ivesk.core.Words;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.AcidPrepStarted;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceTaken;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.CareStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Extracted;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.FanTurned;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HandedOver;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.NextTimePlanned;
import ivesk.core.treatment.fact.TreatmentEvent.NoteWritten;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.QualityTold;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TakenBack;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.WorkedIn;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.state.AcidState;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;

/// Which events may come next. What was seen or said is always taken; what is done has an order.
public final class Refusal {
  private static final Duration SPOT_BEFORE_LIMIT = Duration.ofSeconds(30);

  private Refusal() {}

  /// Why an event cannot follow; empty when it can.
  ///
  /// @param at when it happened: it is judged by the advice of that moment
  public static Optional<String> of(
      TreatmentPlan plan, TreatmentState state, Fact fact, Instant at) {
    if (state.phase().closed()) {
      return Optional.of(
          state.phase() == Phase.SIGNED
              ? "the record is signed; it is corrected by addendum only"
              : "the treatment was stopped before any acid");
    }
    return switch (fact) {
      case Opened opened -> Optional.of("the treatment is open already");
      case StepDone(var step, var note) ->
          when(state.phase() != Phase.READY, "Ready is over: the timer is armed")
              .or(() -> when(!ReadyStep.of(plan).contains(step), "this plan has no such step"))
              .or(() ->
                  when(
                      step == ReadyStep.PREP
                          && plan.preparation().acidPrep().isPresent()
                          && state.ready().prepTouchedAt().isEmpty(),
                      "the acid prep has a time of its own: start it as it touches"))
              .or(() ->
                  when(
                      step == ReadyStep.CLEANSE
                          && !state.ready().stepsDone().containsKey(ReadyStep.LOOK_1),
                      "look 1 comes before anything touches the skin: cleansing hides what it"
                          + " shows"));
      case GateADecided(var choice, var note) ->
          choice == GateA.STOP && state.phase() == Phase.ARMED
              ? Optional.empty()
              : when(state.phase() != Phase.READY, "Ready is over: the timer is armed")
                  .or(() -> Gate.a(plan, state, choice));
      case PlanChanged(_, var other) -> Gate.change(plan, state, other);
      case AcidAllowed _ ->
          when(!state.phase().beforeAcid(), "acid has been on: no more in this visit")
              .or(() -> alarmStands(plan, state))
              .or(() -> when(!state.injured(), "there was no alarm"));
      case AcidPrepStarted _ ->
          when(state.phase() != Phase.READY, "Ready is over: the timer is armed")
              .or(() ->
                  when(
                      plan.preparation().acidPrep().isEmpty(),
                      "no acid prep is planned: another prep needs no clock"))
              .or(() ->
                  when(state.ready().prepTouchedAt().isPresent(), "the acid prep is on already"));
      case TimerArmed armed -> arm(plan, state);
      case LayerStarted(var zones, var nextRung) -> layer(plan, state, zones, nextRung, at);
      case ZoneReached(var zone) ->
          when(!state.layerRunning(), "no layer is being spread").or(() -> known(plan, zone));
      case LayerCovered covered -> when(!state.layerRunning(), "no layer is being spread");
      case LayersExtended extended ->
          when(
              state.acid().extended()
                  || state.ready().layersAtMost() <= state.ready().layersPlanned(),
              "no more layers are planned for today");
      case ZoneEnded(var zone) ->
          when(state.phase() != Phase.ACID, "no acid is on").or(() -> known(plan, zone));
      case AdviceDeclined(var row, var reason) -> {
        Advice advice = Advisor.advise(plan, state, at);
        yield when(
            !advice.passable() || advice.row().filter(row::equals).isEmpty(),
            "this advice cannot be passed");
      }
      // A second screen that had ended it too is kept: the first END counts, and both are shown.
      case EndingStarted(var row) ->
          when(state.phase() != Phase.ACID && !state.phase().afterAcid(), "no acid is on");
      case EndingStepDone(var step) ->
          when(
              state.phase() != Phase.ENDING || !state.endingSteps(plan).contains(step),
              "this is no step of the ending");
      case TakenBack(var mistaken) -> takeBack(state, mistaken, at);
      // Judged by the whole log: Correction.
      case TreatmentEvent.Corrected _ -> Optional.empty();
      case EarlyEndExplained explained ->
          when(!state.whyOwed(), "it was not ended before its least time");
      case LeavingChecked checked ->
          alarmStands(plan, state)
              .or(() -> besideAtRest(state))
              .or(() ->
                  when(
                      state.phase() != Phase.AT_REST && state.phase() != Phase.CHECKED,
                      "the skin is not at rest"))
              .or(() ->
                  when(
                      state.shortContact(plan).isPresent(),
                      "the add-on is wiped off before the client leaves"))
              .or(() ->
                  state.careRunning(plan).map(step -> "the " + step.label() + " is still on"));
      case Signed signed ->
          when(state.phase() != Phase.CHECKED, "the leaving check is not done")
              .or(() -> alarmStands(plan, state))
              .or(() -> besideAtRest(state))
              .or(() -> when(state.whyOwed(), "say why it was ended before its least time"))
              .or(() -> when(reportOwed(state), "write the incident form first"));
      case HotSpotFelt(var zone, var value) -> seen(plan, state, List.of(zone));
      case RednessSeen(var grades) -> seen(plan, state, grades.keySet());
      case WhiteningSeen(var zones, var grade) ->
          seen(plan, state, zones)
              .or(() ->
                  when(
                      grade == Whitening.CRYSTALS && !crystals(plan, state, zones),
                      plan.formula().code() + " leaves no crystals: choose a frost level"));
      case SensationAnswered _, SignSeen _, ResponseNoted _, FanTurned _, AlarmStepDone _ ->
          Optional.empty();
      case AlarmStepSkipped(var step, _) ->
          when(
              Alarm.standing(plan, state).stream().noneMatch(one -> one.steps().contains(step)),
              "no alarm that stands has this step");
      case RegionAnswered(var region, _) ->
          when(
              state.beside().stream().noneMatch(one -> one.holds(region)),
              region.withArticle() + " is not settled beside this one");
      case SignResolved(var sign, var note) ->
          when(!state.signs().contains(sign), sign.label() + " does not stand")
              .or(() -> Alarm.notOver(sign, state, at));
      case WipeTested(var zones, var cameOff) ->
          seen(plan, state, zones)
              .or(() ->
                  zones.stream()
                      .filter(zone -> !holding(plan, state, zone).zones().get(zone).wipeOwed())
                      .findFirst()
                      .map(zone -> "no wipe test is owed on the " + zone.label()));
      case AddOnPutOn _ -> Gate.addOn(plan, state);
      case AddOnWipedOff _ -> when(!state.care().addOnOn(), "no add-on is on");
      case StageOpened _ -> Gate.next(plan, state);
      case LayerMeasured _ -> when(state.layers().isEmpty(), "no layer is on");
      case SpotPassed(var zones) -> spot(plan, state, zones, at);
      case BaseLaidOut _ ->
          when(state.phase().afterAcid() || !plan.neutralised(), "no base is wanted here");
      case BaseOutrunPassed _ ->
          when(
              !OnSkin.of(plan, state, false).outruns() && !OnSkin.of(plan, state, true).outruns(),
              "the base covers the next layer");
      case ZoneTakenOff(var zone) -> endedAlone(plan, state, zone);
      case ZoneAnswered(var zone, var value) -> endedAlone(plan, state, zone);
      case EdgeSeen(var zone, var reached) -> known(plan, zone);
      case CareStarted(var id) ->
          care(
              plan,
              state,
              id,
              step ->
                  when(state.care().started().containsKey(id), "it is on already")
                      .or(() ->
                          state
                              .careRunning(plan)
                              .map(on -> "the " + on.label() + " is on: it comes off first")));
      case CareDone(var id) ->
          state.care().started().containsKey(id)
              ? when(state.care().done().containsKey(id), "it is done already")
              : care(plan, state, id, step -> when(step.time().isPresent(), "start its time"));
      case Extracted(var id, var points, _) ->
          care(plan, state, id, step -> extracted(plan, state, step, points));
      case BarrierWipedOff _ -> when(!state.phase().afterAcid(), "the acid is not off yet");
      case WorkedIn(var zone) -> known(plan, zone);
      case QualityTold _,
          AdviceTaken _,
          NoteWritten _,
          NextTimePlanned _,
          HandedOver _,
          TreatmentEvent.IncidentReported _ ->
          Optional.empty();
    };
  }

  /// @param further what else is asked of the step
  private static Optional<String> care(
      TreatmentPlan plan,
      TreatmentState state,
      String id,
      Function<CareStep, Optional<String>> further) {
    return state.careOffered(plan).stream()
        .filter(step -> step.id().equals(id))
        .findFirst()
        .map(step -> Gate.careNotNow(plan, state, step).or(() -> further.apply(step)))
        .orElse(Optional.of("this plan has no such step"));
  }

  private static Optional<String> besideAtRest(TreatmentState state) {
    return state.beside().stream()
        .filter(one -> !one.settled())
        .findFirst()
        .map(one -> one.plan().where() + " is not at rest: ask there too");
  }

  private static boolean reportOwed(TreatmentState state) {
    return state.looks().reportOwed()
        || state.beside().stream().anyMatch(one -> one.state().looks().reportOwed());
  }

  /// Named zones once more within the clock: only where no row above the dwell speaks, on skin that
  /// is pink at most and not white.
  private static Optional<String> spot(
      TreatmentPlan plan, TreatmentState state, List<Zone> zones, Instant at) {
    if (state.phase() != Phase.ACID) return Optional.of("no acid is on");
    if (state.layerRunning()) return Optional.of("the layer is still being spread");
    Look look = Look.of(plan, state, at);
    Advice advice = Advisor.advise(plan, state, at);
    boolean calm =
        advice.row().filter(row -> row.compareTo(Row.DWELL) > 0).isPresent()
            && look.settled()
            && !look.atHoldLine()
            && !look.numbed();
    if (!calm) return Optional.of("no spot pass now: " + advice.reason());
    if (look.told().filter(told -> !told.numbed()).isEmpty()) {
      return Optional.of("no spot pass now: ask how it feels first");
    }
    if (look.over(state.limitAt().map(limit -> limit.minus(SPOT_BEFORE_LIMIT).plusMillis(1)))) {
      return Optional.of("no spot pass now: less than 30 seconds are left to the limit");
    }
    AcidState.Layer layer = state.lastLayer().orElseThrow();
    return known(plan, zones)
        .or(() ->
            zones.stream()
                .filter(zone -> !layer.zones().contains(zone))
                .findFirst()
                .map(zone -> "this layer did not go on the " + zone.label()))
        .or(() ->
            zones.stream()
                .filter(
                    zone -> layer.spots().contains(zone) || Collections.frequency(zones, zone) > 1)
                .findFirst()
                .map(zone -> "the " + zone.label() + " had its spot pass in this layer"))
        .or(() ->
            zones.stream()
                .filter(zone ->
                    !look.startable().contains(zone) || state.zones().get(zone).redness() > 1)
                .findFirst()
                .map(zone -> "no acid on the " + zone.label() + ": it is red, white or ended"));
  }

  private static Optional<String> arm(TreatmentPlan plan, TreatmentState state) {
    if (state.phase() != Phase.READY) return Optional.of("the timer is armed already");
    Optional<String> alarm = alarmStands(plan, state);
    if (alarm.isPresent()) return alarm;
    if (state.noMoreAcid()) {
      return Optional.of("there was an alarm: only the supervising clinician lets acid go on");
    }
    List<ReadyStep> open = state.openSteps(plan);
    return open.isEmpty()
        ? Optional.empty()
        : Optional.of("no timer, no acid: " + open.getFirst().label() + " is open");
  }

  private static Optional<String> layer(
      TreatmentPlan plan, TreatmentState state, List<Zone> zones, boolean nextRung, Instant at) {
    if (state.phase() == Phase.READY) return Optional.of("no timer, no acid: arm it first");
    if (state.phase().afterAcid()) return Optional.of("the peel is ended");
    Optional<String> unknown = known(plan, zones);
    if (unknown.isPresent()) return unknown;
    Advice advice = Advisor.advise(plan, state, at);
    if (Advisor.outruns(plan, state, nextRung)) return Optional.of(advice.reason());
    if (!advice.kind().layer() && advice.other() != Advice.Action.TOUCH_UP)
      return Optional.of("no layer now: " + advice.reason());
    if (nextRung && advice.kind() != Advice.Kind.NEXT_RUNG) {
      return Optional.of("the next rung is not advised");
    }
    return zones.stream()
        .filter(zone -> !advice.zones().contains(zone))
        .findFirst()
        .map(zone -> "no layer on the " + zone.label() + ": it is white, ended or spent");
  }

  private static Optional<String> extracted(
      TreatmentPlan plan,
      TreatmentState state,
      CareStep step,
      List<TreatmentEvent.ExtractedPoint> points) {
    Set<Zone> on =
        points.stream().map(TreatmentEvent.ExtractedPoint::zone).collect(Collectors.toSet());
    return when(!step.extracts(), "that step extracts nothing")
        .or(() -> known(plan, on))
        .or(() -> when(!step.zones().containsAll(on), "not planned on all of these zones"))
        .or(() -> Gate.c(plan, state, on));
  }

  private static Optional<String> takeBack(TreatmentState state, UUID mistaken, Instant at) {
    Optional<TreatmentState.Last> last = state.last().filter(one -> one.event().equals(mistaken));
    if (last.isEmpty()) {
      return Optional.of("something else was said since; correct its entry");
    }
    return when(at.isAfter(last.get().until()), "ten seconds are over; correct its entry");
  }

  private static Optional<String> alarmStands(TreatmentPlan plan, TreatmentState state) {
    return Alarm.standing(plan, state).stream()
        .findFirst()
        .map(alarm ->
            Words.list(alarm.signs().stream().map(Sign::label).toList())
                + ": say how it ended first");
  }
}
