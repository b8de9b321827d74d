package ivesk.core.treatment;

import static ivesk.core.skin.Zone.CHEEK_LEFT;
import static ivesk.core.skin.Zone.CHEEK_RIGHT;
import static ivesk.core.skin.Zone.CHIN;
import static ivesk.core.skin.Zone.NOSE;
import static ivesk.core.treatment.Peel.FACE;
import static ivesk.core.treatment.Peel.at;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Library;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.AlarmStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.IncidentReported;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.moment.SensationLines;
import ivesk.core.treatment.record.Conflict;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.state.Phase;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/// What no later look, number or word takes away. The rules are domain/06 ("What stays" and what
/// follows), 07 and 13; common practice, no source. Seconds are from the first touch.
class WhatStaysTest {

  private static Staging place(int number, int of, TreatmentPlan next) {
    return new Staging(
        number, of, Optional.empty(), Optional.empty(), List.of(), Optional.ofNullable(next));
  }

  private static Peel ended(Peel peel, double seconds) {
    peel.say(seconds, new EndingStarted(Optional.empty()));
    peel.state()
        .endingSteps(peel.now())
        .forEach(step -> peel.say(seconds + 1, new EndingStepDone(step)));
    return peel;
  }

  private static PeelOutcome outcome(Peel peel) {
    return Outcome.of(peel.now(), peel.state());
  }

  @Nested
  class Alarms {

    @Test
    void aLowerLookDoesNotTakeF3Away() {
      Peel peel = Peel.of("TCA-15").layers(2, 3).onSkin().white(90, Whitening.F3, CHIN);
      assertThat(peel.rowAt(91)).isEqualTo(3);
      peel.white(120, Whitening.NONE, CHIN).feels(150, 3).feels(180, 3).feels(205, 3);
      assertThat(peel.advice(207).kind()).isEqualTo(Kind.END_NOW);
      assertThat(peel.refuses(207, new LayerStarted(FACE, false))).isPresent();
    }

    @Test
    void f4IsNeverCrystals() {
      Peel peel = Peel.of("SAL-20").onSkin().white(60, Whitening.F4, NOSE);
      peel.say(66, new WipeTested(List.of(NOSE), true));
      assertThat(peel.advice(67).kind()).isEqualTo(Kind.END_NOW);
      assertThat(peel.state().zones().get(NOSE).whitening()).isEqualTo(Whitening.F4);
    }

    @Test
    void salicylicF3ThatASwabTakesOffInTimeNeverStood() {
      Peel peel = Peel.of("SAL-20").onSkin().white(60, Whitening.F3, NOSE);
      peel.say(70, new WipeTested(List.of(NOSE), true));
      assertThat(peel.state().injured()).isFalse();
    }

    @Test
    void salicylicF3UntestedIsAnInjuryWhateverFollows() {
      Peel peel = Peel.of("SAL-20").onSkin().feels(40, 4).white(60, Whitening.F3, NOSE);
      assertThat(peel.advice(74).kind()).isEqualTo(Kind.WIPE_TEST);
      assertThat(peel.advice(75).kind()).isEqualTo(Kind.END_NOW);
      peel.say(76, new EndingStarted(Optional.of(Row.INJURY)));
      peel.say(80, new WipeTested(List.of(NOSE), true));
      assertThat(peel.state().signs()).contains(Sign.DEEP_FROST);
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.ADVERSE);
    }

    @ParameterizedTest
    @EnumSource(names = {"FAINT", "BLISTER", "SWELLING", "WHEALS_BEYOND", "EYE"})
    void anAlarmThatIsClosedLeavesEndStanding(Sign sign) {
      Peel peel = Peel.of("TCA-10").layers(2, 3).onSkin().say(60, new SignSeen(sign));
      peel.say(70, new SignResolved(sign, "sat up")).feels(205, 2);
      assertThat(peel.advice(207).kind()).isEqualTo(Kind.END);
      assertThat(peel.refuses(207, new LayerStarted(FACE, false))).isPresent();
    }

    @Test
    void anAlarmBeforeTheAcidDisarmsAndOnlyTheClinicianArmsAgain() {
      Peel peel = Peel.of("GLY-20").armed().say(-5, new SignSeen(Sign.FAINT));
      assertThat(peel.state().phase()).isEqualTo(Phase.READY);
      assertThat(peel.refuses(-4, new TimerArmed())).isPresent();
      assertThat(peel.refuses(-4, new AcidAllowed("a hot room"))).isPresent();
      peel.say(-4, new AlarmStepDone(AlarmStep.CALL));
      peel.say(-4, new AlarmStepSkipped(AlarmStep.LIE_FLAT, "sat up at once"));
      peel.say(-3, new SignResolved(Sign.FAINT, "sat up"));
      assertThat(peel.advice(-2).line()).isEqualTo("No acid today");
      assertThat(peel.refuses(-2, new TimerArmed()).orElseThrow()).contains("clinician");
      peel.say(-2, new AcidAllowed("a hot room, pulse and colour normal"));
      assertThat(peel.refuses(-1, new TimerArmed())).isEmpty();
      peel.say(-1, new SignSeen(Sign.FAINT));
      assertThat(peel.state().looks().stays().allowed()).as("not for the next one").isFalse();
    }

    @Test
    void anEyeIsRinsedToItsEnd() {
      Peel peel = Peel.of("GLY-20").onSkin().say(60, new SignSeen(Sign.EYE));
      SignResolved over = new SignResolved(Sign.EYE, "feels well");
      assertThat(peel.refuses(90, over)).isPresent();
      assertThat(peel.refuses(959, over)).isPresent();
      assertThat(peel.refuses(960, over)).isEmpty();
      peel.say(100, new AlarmStepDone(AlarmStep.EMERGENCY_CARE));
      assertThat(peel.refuses(101, over)).as("emergency care has it").isEmpty();
    }

    @Test
    void anEmergencyHasItsFirstSteps() {
      Peel peel = Peel.of("GLY-20").onSkin().say(60, new SignSeen(Sign.FAINT));
      SignResolved over = new SignResolved(Sign.FAINT, "the ambulance took over");
      assertThat(peel.refuses(61, over).orElseThrow()).contains("Call the emergency number");
      peel.say(62, new AlarmStepDone(AlarmStep.CALL));
      assertThat(peel.refuses(63, over)).isPresent();
      peel.say(64, new AlarmStepDone(AlarmStep.LIE_FLAT));
      assertThat(peel.refuses(65, over)).isEmpty();
      peel.say(66, over).say(70, new SignSeen(Sign.FAINT));
      assertThat(peel.refuses(71, over)).as("each emergency anew").isPresent();
    }
  }

  @Nested
  class Numbers {

    @Test
    void aNumberToldNumbedAddsNoLayerOnceAwake() {
      Peel peel = Peel.of("TCA-10").layers(2, 3).onSkin();
      peel.say(26, new ResponseNoted(Response.NUMBED));
      for (int s = 40; s < 205; s += 14) peel.feels(s, 0);
      peel.say(206, new ResponseNoted(Response.AWAKE));
      assertThat(peel.advice(207).kind()).isEqualTo(Kind.LOOK_NOW);
      peel.feels(208, 1);
      assertThat(peel.advice(209).kind()).isEqualTo(Kind.SAME_AGAIN);
    }

    @Test
    void norDoesItBringToRest() {
      Peel peel = ended(Peel.of("GLY-20").contact(120).onSkin().feels(60, 2), 120);
      peel.say(130, new ResponseNoted(Response.ASLEEP)).feels(180, 0);
      assertThat(peel.state().phase()).isEqualTo(Phase.SETTLING);
      peel.say(190, new ResponseNoted(Response.AWAKE));
      assertThat(peel.refuses(191, new LeavingChecked(true, List.of()))).isPresent();
      peel.feels(192, 1);
      assertThat(peel.state().phase()).isEqualTo(Phase.AT_REST);
    }

    @Test
    void restIsTheWholeAndEveryHotSpot() {
      Peel peel = ended(Peel.of("GLY-20").contact(120).onSkin().feels(60, 2), 120);
      peel.say(130, new HotSpotFelt(CHIN, 9)).feels(180, 1);
      assertThat(peel.state().phase()).isEqualTo(Phase.SETTLING);
      assertThat(peel.advice(181).zones()).containsExactly(CHIN);
      peel.say(240, new HotSpotFelt(CHIN, 1));
      assertThat(peel.state().phase()).isEqualTo(Phase.AT_REST);
      peel.say(250, new HotSpotFelt(NOSE, 4));
      assertThat(peel.state().phase()).isEqualTo(Phase.SETTLING);
    }

    @Test
    void aZoneRestsOnceItsAcidIsOff() {
      Peel peel = Peel.of("LAC-30").contact(300).onSkin().feels(60, 2);
      peel.say(70, new ZoneEnded(CHIN)).say(75, new ZoneAnswered(CHIN, 0));
      assertThat(peel.state().endedZones().zones().get(CHIN).restAt()).isEmpty();
      peel.say(80, new ZoneTakenOff(CHIN)).say(90, new ZoneAnswered(CHIN, 0));
      assertThat(peel.state().endedZones().zones().get(CHIN).restAt()).contains(at(90));
    }

    /// domain/06, "Keys": never for an answer that would replace the last.
    @Test
    void theKeysShowAnAnswerFromNowOn() {
      Peel gly = Peel.of("GLY-35").onSkin().feels(60, 5);
      Cue apart =
          Cues.of(gly.plan, gly.state()).stream()
              .filter(cue -> cue.at().equals(at(80)))
              .findFirst()
              .orElseThrow();
      assertThat(apart.ifAnswered().get(5).kind()).isEqualTo(Kind.END);
      Peel sal = Peel.of("SAL-20").onSkin().feels(30, 7).feels(60, 5);
      assertThat(Cues.ifAnswered(sal.plan, sal.state(), at(60)).get(6).kind()).isEqualTo(Kind.HOLD);
      sal.feels(80, 6);
      assertThat(sal.advice(80).kind()).isEqualTo(Kind.HOLD);
    }

    @Test
    void moreInTheClockOnlyWhileItFalls() {
      Peel falls = Peel.of("GLY-20").layers(1, 2).more().onSkin();
      falls.feels(30, 4).feels(60, 3);
      assertThat(falls.advice(61).other()).isEqualTo(Action.MORE_LAYERS);
      falls.feels(70, 4).feels(80, 3);
      assertThat(falls.advice(81).other()).as("it rose once").isNotEqualTo(Action.MORE_LAYERS);
    }

    @Test
    void spotsTwiceAtHoldAreFannedUntilItFalls() {
      Peel peel = Peel.of("SPOT-S").onSkin();
      int hold = SensationLines.at(peel.plan, peel.state(), at(30)).hold();
      peel.feels(30, hold).feels(60, hold);
      assertThat(peel.advice(61).kind()).isEqualTo(Kind.HOLD);
    }
  }

  @Nested
  class Stages {

    /// An enzyme on the face, then lactic acid on it.
    private Peel sandwich() {
      TreatmentPlan second = Peel.of("LAC-30").staged(place(2, 2, null)).plan();
      return ended(Peel.of("ENZ-P").staged(place(1, 2, second)).onSkin().feels(60, 1), 300);
    }

    @Test
    void guardsThatWereTakenOffAreDoneAgainBeforeTheNextAcid() {
      Peel peel = sandwich().red(320, 0, CHIN).feels(360, 1);
      peel.say(370, new BarrierWipedOff()).say(900, new StageOpened());
      assertThat(peel.state().openSteps(peel.now()))
          .containsExactly(ReadyStep.BARRIER, ReadyStep.EYES);
      assertThat(peel.state().barrierOn()).isFalse();
      assertThat(peel.state().phase()).isEqualTo(Phase.READY);
    }

    @Test
    void guardsThatAreStillOnStay() {
      Peel peel = sandwich().red(320, 0, CHIN).feels(360, 1).say(900, new StageOpened());
      assertThat(peel.state().phase()).isEqualTo(Phase.ARMED);
    }

    @Test
    void zonesThatGetTheirFirstAcidLaterAreLookedAtAndAskedFirst() {
      TreatmentPlan cheeks =
          Peel.of("LAC-30")
              .zones(List.of(CHEEK_LEFT, CHEEK_RIGHT))
              .staged(place(2, 2, null))
              .plan();
      Peel peel = Peel.of("SAL-10").zones(List.of(NOSE, CHIN)).staged(place(1, 2, cheeks)).armed();
      peel.say(0, new LayerStarted(List.of(NOSE, CHIN), false)).covered(20).feels(60, 2);
      ended(peel, 180).red(200, 0, CHIN).feels(240, 1).say(250, new StageOpened());
      assertThat(peel.state().openSteps(peel.now()))
          .containsExactly(ReadyStep.PREP, ReadyStep.BASELINE, ReadyStep.GATE_A);
      assertThat(peel.refuses(260, new LayerStarted(List.of(CHEEK_LEFT), false))).isPresent();
    }

    @Test
    void aShorteningHoldsForEveryLaterAcidOnThatRegion() {
      TreatmentPlan second = Peel.of("LAC-30").contact(200).staged(place(2, 2, null)).plan();
      Peel peel =
          ended(
              Peel.of("GLY-20")
                  .contact(120)
                  .staged(place(1, 2, second))
                  .shortenedOnSkin()
                  .feels(60, 2),
              80);
      peel.red(100, 0, CHIN).feels(140, 1).say(150, new StageOpened());
      assertThat(peel.state().ready().contactLimit().orElseThrow()).hasSeconds(150);
    }

    /// Lactic acid on the face for four minutes, then on the neck.
    private Peel neckOpened() {
      TreatmentPlan neck =
          Peel.of("LAC-30")
              .zones(Zone.inOrder(Region.NECK_DECOLLETAGE))
              .staged(place(2, 2, null))
              .plan();
      Peel peel = ended(Peel.of("LAC-30").staged(place(1, 2, neck)).onSkin().feels(60, 2), 240);
      return peel.red(280, 1, CHIN).feels(300, 3).say(310, new StageOpened());
    }

    @Test
    void theFaceIsSettledBesideTheNeck() {
      Peel peel = neckOpened();
      WhiteningSeen white = new WhiteningSeen(List.of(CHEEK_LEFT), Whitening.F2);
      assertThat(peel.refuses(320, white)).isEmpty();
      assertThat(peel.refuses(320, new SensationAnswered(1))).isEmpty();
      peel.say(330, new RednessSeen(Map.of(CHIN, 2)));
      assertThat(peel.state().ready().stepsDone()).doesNotContainKey(ReadyStep.BASELINE);
      peel.say(340, new RegionAnswered(Region.FACE, 2));
      assertThat(Advisor.beside(peel.state(), at(341)).getFirst().askAt()).contains(at(400));
      peel.say(400, new RegionAnswered(Region.FACE, 1));
      assertThat(peel.state().beside().getFirst().atRest()).isTrue();
      peel.say(410, white);
      assertThat(peel.stages().getFirst().state().looks().incident()).isTrue();
      assertThat(Outcome.of(peel.plan, peel.stages().getFirst().state()))
          .isEqualTo(PeelOutcome.ADVERSE);
    }

    @Test
    void nobodyLeavesBeforeTheFaceIsAtRest() {
      Peel peel = neckOpened();
      peel.say(320, new TreatmentEvent.StepDone(ReadyStep.PREP, "")).feels(330, 1);
      peel.say(340, new TreatmentEvent.GateADecided(TreatmentEvent.GateA.STOP, "enough"));
      assertThat(peel.advice(341).action()).isEqualTo(Action.ASK_BESIDE);
      assertThat(peel.refuses(341, new LeavingChecked(true, List.of())).orElseThrow())
          .contains("the face is not at rest");
      peel.say(350, new RegionAnswered(Region.FACE, 0));
      assertThat(peel.refuses(351, new LeavingChecked(true, List.of()))).isEmpty();
    }

    @Test
    void theNeckIsNotOpenedOverDeepRednessOrAnOwedSwab() {
      TreatmentPlan neck =
          Peel.of("LAC-30")
              .zones(Zone.inOrder(Region.NECK_DECOLLETAGE))
              .staged(place(2, 2, null))
              .plan();
      Peel red = ended(Peel.of("LAC-30").staged(place(1, 2, neck)).onSkin().feels(60, 2), 240);
      red.feels(300, 3).red(301, 3, CHIN);
      assertThat(red.refuses(310, new StageOpened())).isPresent();
      Peel white = ended(Peel.of("SAL-10").staged(place(1, 2, neck)).onSkin().feels(60, 2), 240);
      white.feels(300, 3).white(301, Whitening.F1, CHIN);
      assertThat(white.refuses(310, new StageOpened()).orElseThrow()).contains("wipe test");
    }
  }

  @Nested
  class Layers {

    @Test
    void aSpotPassKeepsTheDwellTheZoneTheLimitAndTheAnswer() {
      SpotPassed chin = new SpotPassed(List.of(CHIN));
      Peel peel = Peel.of("TCA-15").layers(2, 3).onSkin();
      assertThat(peel.refuses(27, chin)).as("in the dwell").isPresent();
      assertThat(peel.refuses(206, chin)).as("unasked").isPresent();
      peel.feels(206, 2);
      assertThat(peel.refuses(207, chin)).isEmpty();
      peel.say(207, chin);
      assertThat(peel.refuses(210, chin)).as("twice in one layer").isPresent();

      Peel numbed = Peel.of("TCA-15").layers(2, 3).onSkin();
      numbed.say(200, new ResponseNoted(Response.NUMBED)).feels(206, 1);
      numbed.say(207, new ResponseNoted(Response.AWAKE));
      assertThat(numbed.refuses(208, chin)).as("a number told numbed").isPresent();

      Peel partly = Peel.of("TCA-15").layers(2, 3).armed();
      partly.say(0, new LayerStarted(List.of(NOSE), false)).covered(20).feels(202, 1);
      assertThat(partly.refuses(203, chin)).as("never reached").isPresent();

      Peel timed = Peel.of("GLY-20").contact(120).onSkin().feels(80, 1);
      assertThat(timed.refuses(90, chin)).isEmpty();
      assertThat(timed.refuses(91, chin)).as("less than 30 s are left").isPresent();
    }

    @Test
    void aSpotPassCountsInTheLedgerByItsShare() {
      Peel peel = Peel.of("TCA-15").layers(2, 3).onSkin().feels(206, 2);
      double before = OnSkin.of(peel.stages()).acid().mmol();
      peel.say(207, new SpotPassed(List.of(CHIN)));
      double share = CHIN.share() / FACE.stream().mapToDouble(Zone::share).sum();
      assertThat(OnSkin.of(peel.stages()).acid().mmol())
          .isCloseTo(before * (1 + share), org.assertj.core.data.Offset.offset(1e-9));
    }

    /// A layer of 2.8 mL: glycolic 20 %, 7.36 mmol, then 35 %, 12.89 mmol, against 16; arithmetic.
    @Test
    void theNextRungIsCountedWithItsOwnAcid() {
      Staging.Base base = new Staging.Base(new Amount(16), UnitDose.Unit.PAD, new Amount(2.3));
      Peel peel =
          Peel.of("GLY-20")
              .layers(3, 3)
              .stepping("GLY-35")
              .staged(
                  new Staging(
                      1, 1, Optional.of(base), Optional.empty(), List.of(), Optional.empty()))
              .onSkin()
              .feels(30, 0);
      assertThat(Library.get("GLY-35").rung()).isEqualTo(2);
      assertThat(peel.advice(31).action()).isEqualTo(Action.BASE);
      assertThat(peel.advice(31).reason()).contains("20.25").contains("16");
    }

    @Test
    void endSaidOnOneScreenStandsAgainstACoatOfTheOther() {
      Peel peel = Peel.of("TCA-10").layers(2, 3).onSkin().feels(205, 2);
      peel.say(206, new SignSeen(Sign.ASKS_TO_STOP));
      peel.say(207, new EndingStarted(Optional.of(Row.WISH)));
      peel.say(210, new LayerStarted(FACE, false));
      assertThat(peel.state().endedAt()).contains(at(207));
      assertThat(peel.advice(211).kind()).isEqualTo(Kind.TAKE_OFF);
      assertThat(Conflict.of(peel.events(), at(0)))
          .extracting(Conflict::kind)
          .containsExactly(Conflict.Kind.LAYER_AFTER_END);
    }

    @Test
    void jessnersTouchUpOfWhatIsNotWhiteIsOffered() {
      Peel peel = Peel.of("JES-RF").layers(2, 3).firstFrostEnds().onSkin().feels(60, 3);
      peel.feels(200, 2).white(204, Whitening.F1, CHIN);
      peel.say(206, new WipeTested(List.of(CHIN), false)).feels(208, 2);
      assertThat(peel.advice(209).other()).isEqualTo(Action.TOUCH_UP);
      assertThat(peel.advice(209).zones()).isNotEmpty().doesNotContain(CHIN);
    }
  }

  @Nested
  class After {

    @Test
    void redness3InTheLastLookOwesTheFormAndIsAdverse() {
      Peel peel = Peel.of("GLY-20").contact(120).onSkin().feels(60, 2).red(110, 3, CHIN);
      ended(peel, 120).red(170, 1, CHIN).feels(180, 1);
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.ADVERSE);
      peel.say(200, new LeavingChecked(true, List.of()));
      assertThat(peel.refuses(201, new Signed("s", "n")).orElseThrow()).contains("incident form");
      peel.say(202, new IncidentReported(List.of(CHIN), "red", "cooled", "the clinician"));
      assertThat(peel.refuses(203, new Signed("s", "n"))).isEmpty();
    }

    @Test
    void soDoesABlisterThatIsResolved() {
      Peel peel = Peel.of("GLY-20").contact(120).onSkin().feels(60, 2);
      peel.say(70, new SignSeen(Sign.BLISTER)).say(80, new SignResolved(Sign.BLISTER, "cooled"));
      ended(peel, 90).feels(160, 1).say(170, new LeavingChecked(true, List.of()));
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.ADVERSE);
      assertThat(peel.refuses(180, new Signed("s", "n")).orElseThrow()).contains("incident form");
    }

    @Test
    void whiteUnderATimedAhaIsAdverse() {
      Peel peel =
          Peel.of("GLY-20").contact(120).onSkin().feels(60, 2).white(110, Whitening.F1, CHIN);
      ended(peel, 120).feels(180, 1);
      assertThat(outcome(peel)).isEqualTo(PeelOutcome.ADVERSE);
    }

    @Test
    void theCallComesAfterFifteenMinutesWhateverIsOpen() {
      Peel steps = Peel.of("GLY-35").onSkin().feels(60, 4);
      steps.say(120, new EndingStarted(Optional.empty()));
      steps.feels(200, 5).feels(600, 6).feels(1000, 6);
      assertThat(steps.advice(1019).kind()).isEqualTo(Kind.TAKE_OFF);
      assertThat(steps.advice(1025).line()).contains("call the clinician");
      assertThat(Cues.of(steps.plan, steps.state())).anyMatch(cue -> cue.at().equals(at(1020)));

      Peel white = ended(Peel.of("GLY-35").onSkin().feels(60, 4), 120);
      white.white(200, Whitening.F1, CHIN).feels(1000, 3);
      assertThat(white.advice(1025).line()).contains("call the clinician");
    }

    @Test
    void pinpointWhiteOnADarkSkinAfterAFrostThatWasPlannedIsNone() {
      Peel peel = ended(Peel.of("TCA-10").type(Phototype.III).onSkin().feels(60, 3), 240);
      peel.white(260, Whitening.F1, CHIN);
      assertThat(peel.advice(261).line()).doesNotStartWith("Incident");
    }
  }
}
