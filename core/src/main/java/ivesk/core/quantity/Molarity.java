package ivesk.core.quantity;

import ivesk.core.Require;

/// Amount in a litre of solution.
///
/// @param molPerL 0 to 30
public record Molarity(double molPerL) {
  public static final Molarity NONE = new Molarity(0);

  public Molarity {
    require("molarity", molPerL);
  }

  public static Molarity of(double molPerL) {
    return new Molarity(molPerL);
  }

  /// As [#of(double)], for a field that a user filled in.
  ///
  /// @throws IllegalArgumentException naming the field
  public static Molarity of(String field, double molPerL) {
    return new Molarity(require(field, molPerL));
  }

  public Amount in(Volume volume) {
    return Amount.mol(molPerL * volume.litres());
  }

  private static double require(String field, double molPerL) {
    return Require.range(field + ", mol/L", molPerL, 0, 30);
  }
}
