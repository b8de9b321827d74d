package ivesk.core.plan.script;

import ivesk.core.Require;
import ivesk.core.skin.Region;
import java.util.HashSet;
import java.util.List;

/// A written sheet of one region, owned by the practice.
///
/// @param steps 1 to 200, in their order
public record Protocol(String name, Region region, List<Step> steps) {
  public static final int MOST_STEPS = 200;

  public Protocol {
    Require.text("name", name, 80);
    steps = List.copyOf(steps);
    Require.range("number of steps", steps.size(), 1, MOST_STEPS);
    if (new HashSet<>(steps.stream().map(Step::id).toList()).size() != steps.size()) {
      throw new IllegalArgumentException("two steps have the same id; each has its own");
    }
    for (Step step : steps) {
      step.zones().stream()
          .filter(zone -> zone.region() != region && !zone.region().besides(region))
          .findFirst()
          .ifPresent(zone -> {
            throw new IllegalArgumentException(
                zone.label() + " is another region than " + region.label());
          });
    }
  }
}
