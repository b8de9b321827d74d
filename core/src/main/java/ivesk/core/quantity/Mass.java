package ivesk.core.quantity;

import ivesk.core.Require;

/// A mass of a substance.
///
/// @param g grams, 0 and up
public record Mass(double g) {
  public Mass {
    require("mass", g);
  }

  public static Mass g(double g) {
    return new Mass(g);
  }

  /// As [#g(double)], for a field that a user filled in.
  ///
  /// @throws IllegalArgumentException naming the field
  public static Mass g(String field, double g) {
    return new Mass(require(field, g));
  }

  public double mg() {
    return g * 1000;
  }

  public Mass times(double factor) {
    return new Mass(g * factor);
  }

  private static double require(String field, double g) {
    return Require.notNegative(field + ", g", g);
  }
}
