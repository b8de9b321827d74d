package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.Optional;

/// Gate A, the answer to the prep: 0 to 3 on even skin goes on; 4 or more, or a hot spot, changes
/// the plan or ends the visit. Gate B, between stages: 0 to 3, redness at most 1, no frost. Common
/// practice.
public final class Gate {
  /// From here the skin is awake before any acid.
  public static final int AWAKE = 4;

  private static final Duration SHORTEST = Duration.ofSeconds(30);

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
      Looks.ZoneState look = state.zones().get(zone);
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
