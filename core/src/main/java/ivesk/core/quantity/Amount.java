package ivesk.core.quantity;

import ivesk.core.Require;

/// Amount of substance.
///
/// @param mmol millimoles, 0 and up
public record Amount(double mmol) {
  public static final Amount NONE = new Amount(0);

  public Amount {
    Require.notNegative("amount, mmol", mmol);
  }

  public static Amount mol(double mol) {
    return new Amount(mol * 1000);
  }

  public double mol() {
    return mmol / 1000;
  }

  public Amount plus(Amount other) {
    return new Amount(mmol + other.mmol);
  }

  /// What is left of it, at least nothing.
  public Amount less(Amount other) {
    return new Amount(Math.max(0, mmol - other.mmol));
  }

  public Amount times(double factor) {
    return new Amount(mmol * factor);
  }
}
