package ivesk.core.quantity;

import ivesk.core.Require;

/// A volume of liquid or gas.
///
/// @param ml millilitres, 0 and up
public record Volume(double ml) implements Comparable<Volume> {
  public static final Volume NONE = new Volume(0);

  public Volume {
    require("volume", ml);
  }

  public static Volume ml(double ml) {
    return new Volume(ml);
  }

  /// As [#ml(double)], for a field that a user filled in.
  ///
  /// @throws IllegalArgumentException naming the field
  public static Volume ml(String field, double ml) {
    return new Volume(require(field, ml));
  }

  public static Volume litres(double litres) {
    return new Volume(litres * 1000);
  }

  public static Volume microlitres(double microlitres) {
    return new Volume(microlitres / 1000);
  }

  public double litres() {
    return ml / 1000;
  }

  public Volume plus(Volume other) {
    return new Volume(ml + other.ml);
  }

  /// What is left of it, at least nothing.
  public Volume less(Volume other) {
    return new Volume(Math.max(0, ml - other.ml));
  }

  public Volume times(double factor) {
    return new Volume(ml * factor);
  }

  @Override
  public int compareTo(Volume other) {
    return Double.compare(ml, other.ml);
  }

  private static double require(String field, double ml) {
    return Require.notNegative(field + ", mL", ml);
  }
}
