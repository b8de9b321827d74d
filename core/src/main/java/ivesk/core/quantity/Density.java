package ivesk.core.quantity;

import ivesk.core.Require;

/// @param gPerMl 0.5 to 3
public record Density(double gPerMl) {
  public Density {
    Require.range("density, g/mL", gPerMl, 0.5, 3);
  }
}
