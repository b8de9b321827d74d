package ivesk.core.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.moment.SensationLines;
import ivesk.core.treatment.record.OwnCurve;
import ivesk.core.treatment.state.Stage;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/// A client's own curve: worked by hand.
class OwnCurveTest {
  private static Stage felt(String code, int first, int second, int endsAt, int restAt) {
    Peel peel = Peel.of(code).onSkin().feels(50, first).feels(110, second);
    peel.say(endsAt, new EndingStarted(Optional.of(Row.LIMIT)));
    peel.state()
        .endingSteps(peel.now())
        .forEach(step -> peel.say(endsAt + 1, new EndingStepDone(step)));
    return peel.feels(restAt, 1).stages().getFirst();
  }

  @Test
  void isTheMedianAndTheRangeOfThreePeelsByMinute() {
    List<Stage> past =
        List.of(
            felt("LAC-30", 2, 4, 150, 210),
            felt("LAC-30", 3, 3, 170, 260),
            felt("LAC-30", 1, 5, 200, 380));
    OwnCurve curve = OwnCurve.of(Peel.of("LAC-30").plan(), past).orElseThrow();
    assertThat(curve.peels()).isEqualTo(3);
    assertThat(curve.points())
        .containsExactly(
            new OwnCurve.Felt(0, 0, 0, 0),
            new OwnCurve.Felt(1, 2, 1, 3),
            new OwnCurve.Felt(2, 4, 3, 5));
    assertThat(curve.rest())
        .contains(
            new OwnCurve.Rest(
                Duration.ofSeconds(90), Duration.ofSeconds(60), Duration.ofSeconds(180)));
  }

  @Test
  void isScaledByTheDoseAndStaysWithinTheScale() {
    List<Stage> past =
        List.of(
            felt("LAC-10", 2, 4, 150, 210),
            felt("LAC-10", 2, 4, 150, 210),
            felt("LAC-10", 2, 4, 150, 210));
    OwnCurve curve = OwnCurve.of(Peel.of("LAC-30").plan(), past).orElseThrow();
    assertThat(curve.points().get(1).median())
        .isCloseTo(6, org.assertj.core.data.Offset.offset(1e-9));
    assertThat(curve.points().get(2).median()).isEqualTo(10);
  }

  @Test
  void needsThreeOfTheFamilyOnTheRegion() {
    List<Stage> past =
        List.of(
            felt("LAC-30", 2, 4, 150, 210),
            felt("LAC-30", 3, 3, 170, 260),
            felt("MAN-20", 1, 5, 200, 380));
    assertThat(OwnCurve.of(Peel.of("LAC-30").plan(), past)).isEmpty();
  }

  /// Whoever felt little before is held at the same lines as anybody.
  @Test
  void raisesNoLine() {
    Peel peel = Peel.of("LAC-30").onSkin().feels(60, 5);
    assertThat(SensationLines.at(peel.plan, peel.state(), Peel.at(60)).hold())
        .isLessThanOrEqualTo(Math.max(peel.plan.hold(), peel.plan.formula().band().high()));
  }
}
