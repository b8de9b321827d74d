package ivesk.core.aftercare;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Language;
import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.Family;
import ivesk.core.skin.Zone;
import java.text.MessageFormat;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// One table of sentences, every language whole. A constant without one of them does not compile.
class SentenceTest {
  @ParameterizedTest
  @EnumSource(Sentence.class)
  void everyLanguageFillsTheSamePlacesAndSaysItItsOwnWay(Sentence sentence) {
    List<String> all = Arrays.stream(Language.values()).map(sentence::in).toList();
    assertThat(all).allSatisfy(words -> assertThat(words).isNotBlank());
    for (Language language : Language.values()) {
      String pattern = sentence.in(language);
      assertThat(pattern).as("an ASCII apostrophe would quote a place").doesNotContain("'");
      assertThat(new MessageFormat(pattern, language.locale()).getFormatsByArgumentIndex())
          .as(language + ": " + pattern)
          .hasSize(sentence.places());
      for (int place = 0; place < sentence.places(); place++) {
        assertThat(pattern).as("place " + place).contains("{" + place);
      }
      assertThat(end(pattern))
          .as(language + " ends as English does")
          .isEqualTo(end(all.getFirst()));
    }
    // One substance has the same name in English, Spanish and Portuguese.
    if (sentence == Sentence.RETINOL) return;
    assertThat(all.subList(1, all.size())).as("not left in English").doesNotContain(all.getFirst());
  }

  private static String end(String words) {
    char last = words.charAt(words.length() - 1);
    return last == '.' || last == '?' ? String.valueOf(last) : "";
  }

  @ParameterizedTest
  @CsvSource({
    "EN, 1, one layer", "EN, 2, 2 layers", "ES, 1, una capa", "ES, 3, 3 capas",
    "FR, 1, une couche", "FR, 2, 2 couches", "DE, 1, eine Schicht", "DE, 4, 4 Schichten",
    "PT, 1, uma camada", "PT, 2, 2 camadas"
  })
  void pluralsAreTheLanguagesOwn(Language language, int n, String words) {
    assertThat(Told.of(Sentence.LAYERS, new Part.Count(n)).in(language)).isEqualTo(words);
  }

  /// Unicode CLDR, as the JDK has it.
  @ParameterizedTest
  @CsvSource({
    "EN, Wed 25 Nov",
    "ES, mié 25 nov",
    "FR, mer. 25 nov",
    "DE, Mi. 25. Nov",
    "PT, quarta 25/11"
  })
  void daysAreTheLanguagesOwn(Language language, String words) {
    assertThat(language.day(LocalDate.of(2026, 11, 25))).isEqualTo(words);
  }

  @Test
  void zonesAndAcidsHaveNamesInEveryLanguage() {
    for (Language language : Language.values()) {
      for (Zone zone : Zone.values()) assertThat(Nouns.of(zone).in(language)).isNotBlank();
      for (Family family : Family.values()) assertThat(Nouns.of(family).in(language)).isNotBlank();
    }
    Part where = new Part.Zones(List.of(Zone.CHIN, Zone.NOSE));
    assertThat(Told.of(Sentence.WENT_WHITE, where).in(Language.DE))
        .isEqualTo("Weiß wurde: Kinn und Nase.");
    assertThat(Told.of(Sentence.WENT_WHITE, where).in(Language.ES))
        .isEqualTo("Se puso blanco en: mentón y nariz.");
  }
}
