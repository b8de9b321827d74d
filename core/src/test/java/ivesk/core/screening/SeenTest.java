package ivesk.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.plan.stage.PrepCalendar.Item;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.question.Seen;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What the looks of the day say by themselves. Domain 05 and 13, common practice, no source.
class SeenTest {

  private static Map<Zone, Map<LookFinding, Integer>> looks(LookFinding finding, int... grades) {
    Map<Zone, Map<LookFinding, Integer>> looks = new java.util.EnumMap<>(Zone.class);
    for (int i = 0; i < grades.length; i++) {
      looks.put(Zone.FACE_IN_ORDER.get(i), Map.of(finding, grades[i]));
    }
    return looks;
  }

  @ParameterizedTest
  @CsvSource({"1, few", "2, few", "3, many"})
  void anOpenSpotAnswersItsQuestion(int grade, String choice) {
    Seen seen = Seen.of(looks(LookFinding.OPEN_SPOTS, grade), Region.FACE).get(Question.OPEN_SPOTS);
    assertThat(seen.answer().choice()).isEqualTo(choice);
    assertThat(seen.words()).isEqualTo("look 1 shows open spots: forehead");
  }

  /// Answered by somebody, it keeps the zones that were seen.
  @Test
  void anAnswerIsPlacedWhereItWasSeen() {
    Seen seen = Seen.of(looks(LookFinding.OPEN_SPOTS, 1), Region.FACE).get(Question.OPEN_SPOTS);
    assertThat(seen.placing(Answer.of("many")).zones()).containsExactly(Zone.FOREHEAD);
    assertThat(seen.placing(Answer.of("none")).zones()).isEmpty();
    assertThat(seen.placing(Answer.at("few", Zone.CHIN)).zones()).containsExactly(Zone.CHIN);
  }

  @Test
  void inMoreThanThreeZonesTheyAreMany() {
    assertThat(
            Seen.of(looks(LookFinding.OPEN_SPOTS, 1, 1, 1), Region.FACE)
                .get(Question.OPEN_SPOTS)
                .answer()
                .choice())
        .isEqualTo("few");
    assertThat(
            Seen.of(looks(LookFinding.OPEN_SPOTS, 1, 1, 1, 1), Region.FACE)
                .get(Question.OPEN_SPOTS)
                .answer()
                .choice())
        .isEqualTo("many");
  }

  @Test
  void whatIsNotThereAnswersNothing() {
    assertThat(Seen.of(Map.of(), Region.FACE)).isEmpty();
    assertThat(Seen.of(looks(LookFinding.OPEN_SPOTS, 0), Region.FACE)).isEmpty();
    assertThat(Seen.of(looks(LookFinding.PORES, 3), Region.FACE)).isEmpty();
    assertThat(Seen.of(looks(LookFinding.OPEN_SPOTS, 3), Region.HANDS)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "FLAKING, HOME_ACID, 2, true",
    "FLAKING, HOME_ACID, 1, false",
    "IRRITATION, RETINOL, 2, true",
    "IRRITATION, SHAVE, 3, true",
    "FLAKING, SHAVE, 3, false",
    "MAKE_UP, ON_THE_DAY, 2, true",
    "MAKE_UP, SUNSCREEN, 3, false"
  })
  void aLookMaySpeakAgainstAStepThatWasToldAsKept(
      LookFinding finding, Item item, int grade, boolean against) {
    assertThat(PrepCalendar.against(item, looks(finding, grade), Region.FACE).isPresent())
        .isEqualTo(against);
  }
}
