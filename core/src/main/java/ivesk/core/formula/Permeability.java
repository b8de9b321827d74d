package ivesk.core.formula;

import ivesk.core.Require;

/// How fast a substance in water passes skin.
public final class Permeability {
  private Permeability() {}

  /// Permeability coefficient from water, cm/h: log Kp = -2.80 + 0.66 log Kow - 0.0056 MW. US EPA
  /// RAGS Part E 2004, from memory; for neutral molecules, within a factor of ten or so, and not
  /// for skin that a peel has opened.
  ///
  /// @param logKow octanol-water partition, -5 to 8
  /// @param molarMass g/mol, 10 to 800
  public static double cmPerHour(double logKow, double molarMass) {
    Require.range("log Kow", logKow, -5, 8);
    Require.range("molar mass, g/mol", molarMass, 10, 800);
    return Math.pow(10, -2.80 + 0.66 * logKow - 0.0056 * molarMass);
  }
}
