package ivesk.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Days by Unicode CLDR, as the web says them: from memory.
class WordsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 28);

  @Test
  void nobodyNamedReadsBritishEnglishWhateverTheMachineSpeaks() {
    Locale machine = Locale.getDefault();
    Locale.setDefault(Locale.GERMANY);
    try {
      assertThat(Words.day(DAY)).isEqualTo("Sat 28 Nov");
      assertThat(Words.number(3.14, 1)).isEqualTo("3.1");
    } finally {
      Locale.setDefault(machine);
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "en-US; Sat 28 Nov; 3.1",
        "de-DE; Sa. 28. Nov.; 3,1",
        "fr-FR; sam. 28 nov.; 3,1",
        "ar-EG; ; 3.1"
      })
  void daysAndDecimalsGoByTheReader(Locale reader, String day, String number) {
    Words.readBy(
        reader,
        () -> {
          if (day != null) assertThat(Words.day(DAY)).isEqualTo(day);
          else assertThat(Words.day(DAY)).contains("28");
          assertThat(Words.fill("%.1f", 3.14)).isEqualTo(number);
          assertThat(Words.number(3.14, 1)).isEqualTo(number);
          return null;
        });
    assertThat(Words.number(3.14, 1)).isEqualTo("3.1");
  }
}
