package ivesk.core.treatment.advice;

import static ivesk.core.treatment.advice.AdviceDraft.advice;
import static ivesk.core.treatment.advice.AdviceDraft.names;

import ivesk.core.Words;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.moment.Look;
import java.util.List;

/// What is advised before the acid.
final class ReadyAdvice {
  private ReadyAdvice() {}

  static AdviceDraft noAcid(Look look) {
    return advice(Kind.PREPARE, "No acid today")
        .because(
            "There was an alarm. Only the supervising clinician, by own sign-in, lets it go on.")
        .key(Action.END);
  }

  /// The prep was answered, and nobody has decided on it.
  static boolean undecided(Look look) {
    return !look.state().ready().stepsDone().containsKey(ReadyStep.GATE_A)
        && look.state().prepAnswer().isPresent();
  }

  static AdviceDraft decide(Look look) {
    return advice(Kind.PREPARE, "Decide on the answer to the prep").because("No acid before that.");
  }

  static AdviceDraft steps(Look look) {
    return advice(Kind.PREPARE, "Get ready").because("Steps are open").key(Action.ARM);
  }

  static AdviceDraft wish(Look look) {
    return notStarted("The client asks to stop.");
  }

  static AdviceDraft noZone(Look look) {
    return notStarted("No zone is fit for acid: red, white or hot.");
  }

  private static AdviceDraft notStarted(String why) {
    return advice(Kind.PREPARE, "Do not start").because(why).key(Action.END);
  }

  static AdviceDraft start(Look look) {
    List<Zone> hot = look.where(look.plan().zones(), zone -> zone.hotSpot().isPresent());
    return advice(Kind.START, "Start the first layer")
        .because(
            hot.isEmpty()
                ? "The clock starts as the acid first touches."
                : Words.capital(names(hot)) + " under barrier, left out of this layer.")
        .on(look.startable())
        .key(Action.START_LAYER);
  }
}
