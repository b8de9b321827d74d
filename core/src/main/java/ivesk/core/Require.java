package ivesk.core;

/// Guards of the constructors: each failure names field, value and allowed range.
public final class Require {
  private Require() {}

  public static int range(String field, int value, int least, int most) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          field + " is " + value + "; allowed is " + least + " to " + most);
    }
    return value;
  }

  public static double range(String field, double value, double least, double most) {
    if (!(value >= least && value <= most)) {
      throw new IllegalArgumentException(
          field + " is " + value + "; allowed is " + least + " to " + most);
    }
    return value;
  }

  /// A finite number from 0 up.
  public static double notNegative(String field, double value) {
    if (!(value >= 0 && Double.isFinite(value))) {
      throw new IllegalArgumentException(field + " is " + value + "; allowed is 0 and up");
    }
    return value;
  }

  /// Free text that may be empty.
  public static String atMost(String field, String value, int most) {
    if (value.length() > most) {
      throw new IllegalArgumentException(
          field + " has " + value.length() + " letters; allowed are " + most);
    }
    return value;
  }

  public static String text(String field, String value, int most) {
    if (value == null || value.isBlank()) {
      throw new IllegalArgumentException(field + " is empty; allowed is 1 to " + most + " letters");
    }
    return atMost(field, value, most);
  }
}
