package ivesk.server.plan;

import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.product.Timing;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// A step over the wire and in the file of a protocol: what it is about is one of peel, product and
/// act.
///
/// @param amount in the product's units, mL of one layer for a peel
/// @param zones all of the region when empty
/// @param earlierSeconds zones that come off before the others; files from before it have none
record StepFacts(
    String id,
    StepKind kind,
    Optional<String> peel,
    Optional<String> product,
    Optional<Act> act,
    Optional<Double> amount,
    int layers,
    int layersAtMost,
    List<Zone> zones,
    Optional<Map<Zone, Integer>> earlierSeconds,
    Optional<Integer> leastSeconds,
    Optional<Integer> plannedSeconds,
    Optional<Integer> mostSeconds,
    Optional<Integer> spreadSeconds,
    String strokes,
    String applicator,
    String said,
    String doneSign,
    Optional<StepGate> gate,
    Step.Who who) {

  static StepFacts of(Step step) {
    return new StepFacts(
        step.id(),
        step.kind(),
        step.what() instanceof What.Peel(var code) ? Optional.of(code) : Optional.empty(),
        step.what() instanceof What.Use(var code) ? Optional.of(code) : Optional.empty(),
        step.what() instanceof What.Do(var act) ? Optional.of(act) : Optional.empty(),
        step.amount(),
        step.layers(),
        step.layersAtMost(),
        step.zones(),
        step.earlier().isEmpty()
            ? Optional.empty()
            : Optional.of(
                step.earlier().entrySet().stream()
                    .collect(
                        Collectors.toMap(
                            Map.Entry::getKey, entry -> (int) entry.getValue().toSeconds()))),
        seconds(step.timing().least()),
        seconds(step.timing().planned()),
        seconds(step.timing().most()),
        seconds(step.spread()),
        step.strokes(),
        step.applicator(),
        step.said(),
        step.doneSign(),
        step.gate(),
        step.who());
  }

  /// @throws IllegalArgumentException naming field, value and what is allowed
  Step step() {
    long named = Stream.of(peel, product, act).filter(Optional::isPresent).count();
    if (named != 1) {
      throw new IllegalArgumentException(
          "step '" + id + "' names " + named + " of peel, product and act; it is about one");
    }
    What what =
        peel.<What>map(What.Peel::new)
            .or(() -> product.map(What.Use::new))
            .orElseGet(() -> new What.Do(act.orElseThrow()));
    return new Step(
        id,
        kind,
        what,
        amount,
        layers,
        layersAtMost,
        zones,
        earlierSeconds.orElse(Map.of()).entrySet().stream()
            .collect(
                Collectors.toMap(Map.Entry::getKey, entry -> Duration.ofSeconds(entry.getValue()))),
        new Timing(time(leastSeconds), time(plannedSeconds), time(mostSeconds)),
        time(spreadSeconds),
        strokes,
        applicator,
        said,
        doneSign,
        gate,
        who);
  }

  /// @throws IllegalArgumentException naming the line, counted from 1
  static List<Step> steps(List<StepFacts> facts) {
    List<Step> steps = new ArrayList<>();
    for (StepFacts fact : facts) {
      try {
        steps.add(fact.step());
      } catch (IllegalArgumentException e) {
        throw new IllegalArgumentException("line " + (steps.size() + 1) + ": " + e.getMessage(), e);
      }
    }
    return steps;
  }

  private static Optional<Integer> seconds(Optional<Duration> time) {
    return time.map(duration -> (int) duration.toSeconds());
  }

  private static Optional<Duration> time(Optional<Integer> seconds) {
    return seconds.map(Duration::ofSeconds);
  }
}
