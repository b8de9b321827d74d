package ivesk.core.quantity;

import ivesk.core.Require;

/// Acidity. Ideal solutions reach a little beyond the scale of a meter.
///
/// @param value -2 to 16
public record Ph(double value) {
  public Ph {
    Require.range("pH", value, -2, 16);
  }

  /// As a label prints it or a meter shows it.
  ///
  /// @param value 0 to 14
  public static Ph of(double value) {
    return new Ph(Require.range("pH", value, 0, 14));
  }

  /// mol/L of hydrogen ions.
  public double hydrogen() {
    return Math.pow(10, -value);
  }
}
