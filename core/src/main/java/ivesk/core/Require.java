package ivesk.core;

import java.util.regex.Pattern;

/// Guards of the constructors: each failure names field, value and allowed range.
public final class Require {
  private static final Pattern TELEPHONE = Pattern.compile("\\+?[0-9(][0-9 ().,/-]{1,28}");
  private static final Pattern MAIL = Pattern.compile("[^\\s@]+@[^\\s@]+\\.[^\\s@]+");

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

  public static boolean isTelephone(String value) {
    return TELEPHONE.matcher(value).matches();
  }

  public static boolean isMail(String value) {
    return value.length() <= 254 && MAIL.matcher(value).matches();
  }

  /// A number as it is dialled: 2 to 30 digits, blanks and signs, with + before them or without.
  public static String telephone(String field, String value) {
    if (!isTelephone(value)) {
      throw new IllegalArgumentException(
          field + " is '" + value + "'; give 2 to 30 digits, a + before them where it has one");
    }
    return value;
  }

  /// An address such as name@place.example, up to 254 letters.
  public static String mail(String field, String value) {
    if (!isMail(value)) {
      throw new IllegalArgumentException(
          field + " is '" + value + "'; give an address such as name@place.example");
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
