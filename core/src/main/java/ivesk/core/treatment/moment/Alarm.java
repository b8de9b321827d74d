package ivesk.core.treatment.moment;

import ivesk.core.Words;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.AlarmStep;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.Sign.Weight;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
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
/// @param first steps before which it cannot be closed, done or said to be not needed; where there
///   is a time, that comes in their place
/// @param signs that it came by
public record Alarm(
    Weight weight,
    String line,
    String reason,
    Instant since,
    Optional<Instant> until,
    List<AlarmStep> steps,
    List<AlarmStep> first,
    List<Sign> signs) {

  /// How long an eye is rinsed at least.
  static final Duration RINSE = Duration.ofMinutes(15);

  public Alarm {
    steps = List.copyOf(steps);
    first = List.copyOf(first);
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
                weight.first(),
                signs));
  }

  /// Why an alarm cannot be closed yet; empty when it can. An eye is rinsed for its whole time, and
  /// an emergency has its first steps, unless they were not needed or care has taken over.
  public static Optional<String> notOver(Sign sign, TreatmentState state, Instant at) {
    Weight weight = sign.weight();
    Instant since = state.looks().standing().getOrDefault(sign, at);
    if (weight == Weight.EYE && !at.isBefore(since.plus(RINSE))) return Optional.empty();
    return weight.first().stream()
        .filter(step -> !state.looks().stays().steps().contains(step))
        .findFirst()
        .map(step ->
            weight == Weight.EYE
                ? "the eye is rinsed for 15 minutes, or until emergency care has it"
                : "first: " + step.words() + "; tick it, or say why it is not needed");
  }

  private static List<AlarmStep> steps(Weight weight, TreatmentPlan plan, TreatmentState state) {
    return weight.steps().stream()
        .filter(step -> step != AlarmStep.TAKE_OFF || takesOff(state))
        .filter(step -> step != AlarmStep.ADD_ON_OFF || state.care().addOnOn())
        .filter(step -> step != AlarmStep.CARE_OFF || state.careRunning(plan).isPresent())
        .filter(step -> step != AlarmStep.POISON_CENTRE || plan.formula().mayCrystallise())
        .toList();
  }

  private static boolean takesOff(TreatmentState state) {
    return state.phase() == Phase.ACID || state.phase() == Phase.ENDING;
  }

  /// What to do, in words; the acid that is still on comes off by the formula's own ending.
  public static List<String> words(Weight weight, TreatmentPlan plan, TreatmentState state) {
    List<String> words = new ArrayList<>();
    for (AlarmStep step : steps(weight, plan, state)) {
      if (step == AlarmStep.TAKE_OFF) {
        state.endingSteps(plan).stream()
            .filter(one -> !state.ending().steps().contains(one))
            .map(EndingStep::words)
            .forEach(words::add);
      } else {
        words.add(step.words());
      }
    }
    return words;
  }
}
