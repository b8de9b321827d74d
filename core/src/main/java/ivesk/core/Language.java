package ivesk.core;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;

/// The languages in which a client can be told. Days and their order are the language's own, by
/// Unicode CLDR.
public enum Language {
  EN("English", Locale.UK, "%s"),
  ES("español", Locale.of("es", "ES"), "%s"),
  FR("français", Locale.FRANCE, "%s"),
  DE("Deutsch", Locale.GERMANY, "%s Uhr"),
  PT("português", Locale.of("pt", "PT"), "%s");

  /// A blank at which no line breaks.
  public static final String NO_BREAK = "\u00a0";

  private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

  private final String label;
  private final Locale locale;
  private final String hour;
  private final DateTimeFormatter day;
  private final DateTimeFormatter fullDay;

  Language(String label, Locale locale, String hour) {
    this.label = label;
    this.locale = locale;
    this.hour = hour;
    this.day = DateTimeFormatter.ofLocalizedPattern("MMMEd").withLocale(locale);
    this.fullDay = DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG).withLocale(locale);
  }

  /// Its name in itself.
  public String label() {
    return label;
  }

  /// A colon and a blank, as the language sets them.
  public String colon() {
    return (this == FR ? NO_BREAK : "") + ": ";
  }

  /// A semicolon and a blank, as the language sets them.
  public String semicolon() {
    return (this == FR ? NO_BREAK : "") + "; ";
  }

  public Locale locale() {
    return locale;
  }

  /// "Wed 25 Nov".
  public String day(LocalDate date) {
    String words = first(day.format(date).replace(",", ""), date);
    // The dot of a month cut short would stand beside the dot of its sentence.
    return words.endsWith(".") ? words.substring(0, words.length() - 1) : words;
  }

  /// "25 November 2026".
  public String fullDay(LocalDate date) {
    return first(fullDay.format(date), date);
  }

  /// In French the first of a month is an ordinal, which CLDR's patterns leave out.
  private String first(String words, LocalDate date) {
    return this == FR && date.getDayOfMonth() == 1 ? words.replaceFirst("\\b1 ", "1er ") : words;
  }

  /// "14:30".
  public String hour(LocalTime time) {
    return Words.fill(hour, HOUR.format(time));
  }

  /// "Wed 25 Nov, 14:30".
  public String at(ZonedDateTime time) {
    return day(time.toLocalDate()) + ", " + hour(time.toLocalTime());
  }
}
