package ivesk.core.treatment.advice;

import static ivesk.core.treatment.advice.AdviceDraft.advice;
import static ivesk.core.treatment.advice.AdviceDraft.names;

import ivesk.core.formula.Family;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Risen;
import ivesk.core.treatment.state.ZoneState;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// What is advised from END to rest.
final class EndingAdvice {
  private static final Duration LONG_REST = Duration.ofMinutes(15);

  private EndingAdvice() {}

  static AdviceDraft takeOff(Look look) {
    List<EndingStep> steps = look.state().endingSteps(look.plan());
    return steps.stream()
        .filter(step -> !look.state().ending().steps().contains(step))
        .findFirst()
        .map(step ->
            advice(Kind.TAKE_OFF, step.words())
                .because(whyTakenOff(look.plan()))
                .steps(steps.stream().map(EndingStep::words).toList())
                .key(Action.ENDING_STEP))
        .orElseGet(() -> advice(Kind.SETTLE, "Ask how it feels").key(Action.ASK));
  }

  private static String whyTakenOff(TreatmentPlan plan) {
    boolean frosts = plan.formula().frost() != Family.Frost.INJURY;
    if (frosts || plan.formula().mayCrystallise()) {
      return "What has been absorbed runs its course. A neutraliser does not undo a frost.";
    }
    return plan.neutralised() ? "Neutralise before anything else." : "Before anything else.";
  }

  /// When it is long since END.
  static Optional<Instant> longSinceEnd(Look look) {
    return look.state().endedAt().map(end -> end.plus(LONG_REST));
  }

  /// Fifteen minutes after END and not at rest, with nothing on that comes off first.
  static boolean longUnrest(Look look) {
    return !look.state().care().addOnOn()
        && look.state().careRunning(look.plan()).isEmpty()
        && unrest(look);
  }

  private static boolean unrest(Look look) {
    Phase phase = look.state().phase();
    return (phase == Phase.SETTLING || phase == Phase.ENDING) && look.over(longSinceEnd(look));
  }

  static AdviceDraft call(Look look) {
    return advice(Kind.SETTLE, "Cool, check each zone, call the clinician")
        .because("Fifteen minutes since the end and not at rest.")
        .key(look.state().phase() == Phase.ENDING ? Action.ENDING_STEP : Action.ASK);
  }

  /// What is to be done first, and the call where it is due.
  private static String andCall(String first, Look look) {
    return unrest(look)
        ? first + " Fifteen minutes since the end and not at rest: call the clinician."
        : first;
  }

  private static Action ask(Look look) {
    return switch (look.state().phase()) {
      case SETTLING -> Action.ASK;
      case CHECKED -> Action.NONE;
      case READY, ARMED, ACID, ENDING, AT_REST, SIGNED, STOPPED -> Action.LEAVING_CHECK;
    };
  }

  static List<Zone> owed(Look look) {
    return look.where(look.plan().zones(), ZoneState::wipeOwed);
  }

  static AdviceDraft wipe(Look look) {
    return advice(Kind.WIPE_TEST, "Wipe test: damp swab over the white")
        .because(andCall("Comes off: crystals, harmless. Stays: frost.", look))
        .on(owed(look))
        .key(Action.WIPE);
  }

  static List<Zone> white(Look look) {
    return Risen.white(look.plan(), look.state().zones());
  }

  static AdviceDraft whiteRose(Look look) {
    return advice(Kind.SETTLE, "Incident: cool, look again in 60 s")
        .because("White after the end: " + names(white(look)) + ". Call the clinician.")
        .on(white(look))
        .key(ask(look));
  }

  static List<Zone> deep(Look look) {
    return look.where(look.plan().zones(), zone -> zone.redness() == 3);
  }

  static AdviceDraft deepRed(Look look) {
    return advice(Kind.SETTLE, "Incident: cool, write it down")
        .because(
            andCall(
                "Deep or patchy redness: "
                    + names(deep(look))
                    + ". The clinician hears of it before the client leaves.",
                look))
        .on(deep(look))
        .key(ask(look));
  }

  static List<Zone> pinpoint(Look look) {
    return Risen.pinpoint(look.plan(), look.state().zones());
  }

  static AdviceDraft pressOn(Look look) {
    return advice(
            Kind.SETTLE,
            look.plan().neutralised()
                ? "Press neutraliser on it, look again in 60 s"
                : "Press a cool cloth on it, look again in 60 s")
        .because(
            andCall(
                "Pinpoint white on " + names(pinpoint(look)) + ". More than that is an incident.",
                look))
        .on(pinpoint(look))
        .until(look.clocks().askAt().orElseThrow())
        .key(Action.ASK);
  }

  static AdviceDraft wipeAddOnOff(Look look) {
    String code = look.plan().addOn().orElseThrow().formula().code();
    return advice(Kind.SETTLE, "Wipe the " + code + " off, then cool")
        .because(andCall(aboveRest(look), look))
        .key(Action.WIPE_ADD_ON);
  }

  static AdviceDraft takeCareOff(Look look) {
    CareStep on = look.state().careRunning(look.plan()).orElseThrow();
    return advice(Kind.SETTLE, "Take it off, then cool: " + on.label())
        .because(andCall(aboveRest(look), look))
        .key(Action.CARE_OFF);
  }

  private static String aboveRest(Look look) {
    return look.state().lastAnswer().map(told -> told.value() + " is above rest.").orElse("");
  }

  static AdviceDraft askToRest(Look look) {
    int most = look.plan().restAtMost();
    Instant ended = look.state().endedAt().orElseThrow();
    Optional<Told> told =
        look.state()
            .lastAnswer()
            .filter(answer -> answer.at().isAfter(ended))
            .filter(answer -> answer.value() > most);
    List<Zone> hot = look.where(look.plan().zones(), zone -> zone.spotAbove(most));
    return advice(Kind.SETTLE, told.isPresent() ? "Cool, then ask again" : "Ask how it feels")
        .on(hot)
        .because(
            told.map(answer -> answer.value() + " is above rest. Minutes are normal.")
                .or(() ->
                    hot.isEmpty()
                        ? Optional.empty()
                        : Optional.of("A hot spot is above rest: " + names(hot) + "."))
                .orElse("Rest is " + most + " or less. No fixed time."))
        .until(look.clocks().askAt().orElseThrow())
        .key(Action.ASK)
        .other(Gate.next(look.plan(), look.state()).isEmpty() ? Action.NEXT_STAGE : Action.NONE);
  }
}
