package ivesk.core.treatment;

import static ivesk.core.skin.Zone.CHEEK_LEFT;
import static ivesk.core.skin.Zone.CHEEK_RIGHT;
import static ivesk.core.skin.Zone.CHIN;
import static ivesk.core.skin.Zone.FOREHEAD;
import static ivesk.core.skin.Zone.NOSE;
import static ivesk.core.treatment.Peel.FACE;
import static ivesk.core.treatment.Peel.at;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidPrepStarted;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.Corrected;
import ivesk.core.treatment.fact.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TakenBack;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.moment.SensationLines;
import ivesk.core.treatment.record.Conflict;
import ivesk.core.treatment.record.Correction;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Shortened;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// What an independent check of the live session found, line by line; each failed before it was
/// mended. The rules are common practice, no source.
class IndependentCheckTest {
  private static final Zone[] CHEEKS = {CHEEK_LEFT, CHEEK_RIGHT};

  /// END at a moment, every step of the ending done.
  private static Peel taken(Peel peel, double end, Optional<Row> row) {
    peel.say(end, new EndingStarted(row));
    double at = end + 10;
    for (EndingStep step : peel.state().endingSteps(peel.plan)) {
      peel.say(at, new EndingStepDone(step));
      at += 5;
    }
    return peel;
  }

  private static Peel taken(Peel peel, double end) {
    return taken(peel, end, Optional.empty());
  }

  private static PeelOutcome outcome(Peel peel) {
    return Outcome.of(peel.now(), peel.state());
  }

  @Nested
  class OneSwabOneAnswer {

    @Test
    void theCheeksNeverClearTheChin() {
      Peel peel = Peel.of("SAL-20").onSkin().white(50, Whitening.F1, CHEEK_LEFT, CHEEK_RIGHT, CHIN);
      peel.say(60, new WipeTested(List.of(CHEEKS), true));
      assertThat(peel.rowAt(61)).isEqualTo(9);
      assertThat(peel.advice(61).zones()).containsExactly(CHIN);
      assertThat(peel.state().zones().get(CHIN).wipeOwed()).isTrue();
      assertThat(peel.refuses(62, new WipeTested(List.of(CHEEK_LEFT), false)))
          .contains("no wipe test is owed on the left cheek");
    }

    @Test
    void provenCrystalsAreAskedAboutOnlyWhereTheySpread() {
      Peel peel =
          Peel.of("SAL-20")
              .onSkin()
              .white(50, Whitening.F1, CHEEKS)
              .say(55, new WipeTested(List.of(CHEEKS), true))
              .white(70, Whitening.F1, CHEEK_LEFT, CHEEK_RIGHT, NOSE);
      assertThat(peel.advice(71).zones()).containsExactly(NOSE);
      assertThat(peel.state().zones().get(CHEEK_LEFT).whitening()).isEqualTo(Whitening.CRYSTALS);
    }

    @Test
    void moreWhiteThanWasProvenIsAskedAboutAgain() {
      Peel peel =
          Peel.of("SAL-20")
              .onSkin()
              .white(50, Whitening.F1, CHIN)
              .say(55, new WipeTested(List.of(CHIN), true))
              .white(70, Whitening.F2, CHIN);
      assertThat(peel.rowAt(71)).isEqualTo(9);
    }

    @Test
    void salicylicF3IsWipedAtOnceAndEndsWhenItStaysOrGoesUntested() {
      Peel peel = Peel.of("SAL-20").onSkin().white(50, Whitening.F3, CHIN);
      assertThat(peel.rowAt(50)).isEqualTo(9);
      assertThat(peel.rowAt(64.9)).isEqualTo(9);
      assertThat(peel.rowAt(65)).isEqualTo(3);
      assertThat(Cues.of(peel.plan, peel.state())).extracting(Cue::at).contains(at(65));
      assertThat(peel.say(60, new WipeTested(List.of(CHIN), false)).rowAt(61)).isEqualTo(3);
      Peel crystals = Peel.of("SAL-20").onSkin().white(50, Whitening.F3, CHIN);
      crystals.say(60, new WipeTested(List.of(CHIN), true));
      assertThat(crystals.rowAt(80)).isNotEqualTo(3);
      assertThat(Peel.of("SAL-20").onSkin().white(50, Whitening.F4, CHIN).rowAt(50)).isEqualTo(3);
    }
  }

  @Nested
  class NoLayerAtTheLines {

    @ParameterizedTest
    @ValueSource(ints = {5, 7, 8, 9, 10})
    void whateverWasPassed(int value) {
      Peel peel = Peel.of("TCA-10").layers(2, 3).onSkin().feels(206, value);
      for (int i = 0; i < 3 && peel.advice(208 + i).passable(); i++) {
        peel.say(
            208 + i,
            new AdviceDeclined(peel.advice(208 + i).row().orElseThrow(), "client wants to go on"));
      }
      Advice advice = peel.advice(212);
      assertThat(advice.kind()).isEqualTo(Kind.FINISH);
      assertThat(advice.other()).isEqualTo(Action.NONE);
      assertThat(peel.refuses(212, new LayerStarted(FACE, false))).isPresent();
    }
  }

  @Nested
  class TheBaselineIsNoRise {

    @Test
    void redBeforeTheAcidStaysWhereItWas() {
      Peel peel = Peel.of("GLY-20").armed().red(-5, 2, CHIN).layer(0).covered(25).feels(30, 2);
      assertThat(peel.rowAt(31)).isNotEqualTo(8);
      peel.red(40, 2, CHIN);
      assertThat(peel.rowAt(41)).isNotEqualTo(8);
      peel.red(50, 3, CHIN);
      assertThat(peel.rowAt(51)).as("one grade up: that zone").isEqualTo(10);
    }

    @Test
    void twoGradesUpFromOneLookToTheNextStillEndIt() {
      Peel peel = Peel.of("GLY-20").armed().red(-5, 1, CHIN).layer(0).covered(25);
      assertThat(peel.red(40, 3, CHIN).rowAt(41)).isEqualTo(8);
    }
  }

  @Nested
  class GateAHolds {

    private Peel prepped(Peel.Plan plan, int answer) {
      Peel peel = Peel.opened(plan);
      for (ReadyStep step : ReadyStep.of(plan.plan())) {
        if (!step.answered()) peel.say(-100, new StepDone(step, ""));
      }
      return peel.say(-60, new RednessSeen(Peel.all(0))).feels(-50, answer);
    }

    @Test
    void aKeptHotSpotStaysOutOfTheFirstLayer() {
      Peel peel =
          prepped(Peel.of("JES-RF").layers(2, 2), 2)
              .say(-49, new HotSpotFelt(CHIN, 4))
              .say(-45, new GateADecided(GateA.KEEP, "barrier on it"))
              .say(-10, new TimerArmed());
      assertThat(peel.advice(-5).zones()).doesNotContain(CHIN).hasSize(FACE.size() - 1);
      assertThat(peel.advice(-5).reason()).contains("Chin under barrier");
      assertThat(peel.refuses(-5, new LayerStarted(List.of(CHIN), false))).isPresent();
    }

    @Test
    void anEightCannotBeKept() {
      Peel peel = prepped(Peel.of("GLY-35"), 8);
      assertThat(peel.refuses(-45, new GateADecided(GateA.KEEP, "")).orElseThrow())
          .startsWith("8 before any acid");
      assertThat(peel.refuses(-45, new GateADecided(GateA.SHORTEN, ""))).isEmpty();
      assertThat(prepped(Peel.of("GLY-35"), 7).refuses(-45, new GateADecided(GateA.KEEP, "")))
          .isEmpty();
    }

    @Test
    void anAnswerAfterArmingIsJudgedTheSame() {
      Peel peel = Peel.of("GLY-35").armed().feels(-5, 5);
      assertThat(peel.state().phase()).isEqualTo(Phase.READY);
      assertThat(peel.state().ready().gateA()).isEmpty();
      assertThat(peel.refuses(-4, new LayerStarted(FACE, false))).isPresent();
      peel.say(-3, new GateADecided(GateA.KEEP, "tears, blotted")).say(-2, new TimerArmed());
      assertThat(peel.advice(-1).kind()).isEqualTo(Kind.START);
      assertThat(Peel.of("GLY-35").armed().say(-5, new HotSpotFelt(CHIN, 3)).state().phase())
          .isEqualTo(Phase.READY);
      assertThat(Peel.of("GLY-35").armed().feels(-5, 3).state().phase()).isEqualTo(Phase.ARMED);
    }

    @Test
    void jessnerShortenedToOneLayerIsNotOfferedTheSecond() {
      Peel peel =
          prepped(Peel.of("JES-RF").layers(2, 3), 4)
              .say(-45, new GateADecided(GateA.SHORTEN, ""))
              .say(-10, new TimerArmed())
              .layer(0)
              .covered(25)
              .feels(206, 1);
      assertThat(peel.advice(207).other()).isEqualTo(Action.NONE);
      assertThat(peel.refuses(207, new LayersExtended())).isPresent();
    }

    /// Domain 05, step 10: a lower rung or another formula changes the plan; it is recorded, folded
    /// as the plan, and taken back like any tap.
    @Test
    void anotherFormulaTakesThePlaceOfThePlan() {
      Peel peel = prepped(Peel.of("GLY-35"), 8);
      TreatmentPlan lower = Peel.of("GLY-20").plan();
      PlanChanged change = new PlanChanged(GateA.LOWER_RUNG, lower);
      assertThat(peel.refuses(-45, new GateADecided(GateA.LOWER_RUNG, "")))
          .as("which formula is said with it")
          .isPresent();
      assertThat(peel.refuses(-45, change)).isEmpty();
      assertThat(peel.refuses(-45, new PlanChanged(GateA.OTHER_FORMULA, Peel.of("GLY-35").plan())))
          .contains("that is the formula planned");
      assertThat(Peel.opened(Peel.of("GLY-35")).refuses(-45, change)).as("not asked").isPresent();
      assertThat(Peel.of("GLY-35").armed().refuses(-5, change)).as("armed").isPresent();
      peel.say(-45, change);
      assertThat(Replay.plan(peel.events())).isEqualTo(lower);
      TreatmentState state = Replay.state(peel.events());
      assertThat(state.ready().gateA()).contains(GateA.LOWER_RUNG);
      assertThat(state.ready().contactLimit()).isEqualTo(lower.contactLimit());
      assertThat(state.openSteps(lower)).doesNotContain(ReadyStep.GATE_A);
      UUID mistaken = peel.events().getLast().id();
      peel.say(-40, new TakenBack(mistaken));
      assertThat(Replay.plan(peel.events())).isEqualTo(peel.plan);
    }

    @Test
    void aChangeIsToALowerRungOrAnotherFormula() {
      assertThatThrownBy(() -> new PlanChanged(GateA.KEEP, Peel.of("GLY-20").plan()))
          .hasMessageContaining("not by KEEP");
    }

    @Test
    void spotsUnderBarrierWantASpot() {
      Peel even = prepped(Peel.of("GLY-35"), 5);
      assertThat(even.refuses(-45, new GateADecided(GateA.UNDER_BARRIER, ""))).isPresent();
      Peel spotted = prepped(Peel.of("GLY-35"), 5).say(-49, new HotSpotFelt(CHIN, 5));
      assertThat(spotted.refuses(-45, new GateADecided(GateA.UNDER_BARRIER, ""))).isEmpty();
      spotted.say(-45, new GateADecided(GateA.UNDER_BARRIER, "")).say(-10, new TimerArmed());
      assertThat(spotted.advice(-5).zones()).doesNotContain(CHIN);
    }

    /// Domain 05, step 8: an acid prep is timed and counted; 01: look 1 before anything touches.
    @Test
    void anAcidPrepHasAClockAndLookOneComesFirst() {
      Preparation usual = Preparation.USUAL;
      Preparation acid =
          new Preparation(
              2,
              Preparation.Degrease.ACID_PREP,
              Optional.of(Duration.ofSeconds(60)),
              usual.eyes(),
              usual.water(),
              2,
              Set.of(),
              List.of(),
              Set.of());
      Peel peel = Peel.opened(Peel.of("GLY-20").readied(acid));
      assertThat(peel.refuses(-110, new StepDone(ReadyStep.CLEANSE, "")).orElseThrow())
          .startsWith("look 1 comes before");
      peel.say(-110, new StepDone(ReadyStep.LOOK_1, ""));
      assertThat(peel.refuses(-109, new StepDone(ReadyStep.CLEANSE, ""))).isEmpty();
      assertThat(peel.refuses(-108, new StepDone(ReadyStep.PREP, ""))).isPresent();
      peel.say(-107, new AcidPrepStarted());
      assertThat(peel.refuses(-106, new AcidPrepStarted())).contains("the acid prep is on already");
      assertThat(peel.refuses(-50, new StepDone(ReadyStep.PREP, ""))).isEmpty();
      peel.say(-45, new StepDone(ReadyStep.PREP, ""));
      assertThat(Outcome.summary(peel.plan, peel.state(), Peel.at(0))).contains("acid prep 1:02");
      assertThat(Peel.opened(Peel.of("GLY-20")).refuses(-107, new AcidPrepStarted())).isPresent();
    }

    /// Domain 11: up to five TCA coats with the clinician present; three go without.
    @Test
    void moreThanThreeCoatsWantTheClinician() {
      TreatmentPlan four = Peel.of("TCA-10").layers(3, 4).plan();
      assertThat(ReadyStep.of(four)).contains(ReadyStep.CLINICIAN);
      assertThat(ReadyStep.of(Peel.of("TCA-10").layers(3, 3).plan()))
          .doesNotContain(ReadyStep.CLINICIAN);
      assertThat(ReadyStep.of(Peel.of("JES-RF").layers(3, 4).plan()))
          .doesNotContain(ReadyStep.CLINICIAN);
      Peel peel = Peel.opened(Peel.of("TCA-10").layers(3, 4));
      for (ReadyStep step : ReadyStep.of(four)) {
        if (!step.answered() && step != ReadyStep.CLINICIAN) {
          peel.say(-100, new StepDone(step, ""));
        }
      }
      peel.say(-60, new RednessSeen(Peel.all(0))).feels(-50, 1);
      peel.say(-49, new GateADecided(GateA.KEEP, ""));
      assertThat(peel.refuses(-10, new TimerArmed()))
          .contains("no timer, no acid: clinician present is open");
      peel.say(-20, new StepDone(ReadyStep.CLINICIAN, ""));
      assertThat(peel.refuses(-10, new TimerArmed())).isEmpty();
    }

    /// Domain 11: once inside the clock, when the feel of a timed AHA falls early; not on a first
    /// visit, and not after a shortening.
    @Test
    void moreAcidInTheSameClock() {
      assertThat(falling(Peel.of("LAC-30").more()).other()).isEqualTo(Action.MORE_LAYERS);
      assertThat(falling(Peel.of("LAC-30").more()).reason()).contains("The feel falls early.");
      assertThat(falling(Peel.of("LAC-30").more().firstVisit()).other()).isEqualTo(Action.NONE);
      assertThat(falling(Peel.of("LAC-30")).other()).isEqualTo(Action.NONE);
      Peel rising = Peel.of("LAC-30").more().onSkin().feels(40, 2).feels(70, 3);
      assertThat(rising.advice(72).other()).isEqualTo(Action.NONE);
      Peel shortened =
          prepped(Peel.of("LAC-30").more(), 4)
              .say(-45, new GateADecided(GateA.SHORTEN, ""))
              .say(-10, new TimerArmed())
              .layer(0)
              .covered(25)
              .feels(40, 3)
              .feels(70, 1);
      assertThat(shortened.advice(72).other()).isEqualTo(Action.NONE);
    }

    private static Advice falling(Peel.Plan plan) {
      return plan.onSkin().feels(40, 3).feels(70, 1).advice(72);
    }

    @Test
    void aShorteningUnderAMinuteShutsTheFormula() {
      Peel peel = prepped(Peel.of("PYR-40").contact(60), 4);
      assertThat(peel.refuses(-45, new GateADecided(GateA.SHORTEN, "")).orElseThrow())
          .contains("less than 60 s");
      assertThat(Shortened.of(Peel.of("GLY-35").plan()).orElseThrow().contact())
          .contains(Duration.ofSeconds(180));
      assertThat(Shortened.of(Peel.of("TCA-10").plan())).as("one coat of one").isEmpty();
    }
  }

  @Nested
  class HowOftenToAsk {

    private static Duration checkIn(Peel peel) {
      return Clocks.checkIn(peel.plan, peel.state());
    }

    @Test
    void theEyeContourEveryThirtySeconds() {
      assertThat(checkIn(Peel.of("EYE-L").onSkin())).hasSeconds(30);
    }

    @ParameterizedTest
    @CsvSource({"240, 3, 60", "299, 3, 60", "300, 3, 300", "1500, 3, 300", "1500, 4, 30"})
    void longWearEveryMinuteForFiveThenEveryFive(int lastAsked, int value, int seconds) {
      assertThat(checkIn(Peel.of("LWC-8").onSkin().feels(lastAsked, value))).hasSeconds(seconds);
    }

    @Test
    void atAHoldLineOfThreeTheClockCountsThirtyToo() {
      Peel peel = Peel.of("LAC-30").sensitivity(Sensitivity.SENSITIVE).onSkin().feels(40, 3);
      assertThat(peel.advice(41).kind()).isEqualTo(Kind.HOLD);
      assertThat(peel.advice(41).reason()).contains("30 seconds");
      assertThat(Clocks.of(peel.plan, peel.state()).askAt()).contains(at(70));
    }

    @Test
    void endBeforeTheLeastTimeAsksWhy() {
      Peel peel = taken(Peel.of("LWC-8").onSkin().feels(60, 2), 1200).feels(1300, 0);
      peel.say(1310, new LeavingChecked(true, List.of()));
      assertThat(peel.state().whyOwed()).isTrue();
      assertThat(peel.refuses(1320, new Signed("s", "n")).orElseThrow()).contains("least time");
      peel.say(1321, new EarlyEndExplained("had to leave"));
      assertThat(peel.refuses(1322, new Signed("s", "n"))).isEmpty();
      assertThat(Outcome.summary(peel.plan, peel.state(), at(1322))).contains("had to leave");
      assertThat(taken(Peel.of("LWC-8").onSkin(), 2700).refuses(2800, new EarlyEndExplained("x")))
          .as("at its least time")
          .isPresent();
    }
  }

  @Nested
  class LinesAndZones {

    @Test
    void jessnerByFirstFrostEndsAtF1Anywhere() {
      Peel peel =
          Peel.of("JES-RF")
              .layers(3, 3)
              .firstFrostEnds()
              .onSkin()
              .feels(206, 3)
              .white(207, Whitening.F1, CHIN)
              .say(208, new WipeTested(List.of(CHIN), false));
      assertThat(peel.rowAt(209)).isEqualTo(14);
      assertThat(peel.advice(209).reason()).contains("planned endpoint");
    }

    @Test
    void answersKeepTheLinesOfTheirOwnLayer() {
      // The window of a coat runs from its end: 60 s for TCA. Band 4 to 7, policy 5 and 8.
      Peel peel = Peel.of("TCA-10").layers(3, 3).onSkin();
      assertThat(SensationLines.at(peel.plan, peel.state(), at(20)).hold())
          .as("while it is spread")
          .isEqualTo(5);
      assertThat(SensationLines.at(peel.plan, peel.state(), at(84)).hold()).isEqualTo(7);
      assertThat(SensationLines.at(peel.plan, peel.state(), at(85)).hold()).isEqualTo(5);
      peel.feels(70, 6).feels(206, 2).layer(210).covered(230).feels(240, 6);
      assertThat(SensationLines.at(peel.plan, peel.state(), at(70)).hold())
          .as("of the first layer")
          .isEqualTo(7);
      assertThat(SensationLines.at(peel.plan, peel.state(), at(206)).hold())
          .as("of the first layer, late")
          .isEqualTo(5);
      assertThat(peel.rowAt(241)).isEqualTo(13);
    }

    @Test
    void aFallingAnswerIsJudgedByTheWindowForAMinuteMore() {
      Peel falling = Peel.of("SAL-20").onSkin().feels(100, 7).feels(130, 6);
      assertThat(falling.rowAt(131)).as("hold is still 7").isEqualTo(14);
      Peel late = Peel.of("SAL-20").onSkin().feels(150, 7).feels(181, 6);
      assertThat(late.rowAt(182)).isEqualTo(12);
      Peel standing = Peel.of("SAL-20").onSkin().feels(100, 6).feels(130, 6);
      assertThat(standing.rowAt(131)).isEqualTo(12);
    }

    @ParameterizedTest
    @CsvSource({"JES-RF, 180", "SLA-15, 180", "ENZ-A, 180", "AZM-15, 480", "SPOT-S, 300"})
    void theWindowWhereNoMinuteIsNamed(String code, int seconds) {
      assertThat(Peel.of(code).plan().bandWindow()).contains(Duration.ofSeconds(seconds));
    }

    @Test
    void aZoneEndedWhileOthersAreUncoveredDoesNotFinishThePeel() {
      Peel peel =
          Peel.of("TCA-10")
              .layers(2, 2)
              .armed()
              .layer(0)
              .say(5, new ZoneReached(FOREHEAD))
              .say(10, new ZoneEnded(FOREHEAD));
      assertThat(peel.advice(11).kind()).isEqualTo(Kind.WAIT);
      assertThat(peel.advice(11).line()).isEqualTo("Finish this layer");
    }

    @Test
    void whatWasPinkBeforeTheAcidIsNotTreated() {
      Peel peel =
          Peel.of("TCA-10")
              .type(Phototype.V)
              .armed()
              .red(-5, 1, FACE.toArray(Zone[]::new))
              .layer(0)
              .say(5, new ZoneReached(FOREHEAD));
      assertThat(peel.state().treated(peel.plan)).containsExactly(FOREHEAD);
      assertThat(peel.red(20, 2, NOSE).state().treated(peel.plan)).contains(NOSE).hasSize(2);
    }

    @Test
    void noAnswerAtAllIsNotZero() {
      Peel peel = taken(Peel.of("GLY-35").contact(120).onSkin(), 120, Optional.of(Row.LIMIT));
      assertThat(Outcome.summary(peel.plan, peel.state(), at(200)))
          .contains("no answer was asked for")
          .doesNotContain("strongest answer");
      assertThat(peel.state().worstSensation()).isEmpty();
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.CUT_SHORT);
      Peel numbed =
          Peel.of("GLY-35").contact(120).onSkin().say(30, new ResponseNoted(Response.NUMBED));
      assertThat(outcome(taken(numbed.feels(60, 0), 120))).isEqualTo(PeelOutcome.CUT_SHORT);
    }
  }

  @Nested
  class AfterEnd {

    @Test
    void deepRednessAndSpreadingWhiteAreSaid() {
      Peel red = taken(Peel.of("GLY-35").onSkin().feels(60, 3), 100).red(180, 3, CHIN);
      assertThat(red.advice(181).line()).startsWith("Incident");
      assertThat(red.feels(200, 0).advice(201).line()).as("at rest too").startsWith("Incident");
      Peel white = taken(Peel.of("GLY-35").onSkin(), 100).white(180, Whitening.F1, CHIN);
      assertThat(white.advice(181).line()).startsWith("Press neutraliser");
      white.white(230, Whitening.F1, NOSE);
      assertThat(white.advice(231).line()).as("it spreads").startsWith("Incident");
    }

    @Test
    void anInjuryUnderAShortContactIsWipedOff() {
      Peel peel =
          taken(Peel.of("MAN-20").retinol(true).onSkin().feels(60, 2), 100)
              .feels(170, 0)
              .say(180, new AddOnPutOn())
              .say(200, new SignSeen(Sign.BLISTER));
      assertThat(peel.advice(201).action()).isEqualTo(Action.WIPE_ADD_ON);
      assertThat(peel.advice(201).steps()).contains("Wipe the add-on off");
    }

    @Test
    void onlyTheFrostThatJessnerWasPlannedForIsNoIncident() {
      Peel own =
          taken(
                  Peel.of("JES-RF").firstFrostEnds().onSkin().feels(60, 3),
                  210,
                  Optional.of(Row.DONE))
              .white(260, Whitening.F2, CHIN)
              .say(270, new WipeTested(List.of(CHIN), false));
      assertThat(own.advice(271).line()).doesNotStartWith("Incident");
      Peel byLayers =
          taken(Peel.of("JES-RF").onSkin().feels(60, 3), 210, Optional.of(Row.DONE))
              .white(260, Whitening.F2, CHIN)
              .say(270, new WipeTested(List.of(CHIN), false));
      assertThat(byLayers.advice(271).line()).startsWith("Incident");
      Peel dark =
          taken(Peel.of("JES-RF").type(Phototype.V).onSkin(), 210)
              .white(260, Whitening.F2, CHIN)
              .say(270, new WipeTested(List.of(CHIN), false));
      assertThat(dark.advice(271).line()).startsWith("Incident");
    }

    @Test
    void salicylicWhiteIsWipeTestedHereToo() {
      Peel peel = taken(Peel.of("SAL-20").onSkin().feels(60, 4), 300, Optional.of(Row.LIMIT));
      peel.white(340, Whitening.F1, CHIN);
      assertThat(peel.advice(341).kind()).isEqualTo(Kind.WIPE_TEST);
      assertThat(peel.refuses(341, new WipeTested(List.of(CHIN), true))).isEmpty();
      peel.say(345, new WipeTested(List.of(CHIN), true));
      assertThat(peel.advice(346).kind()).isNotEqualTo(Kind.WIPE_TEST);
      assertThat(outcome(peel)).isNotEqualTo(PeelOutcome.ADVERSE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"GLY-35", "MAN-20", "PYR-40"})
    void anInjuryUnderAnAcidThatIsNeutralisedSaysSo(String code) {
      Peel frost = Peel.of(code).onSkin().white(40, Whitening.F3, CHIN);
      assertThat(frost.advice(41).steps()).anyMatch(step -> step.startsWith("Neutraliser"));
      Peel blister = Peel.of(code).onSkin().say(40, new SignSeen(Sign.BLISTER));
      assertThat(blister.advice(41).steps()).anyMatch(step -> step.startsWith("Neutraliser"));
      Peel tca = Peel.of("TCA-10").onSkin().white(40, Whitening.F3, CHIN);
      assertThat(tca.advice(41).steps()).noneMatch(step -> step.contains("eutralis"));
    }

    @Test
    void nothingIsSignedOverAStandingAlarm() {
      Peel peel = taken(Peel.of("MAN-20").onSkin().feels(60, 2), 100).feels(170, 0);
      peel.say(175, new LeavingChecked(true, List.of()));
      peel.say(180, new SignSeen(Sign.SWELLING_MOUTH));
      assertThat(peel.refuses(190, new Signed("s", "n")).orElseThrow())
          .startsWith("lip, tongue or throat swelling");
      assertThat(peel.refuses(190, new LeavingChecked(true, List.of()))).isPresent();
      peel.say(200, new SignResolved(Sign.SWELLING_MOUTH, "went down, seen by the doctor"));
      assertThat(peel.refuses(201, new Signed("s", "n"))).isEmpty();
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.ADVERSE);
      assertThat(Outcome.summary(peel.plan, peel.state(), at(201))).contains("throat swelling");
    }

    @Test
    void deepFrostStandsUntilSomebodySaysHowItEnded() {
      Peel peel = taken(Peel.of("TCA-10").onSkin().feels(60, 3).white(80, Whitening.F3, CHIN), 82);
      peel.feels(200, 0);
      assertThat(peel.rowAt(201)).isEqualTo(3);
      assertThat(peel.refuses(201, new LeavingChecked(true, List.of()))).isPresent();
      peel.say(210, new SignResolved(Sign.DEEP_FROST, "clinician saw it"));
      assertThat(peel.refuses(211, new LeavingChecked(true, List.of()))).isEmpty();
    }

    @Test
    void theEyeHasAClock() {
      Peel peel = Peel.of("MAN-20").onSkin().say(40, new SignSeen(Sign.EYE));
      assertThat(peel.advice(41).until()).contains(at(940));
      assertThat(Cues.of(peel.plan, peel.state())).extracting(Cue::at).contains(at(940));
      assertThat(peel.advice(940).reason()).contains("go on to emergency care");
    }

    @Test
    void twoAlarmsAreBothThere() {
      Peel peel =
          Peel.of("MAN-20")
              .onSkin()
              .say(40, new SignSeen(Sign.EYE))
              .say(50, new SignSeen(Sign.FAINT))
              .say(55, new SignSeen(Sign.BREATHLESS));
      List<Alarm> alarms = Alarm.standing(peel.plan, peel.state());
      assertThat(alarms)
          .extracting(Alarm::weight)
          .containsExactly(Sign.Weight.EMERGENCY, Sign.Weight.EYE);
      assertThat(alarms.getFirst().reason()).isEqualTo("Faint and breathless was seen.");
      assertThat(alarms.getFirst().since()).isEqualTo(at(50));
    }
  }

  @Nested
  class FourOutcomes {

    @Test
    void calmEndAtThePlannedEndpointAndWhereItIsFineNeverCostTheLadder() {
      assertThat(outcome(taken(Peel.of("GLY-35").onSkin().feels(60, 3), 90)))
          .as("calm, by hand")
          .isEqualTo(PeelOutcome.CUT_SHORT);
      Peel fine = Peel.of("TCA-10").layers(3, 3).onSkin().feels(206, 4);
      assertThat(fine.advice(207).other()).isEqualTo(Action.END);
      assertThat(outcome(taken(fine, 208))).as("row 16").isEqualTo(PeelOutcome.WELL_TAKEN);
      Peel frost =
          Peel.of("TCA-10")
              .layers(3, 3)
              .onSkin()
              .feels(206, 3)
              .white(207, Whitening.F1, FOREHEAD, CHEEK_LEFT, CHEEK_RIGHT);
      assertThat(outcome(taken(frost, 208))).as("endpoint").isEqualTo(PeelOutcome.WELL_TAKEN);
      Peel limit = Peel.of("GLY-35").contact(120).onSkin().feels(100, 3);
      assertThat(outcome(taken(limit, 121)))
          .as("by hand, in time")
          .isEqualTo(PeelOutcome.WELL_TAKEN);
    }

    @Test
    void seventySecondsOverTheLimitAreNotWellTakenAndNotRepeated() {
      Peel peel = Peel.of("GLY-35").contact(120).onSkin().feels(100, 3);
      taken(peel, 190, Optional.of(Row.LIMIT));
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.TOO_STRONG);
      assertThat(
              Outcome.peel(peel.plan, peel.state(), java.time.LocalDate.of(2026, 11, 25)).contact())
          .hasSeconds(120);
    }

    @Test
    void tooStrongAtTheStopLineOrTwiceAtHold() {
      assertThat(
              outcome(
                  taken(Peel.of("MAN-20").onSkin().feels(60, 8), 62, Optional.of(Row.STOP_LINE))))
          .isEqualTo(PeelOutcome.TOO_STRONG);
      Peel held = Peel.of("MAN-20").onSkin().feels(60, 6).feels(90, 6);
      assertThat(outcome(taken(held, 92))).as("the row is known").isEqualTo(PeelOutcome.TOO_STRONG);
    }

    @Test
    void adverseIsWhatHurt() {
      Peel incident =
          taken(Peel.of("GLY-35").onSkin().feels(60, 3), 100).white(150, Whitening.F2, CHIN);
      assertThat(outcome(incident)).isEqualTo(PeelOutcome.ADVERSE);
      Peel eye = taken(Peel.of("GLY-35").onSkin().say(40, new SignSeen(Sign.EYE)), 45);
      assertThat(outcome(eye)).isEqualTo(PeelOutcome.ADVERSE);
    }
  }

  @Nested
  class TapsAndLimits {

    @Test
    void aDoubleTapIsOneAnswer() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 5).feels(60.4, 6);
      assertThat(peel.state().underAcid()).extracting(Looks.Told::value).containsExactly(6);
      assertThat(peel.feels(90, 6).rowAt(91)).isEqualTo(12);
    }

    @Test
    void noLayerWithLessThanTheDwellAndHalfAMinuteToTheLimit() {
      Peel peel = Peel.of("SLA-15").layers(2, 2).contact(360).onSkin().feels(200, 2);
      assertThat(peel.advice(210).kind()).as("150 s are left").isEqualTo(Kind.SAME_AGAIN);
      assertThat(peel.advice(210.001).kind()).isEqualTo(Kind.FINISH);
    }
  }

  @Nested
  class WordsSaidRightly {

    @Test
    void restIsNeverAboveItself() {
      Peel peel =
          Peel.of("MAN-20").onSkin().feels(60, 2).say(100, new EndingStarted(Optional.empty()));
      for (EndingStep step : peel.state().endingSteps(peel.plan)) {
        peel.feels(105, 1).say(106, new EndingStepDone(step));
      }
      assertThat(peel.advice(107).reason()).doesNotContain("above rest");
    }

    @Test
    void pyruvicIsNeutralisedWithoutTalkOfFrost() {
      Peel peel = Peel.of("PYR-40").onSkin().say(60, new EndingStarted(Optional.empty()));
      assertThat(peel.advice(61).reason()).doesNotContain("frost");
      Peel tca = Peel.of("TCA-10").onSkin().say(60, new EndingStarted(Optional.empty()));
      assertThat(tca.advice(61).reason()).contains("does not undo a frost");
    }

    @Test
    void aFinishedJessnerIsLeftAsItIsAndTakesNoCream() {
      for (Optional<Row> row : List.of(Optional.of(Row.DONE), Optional.<Row>empty())) {
        Peel peel = Peel.of("JES-RF").layers(2, 2).onSkin().feels(206, 4);
        peel.say(208, new EndingStarted(row));
        assertThat(peel.state().endingSteps(peel.plan)).contains(EndingStep.LEAVE_AS_IT_IS);
        assertThat(peel.state().careOffered(peel.plan)).isEmpty();
      }
      Peel held =
          Peel.of("JES-RF")
              .onSkin()
              .feels(60, 9)
              .say(62, new EndingStarted(Optional.of(Row.STOP_LINE)));
      assertThat(held.state().endingSteps(held.plan)).contains(EndingStep.WIPE_THEN_RINSE);
      assertThat(held.state().careOffered(held.plan)).isNotEmpty();
    }
  }

  @Nested
  class NoDoorLeadsNowhere {

    @Test
    void theNextRungTakesTheSmallerLimitAndTheCloserCheckIn() {
      Peel peel =
          Peel.of("GLY-20").layers(3, 3).stepping("GLY-35").contact(300).onSkin().feels(60, 1);
      assertThat(peel.advice(61).kind()).isEqualTo(Kind.NEXT_RUNG);
      assertThat(Clocks.checkIn(peel.plan, peel.state())).hasSeconds(60);
      peel.say(62, new LayerStarted(FACE, true)).covered(80);
      assertThat(peel.state().limitAt()).contains(at(240));
      assertThat(Clocks.checkIn(peel.plan, peel.state())).hasSeconds(30);
      Peel late =
          Peel.of("GLY-20").layers(3, 3).stepping("GLY-35").contact(300).onSkin().feels(215, 1);
      assertThat(late.advice(216).kind()).as("too near to four minutes").isEqualTo(Kind.SAME_AGAIN);
    }

    @Test
    void coolWaterAndTheCompressAreEndingsOfTheirOwn() {
      Peel cool = taken(Peel.of("GLY-20").takenOff(TakeOff.COOL_WATER).onSkin(), 100);
      assertThat(cool.state().endingSteps(cool.plan))
          .containsExactly(EndingStep.COOL_WATER, EndingStep.PAT_DRY);
      Peel gel = taken(Peel.of("MAN-20").takenOff(TakeOff.COOL_WATER).onSkin(), 100);
      assertThat(gel.state().endingSteps(gel.plan)).startsWith(EndingStep.LIFT_GEL);
      Peel compress = taken(Peel.of("LAC-10").takenOff(TakeOff.COMPRESS).onSkin(), 100);
      assertThat(compress.state().endingSteps(compress.plan))
          .startsWith(EndingStep.COMPRESS, EndingStep.LIFT_WITH_COMPRESS);
    }

    @Test
    void afterTheEndpointOfACoatWhatIsNotWhiteIsTouchedUp() {
      Peel peel =
          Peel.of("TCA-10")
              .layers(3, 3)
              .onSkin()
              .feels(206, 3)
              .white(207, Whitening.F1, FOREHEAD, CHEEK_LEFT, CHEEK_RIGHT);
      assertThat(peel.advice(208).other()).isEqualTo(Action.TOUCH_UP);
      assertThat(peel.advice(208).zones()).contains(CHIN).doesNotContain(FOREHEAD);
      assertThat(peel.refuses(208, new LayerStarted(List.of(CHIN), false))).isEmpty();
      assertThat(peel.refuses(208, new LayerStarted(List.of(FOREHEAD), false))).isPresent();
    }
  }

  @Nested
  class MistakenTaps {

    @Test
    void anAnswerAFrostAndEndAreTakenBackWithinTenSeconds() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      TreatmentState before = peel.state();
      peel.feels(70, 9);
      assertThat(peel.rowAt(71)).isEqualTo(6);
      TakenBack back = new TakenBack(peel.events().getLast().id());
      assertThat(peel.refuses(80, back)).isEmpty();
      assertThat(peel.refuses(80.1, back).orElseThrow()).contains("ten seconds are over");
      peel.say(75, back);
      assertThat(peel.state().looks()).isEqualTo(before.looks());
      assertThat(peel.rowAt(76)).isEqualTo(14);
      peel.white(90, Whitening.F3, CHIN);
      peel.say(92, new TakenBack(peel.events().getLast().id()));
      assertThat(peel.rowAt(93)).isNotEqualTo(3);
      assertThat(peel.state().injured()).isFalse();
      peel.say(100, new EndingStarted(Optional.empty()));
      peel.say(104, new TakenBack(peel.events().getLast().id()));
      assertThat(peel.state().phase()).isEqualTo(Phase.ACID);
      assertThat(peel.state().contact(at(110))).hasSeconds(110);
    }

    @Test
    void onlyTheLastTapAndOnlyOnce() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      TakenBack back = new TakenBack(peel.events().getLast().id());
      peel.red(62, 1, CHIN);
      assertThat(peel.refuses(63, back).orElseThrow()).contains("something else was said since");
      TakenBack red = new TakenBack(peel.events().getLast().id());
      peel.say(64, red);
      assertThat(peel.refuses(65, red)).isPresent();
      assertThat(peel.state().zones().get(CHIN).redness()).isZero();
    }
  }

  /// Two screens, one without the server: each keeps its own time.
  @Nested
  class SaidLate {

    @Test
    void theFirstEndIsWhenTheAcidCameOff() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      peel.say(90, new EndingStarted(Optional.empty()));
      TreatmentState ended = peel.state();
      peel.say(130, new EndingStarted(Optional.of(Row.INJURY)));
      assertThat(peel.state().ending()).isEqualTo(ended.ending());
      assertThat(peel.state().phase()).isEqualTo(ended.phase());
    }

    @Test
    void whatWasTakenBackStaysSoWhateverCameInBetween() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      peel.feels(70, 9);
      UUID mistaken = peel.events().getLast().id();
      peel.say(74, new TakenBack(mistaken));
      List<TreatmentEvent> log = new ArrayList<>(peel.events());
      TreatmentEvent late =
          new TreatmentEvent(UUID.randomUUID(), at(72), "rolf", new RednessSeen(Map.of(CHIN, 1)));
      log.add(log.size() - 1, late);
      TreatmentState state = Replay.state(log);
      assertThat(state.looks().answers().getLast().value()).isEqualTo(3);
      assertThat(state.zones().get(CHIN).redness()).isEqualTo(1);
    }

    @Test
    void acidPutOnAfterEndComesOffAndEndStands() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      peel.say(90, new EndingStarted(Optional.empty()));
      peel.say(120, new LayerStarted(List.of(CHIN), false));
      assertThat(peel.state().phase()).isEqualTo(Phase.ENDING);
      assertThat(peel.state().endedAt()).contains(at(90));
      assertThat(peel.state().layers()).hasSize(2);
      assertThat(Conflict.of(peel.events(), at(0)))
          .extracting(Conflict::kind)
          .containsExactly(Conflict.Kind.LAYER_AFTER_END);
    }
  }

  /// domain/13: later by a correction with a reason.
  @Nested
  class Corrections {

    private Optional<String> refused(Peel peel, Corrected correction) {
      return Correction.refuse(peel.events(), correction);
    }

    private Corrected didNot(TreatmentEvent event) {
      return new Corrected(event.id(), Optional.empty(), "a mis-tap, seen later");
    }

    @Test
    void whatWasSeenIsTakenOutAndTheTreatmentIsReadAsIfItHadNotBeen() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      peel.white(70, Whitening.F3, CHIN);
      TreatmentEvent mistaken = peel.events().getLast();
      peel.feels(90, 4);
      assertThat(peel.rowAt(91)).isEqualTo(3);
      Corrected correction = didNot(mistaken);
      assertThat(refused(peel, correction)).isEmpty();
      int entries = peel.events().size();
      peel.say(95, correction);
      assertThat(peel.events()).hasSize(entries + 1).contains(mistaken);
      assertThat(peel.state().zones().get(CHIN).whitening()).isEqualTo(Whitening.NONE);
      assertThat(peel.rowAt(96)).isEqualTo(14);
      assertThat(peel.state().injured()).isFalse();
      assertThat(Correction.gone(peel.events())).containsExactly(mistaken.id());
      assertThat(refused(peel, correction).orElseThrow()).contains("nothing follows");
      // A correction is not taken back by the key of a mis-tap.
      assertThat(peel.refuses(97, new TakenBack(peel.events().getLast().id()))).isPresent();
    }

    @Test
    void whatStartsOrEndsAcidIsCorrectedInTimeOnly() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3);
      peel.say(200, new EndingStarted(Optional.empty()));
      TreatmentEvent end = peel.events().getLast();
      assertThat(refused(peel, didNot(end)).orElseThrow()).contains("in time only");
      Corrected sooner = new Corrected(end.id(), Optional.of(at(180)), "said before it was tapped");
      assertThat(refused(peel, sooner)).isEmpty();
      peel.say(210, sooner);
      assertThat(peel.state().endedAt()).contains(at(180));
      assertThat(peel.state().contact(at(300))).hasSeconds(180);
      assertThat(Correction.moved(peel.events())).containsEntry(end.id(), at(180));
      // Once more: the last word holds.
      peel.say(220, new Corrected(end.id(), Optional.of(at(190)), "ten seconds later after all"));
      assertThat(peel.state().endedAt()).contains(at(190));
    }

    @Test
    void theOrderOfWhatWasSaidStays() {
      Peel peel = Peel.of("MAN-20").onSkin().feels(60, 3).feels(120, 4);
      TreatmentEvent second = peel.events().getLast();
      for (int seconds : new int[] {59, 131}) {
        peel.red(130, 1, CHIN);
        assertThat(
                refused(peel, new Corrected(second.id(), Optional.of(at(seconds)), "another time")))
            .as("%d s", seconds)
            .isPresent();
      }
      assertThat(refused(peel, new Corrected(second.id(), Optional.of(at(60)), "another time")))
          .isEmpty();
    }

    @Test
    void theAlarmOfAMistappedSignEndsAsMistaken() {
      Peel peel = Peel.of("MAN-20").onSkin().say(30, new SignSeen(Sign.EYE));
      Corrected mistapped = didNot(peel.events().getLast());
      assertThat(refused(peel, mistapped)).isEmpty();
      peel.say(60, mistapped);
      assertThat(Alarm.standing(peel.plan, peel.state())).isEmpty();
      assertThat(peel.state().injured()).isFalse();
      assertThat(peel.events()).as("both stay in the log").contains(peel.events().getLast());
      assertThat(
              refused(
                  peel,
                  new Corrected(java.util.UUID.randomUUID(), Optional.empty(), "of another peel")))
          .isPresent();
    }
  }

  @Test
  void theBaselineOfAZoneIsItsFirstLook() {
    Peel peel = Peel.of("GLY-20").armed().say(-3, new RednessSeen(Map.of(CHIN, 2)));
    assertThat(peel.state().zones().get(CHIN).baseline()).contains(2);
    assertThat(peel.state().zones().get(CHIN).rise()).isZero();
  }

  @Test
  void anAnswerBeforeTheAcidIsKept() {
    assertThat(Peel.of("GLY-20").armed().say(-5, new SensationAnswered(2)).state().lastAnswer())
        .map(Looks.Told::value)
        .contains(2);
  }
}
