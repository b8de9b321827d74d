package ivesk.core.skin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SkinTest {

  @Nested
  class Questionnaire {

    /// ARPANSA skin phototype form, after Fitzpatrick 1988; bands from memory.
    @ParameterizedTest
    @CsvSource({
      "0, I", "6, I", "7, II", "13, II", "14, III", "20, III", "21, IV", "27, IV", "28, V", "34, V",
      "35, VI", "40, VI"
    })
    void bandsOnBothSidesOfEachLimit(int total, Phototype type) {
      assertThat(PhototypeQuestionnaire.type(total)).isEqualTo(type);
    }

    @Test
    void hasTenItemsOfFiveAnswers() {
      assertThat(PhototypeQuestionnaire.ITEMS)
          .hasSize(10)
          .allSatisfy(item -> assertThat(item.answers()).hasSize(5));
    }

    @Test
    void addsUpAndKnowsWhenItIsComplete() {
      Map<String, Integer> scores =
          PhototypeQuestionnaire.ITEMS.stream()
              .collect(Collectors.toMap(PhototypeQuestionnaire.Item::id, item -> 4));
      assertThat(PhototypeQuestionnaire.total(scores)).isEqualTo(40);
      assertThat(PhototypeQuestionnaire.complete(scores)).isTrue();
      scores.remove("tan");
      assertThat(PhototypeQuestionnaire.total(scores)).isEqualTo(36);
      assertThat(PhototypeQuestionnaire.complete(scores)).isFalse();
    }

    @Test
    void refusesATotalOf41AndAScoreOf5() {
      assertThatThrownBy(() -> PhototypeQuestionnaire.type(41))
          .hasMessage("total is 41; allowed is 0 to 40");
      assertThatThrownBy(() -> PhototypeQuestionnaire.total(Map.of("tan", 5)))
          .hasMessageContaining("tan")
          .hasMessageContaining("0 to 4");
      assertThatThrownBy(() -> PhototypeQuestionnaire.total(Map.of("shoe size", 1)))
          .hasMessageContaining("shoe size");
    }
  }

  @Nested
  class Area {

    /// Mosteller 1987, from memory: 170 cm and 65 kg are 1.752 m2.
    @Test
    void bodySurface() {
      assertThat(BodySurface.mosteller(170, 65)).isCloseTo(1.752, within(0.0005));
    }

    @Test
    void unknownHeightOrWeightIsOnePointSevenFive() {
      assertThat(BodySurface.of(Optional.empty(), Optional.of(60.0))).isEqualTo(1.75);
      assertThat(BodySurface.of(Optional.of(170.0), Optional.of(65.0)))
          .isCloseTo(1.752, within(0.0005));
    }

    /// Lund and Browder 1944 as printed in burn charts, from memory.
    @ParameterizedTest
    @CsvSource({"18, 612.5", "17, 787.5", "15, 787.5", "14, 962.5", "10, 962.5"})
    void frontOfTheHeadByAge(int age, double cm2) {
      assertThat(BodySurface.faceCm2(1.75, age)).isCloseTo(cm2, within(0.01));
    }

    @Test
    void zonesOfTheFaceAddUpToTheFace() {
      assertThat(Arrays.stream(Zone.values()).mapToDouble(Zone::shareOfFace).sum())
          .isCloseTo(1, within(1e-9));
      assertThat(BodySurface.zonesCm2(600, List.of(Zone.FOREHEAD, Zone.NOSE)))
          .isCloseTo(162, within(1e-9));
    }

    @Test
    void refusesAHeightOf17() {
      assertThatThrownBy(() -> BodySurface.mosteller(17, 65))
          .hasMessage("heightCm is 17.0; allowed is 50.0 to 250.0");
    }
  }

  @Test
  void theDarkerOfTwoTypesRules() {
    assertThat(Phototype.III.darker(Phototype.V)).isEqualTo(Phototype.V);
    assertThat(Phototype.V.darker(Phototype.III)).isEqualTo(Phototype.V);
  }

  @Test
  void aProfileRefusesAGradeOf4AndTheSameGoalTwice() {
    assertThatThrownBy(() -> profile(Map.of(Condition.PIH, 4), List.of()))
        .hasMessageContaining("marks after spots")
        .hasMessageContaining("0 to 3");
    assertThatThrownBy(() -> profile(Map.of(), List.of(Condition.PIH, Condition.PIH)))
        .hasMessageContaining("twice");
  }

  @Test
  void looksShowDifferentThings() {
    assertThat(LookFinding.of(1)).contains(LookFinding.FLAKING).doesNotContain(LookFinding.PORES);
    assertThat(LookFinding.of(2)).contains(LookFinding.PORES).doesNotContain(LookFinding.SHINE);
  }

  private static SkinProfile profile(Map<Condition, Integer> grades, List<Condition> goals) {
    return new SkinProfile(
        Optional.of(Phototype.II), Optional.empty(), Optional.empty(), grades, goals);
  }
}
