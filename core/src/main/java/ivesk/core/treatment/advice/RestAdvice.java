package ivesk.core.treatment.advice;

import static ivesk.core.treatment.advice.AdviceDraft.advice;

import ivesk.core.Words;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.StepKind;
import ivesk.core.product.Role;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.TreatmentState.Beside;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// What is advised on calm skin, until the client leaves.
final class RestAdvice {
  private RestAdvice() {}

  static AdviceDraft addOnMay(Look look) {
    AddOn addOn = look.plan().addOn().orElseThrow();
    return advice(Kind.REST, "At rest: " + addOn.formula().code() + " may go on")
        .because(Words.capital(addOn.words()))
        .key(Action.ADD_ON)
        .other(Action.LEAVING_CHECK);
  }

  /// From when an add-on that comes off in the room may come off.
  static Optional<Instant> addOnLeast(Look look) {
    return look.state().shortContact(look.plan()).map(on -> on.plus(AddOn.SHORT_LEAST));
  }

  static AdviceDraft addOnIsOn(Look look) {
    String code = look.plan().addOn().orElseThrow().formula().code();
    Instant on = look.state().shortContact(look.plan()).orElseThrow();
    return (look.over(addOnLeast(look))
            ? advice(Kind.REST, "Wipe the " + code + " off")
                .because("It stays for 10 minutes at most.")
                .until(on.plus(AddOn.SHORT_MOST))
            : advice(Kind.REST, "Leave the " + code + " on")
                .because("Wiped off after 5 to 10 minutes.")
                .until(on.plus(AddOn.SHORT_LEAST)))
        .key(Action.WIPE_ADD_ON);
  }

  static AdviceDraft careIsOn(Look look) {
    CareStep running = look.state().careRunning(look.plan()).orElseThrow();
    Instant until = look.state().careRunsUntil(look.plan()).orElse(look.now());
    return (look.now().isBefore(until)
            ? advice(Kind.REST, "Leave it on: " + running.label())
                .because(running.doneSign())
                .until(until)
            : advice(Kind.REST, "Time is over: " + running.label()).because(whenOver(running)))
        .key(Action.CARE_OFF);
  }

  private static Optional<CareStep> next(Look look) {
    return look.state().careOpen(look.plan()).stream().findFirst();
  }

  private static Optional<String> shut(CareStep step, Look look) {
    return Gate.before(step, look.plan(), look.state());
  }

  /// The next step waits for bare skin, and nothing else could open its gate.
  static boolean barrierFirst(Look look) {
    return look.state().barrierOn()
        && next(look)
            .filter(step -> shut(step, look).isEmpty() || opens(look).isEmpty())
            .isPresent();
  }

  static AdviceDraft wipeBarrier(Look look) {
    return advice(Kind.REST, "At rest. Wipe the barrier off")
        .because("It comes off before " + next(look).orElseThrow().label() + " and what follows.")
        .key(Action.BARRIER)
        .other(Action.LEAVING_CHECK);
  }

  static boolean careLeft(Look look) {
    return next(look).isPresent();
  }

  static AdviceDraft nextCare(Look look) {
    CareStep step = next(look).orElseThrow();
    Optional<String> shut = shut(step, look);
    return advice(Kind.REST, "At rest. Next: " + step.label())
        .because(
            shut.map(why -> Words.capital(why) + ".")
                .orElseGet(() -> howTo(step, look.plan(), look.state())))
        .on(step.zones())
        .key(shut.isEmpty() ? Action.CARE : opens(look).orElse(Action.NONE))
        .other(Action.LEAVING_CHECK);
  }

  /// What would open a shut gate: a look.
  private static Optional<Action> opens(Look look) {
    return look.state().ending().lookedAt().isEmpty()
        ? Optional.of(Action.REDNESS)
        : Optional.empty();
  }

  private static String whenOver(CareStep step) {
    return step.kind() == StepKind.MASK
        ? "Lift it gently, from the neck up; no residue."
        : "Take it off, or go on.";
  }

  private static String howTo(CareStep step, TreatmentPlan plan, TreatmentState state) {
    if (step.role().filter(Role.SERUM::equals).isPresent() && soothe(plan, state)) {
      return "A barrier product instead of an active serum: "
          + (plan.firstVisit()
              ? "first visit."
              : plan.careful() ? "sensitive skin." : "the skin is red.");
    }
    String said = step.said().isEmpty() ? "" : "Say first: " + step.said() + " ";
    if (step.kind() == StepKind.MASK) {
      return said + "Mouth and nose free. " + step.how();
    }
    if (step.extracts()) {
      return said + "Few, fresh lancet held shallow, skin taut; the smallest tool on the nose.";
    }
    String how = step.how();
    return said + (how.isEmpty() ? "Pressed in, no massage." : how + "; pressed in, no massage.");
  }

  /// First visit, sensitive or red skin: nothing active goes on it.
  private static boolean soothe(TreatmentPlan plan, TreatmentState state) {
    return plan.careful() || state.zones().values().stream().anyMatch(zone -> zone.redness() >= 2);
  }

  /// The stage after this one; gate B stands before it.
  static AdviceDraft nextStage(Look look) {
    TreatmentPlan plan = look.plan();
    TreatmentPlan next = plan.staging().next().orElseThrow();
    String what =
        Words.fill(
            "Stage %d of %d: %s on %s",
            next.staging().number(), next.staging().of(), next.formula().code(), next.where());
    Optional<String> shut = Gate.next(plan, look.state());
    if (shut.isPresent()) {
      boolean unseen = look.state().ending().lookedAt().isEmpty() && next.sharesSkin(plan);
      return advice(Kind.REST, "Not yet: " + what)
          .because(Words.capital(shut.get()) + ".")
          .key(unseen ? Action.REDNESS : Action.ASK)
          .other(Action.LEAVING_CHECK);
    }
    return plan.careful()
        ? advice(Kind.REST, "Stop here, or go on by choice")
            .because(
                what
                    + ". "
                    + (plan.firstVisit() ? "First visit" : "Sensitive skin")
                    + ": off unless chosen.")
            .key(Action.LEAVING_CHECK)
            .other(Action.NEXT_STAGE)
        : advice(Kind.REST, what)
            .because("Gate B is passed: 3 at most, pink at most, no frost.")
            .key(Action.NEXT_STAGE)
            .other(Action.LEAVING_CHECK);
  }

  private static List<Beside> unsettled(Look look) {
    return look.state().beside().stream().filter(one -> !one.settled()).toList();
  }

  static boolean besideUnsettled(Look look) {
    return !unsettled(look).isEmpty();
  }

  /// A region that is settled beside comes to its own rest before the client leaves.
  static AdviceDraft askBeside(Look look) {
    Beside first = unsettled(look).getFirst();
    return advice(Kind.REST, "Ask how " + first.plan().where() + " feels")
        .because(
            first
                .state()
                .lastAnswer()
                .map(told ->
                    Words.fill(
                        "%s was told there. Nobody leaves before it is at rest.", told.value()))
                .orElse("Nobody leaves before it is at rest."))
        .key(Action.ASK_BESIDE);
  }
}
