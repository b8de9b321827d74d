package ivesk.core.treatment.advice;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Comfort;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.selection.Appointment;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/// What the client is told before the acid, line by line, from the plan; it can be read aloud.
/// Common practice, no source.
public final class Briefing {
  /// From the last look before the acid to the skin at rest, beside the acid's own time; Ivesk's
  /// own default.
  private static final Duration AROUND_THE_ACID = Duration.ofMinutes(5);

  private Briefing() {}

  /// In the order in which they are said.
  public static List<String> of(TreatmentPlan plan) {
    List<String> lines = new ArrayList<>();
    Preparation ready = plan.preparation();
    if (ready.care().contains(Care.Kind.TALK_FIRST)) {
      lines.add("First, what a peel can do for you and what it cannot.");
    }
    lines.add("You will feel " + feel(plan) + ".");
    if (ready.eyes().isPresent()) {
      lines.add(Words.fill("Your eyes stay shut for about %d minutes.", eyesShut(plan)));
    }
    if (ready.respects(Comfort.DREADS_COLD)) {
      lines.add("Before anything cold I say “cold now”, and you feel it on your hand first.");
    }
    if (ready.respects(Comfort.CLOSED_IN)) {
      lines.add("Nothing goes over your nose or mouth.");
    }
    if (ready.respects(Comfort.NECK_OR_BACK)) {
      lines.add("Say when neck or back wants the roll moved; you sit up as soon as you can.");
    }
    lines.add(
        ready.respects(Comfort.HAND_SIGNS)
            ? "When I ask, show a number from 0 to 10 with your fingers. The true one helps me."
            : "When I ask, say a number from 0 to 10. Nothing is brave or wrong; the true one"
                + " helps me.");
    if (plan.handling().handset()) {
      lines.add("Your phone or clicker says the number too, and STOP on it stops me at once.");
    }
    lines.add("Raise your hand, and I stop at once.");
    lines.add(ends(plan));
    lines.add(leaving(plan));
    lines.add("The fan is yours. Use it as you like.");
    return List.copyOf(lines);
  }

  private static String feel(TreatmentPlan plan) {
    int high = plan.formula().band().high();
    String word =
        high <= 2
            ? "very little"
            : high <= 4
                ? "a tingle or some warmth"
                : high <= 6 ? "a strong sting" : "a sting that is hard to bear for a while";
    String when =
        plan.bandWindow()
            .map(window ->
                ", most of it in the first "
                    + Words.count(Math.max(1, (window.toSeconds() + 59) / 60), "minute"))
            .orElse("");
    return word + when + (plan.formula().band().thenFalling() ? "; then it falls" : "");
  }

  private static long eyesShut(TreatmentPlan plan) {
    Duration acid = Appointment.acid(plan.formula(), plan.contactLimit(), plan.layersPlanned());
    return (acid.plus(AROUND_THE_ACID).toSeconds() + 59) / 60;
  }

  private static String ends(TreatmentPlan plan) {
    if (plan.neutralised()) {
      return "A neutraliser ends it: it stings for a moment, then it is over.";
    }
    return switch (plan.formula().ending()) {
      case FROST_IS_THE_END -> "It whitens by itself, and that is its end. Cool compresses follow.";
      case SELF_LIMITING -> "It ends by itself and stays on as it is.";
      case RINSE, DAMP_PADS, COOL_RINSE, COOL_PADS, WIPE_THEN_COOL_RINSE ->
          "Cool water takes it off.";
      case NEUTRALISE, LIFT_THEN_NEUTRALISE, NONE -> "It is lifted off and cooled.";
    };
  }

  private static String leaving(TreatmentPlan plan) {
    if (plan.formula().ending() == Formula.Ending.FROST_IS_THE_END) {
      return "When you leave, the white has faded, and your skin is red and tight.";
    }
    return plan.depth() == DepthClass.VERY_SUPERFICIAL
        ? "When you leave, your skin is pink at most, perhaps a little tight."
        : "When you leave, your skin is pink to red and tight until the evening or the next day.";
  }
}
