package ivesk.core.series;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.series.Masi.Part;
import ivesk.core.series.Progress.Course;
import ivesk.core.series.Scores.Line;
import ivesk.core.skin.Glogau;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Scores against the worked values of domain/12.
class ScoresTest {
  private static Masi everywhere(int area, int darkness, int homogeneity) {
    return new Masi(
        Arrays.stream(Masi.Place.values())
            .collect(
                Collectors.toMap(Function.identity(), _ -> new Part(area, darkness, homogeneity))));
  }

  /// Kimbrough-Green 1994 and Pandya 2011, from memory.
  @Test
  void masiAgainstItsWorkedValues() {
    assertThat(everywhere(6, 4, 4).masi()).isEqualTo(48);
    assertThat(everywhere(6, 4, 4).modified()).isEqualTo(24);
    Masi forehead = new Masi(Map.of(Masi.Place.FOREHEAD, new Part(3, 2, 1)));
    assertThat(forehead.masi()).isEqualTo(2.7);
    assertThat(forehead.modified()).isEqualTo(1.8);
    assertThat(new Masi(Map.of()).masi()).isZero();
    assertThat(Arrays.stream(Masi.Place.values()).mapToDouble(Masi.Place::weight).sum())
        .isCloseTo(1, within(1e-12));
  }

  /// Kimbrough-Green 1994: bands of area involved, from memory.
  @ParameterizedTest
  @CsvSource({
    "0, 0", "0.1, 1", "9.9, 1", "10, 2", "29.9, 2", "30, 3", "49.9, 3", "50, 4", "69.9, 4", "70, 5",
    "89.9, 5", "90, 6", "100, 6"
  })
  void areaByItsBands(double percent, int grade) {
    assertThat(Masi.areaGrade(percent)).isEqualTo(grade);
  }

  private static Gags all(int grade) {
    return new Gags(
        Arrays.stream(Gags.Place.values())
            .collect(Collectors.toMap(Function.identity(), _ -> grade)));
  }

  /// Doshi 1997, from memory: 2*3*3 + 1*3*2 + 3*3 for pustules everywhere.
  @Test
  void gagsAgainstItsWorkedValues() {
    assertThat(all(3).score()).isEqualTo(33);
    assertThat(all(3).severity()).isEqualTo(Gags.Severity.SEVERE);
    assertThat(all(4).score()).isEqualTo(44);
    assertThat(all(4).severity()).isEqualTo(Gags.Severity.VERY_SEVERE);
  }

  @ParameterizedTest
  @CsvSource({
    "0, NONE",
    "1, MILD",
    "18, MILD",
    "19, MODERATE",
    "30, MODERATE",
    "31, SEVERE",
    "38, SEVERE",
    "39, VERY_SEVERE",
    "44, VERY_SEVERE"
  })
  void acneByItsBands(int score, Gags.Severity severity) {
    assertThat(Gags.Severity.of(score)).isEqualTo(severity);
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> new Part(7, 0, 0)).hasMessageContaining("area");
    assertThatThrownBy(() -> new Part(0, 5, 0)).hasMessageContaining("darkness");
    assertThatThrownBy(() -> new Gags(Map.of(Gags.Place.NOSE, 5))).hasMessageContaining("nose");
    assertThatThrownBy(() -> satisfied(11)).hasMessageContaining("satisfaction");
  }

  private static Scores satisfied(int points) {
    return new Scores(
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.of(points),
        Map.of());
  }

  private static Scores melasma(int area, int darkness) {
    return new Scores(
        Optional.of(everywhere(area, darkness, 0)),
        Optional.empty(),
        Optional.of(Glogau.II),
        Optional.empty(),
        Optional.empty(),
        Map.of());
  }

  /// ITA of two zones, Chardon 1991 by domain/12: 53.1 and 29.1.
  @Test
  void coloursAreTheMeanOfTheirZones() {
    Scores scores =
        new Scores(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Map.of(
                Zone.CHEEK_LEFT, new SkinColour(70, 10, 15),
                Zone.CHEEK_RIGHT, new SkinColour(60, 14, 18)));
    assertThat(scores.value(Line.ITA).orElseThrow()).isCloseTo((53.1 + 29.1) / 2, within(0.06));
    assertThat(scores.value(Line.REDNESS).orElseThrow()).isEqualTo(12);
    assertThat(scores.value(Line.GAGS)).isEmpty();
  }

  private static final LocalDate DAY = LocalDate.of(2026, 6, 1);

  @Test
  void aCourseHasItsPointsInOrder() {
    Map<LocalDate, Scores> scores =
        Map.of(
            DAY.plusDays(40), melasma(2, 2), DAY, melasma(4, 2), DAY.plusDays(20), melasma(3, 2));
    List<Course> courses = Progress.courses(scores);
    Course leading = Progress.leading(courses).orElseThrow();
    assertThat(leading.line()).isEqualTo(Line.MODIFIED_MASI);
    assertThat(leading.points().stream().map(Progress.Point::value).toList())
        .containsExactly(8.0, 6.0, 4.0);
    assertThat(leading.change().orElseThrow()).isEqualTo(-4);
  }

  /// domain/09: the same scores over three peels.
  @Test
  void threePeelsWithoutAChangeAreAPlateau() {
    List<LocalDate> peels = List.of(DAY, DAY.plusDays(20), DAY.plusDays(40));
    TreeMap<LocalDate, Scores> scores = new TreeMap<>();
    scores.put(DAY, melasma(3, 2));
    scores.put(DAY.plusDays(21), melasma(3, 2));
    assertThat(Progress.plateau(scores, peels)).as("the third is not scored").isFalse();
    scores.put(DAY.plusDays(40), melasma(3, 2));
    assertThat(Progress.plateau(scores, peels)).isTrue();
    scores.put(DAY.plusDays(40), melasma(2, 2));
    assertThat(Progress.plateau(scores, peels)).as("it still falls").isFalse();
    assertThat(Progress.plateau(scores, peels.subList(0, 2))).isFalse();
    assertThat(Progress.plateau(Map.of(), peels)).isFalse();
  }
}
