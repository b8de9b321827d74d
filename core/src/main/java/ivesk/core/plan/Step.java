package ivesk.core.plan;

import ivesk.core.Require;
import ivesk.core.product.Timing;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;

/// One line of a visit.
///
/// @param id stays with the line through every change, 1 to 20 letters
/// @param amount in the product's units, mL of one layer for a peel; 0.01 to 1,000
/// @param layers n; 1 for what is no peel
/// @param layersAtMost m, never passed
/// @param zones in their order; all of the region when empty
/// @param spread of one layer, from 1 s; empty where nothing else is said: within a minute
/// @param strokes order and direction; may be empty
/// @param said to the client before it; may be empty
/// @param who may do it
public record Step(
    String id,
    StepKind kind,
    What what,
    Optional<Double> amount,
    int layers,
    int layersAtMost,
    List<Zone> zones,
    Timing timing,
    Optional<Duration> spread,
    String strokes,
    String applicator,
    String said,
    String doneSign,
    Optional<StepGate> gate,
    Who who) {

  public enum Who {
    THERAPIST("therapist"),
    CLINICIAN("supervising clinician");

    private final String label;

    Who(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public Step {
    Require.text("id of the step", id, 20);
    amount.ifPresent(value -> Require.range("amount", value, 0.01, 1000));
    Require.range("layers at most", layersAtMost, 1, 9);
    Require.range("layers", layers, 1, layersAtMost);
    zones = List.copyOf(zones);
    if (new HashSet<>(zones).size() != zones.size()) {
      throw new IllegalArgumentException("the step names a zone twice: " + zones);
    }
    spread.ifPresent(time -> Require.range("spread, s", (int) time.toSeconds(), 1, 600));
    Require.atMost("strokes", strokes, 120);
    Require.atMost("applicator", applicator, 60);
    Require.atMost("what is said", said, 300);
    Require.atMost("sign that it is done", doneSign, 120);
    if (what instanceof What.Peel != (kind == StepKind.ACID)) {
      throw new IllegalArgumentException(
          "the step is " + kind.label() + "; a peel is an acid step, and nothing else is");
    }
  }

  /// A step with nothing said but what and where.
  public static Step of(String id, StepKind kind, What what) {
    return new Step(
        id,
        kind,
        what,
        Optional.empty(),
        1,
        1,
        List.of(),
        Timing.NONE,
        Optional.empty(),
        "",
        "",
        "",
        "",
        Optional.empty(),
        Who.THERAPIST);
  }

  public static Step of(String id, Act act) {
    return of(id, act.kind(), new What.Do(act));
  }

  public Step with(What other) {
    return new Step(
        id,
        other instanceof What.Do(var act) ? act.kind() : kind,
        other,
        Optional.empty(),
        layers,
        layersAtMost,
        zones,
        timing,
        spread,
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  public Step with(Timing other) {
    return new Step(
        id,
        kind,
        what,
        amount,
        layers,
        layersAtMost,
        zones,
        other,
        spread,
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  public Step with(StepGate other) {
    return new Step(
        id,
        kind,
        what,
        amount,
        layers,
        layersAtMost,
        zones,
        timing,
        spread,
        strokes,
        applicator,
        said,
        doneSign,
        Optional.of(other),
        who);
  }

  public Step on(List<Zone> others) {
    return new Step(
        id,
        kind,
        what,
        amount,
        layers,
        layersAtMost,
        others,
        timing,
        spread,
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  public Step amount(double units) {
    return new Step(
        id,
        kind,
        what,
        Optional.of(units),
        layers,
        layersAtMost,
        zones,
        timing,
        spread,
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  public Step layers(int n, int m) {
    return new Step(
        id,
        kind,
        what,
        amount,
        n,
        m,
        zones,
        timing,
        spread,
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  public Step spreadOver(Optional<Duration> time) {
    return new Step(
        id,
        kind,
        what,
        amount,
        layers,
        layersAtMost,
        zones,
        timing,
        time,
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  public Step saying(String words) {
    return new Step(
        id,
        kind,
        what,
        amount,
        layers,
        layersAtMost,
        zones,
        timing,
        spread,
        strokes,
        applicator,
        words,
        doneSign,
        gate,
        who);
  }
}
