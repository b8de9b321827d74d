package ivesk.core;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

/// How dates, times and lists are said in reasons.
public final class Words {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

  private static final DateTimeFormatter HOUR =
      DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

  private Words() {}

  /// "Sat 28 Nov".
  public static String day(LocalDate date) {
    return DAY.format(date);
  }

  /// "14:05".
  public static String hour(LocalTime time) {
    return HOUR.format(time);
  }

  /// "3:00", minutes and seconds.
  public static String clock(Duration duration) {
    int seconds = duration.toSecondsPart();
    return duration.toMinutes() + (seconds < 10 ? ":0" : ":") + seconds;
  }

  /// "2.5", with so many decimals and a point, whatever the machine's language is.
  public static String number(double value, int decimals) {
    return String.format(Locale.ROOT, "%." + decimals + "f", value);
  }

  /// Puts the parts where the words have %s, in their order.
  public static String fill(String words, Object... parts) {
    return String.format(Locale.ROOT, words, parts);
  }

  /// "1 day", "3 days".
  public static String count(long n, String thing) {
    return n + " " + thing + (n == 1 ? "" : "s");
  }

  /// With its first letter large, as a sentence begins.
  public static String capital(String words) {
    return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }

  /// "chin, nose and left cheek".
  public static String list(List<String> things) {
    if (things.size() < 2) return String.join("", things);
    return String.join(", ", things.subList(0, things.size() - 1)) + " and " + things.getLast();
  }
}
