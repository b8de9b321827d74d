package ivesk.core.treatment.state;

import ivesk.core.plan.compose.TreatmentPlan;
import java.time.Duration;
import java.util.Optional;

/// A plan that is shortened on the answer to the prep: three quarters of its contact, or one layer
/// less where it has no minutes. Ivesk's own default.
public record Shortened(Optional<Duration> contact, int layers) {
  /// A shorter contact than this shuts the formula.
  private static final Duration SHORTEST = Duration.ofSeconds(60);

  /// Empty when that is less than the formula can do.
  public static Optional<Shortened> of(TreatmentPlan plan) {
    Shortened shorter = new Shortened(contact(plan), layers(plan));
    boolean nothing = shorter.contact().isEmpty() && plan.layersAtMost() == 1;
    return tooShort(plan) || nothing ? Optional.empty() : Optional.of(shorter);
  }

  /// Less than 60 s would be left.
  public static boolean tooShort(TreatmentPlan plan) {
    return contact(plan).filter(left -> left.compareTo(SHORTEST) < 0).isPresent();
  }

  /// Three quarters, rounded down to 5 s; empty without a limit.
  public static Optional<Duration> contact(TreatmentPlan plan) {
    return plan.contactLimit().map(limit -> Duration.ofSeconds(limit.toSeconds() * 3 / 4 / 5 * 5));
  }

  /// Formulas without minutes take one layer less instead; never below 1.
  public static int layers(TreatmentPlan plan) {
    return plan.contactLimit().isPresent()
        ? plan.layersPlanned()
        : Math.max(1, plan.layersPlanned() - 1);
  }
}
