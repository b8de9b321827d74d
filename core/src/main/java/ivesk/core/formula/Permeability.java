package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.quantity.MolarMass;
import java.util.Optional;

/// How fast a substance in water passes skin.
///
/// @param cmPerHour permeability coefficient, above 0
public record Permeability(double cmPerHour) {

  /// From water: log Kp = -2.80 + 0.66 log Kow - 0.0056 MW. US EPA RAGS Part E 2004, from memory;
  /// for neutral molecules, within a factor of ten or so, and not for skin that a peel has opened.
  ///
  /// @param logKow octanol-water partition, -5 to 8
  /// @param molarMass 10 to 800 g/mol
  public static Permeability of(double logKow, MolarMass molarMass) {
    Require.range("log Kow", logKow, -5, 8);
    double gPerMol = Require.range("molar mass, g/mol", molarMass.gPerMol(), 10, 800);
    return new Permeability(Math.pow(10, -2.80 + 0.66 * logKow - 0.0056 * gPerMol));
  }

  /// Of a substance; empty where its partition or molar mass is not given.
  public static Optional<Permeability> of(Substance substance) {
    return substance
        .logKow()
        .flatMap(logKow -> substance.molarMass().map(molarMass -> of(logKow, molarMass)));
  }
}
