package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.TreatmentEvent.GateA;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;

/// Gate A, the answer to the prep: 0 to 3 on even skin goes on; 4 or more, or a hot spot, changes
/// the plan or ends the visit; 8 and more cannot be kept, and a hot spot that is kept goes under
/// barrier and out of the first layer. Gate B, between stages: 0 to 3, redness at most 1, no frost.
/// Common practice.
public final class Gate {
  /// From here the skin is awake before any acid.
  public static final int AWAKE = 4;

  /// From here the plan cannot be kept as it is.
  public static final int NOT_TO_BE_KEPT = 8;

  /// A shorter contact than this shuts the formula.
  private static final Duration SHORTEST = Duration.ofSeconds(60);

  private static final String SHUT =
      "shortened there would be nothing left, or less than 60 s: another formula, or stop";

  private Gate() {}

  /// Whether an answer lets the plan go on unchanged.
  public static boolean passes(int sensation, boolean hotSpot) {
    return sensation < AWAKE && !hotSpot;
  }

  /// Why the next stage may not begin; empty when it may.
  static Optional<String> b(TreatmentPlan plan, TreatmentState state) {
    if (Outcome.injured(state)) {
      return Optional.of("an injury or alarm was seen: the clinician decides");
    }
    for (Zone zone : plan.zones()) {
      ZoneState look = state.zones().get(zone);
      if (look.whitening().frost()) return Optional.of("frost on the " + zone.label());
      if (look.redness() > 1) {
        return Optional.of(Words.fill("the %s is red, %d", zone.label(), look.redness()));
      }
    }
    return state
        .lastAnswer()
        .map(Looks.Told::value)
        .filter(value -> value >= AWAKE)
        .map(value -> value + " is above 3");
  }

  /// Why gate A cannot be decided so; empty when it can.
  static Optional<String> a(TreatmentPlan plan, TreatmentState state, GateA choice) {
    Optional<Integer> answer = Treatment.prepAnswer(state);
    if (answer.isEmpty()) return Optional.of("ask how the prep feels first");
    return switch (choice) {
      case STOP -> Optional.empty();
      case KEEP -> tooAwake(answer.get());
      case UNDER_BARRIER ->
          state.zones().values().stream().anyMatch(zone -> zone.hotSpot().isPresent())
              ? tooAwake(answer.get())
              : Optional.of("no spot is hot: keep it as it is");
      case LOWER_RUNG, OTHER_FORMULA -> Optional.of("say which formula takes its place");
      case SHORTEN -> shortensTo(plan).isPresent() ? Optional.empty() : Optional.of(SHUT);
    };
  }

  private static Optional<String> tooAwake(int answer) {
    return answer < NOT_TO_BE_KEPT
        ? Optional.empty()
        : Optional.of(answer + " before any acid: shorten, choose another formula or stop");
  }

  /// Why another plan may not take the place of this one; empty when it may.
  static Optional<String> change(TreatmentPlan plan, TreatmentState state, TreatmentPlan other) {
    if (state.phase() != Phase.READY) return Optional.of("Ready is over: the timer is armed");
    if (Treatment.prepAnswer(state).isEmpty()) return Optional.of("ask how the prep feels first");
    if (!Set.copyOf(other.zones()).equals(Set.copyOf(plan.zones()))) {
      return Optional.of("the other plan is for other zones");
    }
    return other.formula().equals(plan.formula())
        ? Optional.of("that is the formula planned")
        : Optional.empty();
  }

  /// What shortening leaves: a contact of 60 s and more, or one layer fewer. Empty when that is
  /// less than the formula can do.
  public static Optional<Shortened> shortensTo(TreatmentPlan plan) {
    Shortened shorter = new Shortened(plan.contactLimit().map(Gate::shortened), fewer(plan));
    boolean tooShort =
        shorter.contact().filter(contact -> contact.compareTo(SHORTEST) < 0).isPresent();
    boolean nothing = shorter.contact().isEmpty() && plan.layersAtMost() == 1;
    return tooShort || nothing ? Optional.empty() : Optional.of(shorter);
  }

  public record Shortened(Optional<Duration> contact, int layers) {}

  /// Three quarters, rounded down to 5 s; Ivesk's own default.
  static Duration shortened(Duration limit) {
    return Duration.ofSeconds(limit.toSeconds() * 3 / 4 / 5 * 5);
  }

  /// Formulas without minutes take one layer less instead; never below 1.
  static int fewer(TreatmentPlan plan) {
    return plan.contactLimit().isPresent()
        ? plan.layersPlanned()
        : Math.max(1, plan.layersPlanned() - 1);
  }
}
