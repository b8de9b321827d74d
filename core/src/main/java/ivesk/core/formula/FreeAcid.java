package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.quantity.Ph;

/// The un-ionised part of an acid, which is what enters skin. Two labels with the same percent and
/// different pH are not the same strength. Yu and Van Scott 1996, from memory.
public final class FreeAcid {
  private FreeAcid() {}

  /// Share of a substance that carries all its protons at a pH, 0 to 1: [H]^n / ([H]^n + [H]^(n-1)
  /// K1 + ... + K1...Kn). 1 for what is no acid.
  ///
  /// @param ph 0 to 14
  public static double fraction(Substance substance, Ph ph) {
    Require.range("pH", ph.value(), 0, 14);
    double series = 1;
    double term = 1;
    for (double pKa : substance.pKas()) {
      term *= Math.pow(10, ph.value() - pKa);
      series += term;
    }
    return 1 / series;
  }

  /// Free acid of a whole formula; none for a formula without acid or pH.
  public static Strength of(Formula formula) {
    return formula.ph().map(ph -> of(formula, ph)).orElse(Strength.NONE);
  }

  /// As [#of(Formula)], at a pH that was measured.
  ///
  /// @param ph 0 to 14
  public static Strength of(Formula formula, Ph ph) {
    return formula.components().stream()
        .filter(c -> c.substance().acid())
        .map(c -> c.strength().times(fraction(c.substance(), ph)))
        .reduce(Strength.NONE, Strength::plus);
  }
}
