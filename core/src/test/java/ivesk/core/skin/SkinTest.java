package ivesk.core.skin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
      assertThat(BodySurface.face(1.75, age).cm2()).isCloseTo(cm2, within(0.01));
    }

    @Test
    void zonesOfTheFaceAddUpToTheFace() {
      assertThat(Arrays.stream(Zone.values()).filter(Zone::onFace).mapToDouble(Zone::share).sum())
          .isCloseTo(1, within(1e-9));
      Areas adult = new Areas(1.75, 30, Map.of());
      assertThat(adult.of(List.of(Zone.FOREHEAD, Zone.NOSE)).cm2())
          .isCloseTo(0.27 * 612.5, within(1e-9));
    }

    /// Of 1.75 m2, Lund and Browder 1944 as printed in burn charts, from memory; backs of the hands
    /// and decolletage Ivesk's own default.
    @ParameterizedTest
    @CsvSource({
      "NECK_DECOLLETAGE, 525",
      "HANDS, 437.5",
      "BACK, 2275",
      "CHEST, 1050",
      "UPPER_ARMS, 1400",
      "THIGHS, 3325",
      "EYE_CONTOUR, 49",
      "FACE, 563.5"
    })
    void regions(Region region, double cm2) {
      assertThat(new Areas(1.75, 30, Map.of()).of(region).cm2()).isCloseTo(cm2, within(0.01));
    }

    @Test
    void anAreaByHandIsSharedByItsZones() {
      Areas entered = new Areas(1.75, 30, Map.of(Region.NECK_DECOLLETAGE, 300.0));
      assertThat(entered.of(Region.NECK_DECOLLETAGE).cm2()).isEqualTo(300);
      assertThat(entered.of(List.of(Zone.NECK)).cm2()).isCloseTo(100, within(1e-9));
      assertThat(entered.of(Zone.inOrder(Region.NECK_DECOLLETAGE)).cm2())
          .isCloseTo(300, within(1e-9));
      assertThatThrownBy(() -> new Areas(1.75, 30, Map.of(Region.FACE, 0.0)))
          .hasMessage("area of the face, cm2 is 0.0; allowed is 1.0 to 10000.0");
    }

    /// The palm with fingers is about 0.8 %, common practice, no source.
    @Test
    void palm() {
      assertThat(BodySurface.palm(1.75).cm2()).isCloseTo(140, within(1e-9));
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
        Optional.of(Phototype.II),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        grades,
        goals);
  }

  @Nested
  class ColourByInstrument {

    /// Chardon et al. 1991; the two darkest classes Del Bino and Bernerd 2013; from memory.
    @ParameterizedTest
    @CsvSource({
      "70, 15, 53.1, LIGHT, II",
      "60, 18, 29.1, INTERMEDIATE, III",
      "45, 18, -15.5, BROWN, V",
      "35, 15, -45.0, DARK, VI"
    })
    void itaAndItsClass(
        double l, double b, double degrees, SkinColour.ItaClass itaClass, Phototype type) {
      SkinColour colour = new SkinColour(l, 12, b);
      assertThat(colour.ita()).isCloseTo(degrees, within(0.05));
      assertThat(colour.itaClass()).isEqualTo(itaClass);
      assertThat(colour.itaClass().phototype()).isEqualTo(type);
    }

    /// A class starts above its limit, not at it.
    @ParameterizedTest
    @CsvSource({
      "55.1, VERY_LIGHT",
      "55, LIGHT",
      "41, INTERMEDIATE",
      "28, TAN",
      "10, BROWN",
      "-29.9, BROWN",
      "-30, DARK"
    })
    void bandsOfTheClasses(double degrees, SkinColour.ItaClass itaClass) {
      assertThat(SkinColour.ItaClass.of(degrees)).isEqualTo(itaClass);
    }

    @Test
    void refusesWhatIsNotSkin() {
      assertThatThrownBy(() -> new SkinColour(140, 10, 15))
          .hasMessage("L* is 140.0; allowed is 0.0 to 100.0");
      assertThatThrownBy(() -> new SkinColour(60, 10, 0)).hasMessageContaining("b* is 0.0");
      assertThatThrownBy(() -> new SkinColour(60, 10, -4)).hasMessageContaining("above 0");
      assertThatThrownBy(() -> new SkinColour(Double.NaN, 10, 4)).hasMessageContaining("L*");
    }

    @Test
    void twoClassesApartIsToBeSettledOneIsNot() {
      PhototypeReading two = reading(Phototype.II, Phototype.IV, null);
      assertThat(two.dispute()).contains("type II by answers, IV by instrument: not settled");
      assertThat(two.rules()).contains(Phototype.IV);
      assertThat(reading(Phototype.III, Phototype.IV, null).dispute()).isEmpty();
      assertThat(reading(Phototype.II, Phototype.IV, Phototype.III).dispute()).isEmpty();
      assertThat(reading(Phototype.II, Phototype.IV, Phototype.III).rules())
          .as("the darkest rules, whatever was settled")
          .contains(Phototype.IV);
      assertThat(reading(null, Phototype.V, null).dispute()).isEmpty();
    }

    private PhototypeReading reading(Phototype asked, Phototype measured, Phototype settled) {
      return new PhototypeReading(
          Optional.ofNullable(asked), Optional.ofNullable(measured), Optional.ofNullable(settled));
    }
  }

  @Nested
  class Sting {
    private final Instant start = Instant.parse("2026-11-25T09:00:00Z");

    /// Modified after Frosch and Kligman 1977, from memory: the mean of two reads, positive from 1.
    @ParameterizedTest
    @CsvSource({"0, 0, 0, false", "0, 1, 0.5, false", "1, 1, 1, true", "0, 2, 1, true"})
    void scoreIsTheMean(int first, int second, double score, boolean positive) {
      StingTest test = new StingTest(start, Optional.of(first), Optional.of(second));
      assertThat(test.score()).contains(score);
      assertThat(test.positive()).isEqualTo(positive);
    }

    @Test
    void oneReadIsNoScoreAndFourIsRefused() {
      StingTest half = new StingTest(start, Optional.of(3), Optional.empty());
      assertThat(half.score()).isEmpty();
      assertThat(half.positive()).isFalse();
      assertThatThrownBy(() -> new StingTest(start, Optional.of(4), Optional.empty()))
          .hasMessage("sting at 2.5 min is 4; allowed is 0 to 3");
    }
  }

  /// Glogau 1996, from memory; its grade here is Ivesk's own default.
  @Test
  void wrinklesAtRestAreDeep() {
    assertThat(Glogau.II.deepWrinkles()).isZero();
    assertThat(Glogau.III.deepWrinkles()).isEqualTo(2);
    assertThat(Glogau.IV.deepWrinkles()).isEqualTo(3);
  }

  @Test
  void aProductIsNotUsedBeforeItWasStarted() {
    LocalDate start = LocalDate.of(2026, 11, 10);
    assertThatThrownBy(() ->
            new HomeProduct(
                "Night cream",
                Set.of(HomeProduct.Active.RETINOL),
                Optional.of(start),
                Optional.of(start.minusDays(1))))
        .hasMessageContaining("Night cream was last used on 2026-11-09, before it was started");
  }
}
