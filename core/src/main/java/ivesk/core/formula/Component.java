package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.formula.Strength.Convention;

/// One substance of a formula and how much of it.
///
/// @param strength in % w/v, to 100; 0 for enzymes whose activity no percent tells
public record Component(Substance substance, Strength strength) {
  public Component {
    if (strength.convention() != Convention.WV) {
      throw new IllegalArgumentException(
          Words.fill(
              "%s strength is in %s; a formula has %% w/v",
              substance.label(), strength.convention().label()));
    }
    Require.range(substance.label() + " strength, % w/v", strength.percent(), 0, 100);
  }

  /// @param percentWv g per 100 mL, 0 to 100
  public static Component of(Substance substance, double percentWv) {
    return new Component(
        substance, Strength.of(substance.label() + " strength", percentWv, Convention.WV));
  }
}
