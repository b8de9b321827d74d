package ivesk.core.treatment;

import ivesk.core.formula.Formula;
import ivesk.core.plan.TreatmentPlan;
import java.util.List;

/// How a formula comes off, step by step. Common practice.
public final class EndingSteps {
  private EndingSteps() {}

  /// Ended for any reason but its time, its planned layers or its planned endpoint.
  public static boolean early(TreatmentState state) {
    return state.endedByRow().map(row -> row != 5 && row != 14).orElse(true);
  }

  public static List<String> of(TreatmentPlan plan, TreatmentState state) {
    Formula formula = plan.formula();
    return switch (formula.ending()) {
      case NEUTRALISE ->
          List.of(
              "Say it first: a short sting is normal",
              "Blot the excess",
              "Neutraliser on hot spots first, then in the order applied, from each zone's edge",
              "Repeat until no fizz",
              "Rinse cool");
      case LIFT_THEN_NEUTRALISE ->
          List.of(
              "Say it first: a short sting is normal",
              "Lift the gel with dry gauze, light strokes away from centre and eyes",
              "Neutraliser on hot spots first, then in the order applied",
              "Press hot spots again, repeat until no fizz",
              "Rinse cool");
      case WIPE_THEN_COOL_RINSE ->
          List.of(
              "Wipe the paste off with dry gauze",
              "Cool rinse, a clean face of the pad for each stroke",
              "Fan until it falls");
      case COOL_PADS ->
          List.of(
              "Lids stay closed: cool damp pads, outwards from the nose",
              "A fresh pad each stroke");
      case RINSE, DAMP_PADS ->
          List.of("Cool water, a clean face of the pad for each stroke", "Pat dry");
      case COOL_RINSE ->
          early(state)
              ? List.of(
                  "Wipe, then cool rinse with mild cleanser",
                  "Fan, cool wet compress",
                  "What has been absorbed runs its course: say so")
              : List.of(
                  "Cool rinse, a clean face of the pad for each stroke", "Fan until it falls");
      case SELF_LIMITING ->
          early(state)
              ? List.of(
                  "Wipe, then cool rinse with mild cleanser",
                  "Fan, cool wet compress",
                  "What has been absorbed runs its course: say so")
              : List.of(
                  "Leave it as it is; loose crystals may be dusted off", "Fan until it falls");
      case FROST_IS_THE_END ->
          List.of(
              "Cold wet compresses, changed often; no ice on skin",
              "They dilute what is left and undo nothing: say so",
              "Fan until it falls");
      case NONE -> List.of("Rinse cool");
    };
  }
}
