package ivesk.core.quantity;

import ivesk.core.Require;

/// Mass of a mole of a substance.
///
/// @param gPerMol 1 to 2,000
public record MolarMass(double gPerMol) {
  public MolarMass {
    Require.range("molar mass, g/mol", gPerMol, 1, 2000);
  }

  public Mass of(Amount amount) {
    return new Mass(amount.mol() * gPerMol);
  }

  public Amount in(Mass mass) {
    return Amount.mol(mass.g() / gPerMol);
  }
}
