package ivesk.core.quantity;

import ivesk.core.Require;

/// An area of skin.
///
/// @param cm2 square centimetres, 0 and up
public record Area(double cm2) {
  public static final Area NONE = new Area(0);

  public Area {
    Require.notNegative("area, cm2", cm2);
  }

  public static Area cm2(double cm2) {
    return new Area(cm2);
  }

  public Area plus(Area other) {
    return new Area(cm2 + other.cm2);
  }

  public Area times(double factor) {
    return new Area(cm2 * factor);
  }
}
