package ivesk.server.screening;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Settlements that were kept by the place of a clause still lift what they lifted.
class FindingIdsTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "SCR-KELOID:0.0;ADAPT;Care+CapDepth;KELOID=yes;; | SCR-KELOID:KELOID;ADAPT;KELOID=yes;;",
        "SCR-HAIR:0.0;WAIT;;HAIR=done@2026-12-01;2026-12-08;"
            + " | SCR-HAIR:REMOVED;WAIT;HAIR=done@2026-12-01;2026-12-08;",
        "SCR-REACTION:3.0;ADAPT;Exclude;;;[GLYCOLIC] | SCR-REACTION:CHART;ADAPT;;;[GLYCOLIC]",
        "SCR-PHOTOTYPE:0.1;ADAPT;Exclude;;; | SCR-PHOTOTYPE:TYPE;ADAPT;;;DARKEST",
        "SCR-SENSITIVE:sensitivity | SCR-SENSITIVE:sensitivity",
        "SCR-HAIR:HAIR | SCR-HAIR:HAIR",
        "SCR-GONE:0.0;ADAPT;;;; | SCR-GONE:0.0;ADAPT;;;;",
        "SCR-KELOID:KELOID;ADAPT;KELOID=yes;; | SCR-KELOID:KELOID;ADAPT;KELOID=yes;;"
      })
  void areReadAsTheyAreToday(String kept, String today) {
    assertThat(FindingIds.today(kept)).isEqualTo(today);
  }
}
