package ivesk.core.plan.script;

import ivesk.core.Require;
import ivesk.core.product.Timing;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// One line of a visit.
///
/// @param id stays with the line through every change, 1 to 20 letters
/// @param amount in the product's units, mL of one layer for a peel; 0.01 to 1,000
/// @param layers n; 1 for what is no peel
/// @param layersAtMost m, never passed
/// @param zones in their order; all of the region when empty
/// @param earlier zones from which a peel comes off before the others, each by its time from the
///   first touch
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
    Map<Zone, Duration> earlier,
    Timing timing,
    Optional<Duration> spread,
    String strokes,
    String applicator,
    String said,
    String doneSign,
    Optional<StepGate> gate,
    Who who) {

  private static final int MOST_SECONDS = (int) Timing.LONGEST.toSeconds();

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
    earlier = Map.copyOf(earlier);
    if (!earlier.isEmpty() && kind != StepKind.ACID) {
      throw new IllegalArgumentException("only a peel comes off some zones earlier than others");
    }
    for (Map.Entry<Zone, Duration> one : earlier.entrySet()) {
      String zone = one.getKey().label();
      if (!zones.isEmpty() && !zones.contains(one.getKey())) {
        throw new IllegalArgumentException(
            zone + " is to come off earlier and is not among the zones");
      }
      Require.range(
          "time of the " + zone + ", s", (int) one.getValue().toSeconds(), 30, MOST_SECONDS);
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
        Map.of(),
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
    Draft draft = draft();
    draft.kind = other instanceof What.Do(var act) ? act.kind() : kind;
    draft.what = other;
    draft.amount = Optional.empty();
    if (draft.kind != StepKind.ACID) draft.earlier = Map.of();
    return draft.step();
  }

  public Step with(Timing other) {
    Draft draft = draft();
    draft.timing = other;
    return draft.step();
  }

  public Step with(StepGate other) {
    Draft draft = draft();
    draft.gate = Optional.of(other);
    return draft.step();
  }

  /// What came off earlier still does where it is still among them.
  public Step on(List<Zone> others) {
    Draft draft = draft();
    draft.zones = others;
    draft.earlier = new HashMap<>(earlier);
    draft.earlier.keySet().removeIf(zone -> !others.isEmpty() && !others.contains(zone));
    return draft.step();
  }

  public Step off(Map<Zone, Duration> sooner) {
    Draft draft = draft();
    draft.earlier = sooner;
    return draft.step();
  }

  public Step amount(double units) {
    Draft draft = draft();
    draft.amount = Optional.of(units);
    return draft.step();
  }

  public Step layers(int n, int m) {
    Draft draft = draft();
    draft.layers = n;
    draft.layersAtMost = m;
    return draft.step();
  }

  public Step spreadOver(Optional<Duration> time) {
    Draft draft = draft();
    draft.spread = time;
    return draft.step();
  }

  public Step saying(String words) {
    Draft draft = draft();
    draft.said = words;
    return draft.step();
  }

  private Draft draft() {
    Draft draft = new Draft();
    draft.kind = kind;
    draft.what = what;
    draft.amount = amount;
    draft.layers = layers;
    draft.layersAtMost = layersAtMost;
    draft.zones = zones;
    draft.earlier = earlier;
    draft.timing = timing;
    draft.spread = spread;
    draft.said = said;
    draft.gate = gate;
    return draft;
  }

  /// What a change may touch, until it is a step again.
  private final class Draft {
    StepKind kind;
    What what;
    Optional<Double> amount;
    int layers;
    int layersAtMost;
    List<Zone> zones;
    Map<Zone, Duration> earlier;
    Timing timing;
    Optional<Duration> spread;
    String said;
    Optional<StepGate> gate;

    Step step() {
      return new Step(
          id,
          kind,
          what,
          amount,
          layers,
          layersAtMost,
          zones,
          earlier,
          timing,
          spread,
          strokes,
          applicator,
          said,
          doneSign,
          gate,
          who);
    }
  }
}
