package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.treatment.Sign.Weight;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// What stands until somebody says how it ended: an emergency, an eye, an injury. Its steps are the
/// same with and without a server. Common practice.
///
/// @param line large, a few words
/// @param reason what was seen
/// @param since the first of its signs was seen
/// @param until when the rinsing of an eye is long enough
/// @param signs that it came by
public record Alarm(
    Weight weight,
    String line,
    String reason,
    Instant since,
    Optional<Instant> until,
    List<String> steps,
    List<Sign> signs) {

  /// How long an eye is rinsed at least.
  static final Duration RINSE = Duration.ofMinutes(15);

  public Alarm {
    steps = List.copyOf(steps);
    signs = List.copyOf(signs);
  }

  /// Every one that stands, the gravest first.
  public static List<Alarm> standing(TreatmentPlan plan, TreatmentState state) {
    return Arrays.stream(Weight.values())
        .filter(Weight::alarm)
        .flatMap(weight -> of(weight, plan, state).stream())
        .toList();
  }

  static Optional<Alarm> of(Weight weight, TreatmentPlan plan, TreatmentState state) {
    List<Sign> signs =
        state.signs().stream().filter(sign -> sign.weight() == weight).sorted().toList();
    return signs.stream()
        .map(state.looks().standing()::get)
        .min(Comparator.naturalOrder())
        .map(since ->
            new Alarm(
                weight,
                weight.line(),
                Words.capital(Words.list(signs.stream().map(Sign::label).toList()))
                    + (weight == Weight.EYE ? "." : " was seen."),
                since,
                weight == Weight.EYE ? Optional.of(since.plus(RINSE)) : Optional.empty(),
                steps(weight, plan, state),
                signs));
  }

  /// What to do, one after the other.
  static List<String> steps(Weight weight, TreatmentPlan plan, TreatmentState state) {
    return switch (weight) {
      case EMERGENCY ->
          List.of(
              "Call the emergency number",
              "Lie flat, legs up; sit if breathless",
              "The client's own adrenaline, if there is one",
              "Wash the product off",
              "Do not leave",
              "Ringing ears, nausea or fast breathing after salicylic: poison centre too");
      case EYE ->
          List.of(
              "Lids held open, nose outward, water or saline, 15 minutes or more",
              "Lenses out",
              "No neutraliser in the eye",
              "Someone takes the acid off the skin",
              "Go on to emergency care");
      case INJURY -> injury(plan, state);
      case WISH -> List.of();
    };
  }

  /// The acid that is still on comes off by the formula's own ending, early.
  private static List<String> injury(TreatmentPlan plan, TreatmentState state) {
    List<String> steps = new ArrayList<>();
    if (state.phase() == Phase.ACID || state.phase() == Phase.ENDING) {
      EndingSteps.of(plan, state).stream()
          .filter(step -> !state.ending().steps().contains(step))
          .map(EndingStep::words)
          .forEach(steps::add);
    }
    if (state.care().addOnOn()) steps.add("Wipe the add-on off");
    steps.add("Cool with wet compresses, no ice");
    steps.add("Write the incident down");
    steps.add("Call the supervising clinician");
    return steps;
  }
}
