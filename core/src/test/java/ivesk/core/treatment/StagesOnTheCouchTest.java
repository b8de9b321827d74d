package ivesk.core.treatment;

import static ivesk.core.treatment.Peel.all;
import static ivesk.core.treatment.Peel.at;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Library;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.StepKind;
import ivesk.core.product.MaskMix;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Mass;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.AlarmStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.CareStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Extracted;
import ivesk.core.treatment.fact.TreatmentEvent.ExtractedPoint;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.TakenBack;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.record.Conflict;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Several stages and regions in one visit, what is done on calm skin after them, the ledger and
/// zones that end by themselves. The rules are domain/06, 07 and 13; common practice, no source,
/// where nothing else is said.
class StagesOnTheCouchTest {
  private static Staging.Base wipes(int many) {
    // 4 mL of arginine 10 % w/v hold 2.296 mmol; arithmetic, domain/12.
    double each = 400 / 174.20;
    return new Staging.Base(new Amount(many * each), UnitDose.Unit.PAD, new Amount(each));
  }

  private static Staging place(int number, int of, TreatmentPlan next, CareStep... after) {
    return new Staging(
        number, of, Optional.empty(), Optional.empty(), List.of(after), Optional.ofNullable(next));
  }

  private static CareStep step(String id, StepKind kind, Act act, Role role, Timing timing) {
    return new CareStep(
        id,
        kind,
        Optional.ofNullable(act),
        Optional.ofNullable(role),
        act == null ? Optional.of(id) : Optional.empty(),
        Optional.empty(),
        Peel.FACE,
        timing,
        Optional.empty(),
        kind == StepKind.TOOL || kind == StepKind.MASK,
        false,
        "",
        "",
        List.of());
  }

  static final CareStep MASK = step("mask", StepKind.MASK, null, Role.MASK, Timing.seconds(600));
  static final CareStep EXTRACTION =
      step("points", StepKind.TOOL, Act.LANCET_EXTRACTION, null, Timing.NONE);
  private static final CareStep SERUM =
      step("serum", StepKind.PRODUCT, null, Role.SERUM, Timing.NONE);

  /// Lactic acid on the face, mandelic acid on the face, then lactic acid on the hands.
  private static Peel.Plan threeStages(CareStep... afterFirst) {
    TreatmentPlan hands =
        Peel.of("LAC-30").zones(Zone.inOrder(Region.HANDS)).staged(place(3, 3, null)).plan();
    TreatmentPlan second = Peel.of("MAN-20").staged(place(2, 3, hands)).plan();
    return Peel.of("LAC-30").contact(300).staged(place(1, 3, second, afterFirst));
  }

  private static Peel ended(Peel peel, double seconds) {
    peel.say(seconds, new EndingStarted(Optional.of(Row.LIMIT)));
    peel.state()
        .endingSteps(peel.now())
        .forEach(step -> peel.say(seconds + 1, new EndingStepDone(step)));
    return peel;
  }

  @Nested
  class GateB {
    @Test
    void theNextStageOnTheSameSkinHasClocksOfItsOwn() {
      Peel peel = ended(threeStages().onSkin().feels(60, 2), 300);
      peel.feels(360, 1);
      assertThat(peel.advice(361).line()).isEqualTo("Not yet: Stage 2 of 3: MAN-20 on the face");
      assertThat(peel.advice(361).action()).isEqualTo(Action.REDNESS);
      peel.red(365, 1, Zone.FOREHEAD);
      assertThat(peel.advice(366).action()).isEqualTo(Action.NEXT_STAGE);
      peel.say(370, new StageOpened());

      TreatmentState state = peel.state();
      assertThat(state.phase()).as("the skin is ready, the timer armed").isEqualTo(Phase.ARMED);
      assertThat(state.layers()).isEmpty();
      assertThat(state.limitAt()).isEmpty();
      assertThat(peel.now().formula().code()).isEqualTo("MAN-20");
      assertThat(state.zones().get(Zone.FOREHEAD).baseline()).contains(1);
      peel.layer(400);
      assertThat(peel.state().limitAt())
          .contains(at(400).plus(Library.get("MAN-20").mostContact().orElseThrow()));
      assertThat(peel.stages()).hasSize(2);
      assertThat(peel.stages().getFirst().state().contact(at(9999)))
          .isEqualTo(Duration.ofSeconds(300));
    }

    @ParameterizedTest
    @CsvSource({"3, 1, ''", "4, 1, 4 is above 3", "3, 2, 'the forehead is red, 2'"})
    void asksForThreeAtMostAndPinkAtMost(int feels, int red, String why) {
      Peel peel = ended(threeStages().onSkin().feels(60, 2), 300);
      peel.red(355, red, Zone.FOREHEAD).feels(360, feels);
      assertThat(peel.refuses(361, new StageOpened()).orElse("")).isEqualTo(why);
    }

    @Test
    void asksAfterTheAcidIsOffAndNobodyAsleep() {
      Peel peel = threeStages().onSkin().feels(60, 1);
      assertThat(peel.refuses(61, new StageOpened())).contains("the acid is not off yet");
      ended(peel, 300).red(305, 0, Zone.FOREHEAD);
      assertThat(peel.refuses(306, new StageOpened())).contains("ask how it feels first");
      peel.say(310, new ResponseNoted(Response.NUMBED)).feels(320, 0);
      assertThat(peel.refuses(321, new StageOpened())).contains("wake the client, and ask");
    }

    @Test
    void anIncidentAfterTheEndShutsEveryFurtherAcid() {
      Peel peel = ended(threeStages().onSkin().feels(60, 2), 300);
      peel.red(340, 3, Zone.CHIN).feels(360, 1).red(500, 1, Zone.CHIN);
      assertThat(peel.refuses(501, new StageOpened()).orElseThrow()).contains("incident");
    }

    @Test
    void anotherRegionIsReadiedAnewAndAsksTheNumberOnly() {
      Peel peel = onTheHands();
      assertThat(peel.state().phase()).isEqualTo(Phase.READY);
      assertThat(peel.state().ready().stepsDone())
          .containsKeys(ReadyStep.CONSENT, ReadyStep.BRIEFING)
          .doesNotContainKeys(ReadyStep.CLEANSE, ReadyStep.GATE_A, ReadyStep.BASELINE);
      assertThat(peel.refuses(801, new LayerStarted(Zone.inOrder(Region.HANDS), false)))
          .contains("no timer, no acid: arm it first");
      assertThat(peel.state().zones().keySet()).containsOnly(zones(Region.HANDS));
    }

    private Peel onTheHands() {
      Peel peel = ended(threeStages().onSkin().feels(60, 2), 300);
      peel.feels(360, 1).red(365, 1, Zone.FOREHEAD).say(370, new StageOpened());
      ended(peel.layer(400).covered(420).feels(450, 2), 600);
      // Red stays on the face: the hands have their own skin.
      peel.red(650, 2, Zone.FOREHEAD).feels(700, 3);
      return peel.say(800, new StageOpened());
    }

    private static Zone[] zones(Region region) {
      return Zone.inOrder(region).toArray(Zone[]::new);
    }

    @Test
    void aFirstVisitStopsHereUnlessTheStageIsChosen() {
      TreatmentPlan second = Peel.of("MAN-20").firstVisit().staged(place(2, 2, null)).plan();
      Peel peel =
          ended(
              Peel.of("LAC-30").firstVisit().staged(place(1, 2, second)).onSkin().feels(60, 2),
              250);
      peel.red(280, 0, Zone.FOREHEAD).feels(300, 1);
      assertThat(peel.advice(301).action()).isEqualTo(Action.LEAVING_CHECK);
      assertThat(peel.advice(301).other()).isEqualTo(Action.NEXT_STAGE);
      assertThat(peel.refuses(301, new StageOpened())).isEmpty();
    }

    @Test
    void aLaterStageThatIsStoppedBeforeItsAcidLeadsToTheLeavingCheck() {
      Peel peel = onTheHands().say(810, new TreatmentEvent.StepDone(ReadyStep.PREP, ""));
      peel.feels(820, 5);
      peel.say(830, new TreatmentEvent.GateADecided(TreatmentEvent.GateA.STOP, "enough for today"));
      assertThat(peel.state().phase()).isEqualTo(Phase.AT_REST);
      assertThat(peel.advice(831).other()).isNotEqualTo(Action.NEXT_STAGE);
      assertThat(peel.refuses(832, new LeavingChecked(true, List.of())).orElseThrow())
          .contains("the face is not at rest");
      peel.say(835, new TreatmentEvent.RegionAnswered(Region.FACE, 1));
      assertThat(peel.refuses(832, new LayerStarted(Zone.inOrder(Region.HANDS), false)))
          .isPresent();
      peel.say(840, new LeavingChecked(true, List.of()));
      assertThat(peel.refuses(850, new TreatmentEvent.Signed("s", "n"))).isEmpty();
      assertThat(Outcome.summary(peel.stages(), at(860)))
          .contains("Stage 3, LAC-30, was not begun.");
    }

    @Test
    void aMistakenOpeningIsTakenBackToTheStageBefore() {
      Peel peel = ended(threeStages().onSkin().feels(60, 2), 300);
      peel.feels(360, 1).red(365, 1, Zone.FOREHEAD);
      TreatmentState before = peel.state();
      peel.say(370, new StageOpened());
      TreatmentEvent opened = peel.events().getLast();
      peel.say(374, new TakenBack(opened.id()));
      assertThat(peel.now().formula().code()).isEqualTo("LAC-30");
      assertThat(peel.state().phase()).isEqualTo(before.phase());
      assertThat(peel.state().ending()).isEqualTo(before.ending());
    }

    @Test
    void aLateAnswerIsReadInTheStageInWhichItWasGiven() {
      Peel peel = ended(threeStages().onSkin().feels(60, 2), 300);
      peel.feels(360, 1).red(365, 1, Zone.FOREHEAD).say(370, new StageOpened()).layer(400);
      List<TreatmentEvent> log = new java.util.ArrayList<>(peel.events());
      int place = log.indexOf(log.stream().filter(e -> e.at().equals(at(60))).findFirst().get());
      log.add(
          place + 1,
          new TreatmentEvent(
              java.util.UUID.randomUUID(), at(90), "rolf", new SensationAnswered(7)));
      List<Stage> stages = Replay.stages(log);
      assertThat(stages.getFirst().state().worstSensation()).contains(7);
      assertThat(stages.getLast().state().worstSensation()).isEmpty();
    }

    @Test
    void aZoneThatWasEndedTakesNoMoreAcidInThisVisit() {
      Peel peel = threeStages().onSkin().feels(60, 2);
      peel.say(70, new ZoneEnded(Zone.NOSE));
      ended(peel, 300).red(330, 1, Zone.NOSE).feels(360, 1).say(370, new StageOpened());
      assertThat(peel.advice(371).zones()).contains(Zone.FOREHEAD).doesNotContain(Zone.NOSE);
      assertThat(peel.refuses(372, new LayerStarted(List.of(Zone.NOSE), false))).isPresent();
    }
  }

  @Nested
  class OnCalmSkin {
    private Peel atRest(CareStep... after) {
      return ended(Peel.of("LAC-30").staged(place(1, 1, null, after)).onSkin().feels(60, 2), 300)
          .feels(360, 1);
    }

    @Test
    void gateCWantsRestALookAndTheBarrierOff() {
      Peel early =
          ended(Peel.of("LAC-30").staged(place(1, 1, null, MASK)).onSkin().feels(60, 2), 300);
      assertThat(early.refuses(320, new CareStarted("mask"))).contains("the skin is not at rest");
      Peel peel = atRest(MASK);
      assertThat(peel.refuses(361, new CareStarted("mask"))).contains("look at the redness first");
      assertThat(peel.advice(361).action()).isEqualTo(Action.REDNESS);
      peel.say(370, new RednessSeen(all(1)));
      assertThat(peel.refuses(371, new CareStarted("mask"))).contains("wipe the barrier off first");
      assertThat(peel.advice(371).action()).isEqualTo(Action.BARRIER);
      peel.say(375, new BarrierWipedOff());
      assertThat(peel.refuses(376, new CareStarted("mask"))).isEmpty();
      peel.red(380, 2, Zone.CHIN);
      assertThat(peel.refuses(381, new CareStarted("mask"))).contains("the chin is red, 2");
    }

    @Test
    void aMaskHasItsTimeAndComesOffBeforeTheClientLeaves() {
      Peel peel = atRest(MASK, SERUM);
      peel.say(370, new RednessSeen(all(0))).say(375, new BarrierWipedOff());
      assertThat(peel.refuses(376, new CareDone("mask"))).contains("start its time");
      peel.say(400, new CareStarted("mask"));
      assertThat(peel.advice(401).line()).isEqualTo("Leave it on: mask");
      assertThat(peel.advice(401).until()).contains(at(1000));
      assertThat(Cues.of(peel.plan, peel.state()))
          .anySatisfy(cue -> {
            assertThat(cue.at()).isEqualTo(at(1000));
            assertThat(cue.advice().line()).isEqualTo("Time is over: mask");
          });
      assertThat(peel.refuses(500, new LeavingChecked(true, List.of())))
          .contains("the mask is still on");
      peel.say(1003, new CareDone("mask"));
      assertThat(peel.advice(1004).line()).isEqualTo("At rest. Next: serum");
      peel.say(1010, new CareDone("serum"));
      assertThat(peel.advice(1011).action()).isEqualTo(Action.LEAVING_CHECK);
      assertThat(Outcome.summary(peel.stages(), at(1020))).contains("on calm skin mask and serum");
    }

    @Test
    void whatBurnsUnderAMaskComesOffFirst() {
      Peel peel = atRest(MASK);
      peel.say(370, new RednessSeen(all(0))).say(375, new BarrierWipedOff());
      peel.say(400, new CareStarted("mask")).feels(430, 5);
      assertThat(peel.advice(431).line()).isEqualTo("Take it off, then cool: mask");
      assertThat(peel.advice(431).action()).isEqualTo(Action.CARE_OFF);
      peel.say(440, new CareDone("mask"));
      assertThat(peel.advice(441).line()).isEqualTo("Cool, then ask again");
    }

    @Test
    void anAlarmTakesOffWhatIsOn() {
      Peel peel = atRest(MASK);
      peel.say(370, new RednessSeen(all(0))).say(375, new BarrierWipedOff());
      peel.say(400, new CareStarted("mask")).say(430, new SignSeen(Sign.FAINT));
      assertThat(peel.advice(431).steps()).contains(AlarmStep.CARE_OFF.words());
      peel.say(440, new CareDone("mask"));
      assertThat(peel.advice(441).steps()).doesNotContain(AlarmStep.CARE_OFF.words());
    }

    private Extracted extracted(Zone zone, int points) {
      return new Extracted(
          "points", Collections.nCopies(points, new ExtractedPoint(zone, 500, 500)), 1);
    }

    @Test
    void pointsAreTakenOnlyWhereItIsPinkAtMost() {
      Peel peel = atRest(EXTRACTION);
      Map<Zone, Integer> points = new java.util.EnumMap<>(all(0));
      points.put(Zone.CHIN, 2);
      peel.say(370, new RednessSeen(points)).say(375, new BarrierWipedOff());
      assertThat(peel.refuses(380, extracted(Zone.CHIN, 1))).contains("the chin is red, 2");
      peel.say(381, extracted(Zone.NOSE, 3));
      peel.say(390, extracted(Zone.NOSE, 1));
      assertThat(peel.state().care().extracted())
          .hasSize(4)
          .allMatch(point -> point.zone() == Zone.NOSE);
      assertThat(peel.state().care().lancets()).isEqualTo(2);
      assertThat(Outcome.summary(peel.stages(), at(400)))
          .contains("extracted on nose 4, 2 lancets");
    }

    @Test
    void currentNeverMeetsAlcohol() {
      CareStep toner =
          new CareStep(
              "toner",
              StepKind.PRODUCT,
              Optional.empty(),
              Optional.of(Role.TONER),
              Optional.of("toner"),
              Optional.empty(),
              Peel.FACE,
              Timing.NONE,
              Optional.empty(),
              false,
              true,
              "",
              "",
              List.of());
      CareStep dry = step("dry", StepKind.PREP, Act.DRY, null, Timing.NONE);
      CareStep current = step("hf", StepKind.TOOL, Act.HIGH_FREQUENCY, null, Timing.NONE);
      Peel peel = atRest(toner, dry, current);
      peel.say(370, new RednessSeen(all(0))).say(375, new BarrierWipedOff());
      peel.say(380, new CareDone("toner"));
      assertThat(peel.refuses(381, new CareDone("hf")).orElseThrow()).contains("spark");
      peel.say(390, new CareDone("dry"));
      assertThat(peel.refuses(391, new CareDone("hf"))).isEmpty();
    }

    /// 200 g of powder to 160 g of water at 20 C: 100 g take 80 g; arithmetic, domain/12.
    @Test
    void aMaskFromPowderTellsItsWater() {
      CareStep mask =
          new CareStep(
              "mask",
              StepKind.MASK,
              Optional.empty(),
              Optional.of(Role.MASK),
              Optional.of("setting mask"),
              Optional.of(new CareStep.Units(UnitDose.BY_G, 100)),
              Peel.FACE,
              Timing.seconds(900),
              Optional.of(
                  new MaskMix(
                      Mass.g(200), Mass.g(160), 20, Duration.ofMinutes(6), Duration.ofMinutes(15))),
              true,
              false,
              "it warms as it sets",
              "",
              List.of());
      assertThat(mask.how())
          .isEqualTo("100 g, 100 g powder to 80 g water at 20 °C, sets in 6:00, 15:00");
    }

    @Test
    void nothingActiveGoesOnAFirstVisit() {
      Peel first =
          ended(
                  Peel.of("LAC-30")
                      .firstVisit()
                      .staged(place(1, 1, null, SERUM))
                      .onSkin()
                      .feels(60, 2),
                  250)
              .feels(360, 1);
      assertThat(first.advice(361).action())
          .as("the barrier comes off before a product goes on")
          .isEqualTo(Action.BARRIER);
      first.say(362, new BarrierWipedOff());
      assertThat(first.advice(363).reason())
          .isEqualTo("A barrier product instead of an active serum: first visit.");
    }
  }

  @Nested
  class TheLedger {
    /// 0.6 mL of glycolic acid 20 % w/v is 1.578 mmol; a wipe holds 2.296: one layer is covered,
    /// two (3.156) are not; domain/12, arithmetic.
    @ParameterizedTest
    @CsvSource({"1, 1, true", "2, 2, true", "2, 1, false", "3, 2, false", "4, 3, false"})
    void saysWhichLayerOutrunsTheBase(int layers, int wipes, boolean covered) {
      Peel peel =
          Peel.of("GLY-20")
              .layers(4, 4)
              .contact(240)
              .staged(
                  new Staging(
                      1,
                      1,
                      Optional.of(wipes(wipes)),
                      Optional.empty(),
                      List.of(),
                      Optional.empty()))
              .armed();
      for (int layer = 1; layer < layers; layer++) {
        double start = (layer - 1) * 30;
        peel.layer(start).covered(start + 10).say(start + 11, new LayerMeasured(0.6));
      }
      OnSkin skin = OnSkin.of(peel.stages());
      assertThat(skin.acid().mmol())
          .isCloseTo(1.578 * (layers - 1), org.assertj.core.data.Percentage.withPercentage(0.1));
      double next = skin.acid().mmol() + 1.578;
      assertThat(next <= skin.base().mmol()).isEqualTo(wipes * 2.296 >= layers * 1.578);
      if (covered) assertThat(skin.base().mmol()).isGreaterThanOrEqualTo(next);
    }

    private Peel outrun() {
      Peel peel =
          Peel.of("GLY-20")
              .layers(2, 3)
              .contact(240)
              .staged(
                  new Staging(
                      1,
                      1,
                      // One layer of 2.8 mL is 7.364 mmol: four wipes hold 9.184.
                      Optional.of(wipes(4)),
                      Optional.empty(),
                      List.of(),
                      Optional.empty()))
              .armed();
      return peel.layer(0).covered(20).feels(60, 2);
    }

    @Test
    void theLayerThatWouldOutrunItWaitsForMoreBase() {
      Peel peel = outrun();
      assertThat(peel.advice(90).line()).isEqualTo("Lay out more base first");
      assertThat(peel.advice(90).action()).isEqualTo(Action.BASE);
      assertThat(peel.advice(90).reason())
          .isEqualTo("With this layer 14.73 mmol of acid stand against 9.18 mmol of base.");
      assertThat(peel.refuses(90, new LayerStarted(Peel.FACE, false))).isPresent();
      peel.say(91, new BaseLaidOut(6.9));
      assertThat(peel.advice(92).kind()).isEqualTo(Advice.Kind.SAME_AGAIN);
      assertThat(peel.refuses(92, new LayerStarted(Peel.FACE, false))).isEmpty();
    }

    @Test
    void orForAReasonWhichHoldsForOneLayer() {
      Peel peel = outrun().say(91, new BaseOutrunPassed("more wipes in the drawer"));
      assertThat(peel.advice(92).kind()).isEqualTo(Advice.Kind.SAME_AGAIN);
      peel.layer(93).covered(110).say(111, new LayersExtended()).feels(120, 2);
      assertThat(Advisor.outruns(peel.plan, peel.state(), false)).isTrue();
    }

    @Test
    void aMeasuredLayerCountsAsMeasured() {
      Peel peel = outrun();
      assertThat(OnSkin.of(peel.stages()).measured()).isFalse();
      peel.say(61, new LayerMeasured(1.4));
      OnSkin skin = OnSkin.of(peel.stages());
      assertThat(skin.measured()).isTrue();
      assertThat(skin.acid().mmol())
          .isCloseTo(3.682, org.assertj.core.data.Percentage.withPercentage(0.1));
      // 1.4 mL of 20 % w/v are 280 mg on 560 cm2.
      assertThat(skin.dose()).isCloseTo(0.5, org.assertj.core.data.Offset.offset(1e-9));
    }
  }

  @Nested
  class AnEndedZone {
    @Test
    void hasItsOwnEndingAndItsOwnRestWhileTheOthersGoOn() {
      Peel peel = Peel.of("LAC-30").onSkin().feels(60, 2);
      peel.say(70, new HotSpotFelt(Zone.NOSE, 7)).say(75, new ZoneEnded(Zone.NOSE));
      assertThat(peel.state().phase()).isEqualTo(Phase.ACID);
      peel.say(90, new ZoneTakenOff(Zone.NOSE)).say(120, new ZoneAnswered(Zone.NOSE, 3));
      assertThat(peel.state().endedZones().zones().get(Zone.NOSE).restAt()).isEmpty();
      peel.say(180, new ZoneAnswered(Zone.NOSE, 1)).say(240, new ZoneAnswered(Zone.NOSE, 0));
      assertThat(peel.state().endedZones().zones().get(Zone.NOSE).timeToRest())
          .contains(Duration.ofSeconds(105));
      assertThat(peel.state().worstSensation()).as("its number is its own").contains(2);
      assertThat(Outcome.summary(peel.stages(), at(250)))
          .contains("ended sooner: nose at rest after 1:45");
      assertThat(peel.refuses(250, new ZoneTakenOff(Zone.CHIN))).isPresent();
    }
  }

  @Nested
  class ASpotPass {
    @Test
    void goesOnPinkSkinWithinTheClockAndNowhereElse() {
      Peel peel = Peel.of("LAC-30").onSkin().feels(60, 2).red(61, 1, Zone.CHIN);
      peel.red(62, 1, Zone.NOSE).red(63, 2, Zone.NOSE);
      assertThat(peel.refuses(65, new SpotPassed(List.of(Zone.CHIN)))).isEmpty();
      assertThat(peel.refuses(65, new SpotPassed(List.of(Zone.NOSE)))).isPresent();
      peel.feels(70, 6);
      assertThat(peel.refuses(71, new SpotPassed(List.of(Zone.CHIN))))
          .as("at the hold line")
          .isPresent();
    }
  }

  @Nested
  class Spreading {
    @Test
    void beyondAMinuteIsSaidAtTheSecondAndStandsInTheRecord() {
      Peel peel = Peel.of("GLY-35").armed().layer(0).feels(40, 2);
      assertThat(peel.advice(59.9).reason()).startsWith("Spread within a minute");
      assertThat(peel.advice(60).reason()).startsWith("Spread for over 60 s");
      assertThat(Cues.of(peel.plan, peel.state())).anyMatch(cue -> cue.at().equals(at(60)));
      peel.covered(75).feels(80, 2);
      assertThat(Outcome.summary(peel.stages(), at(90))).contains("layer 1 spread over 1:15");
    }

    @Test
    void aMaskTakesLonger() {
      Peel peel = Peel.of("ENZ-P").armed().layer(0).feels(50, 1);
      assertThat(peel.plan.formula().spread()).isEqualTo(Duration.ofSeconds(180));
      assertThat(peel.advice(100).reason()).startsWith("Spread without haste");
    }
  }

  @Nested
  class TwoScreens {
    private static TreatmentEvent by(String who, double seconds, TreatmentEvent.Fact fact) {
      return new TreatmentEvent(java.util.UUID.randomUUID(), at(seconds), who, fact);
    }

    @Test
    void thatSaidDifferentNumbersOfOneMomentAreBothShown() {
      Peel peel = Peel.of("LAC-30").onSkin();
      List<TreatmentEvent> log = new java.util.ArrayList<>(peel.events());
      log.add(by("ines", 60, new SensationAnswered(4)));
      log.add(by("client's handset", 63, new SensationAnswered(6)));
      log.add(by("ines", 90, new SensationAnswered(3)));
      assertThat(Conflict.of(log, at(-120)))
          .containsExactly(
              new Conflict(
                  Conflict.Kind.BOTH_ANSWERED,
                  at(60),
                  new Conflict.Said("ines", at(60), 4),
                  new Conflict.Said("client's handset", at(63), 6)));
    }

    @Test
    void thatBothEndedItAreBothKeptAndTheFirstCounts() {
      Peel peel = Peel.of("LAC-30").onSkin().feels(60, 2);
      peel.say(100, new EndingStarted(Optional.empty()));
      assertThat(peel.refuses(104, new EndingStarted(Optional.empty()))).isEmpty();
      peel.say(104, new EndingStarted(Optional.empty()));
      assertThat(peel.state().endedAt()).contains(at(100));
      assertThat(Conflict.of(peel.events(), at(-120)))
          .extracting(Conflict::kind)
          .containsExactly(Conflict.Kind.BOTH_ENDED);
    }
  }

  /// An enzyme on both sides of a mask is one peel of the series, not two.
  @Test
  void oneFormulaOnOneRegionIsOnePeelAndAsItWasTakenWorst() {
    TreatmentPlan again = Peel.of("LAC-30").contact(300).staged(place(2, 2, null)).plan();
    Peel peel =
        ended(Peel.of("LAC-30").contact(300).staged(place(1, 2, again)).onSkin().feels(60, 2), 300);
    peel.feels(360, 1).red(365, 1, Zone.FOREHEAD).say(370, new StageOpened());
    peel.layer(400)
        .covered(420)
        .feels(430, 9)
        .say(435, new EndingStarted(Optional.of(Row.STOP_LINE)));
    java.time.LocalDate day = java.time.LocalDate.of(2026, 11, 25);
    assertThat(Outcome.peels(peel.stages(), List.of(day, day)))
        .singleElement()
        .satisfies(one -> {
          assertThat(one.outcome()).isEqualTo(PeelOutcome.TOO_STRONG);
          assertThat(one.layers()).isEqualTo(1);
          assertThat(one.worstSensation()).contains(9);
          assertThat(one.contact()).isEqualTo(Duration.ofSeconds(300));
        });
  }

  @Test
  void whatWasPlannedAndNotDoneIsSaid() {
    Peel peel = ended(threeStages().onSkin().feels(60, 2), 300).feels(360, 1);
    peel.say(370, new LeavingChecked(true, List.of()));
    assertThat(Outcome.summary(peel.stages(), at(400)))
        .contains("Stage 2, MAN-20 on the face, was planned and not done.")
        .contains("Stage 3, LAC-30 on the hands, was planned and not done.");
    assertThat(Outcome.of(peel.now(), peel.state())).isEqualTo(PeelOutcome.WELL_TAKEN);
  }
}
