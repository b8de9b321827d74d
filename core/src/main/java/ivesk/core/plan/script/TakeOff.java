package ivesk.core.plan.script;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.rule.Restriction.Care;
import java.util.Set;

/// How the acid comes off. Common practice.
public enum TakeOff {
  /// As the formula ends.
  BY_FORMULA,
  /// A mild AHA, or all that base would end, where the practice uses cool water instead.
  COOL_WATER,
  /// Salicylic acid, where the practice leaves it on as its maker says.
  LEFT_ON,
  /// Reactive skin: a cool wet compress for a minute, then lifted with it.
  COMPRESS;

  private static final Set<Family> AHA = Set.of(Family.LACTIC, Family.MANDELIC, Family.GLYCOLIC);

  /// @param depth of the plan; only what stays very superficial is mild
  public static TakeOff of(Formula formula, DepthClass depth, Limits limits, Policies policies) {
    if (limits.care().contains(Care.Kind.COMPRESS_LIFT)) return COMPRESS;
    if (leftOn(formula, policies)) return LEFT_ON;
    return byWater(formula, depth, policies) ? COOL_WATER : BY_FORMULA;
  }

  /// Ended by water where others use base.
  public static boolean byWater(Formula formula, DepthClass depth, Policies policies) {
    boolean mild = AHA.contains(formula.family()) && depth == DepthClass.VERY_SUPERFICIAL;
    return mild && policies.chose(Policies.Choice.COOL_WATER_ENDS_MILD_AHA)
        || Neutraliser.ends(formula) && policies.chose(Policies.Choice.WATER_NEUTRALISES);
  }

  /// Left on instead of the rinse at its time.
  static boolean leftOn(Formula formula, Policies policies) {
    return formula.use() == Formula.Use.SELF_LIMITING
        && formula.contains(Substance.SALICYLIC)
        && policies.chose(Policies.Choice.SALICYLIC_LEFT_ON);
  }
}
