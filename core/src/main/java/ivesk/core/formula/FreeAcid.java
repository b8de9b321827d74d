package ivesk.core.formula;

import ivesk.core.Require;

/// The un-ionised part of an acid, which is what enters skin. Two labels with the same percent and
/// different pH are not the same strength. Yu and Van Scott 1996, from memory.
public final class FreeAcid {
  private FreeAcid() {}

  /// Share of a substance that carries all its protons at a pH, 0 to 1: [H]^n / ([H]^n + [H]^(n-1)
  /// K1 + ... + K1...Kn). 1 for what is no acid.
  ///
  /// @param ph 0 to 14
  public static double fraction(Substance substance, double ph) {
    Require.range("pH", ph, 0, 14);
    double series = 1;
    double term = 1;
    for (double pKa : substance.pKas()) {
      term *= Math.pow(10, ph - pKa);
      series += term;
    }
    return 1 / series;
  }

  /// Free acid of a whole formula, % w/v; 0 for a formula without acid.
  public static double percent(Formula formula) {
    return formula.ph().map(ph -> percent(formula, ph)).orElse(0.0);
  }

  /// As [#percent(Formula)], at a pH that was measured.
  ///
  /// @param ph 0 to 14
  public static double percent(Formula formula, double ph) {
    return formula.components().stream()
        .filter(c -> c.substance().acid())
        .mapToDouble(c -> c.percentWv() * fraction(c.substance(), ph))
        .sum();
  }
}
