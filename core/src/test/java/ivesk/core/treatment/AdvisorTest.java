package ivesk.core.treatment;

import static ivesk.core.skin.Zone.CHEEK_LEFT;
import static ivesk.core.skin.Zone.CHEEK_RIGHT;
import static ivesk.core.skin.Zone.CHIN;
import static ivesk.core.skin.Zone.FOREHEAD;
import static ivesk.core.skin.Zone.JAW_LEFT;
import static ivesk.core.skin.Zone.NOSE;
import static ivesk.core.treatment.Peel.FACE;
import static ivesk.core.treatment.Peel.at;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.SensationLines;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The decision table, row by row. The rows are common practice, no source; frost levels after
/// Rubin 1995, from memory.
class AdvisorTest {
  /// 0.20 + 0.16 + 0.16 of a treated face of 0.92: more than half.
  private static final Zone[] HALF = {FOREHEAD, CHEEK_RIGHT, CHEEK_LEFT};

  private static void row(Advice advice, int row, Kind kind) {
    assertThat(advice)
        .extracting(given -> given.row().map(Row::number).orElse(0), Advice::kind)
        .containsExactly(row, kind);
  }

  @Nested
  class Row1Emergency {

    @ParameterizedTest
    @EnumSource(
        value = Sign.class,
        names = {
          "FAINT",
          "BREATHLESS",
          "PALPITATION",
          "RINGING_EARS",
          "WHEALS_BEYOND",
          "SWELLING_MOUTH"
        })
    void comesFirst(Sign sign) {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 10).say(70, new SignSeen(sign));
      row(peel.advice(71), 1, Kind.EMERGENCY);
      assertThat(peel.advice(71).steps()).anyMatch(step -> step.contains("emergency number"));
      assertThat(peel.advice(71).passable()).isFalse();
    }

    @Test
    void holdsBeforeAndAfterTheAcidAndUntilItIsOver() {
      Peel before = Peel.of("MAN-20").armed().say(-5, new SignSeen(Sign.FAINT));
      row(before.advice(-4), 1, Kind.EMERGENCY);
      Peel after =
          Peel.of("MAN-20")
              .onSkin()
              .say(60, new EndingStarted(Optional.empty()))
              .say(90, new SignSeen(Sign.BREATHLESS));
      row(after.advice(95), 1, Kind.EMERGENCY);
      after.say(120, new SignResolved(Sign.BREATHLESS, "breathing calm"));
      assertThat(after.rowAt(121)).isZero();
    }
  }

  @Test
  void row2Eye() {
    Peel peel =
        Peel.of("MAN-20")
            .onSkin()
            .say(40, new SignSeen(Sign.EYE))
            .say(41, new SignSeen(Sign.BLISTER));
    row(peel.advice(42), 2, Kind.EYE);
    assertThat(peel.advice(42).steps()).contains("No neutraliser in the eye");
  }

  @Nested
  class Row3Injury {

    @ParameterizedTest
    @EnumSource(
        value = Sign.class,
        names = {"BLISTER", "SWELLING", "WHEALS"})
    void signsEndItNow(Sign sign) {
      row(Peel.of("MAN-20").onSkin().say(40, new SignSeen(sign)).advice(41), 3, Kind.END_NOW);
    }

    @ParameterizedTest
    @CsvSource({"TCA-10, F3", "TCA-10, F4", "SAL-20, F4", "JES-RF, F4", "GLY-35, F3"})
    void solidOrGreyFrostEndsItOnAnyFormulaInOneZone(String code, Whitening grade) {
      row(Peel.of(code).onSkin().white(50, grade, CHIN).advice(51), 3, Kind.END_NOW);
    }

    @Test
    void anEndedZoneCountsToo() {
      Peel peel =
          Peel.of("TCA-10").onSkin().say(40, new ZoneEnded(CHIN)).white(60, Whitening.F3, CHIN);
      row(peel.advice(61), 3, Kind.END_NOW);
    }

    @Test
    void afterTheEndItIsAnIncident() {
      Peel peel =
          Peel.of("GLY-35")
              .onSkin()
              .say(60, new EndingStarted(Optional.empty()))
              .white(80, Whitening.F3, CHIN);
      assertThat(peel.advice(81).line()).startsWith("Incident");
      assertThat(peel.advice(81).action()).isEqualTo(Action.ENDING_STEP);
    }
  }

  @Test
  void row4ClientAsksToStop() {
    Peel peel = Peel.of("MAN-20").onSkin().say(40, new SignSeen(Sign.ASKS_TO_STOP));
    row(peel.advice(41), 4, Kind.END);
    assertThat(peel.refuses(41, new AdviceDeclined(Row.WISH, "one more minute")))
        .contains("this advice cannot be passed");
  }

  @Nested
  class Row5Limit {

    @Test
    void isReachedToTheSecond() {
      Peel peel = Peel.of("GLY-35").contact(120).onSkin().feels(55, 2).feels(85, 2).feels(115, 2);
      assertThat(peel.rowAt(119.999)).isEqualTo(14);
      row(peel.advice(120), 5, Kind.END_NOW);
      row(peel.advice(500), 5, Kind.END_NOW);
    }

    @Test
    void countsFromTheFirstTouchNotFromTheLastLayer() {
      Peel peel =
          Peel.of("SLA-15")
              .layers(2, 2)
              .contact(300)
              .onSkin()
              .feels(140, 2)
              .layer(150)
              .covered(170);
      row(peel.advice(300), 5, Kind.END_NOW);
    }

    @ParameterizedTest
    @ValueSource(strings = {"JES-RF", "TCA-10"})
    void thereIsNoneForCoatsAndLayersWithoutMinutes(String code) {
      assertThat(Peel.of(code).onSkin().feels(3000, 1).rowAt(3001)).isNotEqualTo(5);
    }
  }

  @Nested
  class Row6Stop {

    @Test
    void atTheStopLineAndNotBelow() {
      assertThat(Peel.of("MAN-20").onSkin().feels(60, 7).rowAt(61)).isEqualTo(12);
      row(Peel.of("MAN-20").onSkin().feels(60, 8).advice(61), 6, Kind.END);
    }

    @Test
    void theBandRaisesItInsideItsWindow() {
      assertThat(Peel.of("SAL-20").onSkin().feels(60, 7).rowAt(61))
          .as("hold at the top of the band, 7")
          .isEqualTo(12);
      assertThat(Peel.of("SAL-30").onSkin().feels(60, 8).rowAt(61)).isEqualTo(12);
      row(Peel.of("SAL-30").onSkin().feels(60, 9).advice(61), 6, Kind.END);
      row(Peel.of("SAL-30").onSkin().feels(119, 3).feels(125, 8).advice(126), 6, Kind.END);
    }

    @Test
    void sensitiveSkinLowersBothAndTheBandRaisesNothing() {
      Peel peel = Peel.of("SAL-10").sensitivity(Sensitivity.SENSITIVE).onSkin();
      assertThat(SensationLines.at(peel.plan, peel.state(), at(60)))
          .isEqualTo(new SensationLines(3, 6));
      row(peel.feels(60, 6).advice(61), 6, Kind.END);
    }

    @Test
    void maybePassedWithAReasonUntilTheNextLook() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 8);
      assertThat(peel.refuses(61, new AdviceDeclined(Row.STOP_LINE, "falling already"))).isEmpty();
      peel.say(61, new AdviceDeclined(Row.STOP_LINE, "falling already"));
      assertThat(peel.rowAt(62)).as("then HOLD").isEqualTo(12);
      peel.feels(80, 8);
      assertThat(peel.rowAt(81)).isEqualTo(6);
    }
  }

  /// The second pass of what falls by itself waits out the window in which the feel rises; common
  /// practice, no source.
  @Nested
  class SecondPassOfASelfLimitingPeel {

    @Test
    void waitsUntilTheFeelShouldBeFalling() {
      Peel asked = Peel.of("SAL-20").layers(1, 2).onSkin().feels(60, 5);
      row(asked.advice(61), 13, Kind.WAIT);
      row(asked.feels(140, 3).advice(146), 14, Kind.FINISH);
      Peel two = Peel.of("SAL-20").layers(2, 2).onSkin().feels(60, 5);
      row(two.advice(61), 13, Kind.WAIT);
      row(two.feels(140, 3).advice(146), 17, Kind.SAME_AGAIN);
    }

    @Test
    void aSinglePassKeepsItsOwn() {
      assertThat(Peel.of("SAL-20").plan().dwell()).isZero();
      assertThat(Peel.of("SAL-20").layers(1, 2).plan().dwell()).hasMinutes(2);
      assertThat(Peel.of("GLY-20").plan().dwell()).isZero();
    }

    @Test
    void twiceAtTheHoldLineEndsIt() {
      Peel two = Peel.of("SAL-20").layers(2, 2).onSkin().feels(130, 6).feels(160, 6);
      row(two.advice(161), 12, Kind.END);
    }
  }

  @Nested
  class Row7EndingWhitening {

    @ParameterizedTest
    @CsvSource({
      // formula, type, whitening, ends
      "GLY-35, II, F1, true",
      "MAN-20, VI, F1, true",
      "PYR-40, II, F1, true",
      "PHA-15, II, F1, true",
      "ENZ-P, II, F1, true",
      "TCA-10, III, F1, false",
      "TCA-10, III, F2, true",
      "TCA-10, IV, F1, true",
      "TCA-15, III, F1, false",
      "TCA-15, V, F1, true",
      "TCA-20, III, F2, true",
      "TCA-20, IV, F1, true"
    })
    void onHalfTheAreaByFormulaAndType(String code, Phototype type, Whitening grade, boolean ends) {
      Peel peel = Peel.of(code).type(type).layers(1, 1).onSkin().white(40, grade, HALF);
      assertThat(peel.rowAt(41) == 7).isEqualTo(ends);
    }

    @ParameterizedTest
    @CsvSource({
      "SAL-20, III, F1, true",
      "JES-RF, III, F1, false",
      "JES-RF, III, F2, true",
      "JES-RF, V, F1, true"
    })
    void whereItMayBeCrystalsOnlyAfterTheWipeTest(
        String code, Phototype type, Whitening grade, boolean ends) {
      Peel peel = Peel.of(code).type(type).onSkin().white(40, grade, HALF);
      assertThat(peel.rowAt(41)).isEqualTo(9);
      peel.say(45, new WipeTested(List.of(HALF), false));
      assertThat(peel.rowAt(46) == 7).isEqualTo(ends);
    }

    @Test
    void halfIsByAreaAndEndedZonesCount() {
      Zone[] small = {NOSE, CHIN, JAW_LEFT, Zone.GLABELLA, Zone.UPPER_LIP, Zone.TEMPLE_LEFT};
      Peel six = Peel.of("TCA-10").type(Phototype.V).onSkin().white(40, Whitening.F1, small);
      assertThat(six.rowAt(41)).as("six zones, 0.30 of 0.92").isEqualTo(10);
      Peel ended =
          Peel.of("TCA-10")
              .type(Phototype.V)
              .onSkin()
              .white(40, Whitening.F1, FOREHEAD)
              .say(42, new ZoneEnded(FOREHEAD))
              .white(50, Whitening.F1, CHEEK_LEFT, CHEEK_RIGHT);
      row(ended.advice(51), 7, Kind.END);
    }

    @Test
    void whileTheFirstLayerIsSpreadOnlyWhatWasReachedIsTreated() {
      Peel peel =
          Peel.of("TCA-10")
              .type(Phototype.V)
              .armed()
              .layer(0)
              .say(10, new ZoneReached(FOREHEAD))
              .white(35, Whitening.F1, FOREHEAD);
      row(peel.advice(36), 7, Kind.END);
    }

    @Test
    void cannotBePassed() {
      Peel peel = Peel.of("GLY-35").onSkin().white(40, Whitening.F1, HALF);
      assertThat(peel.refuses(41, new AdviceDeclined(Row.WHITENING, "looks fine"))).isPresent();
    }
  }

  @Nested
  class Row8Redness {

    @Test
    void threeOnMostZones() {
      Zone[] six = FACE.subList(0, 6).toArray(Zone[]::new);
      Peel most = Peel.of("JES-RF").onSkin().red(30, 2, six).red(40, 3, six);
      row(most.advice(41), 8, Kind.END);
      Zone[] five = FACE.subList(0, 5).toArray(Zone[]::new);
      Peel fewer = Peel.of("JES-RF").onSkin().red(30, 2, five).red(40, 3, five);
      assertThat(fewer.rowAt(41)).as("five of eleven").isEqualTo(10);
    }

    @Test
    void upTwoGradesBetweenLooksButNotForTcaOrJessner() {
      row(Peel.of("GLY-20").onSkin().red(40, 2, CHIN).advice(41), 8, Kind.END);
      assertThat(Peel.of("GLY-20").onSkin().red(30, 1, CHIN).red(40, 2, CHIN).rowAt(41))
          .isNotEqualTo(8);
      assertThat(Peel.of("TCA-10").onSkin().red(40, 2, CHIN).rowAt(41)).isNotEqualTo(8);
      assertThat(Peel.of("JES-RF").onSkin().red(40, 2, CHIN).rowAt(41)).isNotEqualTo(8);
    }
  }

  @Nested
  class Row9WipeTest {

    @Test
    void crystalsThatComeOffAreNoReasonToStop() {
      Peel peel = Peel.of("SAL-10").onSkin().feels(30, 3).white(50, Whitening.F1, FOREHEAD, NOSE);
      row(peel.advice(51), 9, Kind.WIPE_TEST);
      assertThat(peel.advice(51).zones()).containsExactly(FOREHEAD, NOSE);
      peel.say(60, new WipeTested(List.of(FOREHEAD, NOSE), true));
      assertThat(peel.state().zones().get(NOSE).whitening()).isEqualTo(Whitening.CRYSTALS);
      row(peel.advice(61), 14, Kind.FINISH);
    }

    @Test
    void crystalsThatStayAreFrost() {
      Peel peel =
          Peel.of("SAL-10")
              .onSkin()
              .white(50, Whitening.CRYSTALS, NOSE)
              .say(60, new WipeTested(List.of(NOSE), false));
      assertThat(peel.state().zones().get(NOSE).whitening()).isEqualTo(Whitening.F1);
      row(peel.advice(61), 10, Kind.END_ZONE);
    }

    @Test
    void noLayerUntilItIsDone() {
      Peel peel =
          Peel.of("JES-RF")
              .layers(2, 2)
              .onSkin()
              .feels(200, 2)
              .white(206, Whitening.CRYSTALS, NOSE);
      assertThat(peel.refuses(210, new LayerStarted(FACE, false))).isPresent();
      peel.say(211, new WipeTested(List.of(NOSE), true));
      assertThat(peel.refuses(212, new LayerStarted(FACE, false))).isEmpty();
    }

    @Test
    void isNotOwedWithoutSalicylicAcid() {
      assertThat(Peel.of("TCA-10").onSkin().white(40, Whitening.F1, NOSE).state().wipeOwed())
          .isFalse();
    }

    @Test
    void aNewWhiteningOwesANewTest() {
      Peel peel =
          Peel.of("SAL-10")
              .onSkin()
              .white(50, Whitening.CRYSTALS, NOSE)
              .say(55, new WipeTested(List.of(NOSE), true))
              .white(60, Whitening.F1, CHIN);
      row(peel.advice(61), 9, Kind.WIPE_TEST);
      assertThat(peel.advice(61).zones()).containsExactly(CHIN);
    }
  }

  @Nested
  class Row10EndThatZone {

    @Test
    void byWhiteningRednessOrHotSpot() {
      row(Peel.of("GLY-35").onSkin().white(40, Whitening.F1, CHIN).advice(41), 10, Kind.END_ZONE);
      row(
          Peel.of("TCA-10").onSkin().red(30, 2, CHIN).red(40, 3, CHIN).advice(41),
          10,
          Kind.END_ZONE);
      row(
          Peel.of("MAN-20").onSkin().say(40, new HotSpotFelt(CHIN, 7)).advice(41),
          10,
          Kind.END_ZONE);
      assertThat(Peel.of("MAN-20").onSkin().say(40, new HotSpotFelt(CHIN, 6)).rowAt(41))
          .isNotEqualTo(10);
    }

    @Test
    void theRestGoesOnAndTheZoneTakesNoMoreAcid() {
      Peel peel =
          Peel.of("TCA-10")
              .layers(2, 2)
              .onSkin()
              .say(40, new HotSpotFelt(CHIN, 8))
              .say(45, new ZoneEnded(CHIN))
              .feels(210, 3);
      row(peel.advice(211), 17, Kind.SAME_AGAIN);
      assertThat(peel.advice(211).zones()).doesNotContain(CHIN).hasSize(10);
      assertThat(peel.refuses(211, new LayerStarted(List.of(CHIN), false))).isPresent();
    }

    @Test
    void aZonePlannedToComeOffSoonerIsCalledFor() {
      Peel peel = Peel.of("MAN-20").sooner(CHIN, 120).onSkin().feels(80, 2);
      assertThat(peel.rowAt(119.9)).isNotEqualTo(10);
      row(peel.advice(120), 10, Kind.END_ZONE);
      assertThat(peel.advice(120).line()).isEqualTo("End the chin");
      assertThat(peel.advice(120).reason()).startsWith("Its planned time is over.");
      assertThat(Cues.of(peel.plan, peel.state())).anyMatch(cue -> cue.at().equals(at(120)));
      peel.say(121, new ZoneEnded(CHIN));
      assertThat(peel.rowAt(122)).isNotEqualTo(10);
    }

    @Test
    void shortenedAtGateATheZoneComesOffSoonerToo() {
      Peel peel = Peel.of("MAN-20").contact(240).sooner(CHIN, 120).shortenedOnSkin().feels(80, 2);
      assertThat(peel.rowAt(89.9)).isNotEqualTo(10);
      row(peel.advice(90), 10, Kind.END_ZONE);
    }

    @Test
    void whenEveryZoneIsEndedThePeelIs() {
      Peel peel = Peel.of("GLY-20").onSkin().feels(30, 3);
      for (Zone zone : FACE) peel.say(40, new ZoneEnded(zone));
      row(peel.advice(41), 14, Kind.FINISH);
      assertThat(peel.advice(41).action()).isEqualTo(Action.END);
      assertThat(peel.advice(110).action()).as("no use in asking to go on").isEqualTo(Action.END);
    }

    @Test
    void aNewLayerIsCoveredZoneByZoneAgain() {
      Peel peel = Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 3).layer(210);
      assertThat(peel.state().zones().get(FOREHEAD).reached()).isFalse();
      assertThat(peel.say(215, new ZoneReached(FOREHEAD)).advice(216).reason())
          .doesNotContain("Forehead,")
          .contains("still to cover");
    }
  }

  @Nested
  class Row11LookNow {

    @Test
    void fifteenSecondsAfterTheCheckIn() {
      Peel peel = Peel.of("GLY-35").onSkin();
      assertThat(peel.rowAt(44.9)).isEqualTo(14);
      row(peel.advice(45), 11, Kind.LOOK_NOW);
      Peel mild = Peel.of("GLY-20").onSkin();
      assertThat(mild.rowAt(74.9)).isEqualTo(14);
      row(mild.advice(75), 11, Kind.LOOK_NOW);
    }

    @Test
    void nobodyLookedForAMinuteWhereTheCheckInIsThirtySeconds() {
      Peel peel = Peel.of("GLY-35").onSkin();
      row(peel.advice(89.9), 11, Kind.LOOK_NOW);
      row(peel.advice(90), 11, Kind.END);
      assertThat(peel.advice(90).passable()).isTrue();
      peel.say(91, new AdviceDeclined(Row.NOT_LOOKED, "I see the face, the client nods"));
      row(peel.advice(92), 11, Kind.LOOK_NOW);
      row(Peel.of("GLY-20").onSkin().advice(170), 11, Kind.LOOK_NOW);
    }

    @Test
    void everyThirtySecondsAfterAFour() {
      Peel four = Peel.of("GLY-20").onSkin().feels(40, 4);
      row(four.advice(85), 11, Kind.LOOK_NOW);
      Peel three = Peel.of("GLY-20").onSkin().feels(40, 3);
      assertThat(three.rowAt(85)).isEqualTo(14);
    }

    @Test
    void noAnswerIsNotZero() {
      Peel looked = Peel.of("GLY-20").onSkin().red(70, 1, CHIN);
      row(looked.advice(80), 11, Kind.LOOK_NOW);
    }

    @Test
    void asleepALookStandsInTwiceAsOften() {
      Peel asleep = Peel.of("GLY-20").onSkin().say(26, new ResponseNoted(Response.ASLEEP));
      row(asleep.advice(45), 11, Kind.LOOK_NOW);
      asleep.red(46, 1, CHIN);
      assertThat(asleep.rowAt(80)).isEqualTo(14);
      row(asleep.advice(91), 11, Kind.LOOK_NOW);
    }

    @Test
    void noLayerWithoutAnAnswerSinceTheLastOne() {
      Peel peel = Peel.of("SLA-15").layers(2, 2).onSkin().feels(20, 2);
      assertThat(peel.refuses(146, new LayerStarted(FACE, false))).isPresent();
    }
  }

  @Nested
  class Row12Hold {

    @Test
    void fanAndAskAgain() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 5);
      row(peel.advice(61), 12, Kind.HOLD);
      assertThat(peel.advice(61).action()).isEqualTo(Action.FAN);
      assertThat(peel.refuses(61, new LayerStarted(FACE, false))).isPresent();
    }

    @Test
    void twiceRunningWithoutFallingEnds() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 5).feels(90, 5);
      row(peel.advice(91), 12, Kind.END);
      Peel falling = Peel.of("MAN-20").onSkin().feels(60, 7).feels(90, 6);
      row(falling.advice(91), 12, Kind.HOLD);
    }

    @Test
    void singlePassSalicylicFansUntilItFalls() {
      Peel peel = Peel.of("SAL-10").onSkin().feels(60, 6).feels(90, 6);
      row(peel.advice(91), 12, Kind.HOLD);
      assertThat(peel.advice(91).reason()).contains("Fan until it falls");
    }

    @Test
    void risingAgainAfterFallingTakesThePolicysLines() {
      Peel peel = Peel.of("SAL-20").onSkin().feels(30, 6).feels(60, 5);
      assertThat(SensationLines.at(peel.plan, peel.state(), at(61)).hold()).isEqualTo(7);
      peel.feels(90, 6);
      assertThat(SensationLines.at(peel.plan, peel.state(), at(90)))
          .isEqualTo(new SensationLines(5, 8));
      row(peel.advice(91), 12, Kind.HOLD);
    }

    @Test
    void passedWithAReasonTheClockGoesOnButNoLayerIsAdvised() {
      Peel peel = Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 5);
      assertThat(peel.rowAt(207)).isEqualTo(12);
      peel.say(208, new AdviceDeclined(Row.HOLD_LINE, "client wants to go on"));
      assertThat(peel.advice(209).kind()).isEqualTo(Kind.FINISH);
    }

    @Test
    void twiceRunningCountsFromAnswersTwentySecondsApart() {
      Peel soon = Peel.of("MAN-20").onSkin().feels(60, 6).feels(75, 6);
      row(soon.advice(76), 12, Kind.HOLD);
      row(soon.feels(80, 6).advice(81), 12, Kind.END);
      Peel fell = Peel.of("MAN-20").onSkin().feels(60, 7).feels(75, 6).feels(82, 6);
      row(fell.advice(83), 12, Kind.HOLD);
    }
  }

  @Nested
  class Row13Wait {

    @Test
    void untilTheLayerIsCoveredAndSettled() {
      Peel spreading = Peel.of("TCA-10").layers(2, 2).armed().layer(0);
      row(spreading.advice(10), 13, Kind.WAIT);
      assertThat(spreading.advice(10).action()).isEqualTo(Action.COVERED);
      Peel settling = spreading.covered(25).feels(180, 2);
      row(settling.advice(204.9), 13, Kind.WAIT);
      assertThat(settling.advice(204.9).until()).contains(at(205));
      row(settling.advice(205), 17, Kind.SAME_AGAIN);
    }
  }

  @Nested
  class Row14Finish {

    @Test
    void plannedLayersDoneAreLeftToTheirTime() {
      Peel peel = Peel.of("GLY-35").contact(120).onSkin().feels(30, 2);
      row(peel.advice(31), 14, Kind.FINISH);
      assertThat(peel.advice(31).until()).contains(at(120));
      assertThat(peel.advice(31).action()).isEqualTo(Action.NONE);
    }

    @Test
    void withoutATimeTheyAreEnded() {
      Peel peel = Peel.of("JES-RF").onSkin().feels(200, 3);
      row(peel.advice(206), 14, Kind.FINISH);
      assertThat(peel.advice(206).action()).isEqualTo(Action.END);
    }

    /// The gap between coats and the time that the last one stays are two fields: domain/03.
    @Test
    void theLastLayerMayStayLongerThanTheGap() {
      Peel peel = new Peel.Plan(Peel.lastStays("JES-RF", 400)).layers(2, 2).onSkin().feels(206, 2);
      row(peel.advice(207), 17, Kind.SAME_AGAIN);
      peel.layer(210).covered(230).feels(411, 2);
      row(peel.advice(412), 14, Kind.FINISH);
      assertThat(peel.advice(412).line()).isEqualTo("Leave the last layer on");
      assertThat(peel.advice(412).until()).contains(at(630));
      assertThat(peel.advice(412).action()).isEqualTo(Action.NONE);
      peel.feels(470, 2).feels(530, 2).feels(590, 2);
      assertThat(Cues.of(peel.plan, peel.state())).anyMatch(cue -> cue.at().equals(at(630)));
      assertThat(peel.advice(630).action()).isEqualTo(Action.END);
    }

    @Test
    void theLastLayerNeverStaysPastTheLimit() {
      Peel peel = new Peel.Plan(Peel.lastStays("SLA-15", 600)).onSkin().feels(150, 3);
      assertThat(peel.advice(151).until()).contains(at(360));
    }

    @Test
    void afterNTheAppAsksOnceForM() {
      Peel peel = Peel.of("JES-RF").layers(1, 2).onSkin().feels(200, 3);
      assertThat(peel.advice(206).other()).isEqualTo(Action.MORE_LAYERS);
      assertThat(peel.refuses(206, new LayerStarted(FACE, false))).isPresent();
      peel.say(207, new LayersExtended());
      row(peel.advice(208), 17, Kind.SAME_AGAIN);
      assertThat(peel.refuses(209, new LayersExtended())).as("once").isPresent();
      peel.layer(210).covered(230).feels(400, 3);
      row(peel.advice(411), 14, Kind.FINISH);
      assertThat(peel.advice(411).other()).isEqualTo(Action.NONE);
    }

    @Test
    void thePlannedEndpointOfTca() {
      Peel peel =
          Peel.of("TCA-10").layers(3, 3).onSkin().feels(206, 3).white(207, Whitening.F1, HALF);
      row(peel.advice(208), 14, Kind.FINISH);
      assertThat(peel.advice(208).reason()).contains("planned endpoint");
    }

    @Test
    void jessnersFirstFrostWhereThePolicySaysSo() {
      Peel layers =
          Peel.of("JES-RF")
              .layers(3, 3)
              .onSkin()
              .feels(206, 3)
              .white(207, Whitening.F1, HALF)
              .say(208, new WipeTested(List.of(HALF), false));
      assertThat(layers.advice(209).kind()).isEqualTo(Kind.SAME_AGAIN);
      Peel frost =
          Peel.of("JES-RF")
              .layers(3, 3)
              .firstFrostEnds()
              .onSkin()
              .feels(206, 3)
              .white(207, Whitening.F1, HALF)
              .say(208, new WipeTested(List.of(HALF), false));
      row(frost.advice(209), 14, Kind.FINISH);
    }

    @Test
    void neverOverWhiteSkin() {
      Peel peel =
          Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 3).white(207, Whitening.F1, CHIN);
      assertThat(peel.advice(208).zones()).doesNotContain(CHIN);
      assertThat(peel.refuses(208, new LayerStarted(List.of(CHIN), false)))
          .hasValueSatisfying(why -> assertThat(why).contains("chin"));
    }
  }

  @Nested
  class Row15NextRung {

    private final Peel.Plan stepping =
        Peel.of("GLY-20").layers(3, 3).stepping("GLY-35").contact(300);

    @Test
    void whenBarelyFeltAndNoMoreThanPink() {
      Peel peel = stepping.onSkin().feels(60, 1);
      row(peel.advice(61), 15, Kind.NEXT_RUNG);
      assertThat(peel.refuses(61, new LayerStarted(FACE, true))).isEmpty();
    }

    @Test
    void notAtATwoNotOnRedNotTwice() {
      assertThat(stepping.onSkin().feels(60, 2).rowAt(61)).isEqualTo(17);
      Peel red = stepping.onSkin().red(30, 1, CHIN).red(50, 2, CHIN).feels(60, 1);
      assertThat(red.rowAt(61)).isEqualTo(17);
      Peel twice =
          stepping
              .onSkin()
              .feels(60, 1)
              .say(70, new LayerStarted(FACE, true))
              .covered(80)
              .feels(100, 1);
      assertThat(twice.rowAt(101)).isEqualTo(17);
    }

    @Test
    void aLowNumberOnNumbedSkinRaisesNothing() {
      Peel numb = stepping.onSkin().say(30, new ResponseNoted(Response.NUMBED)).feels(60, 0);
      assertThat(numb.advice(61).kind()).isEqualTo(Kind.FINISH);
      assertThat(numb.refuses(61, new LayerStarted(FACE, false))).isPresent();
    }
  }

  @Nested
  class Row16StrongButBelowHold {

    @Test
    void sameAgainWithTheFanOn() {
      Peel peel = Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 4);
      row(peel.advice(207), 16, Kind.SAME_AGAIN);
      assertThat(peel.advice(207).line()).contains("fan");
      assertThat(peel.advice(207).other()).isEqualTo(Action.END);
    }

    @Test
    void finishOnAFirstVisit() {
      row(
          Peel.of("TCA-10").layers(2, 2).firstVisit().onSkin().feels(206, 4).advice(207),
          16,
          Kind.FINISH);
    }
  }

  @Test
  void row17SameAgain() {
    Peel peel = Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 3);
    row(peel.advice(207), 17, Kind.SAME_AGAIN);
    assertThat(peel.advice(207).zones()).isEqualTo(FACE);
    assertThat(Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 1).advice(207).reason())
        .contains("Stopping is equally fine");
  }

  @Nested
  class AskingAhead {

    @Test
    void eachOfTheElevenAnswersIsJudgedAhead() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      List<Advice> ahead = Cues.ifAnswered(peel.plan, peel.state(), at(110));
      assertThat(ahead).hasSize(11);
      for (int value = 0; value <= 10; value++) {
        Peel told = Peel.of("MAN-20").onSkin().feels(60, 3).feels(110, value);
        assertThat(ahead.get(value)).as("answer " + value).isEqualTo(told.advice(110));
      }
      assertThat(ahead.get(4).kind()).isEqualTo(Kind.FINISH);
      assertThat(ahead.get(5).kind()).isEqualTo(Kind.HOLD);
      assertThat(ahead.get(8).kind()).isEqualTo(Kind.END);
    }

    @Test
    void cuesNameEveryComingChange() {
      Peel peel = Peel.of("SAL-10").contact(180).onSkin().feels(30, 3);
      List<Cue> cues = Cues.of(peel.plan, peel.state());
      assertThat(cues)
          .extracting(cue -> Duration.between(Peel.ZERO, cue.at()).toSeconds())
          .as("ask, look, window, too late for a layer, limit")
          .containsExactly(90L, 105L, 120L, 150L, 180L);
      assertThat(cues.getLast().kind()).isEqualTo(Cue.Kind.LIMIT);
      assertThat(cues.getLast().advice().row()).contains(Row.LIMIT);
    }

    @Test
    void theKeysChangeWhereTheWindowEnds() {
      Peel peel = Peel.of("SAL-10").contact(300).onSkin().feels(90, 5);
      Cue window =
          Cues.of(peel.plan, peel.state()).stream()
              .filter(cue -> cue.at().equals(at(120)))
              .findFirst()
              .orElseThrow();
      assertThat(Cues.ifAnswered(peel.plan, peel.state(), at(100)).get(5).kind())
          .isEqualTo(Kind.FINISH);
      assertThat(window.ifAnswered().get(5).kind()).isEqualTo(Kind.HOLD);
    }
  }
}
