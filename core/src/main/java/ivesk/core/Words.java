package ivesk.core;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/// How dates, times and lists are said in reasons. Dates and decimals go by who reads them; where
/// nobody is named, by British English.
public final class Words {
  private static final ScopedValue<Locale> READER = ScopedValue.newInstance();

  /// The order of a day's parts is the language's own: Unicode CLDR, as the web's.
  private static final Map<Locale, DateTimeFormatter> DAYS = new ConcurrentHashMap<>();

  private static final DateTimeFormatter HOUR =
      DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

  private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}\\p{N}]+");

  private Words() {}

  /// Says what it says to somebody.
  ///
  /// @param reader of all English the British; digits are always 0 to 9
  public static <T, X extends Throwable> T readBy(
      Locale reader, ScopedValue.CallableOp<? extends T, X> saying) throws X {
    Locale locale = reader.getLanguage().equals("en") ? Locale.UK : reader;
    Locale digits =
        new Locale.Builder().setLocale(locale).setUnicodeLocaleKeyword("nu", "latn").build();
    return ScopedValue.where(READER, digits).call(saying);
  }

  private static Locale reader() {
    return READER.orElse(Locale.UK);
  }

  /// "Sat 28 Nov".
  public static String day(LocalDate date) {
    return DAYS.computeIfAbsent(
            reader(), locale -> DateTimeFormatter.ofLocalizedPattern("MMMEd").withLocale(locale))
        .format(date)
        .replace(",", "");
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

  /// "2.5", with so many decimals, whatever the machine's language is.
  public static String number(double value, int decimals) {
    return String.format(reader(), "%." + decimals + "f", value);
  }

  /// Puts the parts where the words have %s, in their order.
  public static String fill(String words, Object... parts) {
    return String.format(reader(), words, parts);
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

  /// What was typed into a field, without the blanks around it; empty where there is nothing else.
  public static Optional<String> typed(Optional<String> field) {
    return field.map(String::strip).filter(words -> !words.isEmpty());
  }

  /// Whether what somebody told names a thing, in whole words: "rose" is not in "rosemary".
  public static boolean names(String told, String thing) {
    return whole(told).contains(whole(thing));
  }

  private static String whole(String text) {
    return " " + NO_LETTERS.matcher(text.toLowerCase(Locale.ROOT)).replaceAll(" ").strip() + " ";
  }
}
