package ivesk.core.treatment;

import static ivesk.core.skin.Zone.CHIN;
import static ivesk.core.skin.Zone.EYE_LEFT;
import static ivesk.core.skin.Zone.FOREHEAD;
import static ivesk.core.treatment.Peel.FACE;
import static ivesk.core.treatment.Peel.all;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.formula.DepthClass;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Act;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Briefing;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.advice.Refusal;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.NoteWritten;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.PrepAnswer;
import ivesk.core.treatment.state.Shortened;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// From the open treatment to the signed record.
class SessionTest {

  /// A plan with nothing done.
  private static Peel opened(String code) {
    Peel armed = Peel.of(code).armed();
    return fresh(armed);
  }

  private static Peel fresh(Peel like) {
    Peel peel = new Peel.Plan(like.plan.formula()).armed();
    assertThat(peel.state().phase()).isEqualTo(Phase.ARMED);
    return peel;
  }

  private static Peel ended(String code, Optional<Row> row) {
    return ended(Peel.of(code), row);
  }

  /// At its limit of two minutes, where it has one.
  private static Peel ended(Peel.Plan plan, Optional<Row> row) {
    if (plan.plan().contactLimit().isPresent()) plan.contact(120);
    Peel peel = plan.onSkin().feels(60, 3).say(120, new EndingStarted(row));
    double at = 130;
    for (EndingStep step : peel.state().endingSteps(peel.plan)) {
      peel.say(at, new EndingStepDone(step));
      at += 20;
    }
    return peel;
  }

  @Nested
  class Ready {

    private TreatmentState after(TreatmentEvent.Fact... facts) {
      Peel peel = Peel.of("GLY-35").armed();
      List<TreatmentEvent> events = new java.util.ArrayList<>();
      events.add(peel.events().getFirst());
      for (TreatmentEvent.Fact fact : facts) {
        events.add(
            new TreatmentEvent(
                new java.util.UUID(1, events.size()), Peel.at(-90 + events.size()), "ines", fact));
      }
      return Replay.state(events);
    }

    private Optional<String> refuses(TreatmentState state, TreatmentEvent.Fact fact) {
      return Refusal.of(Peel.of("GLY-35").plan(), state, fact, Peel.at(-10));
    }

    @Test
    void noTimerNoAcid() {
      TreatmentState state = after();
      assertThat(refuses(state, new LayerStarted(FACE, false)))
          .contains("no timer, no acid: arm it first");
      assertThat(refuses(state, new TimerArmed()))
          .contains("no timer, no acid: what changed is open");
    }

    @Test
    void theGateWantsAnAnswerToThePrep() {
      assertThat(refuses(after(), new GateADecided(GateA.KEEP, ""))).isPresent();
      assertThat(
              refuses(
                  after(new SensationAnswered(1), new StepDone(ReadyStep.PREP, "")),
                  new GateADecided(GateA.KEEP, "")))
          .as("an answer before the prep is none")
          .isPresent();
      TreatmentState asked = after(new StepDone(ReadyStep.PREP, ""), new SensationAnswered(2));
      assertThat(refuses(asked, new GateADecided(GateA.KEEP, ""))).isEmpty();
      assertThat(asked.prepAnswer()).contains(2);
    }

    @ParameterizedTest
    @CsvSource({"0, false, true", "3, false, true", "4, false, false", "1, true, false"})
    void fourOrAHotSpotDoesNotPass(int answer, boolean hot, boolean passes) {
      assertThat(PrepAnswer.passes(answer, hot)).isEqualTo(passes);
    }

    @Test
    void shortenTakesAQuarterOffTheTime() {
      TreatmentState state =
          after(
              new StepDone(ReadyStep.PREP, ""),
              new SensationAnswered(4),
              new GateADecided(GateA.SHORTEN, ""));
      assertThat(state.ready().contactLimit()).contains(Duration.ofSeconds(180));
      assertThat(Shortened.contact(Peel.of("GLY-35").contact(95).plan()))
          .contains(Duration.ofSeconds(70));
    }

    @Test
    void shortenTakesALayerWhereThereAreNoMinutes() {
      assertThat(Shortened.layers(Peel.of("JES-RF").layers(2, 2).plan())).isEqualTo(1);
      assertThat(Shortened.layers(Peel.of("JES-RF").plan())).isEqualTo(1);
    }

    @Test
    void stopEndsItBeforeAnyAcid() {
      TreatmentState state =
          after(
              new StepDone(ReadyStep.PREP, ""),
              new SensationAnswered(6),
              new GateADecided(GateA.STOP, ""));
      assertThat(state.phase()).isEqualTo(Phase.STOPPED);
      assertThat(refuses(state, new NoteWritten("x")))
          .contains("the treatment was stopped before any acid");
      assertThat(Outcome.summary(Peel.of("GLY-35").plan(), state, Peel.at(0)))
          .contains("before any acid");
    }

    @Test
    void anotherAnswerReopensTheGate() {
      TreatmentState kept =
          after(
              new StepDone(ReadyStep.PREP, ""),
              new SensationAnswered(1),
              new GateADecided(GateA.KEEP, ""));
      assertThat(kept.ready().stepsDone()).containsKey(ReadyStep.GATE_A);
      TreatmentState again =
          after(
              new StepDone(ReadyStep.PREP, ""),
              new SensationAnswered(1),
              new GateADecided(GateA.KEEP, ""),
              new SensationAnswered(7));
      assertThat(again.ready().stepsDone()).doesNotContainKey(ReadyStep.GATE_A);
      assertThat(again.ready().gateA()).isEmpty();
      TreatmentState hot =
          after(
              new StepDone(ReadyStep.PREP, ""),
              new SensationAnswered(1),
              new GateADecided(GateA.KEEP, ""),
              new HotSpotFelt(CHIN, 5));
      assertThat(hot.ready().stepsDone()).doesNotContainKey(ReadyStep.GATE_A);
    }

    @Test
    void armedIsNoPointOfNoReturn() {
      Peel armed = Peel.of("GLY-35").armed();
      assertThat(armed.refuses(-5, new GateADecided(GateA.KEEP, ""))).isPresent();
      assertThat(armed.refuses(-5, new GateADecided(GateA.STOP, ""))).isEmpty();
      armed.say(-4, new SignSeen(Sign.ASKS_TO_STOP));
      assertThat(armed.advice(-3).line()).isEqualTo("Do not start");
      assertThat(armed.refuses(-3, new LayerStarted(FACE, false))).isPresent();
      Peel red = Peel.of("GLY-35").armed().say(-4, new RednessSeen(all(3)));
      assertThat(red.advice(-3).line()).isEqualTo("Do not start");
      assertThat(red.advice(-3).reason()).contains("No zone is fit");
    }

    @Test
    void withoutSolventTheWipeIsPlain() {
      assertThat(ReadyStep.PREP.how(Peel.of("GLY-35").plan())).contains("crossing");
      assertThat(ReadyStep.BARRIER.how()).contains("nostril");
    }

    @Test
    void theBaselineIsTheFirstLook() {
      TreatmentState state = after(new RednessSeen(all(1)));
      assertThat(state.ready().stepsDone()).containsKey(ReadyStep.BASELINE);
      assertThat(state.zones().get(CHIN).redness()).isEqualTo(1);
    }
  }

  @Nested
  class Order {

    @Test
    void nothingGoesOnAfterTheEnd() {
      Peel peel = ended("GLY-35", Optional.of(Row.LIMIT));
      assertThat(peel.refuses(200, new LayerStarted(FACE, false))).contains("the peel is ended");
      assertThat(peel.refuses(200, new ZoneEnded(CHIN))).contains("no acid is on");
      assertThat(peel.refuses(200, new EndingStarted(Optional.empty())))
          .as("another screen had ended it too: kept, and the first counts")
          .isEmpty();
    }

    @Test
    void whatWasSeenIsAlwaysTaken() {
      Peel peel = ended("GLY-35", Optional.of(Row.LIMIT));
      assertThat(peel.refuses(200, new SensationAnswered(3))).isEmpty();
      assertThat(peel.refuses(200, new SignSeen(Sign.BLISTER))).isEmpty();
      assertThat(peel.refuses(200, new NoteWritten("pinpoint white at the chin"))).isEmpty();
    }

    @Test
    void zonesOutsideThePlanAreNamed() {
      Peel peel = Peel.of("GLY-35").onSkin();
      assertThat(peel.refuses(40, new HotSpotFelt(EYE_LEFT, 4)))
          .contains("the left eye contour is not in the plan");
      assertThat(peel.refuses(40, new RednessSeen(Map.of(EYE_LEFT, 1)))).isPresent();
      assertThat(peel.refuses(40, new LayerStarted(List.of(EYE_LEFT), false))).isPresent();
    }

    @Test
    void crystalsNeedSalicylicAcid() {
      assertThat(
              Peel.of("GLY-35")
                  .onSkin()
                  .refuses(40, new WhiteningSeen(List.of(CHIN), Whitening.CRYSTALS)))
          .hasValueSatisfying(why -> assertThat(why).contains("no crystals"));
      assertThat(Peel.of("SAL-10").onSkin().refuses(40, new WipeTested(List.of(CHIN), true)))
          .contains("no wipe test is owed on the chin");
    }

    @Test
    void readyIsOverOnceTheTimerIsArmed() {
      Peel peel = opened("GLY-35");
      assertThat(peel.refuses(0, new StepDone(ReadyStep.EYES, ""))).isPresent();
      assertThat(peel.refuses(0, new TimerArmed())).contains("the timer is armed already");
      assertThat(peel.refuses(0, new Opened(peel.plan))).isPresent();
    }

    @Test
    void impossibleFactsCannotBeMade() {
      assertThatThrownBy(() -> new SensationAnswered(11))
          .hasMessage("sensation is 11; allowed is 0 to 10");
      assertThatThrownBy(() -> new RednessSeen(Map.of(CHIN, 4))).hasMessageContaining("chin");
      assertThatThrownBy(() -> new WhiteningSeen(List.of(), Whitening.F1))
          .hasMessageContaining("no zone");
      assertThatThrownBy(() -> new NoteWritten(" ")).hasMessageContaining("note is empty");
    }
  }

  @Nested
  class Ending {

    @ParameterizedTest
    @ValueSource(strings = {"TCA-10", "SAL-10", "JES-RF", "SLA-15"})
    void neverNeutralisesWhatThatDoesNotUndo(String code) {
      for (Optional<Row> row :
          List.of(Optional.of(Row.LIMIT), Optional.of(Row.WHITENING), Optional.<Row>empty())) {
        Peel peel = Peel.of(code).onSkin().say(100, new EndingStarted(row));
        assertThat(peel.state().endingSteps(peel.plan))
            .noneMatch(
                step -> step.words().toLowerCase(java.util.Locale.ROOT).contains("neutralis"));
      }
    }

    @Test
    void endedEarlySaysThatItRunsItsCourse() {
      Peel early =
          Peel.of("SAL-10").onSkin().say(100, new EndingStarted(Optional.of(Row.STOP_LINE)));
      assertThat(early.state().ending().early()).isTrue();
      assertThat(early.state().endingSteps(early.plan))
          .anyMatch(step -> step.words().contains("runs its course"));
      Peel inTime = Peel.of("SAL-10").onSkin().say(300, new EndingStarted(Optional.of(Row.LIMIT)));
      assertThat(inTime.state().ending().early()).isFalse();
    }

    @Test
    void leadsStepByStepToAskingForRest() {
      Peel peel = Peel.of("MAN-20").onSkin().say(120, new EndingStarted(Optional.of(Row.LIMIT)));
      List<EndingStep> steps = peel.state().endingSteps(peel.plan);
      assertThat(peel.advice(121).line()).isEqualTo(steps.getFirst().words());
      peel.say(125, new EndingStepDone(steps.getFirst()));
      assertThat(peel.advice(126).line()).isEqualTo(steps.get(1).words());
      assertThat(peel.refuses(126, new EndingStepDone(EndingStep.COLD_COMPRESSES))).isPresent();
      assertThat(ended("MAN-20", Optional.of(Row.LIMIT)).state().phase()).isEqualTo(Phase.SETTLING);
    }

    @Test
    void theContactClockStopsAtTheEnd() {
      assertThat(ended("MAN-20", Optional.of(Row.LIMIT)).state().contact(Peel.at(900)))
          .isEqualTo(Duration.ofSeconds(120));
    }
  }

  @Nested
  class Settling {

    @Test
    void restIsOneOrLessAndMayBeLostAgain() {
      Peel peel = ended("MAN-20", Optional.of(Row.LIMIT)).feels(300, 2);
      assertThat(peel.advice(301).kind()).isEqualTo(Kind.SETTLE);
      assertThat(peel.advice(301).until()).contains(Peel.at(360));
      peel.feels(360, 1);
      assertThat(peel.state().phase()).isEqualTo(Phase.AT_REST);
      assertThat(peel.state().timeToRest()).contains(Duration.ofSeconds(240));
      peel.feels(400, 3);
      assertThat(peel.state().phase()).isEqualTo(Phase.SETTLING);
      peel.feels(460, 0);
      assertThat(peel.state().timeToRest()).contains(Duration.ofSeconds(340));
    }

    @Test
    void afterFifteenMinutesTheClinicianIsCalled() {
      Peel peel = ended("MAN-20", Optional.of(Row.LIMIT)).feels(1000, 3);
      assertThat(peel.advice(1019).line()).doesNotContain("clinician");
      assertThat(peel.advice(1020).line()).contains("clinician");
      assertThat(Cues.of(peel.plan, peel.state())).anyMatch(cue -> cue.at().equals(Peel.at(1020)));
    }

    @Test
    void evenWhiteAfterAnAhaIsAnIncidentButPlannedFrostIsNot() {
      Peel aha = ended("GLY-35", Optional.of(Row.LIMIT)).white(250, Whitening.F2, CHIN);
      assertThat(aha.advice(251).line()).startsWith("Incident");
      Peel tca = ended("TCA-10", Optional.of(Row.DONE)).white(250, Whitening.F2, CHIN);
      assertThat(tca.advice(251).line()).doesNotStartWith("Incident");
    }

    @Test
    void leavingAndSigningHaveTheirOrder() {
      Peel peel = ended("MAN-20", Optional.of(Row.LIMIT));
      assertThat(peel.refuses(250, new LeavingChecked(true, List.of())))
          .contains("the skin is not at rest");
      peel.feels(300, 1).say(310, new CareDone("BLAND_CREAM"));
      assertThat(peel.refuses(311, new Signed("s", "n"))).contains("the leaving check is not done");
      peel.say(320, new LeavingChecked(false, List.of()));
      assertThat(peel.state().phase()).as("it burns: not yet").isEqualTo(Phase.AT_REST);
      peel.say(330, new LeavingChecked(true, List.of(CHIN)));
      assertThat(peel.advice(331).action()).isEqualTo(Action.NONE);
      peel.say(340, new Signed("done", "same again"));
      assertThat(peel.refuses(341, new NoteWritten("late")))
          .contains("the record is signed; it is corrected by addendum only");
    }
  }

  /// Gate B: 0 to 3, redness at most 1, no frost. Common practice, no source.
  @Nested
  class RetinolAfterTheAcid {

    private static Peel resting(boolean shortContact) {
      return ended(Peel.of("MAN-20").retinol(shortContact), Optional.of(Row.LIMIT)).feels(260, 1);
    }

    @Test
    void goesOnAtRestAndOnce() {
      Peel early = ended(Peel.of("MAN-20").retinol(false), Optional.of(Row.LIMIT));
      assertThat(early.refuses(241, new AddOnPutOn())).contains("the skin is not at rest");
      Peel peel = resting(false);
      assertThat(peel.advice(261).action()).isEqualTo(Action.ADD_ON);
      assertThat(peel.advice(261).reason()).isEqualTo("Stays 6 h, then washed off");
      peel.say(270, new AddOnPutOn());
      assertThat(peel.refuses(271, new AddOnPutOn())).contains("the add-on was put on already");
      assertThat(peel.advice(271).action()).isEqualTo(Action.LEAVING_CHECK);
      assertThat(peel.refuses(280, new LeavingChecked(true, List.of()))).isEmpty();
      assertThat(Outcome.summary(peel.plan, peel.state(), Peel.at(280)))
          .endsWith("; then Retinol lotion 1 %, to be washed off.");
    }

    @Test
    void needsAPlanAndCalmUnfrostedSkin() {
      Peel plain = ended("MAN-20", Optional.of(Row.LIMIT)).feels(260, 1);
      assertThat(plain.refuses(261, new AddOnPutOn())).contains("no add-on is planned");
      assertThat(resting(false).red(262, 2, CHIN).refuses(263, new AddOnPutOn()))
          .contains("the chin is red, 2");
      assertThat(resting(false).white(262, Whitening.F1, CHIN).refuses(263, new AddOnPutOn()))
          .contains("frost on the chin");
      Peel hurt =
          resting(false)
              .say(262, new SignSeen(Sign.EYE))
              .say(263, new SignResolved(Sign.EYE, "rinsed"));
      assertThat(hurt.refuses(264, new AddOnPutOn()).orElseThrow()).contains("clinician decides");
      assertThat(hurt.advice(264).action()).isEqualTo(Action.LEAVING_CHECK);
      Peel left = resting(false).say(262, new LeavingChecked(true, List.of()));
      assertThat(left.refuses(263, new AddOnPutOn())).contains("the leaving check is done");
    }

    @Test
    void shortContactComesOffBeforeTheClientLeaves() {
      Peel peel = resting(true).say(270, new AddOnPutOn());
      assertThat(peel.advice(271).line()).isEqualTo("Leave the RET-1 on");
      assertThat(peel.advice(271).until()).contains(Peel.at(570));
      assertThat(Cues.of(peel.plan, peel.state())).extracting(Cue::at).contains(Peel.at(570));
      assertThat(peel.advice(570).line()).isEqualTo("Wipe the RET-1 off");
      assertThat(peel.advice(570).until()).contains(Peel.at(870));
      assertThat(peel.refuses(571, new LeavingChecked(true, List.of())))
          .contains("the add-on is wiped off before the client leaves");
      peel.say(600, new AddOnWipedOff());
      assertThat(peel.refuses(601, new LeavingChecked(true, List.of()))).isEmpty();
      assertThat(Outcome.summary(peel.plan, peel.state(), Peel.at(601)))
          .endsWith("; then Retinol lotion 1 % for 5:30.");
    }

    @Test
    void burningTakesItOff() {
      Peel peel = resting(false).say(270, new AddOnPutOn()).feels(300, 5);
      assertThat(peel.advice(301).line()).isEqualTo("Wipe the RET-1 off, then cool");
      assertThat(peel.advice(301).action()).isEqualTo(Action.WIPE_ADD_ON);
      peel.say(310, new AddOnWipedOff());
      assertThat(peel.advice(311).line()).isEqualTo("Cool, then ask again");
      assertThat(peel.refuses(312, new AddOnWipedOff())).contains("no add-on is on");
    }
  }

  @Nested
  class TheOutcome {

    @Test
    void wellTakenWhenItsTimeWasReachedCalmly() {
      Peel peel = ended("MAN-20", Optional.of(Row.LIMIT));
      assertThat(Outcome.of(peel.now(), peel.state()) == PeelOutcome.WELL_TAKEN).isTrue();
      Peel stopped = ended("MAN-20", Optional.of(Row.STOP_LINE));
      assertThat(Outcome.of(stopped.now(), stopped.state())).isNotEqualTo(PeelOutcome.WELL_TAKEN);
      Peel byHand = Peel.of("MAN-20").contact(120).onSkin().feels(60, 3);
      byHand.say(119, new EndingStarted(Optional.empty()));
      assertThat(Outcome.of(byHand.now(), byHand.state()))
          .as("calm, a second too early")
          .isEqualTo(PeelOutcome.CUT_SHORT);
    }

    @Test
    void anAlarmThatIsOverStillCounts() {
      Peel peel =
          ended("MAN-20", Optional.of(Row.LIMIT))
              .say(250, new SignSeen(Sign.EYE))
              .say(1200, new SignResolved(Sign.EYE, "rinsed"));
      assertThat(peel.state().injured()).isTrue();
      assertThat(Outcome.of(peel.now(), peel.state()) == PeelOutcome.WELL_TAKEN).isFalse();
    }

    @Test
    void depthFollowsTheLayersThatWereDone() {
      Peel one = Peel.of("TCA-10").layers(1, 2).onSkin();
      assertThat(Outcome.depth(one.plan, one.state())).isEqualTo(DepthClass.VERY_SUPERFICIAL);
      Peel two = one.feels(206, 3).layer(210);
      assertThat(Outcome.depth(two.plan, two.state())).isEqualTo(DepthClass.SUPERFICIAL);
    }

    @Test
    void theParagraphSaysWhatHappened() {
      Peel peel =
          Peel.of("SAL-10")
              .onSkin()
              .feels(40, 4)
              .white(60, Whitening.CRYSTALS, FOREHEAD)
              .say(66, new WipeTested(List.of(FOREHEAD), true))
              .say(80, new HotSpotFelt(CHIN, 5))
              .say(300, new EndingStarted(Optional.of(Row.LIMIT)));
      assertThat(Outcome.summary(peel.plan, peel.state(), Peel.at(301)))
          .isEqualTo(
              "Salicylic acid 10 % on the face, 1 layer, 5:00 to END; strongest answer 4; hot: chin"
                  + " 5; crystals, wiped off on forehead; ended at its limit.");
      assertThat(Outcome.peel(peel.plan, peel.state(), LocalDate.of(2026, 11, 25)).contact())
          .isEqualTo(Duration.ofMinutes(5));
    }
  }

  /// Ready says what the steps say: no "prep wipe" where there is none, no latex where none may be.
  @Test
  void readyIsSaidByTheSteps() {
    Preparation ready =
        new Preparation(
            1,
            Preparation.Degrease.ACID_PREP,
            Optional.of(Duration.ofSeconds(60)),
            Optional.of(Act.EYE_SHIELDS),
            Preparation.Water.TEPID,
            1,
            Set.of(
                Care.Kind.GLOVES_WITHOUT_LATEX,
                Care.Kind.GUARDIAN_PRESENT,
                Care.Kind.LENSES_OUT,
                Care.Kind.VENTILATE,
                Care.Kind.TALK_FIRST),
            List.of(),
            Set.of());
    TreatmentPlan plan = Peel.of("GLY-20").plan().readied(ready);
    assertThat(ReadyStep.CLEANSE.label(plan)).isEqualTo("cleanse");
    assertThat(ReadyStep.CLEANSE.how(plan)).startsWith("Tepid water");
    assertThat(ReadyStep.PREP.label(plan)).isEqualTo("acid prep");
    assertThat(ReadyStep.PREP.how(plan)).startsWith("An acid step");
    assertThat(ReadyStep.EYES.how(plan)).startsWith("Eye shields");
    assertThat(ReadyStep.HAIR_LENSES_GLOVES.how(plan)).contains("one pair without latex");
    assertThat(ReadyStep.HAIR_LENSES_GLOVES.how(plan)).startsWith("Contact lenses out first.");
    assertThat(ReadyStep.CONSENT.how(plan)).contains("guardian signed too");
    assertThat(ReadyStep.of(plan)).contains(ReadyStep.GUARDIAN);
    assertThat(ReadyStep.FAN_TISSUE.how(plan)).contains("Ventilate");
    assertThat(ReadyStep.BRIEFING.how(plan)).startsWith("What a peel can and cannot do");
    TreatmentPlan usual = plan.readied(Preparation.USUAL);
    assertThat(ReadyStep.CLEANSE.label(usual)).isEqualTo("cleanse, twice");
    assertThat(ReadyStep.PREP.label(usual)).isEqualTo("prep wipe");
    assertThat(ReadyStep.HAIR_LENSES_GLOVES.how(usual)).contains("two pairs.");
    assertThat(ReadyStep.CONSENT.how(usual)).isEqualTo("See the signature.");
    assertThat(ReadyStep.of(usual)).doesNotContain(ReadyStep.GUARDIAN, ReadyStep.CLINICIAN);
  }

  /// Each line from this very plan: how it feels, how long the eyes are shut, what ends it.
  @Test
  void theBriefingIsOfThePlan() {
    assertThat(Briefing.of(Peel.of("GLY-20").plan()))
        .contains(
            "Raise your hand, and I stop at once.",
            "A neutraliser ends it: it stings for a moment, then it is over.")
        .anyMatch(line -> line.startsWith("You will feel a tingle"))
        .anyMatch(line -> line.startsWith("Your eyes stay shut for about"));
    assertThat(Briefing.of(Peel.of("TCA-10").plan()))
        .anyMatch(line -> line.contains("whitens by itself"))
        .noneMatch(line -> line.contains("neutraliser"));
    Preparation bare =
        new Preparation(
            1,
            Preparation.Degrease.NONE,
            Optional.empty(),
            Optional.empty(),
            Preparation.Water.COOL,
            2,
            Set.of(Care.Kind.TALK_FIRST),
            List.of(),
            Set.of());
    assertThat(Briefing.of(Peel.of("GLY-20").plan().readied(bare)))
        .noneMatch(line -> line.contains("eyes"))
        .first()
        .isEqualTo("First, what a peel can do for you and what it cannot.");
  }
}
