package ivesk.core.treatment;

import static ivesk.core.skin.Zone.CHEEK_LEFT;
import static ivesk.core.skin.Zone.CHEEK_RIGHT;
import static ivesk.core.skin.Zone.CHIN;
import static ivesk.core.skin.Zone.FOREHEAD;
import static ivesk.core.skin.Zone.NOSE;
import static ivesk.core.treatment.Peel.FACE;
import static ivesk.core.treatment.Peel.at;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.advice.DecisionTable.Value;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.state.Endpoints;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/// The edges of the decision table, and its words: each test here notices a change of a condition
/// that the tests of the rows let pass (`./ivesk mutate treatment` makes such changes). Common
/// practice, no source.
class DecisionTableEdgesTest {
  private static final EndingStarted END = new EndingStarted(Optional.empty());

  @Nested
  class Row2Eye {
    private final Peel peel = Peel.of("MAN-20").onSkin().say(40, new SignSeen(Sign.EYE));

    @Test
    void isRinsedForFifteenMinutes() {
      assertThat(peel.advice(41).until()).contains(at(940));
      assertThat(peel.advice(939.9).until()).contains(at(940));
      assertThat(peel.advice(940).reason()).startsWith("Rinsed for 15 minutes");
      assertThat(peel.advice(940).until()).isEmpty();
      assertThat(Cues.of(peel.plan, peel.state())).anyMatch(cue -> cue.at().equals(at(940)));
    }
  }

  @Nested
  class Row3Injury {

    /// Acid that is still on after an alarm that was closed comes off all the same.
    @Test
    void anAlarmThatWasClosedStillEndsAcidThatIsOn() {
      Peel peel =
          Peel.of("MAN-20")
              .onSkin()
              .say(40, new SignSeen(Sign.BLISTER))
              .say(60, new SignResolved(Sign.BLISTER, "no blister, a crumb"));
      assertThat(peel.rowAt(61)).isEqualTo(3);
      assertThat(peel.advice(61).kind()).isEqualTo(Kind.END);
      assertThat(peel.advice(61).reason())
          .isEqualTo("There was an alarm: no more acid in this visit.");
      peel.say(70, END);
      assertThat(peel.rowAt(71)).as("the acid is off").isZero();
    }

    /// White under salicylic acid may be crystals: 15 s without a wipe test and it counts as frost,
    /// also where it rises after END.
    @Test
    void untestedWhiteCountsAsFrostAfterFifteenSecondsAlsoAfterTheEnd() {
      Peel peel = Peel.of("SAL-20").onSkin().say(60, END).white(70, Whitening.F3, CHIN);
      assertThat(peel.rowAt(84.9)).isZero();
      assertThat(peel.rowAt(85)).isEqualTo(3);
      assertThat(peel.advice(85).line()).startsWith("Incident");
      assertThat(peel.advice(85).reason()).isEqualTo("Frost beyond any endpoint, chin.");
      Peel tested = Peel.of("SAL-20").onSkin().say(60, END).white(70, Whitening.F3, CHIN);
      tested.say(80, new WipeTested(List.of(CHIN), true));
      assertThat(tested.rowAt(90)).as("crystals").isZero();
    }

    @Test
    void whatIsLeftToDoForThePeelFollowsItsPhase() {
      Peel peel = Peel.of("MAN-20").onSkin().say(40, new SignSeen(Sign.BLISTER));
      assertThat(peel.advice(41).action()).isEqualTo(Action.END);
      peel.say(50, END);
      assertThat(peel.advice(51).action()).isEqualTo(Action.ENDING_STEP);
      double second = 60;
      for (var step : peel.state().endingSteps(peel.plan)) {
        peel.say(second++, new EndingStepDone(step));
      }
      assertThat(peel.advice(second).action()).as("asked to rest").isEqualTo(Action.ASK);
    }
  }

  @Nested
  class Row8Redness {

    @Test
    void saysWhichOfTheTwoItIs() {
      Peel jumped =
          Peel.of("GLY-20").onSkin().red(30, 0, FACE.toArray(Zone[]::new)).red(50, 2, CHIN);
      assertThat(jumped.advice(51).reason())
          .isEqualTo("Redness rose two grades between looks: chin.");
      assertThat(jumped.advice(51).zones()).containsExactly(CHIN);
      Peel deep = Peel.of("TCA-10").onSkin().red(30, 3, FACE.toArray(Zone[]::new));
      assertThat(deep.advice(31).reason()).isEqualTo("Deep or patchy redness on most zones.");
    }

    /// Most is more than half of the zones that still have acid.
    @Test
    void halfOfTheZonesIsNotMost() {
      List<Zone> four = List.of(FOREHEAD, NOSE, CHEEK_LEFT, CHEEK_RIGHT);
      Peel half = Peel.of("TCA-10").zones(four).armed().say(0, new LayerStarted(four, false));
      half.covered(25).red(30, 3, FOREHEAD, NOSE);
      assertThat(half.rowAt(31)).isEqualTo(10);
      half.red(40, 3, CHEEK_LEFT);
      assertThat(half.rowAt(41)).isEqualTo(8);
    }
  }

  @Nested
  class Row10EndThatZone {

    @Test
    void saysWhy() {
      assertThat(Peel.of("TCA-10").onSkin().red(30, 3, CHIN).advice(31).reason())
          .isEqualTo("Deep or patchy redness there. The rest goes on.");
      assertThat(Peel.of("TCA-10").onSkin().say(30, new HotSpotFelt(CHIN, 7)).advice(31).reason())
          .isEqualTo("A hot spot of 7. The rest goes on.");
      assertThat(Peel.of("GLY-35").onSkin().white(30, Whitening.F1, CHIN).advice(31).reason())
          .startsWith("It is at its end: ");
    }
  }

  @Nested
  class Row11LookNow {

    @Test
    void saysSinceWhen() {
      Peel unasked = Peel.of("MAN-20").onSkin();
      assertThat(unasked.advice(200).reason()).isEqualTo("No answer since the acid.");
      assertThat(unasked.feels(210, 2).advice(400).reason())
          .isEqualTo("No answer since the last, 2.");
    }
  }

  @Nested
  class Row13Wait {

    /// The later of the dwell and nothing, but never past the limit.
    @Test
    void neverPastTheLimit() {
      Peel peel = Peel.of("TCA-10").layers(2, 2).onSkin().feels(60, 2);
      assertThat(peel.advice(61).until()).as("the dwell").contains(at(205));
      Peel short_ = Peel.of("TCA-10").layers(2, 2).contact(150).onSkin().feels(60, 2);
      assertThat(short_.rowAt(61)).isEqualTo(13);
      assertThat(short_.advice(61).until()).as("the limit").contains(at(150));
      assertThat(short_.rowAt(150)).isEqualTo(5);
    }

    @Test
    void theFirstLayerIsCoveredBeforeAnythingElseIsSaid() {
      Peel peel = Peel.of("TCA-10").armed().layer(0);
      assertThat(peel.advice(5).reason())
          .isEqualTo("Spread within a minute, thin and even; no pressing, no second strokes.");
      assertThat(peel.say(6, new ZoneReached(FOREHEAD)).advice(7).zones())
          .doesNotContain(FOREHEAD)
          .hasSize(FACE.size() - 1);
    }
  }

  @Nested
  class Row14Finish {

    @Test
    void countsTheLayersInWords() {
      assertThat(Peel.of("GLY-35").onSkin().feels(30, 2).advice(31).reason())
          .isEqualTo("1 planned layer is done. Then end it.");
      Peel two = Peel.of("JES-RF").layers(2, 2).onSkin().feels(206, 2);
      two.layer(210).covered(230).feels(420, 2);
      assertThat(two.advice(421).reason()).startsWith("2 planned layers are done.");
    }

    @Test
    void theLimitIsTold() {
      assertThat(Peel.of("GLY-35").contact(120).onSkin().feels(30, 2).advice(31).line())
          .isEqualTo("Leave it to 2:00");
      assertThat(Peel.of("GLY-35").contact(120).onSkin().advice(120).reason())
          .isEqualTo("The limit of 2:00 is reached.");
    }

    /// White zones take no layer: with none left the peel is over before its planned layers.
    @Test
    void noZoneIsLeft() {
      Peel peel = Peel.of("JES-RF").layers(3, 3).onSkin().feels(206, 2);
      peel.white(207, Whitening.F1, FACE.toArray(Zone[]::new))
          .say(208, new WipeTested(FACE, false));
      assertThat(peel.rowAt(209)).isEqualTo(14);
      assertThat(peel.advice(209).reason()).startsWith("No zone is left for another layer.");
    }

    /// At the endpoint what is not white may be touched up, while a layer is left to take.
    @Test
    void aTouchUpNeedsALayerThatIsLeft() {
      Zone[] half = {FOREHEAD, CHEEK_RIGHT, CHEEK_LEFT};
      Peel left =
          Peel.of("TCA-10").layers(2, 2).onSkin().feels(206, 3).white(207, Whitening.F1, half);
      assertThat(left.advice(208).other()).isEqualTo(Action.TOUCH_UP);
      assertThat(left.advice(208).zones()).contains(CHIN).doesNotContain(FOREHEAD);
      Peel none =
          Peel.of("TCA-10").layers(1, 1).onSkin().feels(206, 3).white(207, Whitening.F1, half);
      assertThat(none.advice(208).other()).isEqualTo(Action.NONE);
      assertThat(none.advice(208).zones()).isEmpty();
    }

    /// At the endpoint a last layer does not stay longer.
    @Test
    void theEndpointEndsALastLayerThatWouldStay() {
      Zone[] half = {FOREHEAD, CHEEK_RIGHT, CHEEK_LEFT};
      Peel peel = new Peel.Plan(Peel.lastStays("TCA-10", 600)).onSkin().feels(206, 3);
      assertThat(peel.advice(207).line()).isEqualTo("Leave the last layer on");
      peel.white(208, Whitening.F1, half);
      assertThat(peel.advice(209).line()).isEqualTo("Finish: end it");
    }
  }

  @Nested
  class Row15NextRung {

    /// Up to three layers in all.
    @Test
    void notAfterTheThirdLayer() {
      Peel peel =
          Peel.of("GLY-20").layers(5, 5).stepping("GLY-35").contact(300).onSkin().feels(60, 1);
      peel.layer(65).covered(75).feels(100, 1);
      assertThat(peel.rowAt(101)).as("two are on").isEqualTo(15);
      peel.layer(105).covered(115).feels(140, 1);
      assertThat(peel.rowAt(141)).as("three are on").isEqualTo(17);
    }

    @Test
    void isGoneWhereItsOwnLimitIsTooNear() {
      Peel peel =
          Peel.of("GLY-20").layers(3, 3).stepping("GLY-35").contact(300).onSkin().feels(60, 1);
      var gone =
          Cues.of(peel.plan, peel.state()).stream()
              .filter(cue -> cue.advice().row().filter(Row.NEXT_RUNG::equals).isEmpty())
              .map(cue -> cue.at())
              .toList();
      assertThat(gone).isNotEmpty();
      for (double second = 61; second < 300; second++) {
        double now = second;
        if (peel.rowAt(now) == 15) continue;
        assertThat(gone).as("named ahead at " + now).anyMatch(cue -> !cue.isAfter(at(now)));
      }
    }
  }

  @Nested
  class Row16And17 {

    @Test
    void aFirstVisitEndsAtAFour() {
      assertThat(
              Peel.of("GLY-20").layers(2, 2).firstVisit().onSkin().feels(60, 4).advice(61).reason())
          .startsWith("4 on a first visit.");
    }

    @Test
    void countTheLayerThatComesAndSayWhereStoppingIsFine() {
      Peel one = Peel.of("TCA-10").layers(3, 3).onSkin().feels(205, 1);
      assertThat(one.advice(206).reason()).isEqualTo("Layer 2 of 3. Stopping is equally fine.");
      assertThat(one.advice(206).other()).isEqualTo(Action.END);
      Peel two = Peel.of("TCA-10").layers(3, 3).onSkin().feels(205, 2);
      assertThat(two.advice(206).reason()).isEqualTo("Layer 2 of 3.");
      assertThat(two.advice(206).other()).isEqualTo(Action.NONE);
    }

    @Test
    void sayWhatBecomesOfCrystals() {
      Peel peel = Peel.of("SAL-20").layers(2, 2).onSkin().feels(60, 3).feels(140, 2);
      assertThat(peel.advice(146).reason()).isEqualTo("Layer 2 of 2.");
      peel.white(147, Whitening.F1, CHIN).say(148, new WipeTested(List.of(CHIN), true));
      assertThat(peel.advice(149).reason())
          .isEqualTo("Layer 2 of 2. Coat over the crystals is fine.");
    }
  }

  @Nested
  class WhyThisAdvice {

    private static List<Value> values(Peel peel, double second) {
      return Advisor.why(peel.advice(second), peel.plan, peel.state(), at(second))
          .orElseThrow()
          .values();
    }

    @Test
    void tellsEveryValueThatTheRowsLookAt() {
      Peel peel =
          Peel.of("GLY-35").contact(180).layers(2, 3).onSkin().red(30, 1, CHIN).feels(40, 3);
      assertThat(values(peel, 60))
          .containsExactly(
              new Value("sensation", "3"),
              new Value("told", "0:20 min ago"),
              new Value("hold line", String.valueOf(5)),
              new Value("stop line", String.valueOf(8)),
              new Value("contact", "1:00 min"),
              new Value("limit", "3:00 min"),
              new Value("layers", "1 of 2"),
              new Value("layer settled", "yes"),
              new Value("redness at most", "1"),
              new Value("white", "none"));
    }

    @Test
    void tellsWhatIsOwedAndWhoLiesThere() {
      Peel peel =
          Peel.of("SAL-20")
              .firstVisit()
              .onSkin()
              .say(30, new ResponseNoted(Response.NUMBED))
              .white(40, Whitening.F1, CHIN);
      assertThat(values(peel, 50))
          .contains(
              new Value("white", "chin"),
              new Value("wipe test", "owed"),
              new Value("care", "first visit"))
          .anyMatch(value -> value.what().equals("client"))
          .noneMatch(value -> value.what().equals("sensation"));
    }
  }

  @Nested
  class Lines {

    /// Treated, active or not: an ended zone counts for half the area.
    @Test
    void halfOfTheAreaIsHalf() {
      assertThat(Endpoints.halfOrMore(List.of(CHEEK_LEFT), List.of(CHEEK_LEFT, CHEEK_RIGHT)))
          .as("exactly half")
          .isTrue();
      assertThat(Endpoints.halfOrMore(List.of(NOSE), List.of(NOSE, CHEEK_RIGHT))).isFalse();
      assertThat(Endpoints.halfOrMore(List.of(), List.of())).as("no area").isFalse();
    }

    /// White under a timed formula is injury where it holds an AHA or pyruvic acid.
    @Test
    void whiteIsInjuryForTimedAhas() {
      assertThat(Endpoints.whiteIsInjury(Peel.of("GLY-35").plan())).isTrue();
      assertThat(Endpoints.whiteIsInjury(Peel.of("TCA-10").plan())).isFalse();
      assertThat(Endpoints.whiteIsInjury(Peel.of("SAL-20").plan())).isFalse();
      assertThat(Endpoints.whiteIsInjury(Peel.of("JES-RF").plan()))
          .as("lactic acid is in it, and it is put on in coats")
          .isFalse();
    }

    /// The same number twice is no fall: what comes after it does not rise again.
    @Test
    void anEqualAnswerIsNoFall() {
      Peel peel = Peel.of("SAL-20").onSkin().feels(30, 3).feels(60, 3).feels(90, 6);
      Peel fell = Peel.of("SAL-20").onSkin().feels(30, 4).feels(60, 3).feels(90, 6);
      assertThat(peel.rowAt(91)).isNotEqualTo(12);
      assertThat(fell.rowAt(91)).isEqualTo(12);
    }
  }
}
