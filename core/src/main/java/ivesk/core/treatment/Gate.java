package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import java.time.Duration;

/// Gate A, the answer to the prep: 0 to 3 on even skin goes on; 4 or more, or a hot spot, changes
/// the plan or ends the visit. Common practice.
public final class Gate {
  /// From here the skin is awake before any acid.
  public static final int AWAKE = 4;

  private static final Duration SHORTEST = Duration.ofSeconds(30);

  private Gate() {}

  /// Whether an answer lets the plan go on unchanged.
  public static boolean passes(int sensation, boolean hotSpot) {
    return sensation < AWAKE && !hotSpot;
  }

  /// Three quarters, rounded down to 5 s, never under 30 s; Ivesk's own default.
  public static Duration shortened(Duration limit) {
    Duration shorter = Duration.ofSeconds(limit.toSeconds() * 3 / 4 / 5 * 5);
    return shorter.compareTo(SHORTEST) < 0 ? SHORTEST : shorter;
  }

  /// Formulas without minutes take one layer less instead; never below 1.
  static int fewer(TreatmentPlan plan) {
    return plan.contactLimit().isPresent()
        ? plan.layersPlanned()
        : Math.max(1, plan.layersPlanned() - 1);
  }
}
