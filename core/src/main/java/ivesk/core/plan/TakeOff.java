package ivesk.core.plan;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Limits;
import ivesk.core.screening.Restriction.Care;
import java.util.Set;

/// How the acid comes off. Common practice.
public enum TakeOff {
  /// As the formula ends.
  BY_FORMULA,
  /// A mild AHA, where the practice ends it with cool water instead of neutraliser.
  COOL_WATER,
  /// Reactive skin: a cool wet compress for a minute, then lifted with it.
  COMPRESS;

  private static final Set<Family> AHA = Set.of(Family.LACTIC, Family.MANDELIC, Family.GLYCOLIC);

  /// @param depth of the plan; only what stays very superficial is mild
  static TakeOff of(Formula formula, DepthClass depth, Limits limits, Policies policies) {
    if (limits.care().contains(Care.Kind.COMPRESS_LIFT)) return COMPRESS;
    boolean mild = AHA.contains(formula.family()) && depth == DepthClass.VERY_SUPERFICIAL;
    return mild && policies.chose(Policies.Choice.COOL_WATER_ENDS_MILD_AHA)
        ? COOL_WATER
        : BY_FORMULA;
  }
}
