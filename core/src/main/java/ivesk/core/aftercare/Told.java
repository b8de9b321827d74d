package ivesk.core.aftercare;

import ivesk.core.Language;
import ivesk.core.formula.Substance;
import ivesk.core.skin.Zone;
import java.text.ListFormat;
import java.text.MessageFormat;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.stream.Stream;

/// A sentence with what this client's peel puts into it. It becomes words only where it is read.
///
/// @param parts in the order of the sentence's places
public record Told(Sentence sentence, List<Part> parts) {

  /// What fills a place of a sentence.
  public sealed interface Part {
    record Day(LocalDate date) implements Part {}

    record Hour(LocalTime time) implements Part {}

    record At(ZonedDateTime time) implements Part {}

    record Count(long n) implements Part {}

    /// As the practice or the client wrote it; no language changes it.
    record Name(String words) implements Part {}

    record Zones(List<Zone> zones) implements Part {}

    record Things(List<Sentence> sentences) implements Part {}

    record Substances(List<Substance> substances) implements Part {}
  }

  public Told {
    parts = List.copyOf(parts);
    if (parts.size() != sentence.places()) {
      throw new IllegalArgumentException(
          sentence + " has " + sentence.places() + " places, and " + parts.size() + " parts");
    }
  }

  public static Told of(Sentence sentence, Part... parts) {
    return new Told(sentence, List.of(parts));
  }

  public String in(Language language) {
    if (parts.isEmpty()) return sentence.in(language);
    Object[] filled = parts.stream().map(part -> words(part, language)).toArray();
    return new MessageFormat(sentence.in(language), language.locale()).format(filled);
  }

  /// Several after one another, each a sentence of its own.
  public static String all(List<Told> lines, Language language) {
    return String.join(" ", lines.stream().map(line -> line.in(language)).toList());
  }

  private static Object words(Part part, Language language) {
    return switch (part) {
      case Part.Day(LocalDate date) -> language.day(date);
      case Part.Hour(LocalTime time) -> language.hour(time);
      case Part.At(ZonedDateTime time) -> language.at(time);
      case Part.Count(long n) -> n;
      case Part.Name(String words) -> words;
      case Part.Zones(List<Zone> zones) ->
          list(zones.stream().map(zone -> Nouns.of(zone).in(language)), language);
      case Part.Substances(List<Substance> substances) ->
          list(
              substances.stream().sorted().map(one -> Nouns.of(one).in(language)).distinct(),
              language);
      case Part.Things(List<Sentence> things) ->
          String.join(
              language.semicolon(), things.stream().map(thing -> thing.in(language)).toList());
    };
  }

  /// "chin, nose and left cheek".
  private static String list(Stream<String> words, Language language) {
    return ListFormat.getInstance(
            language.locale(), ListFormat.Type.STANDARD, ListFormat.Style.FULL)
        .format(words.toList());
  }
}
