package ivesk.core.treatment.state;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Whitening;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// White that rises after END. Pinpoint white may come for some minutes; even white, or white that
/// spreads, is an incident, except the endpoint that a frosting formula was planned for. Common
/// practice.
public final class Risen {
  private Risen() {}

  /// Zones whose white is an incident. White that may be crystals waits for the swab.
  public static List<Zone> white(TreatmentPlan plan, Map<Zone, ZoneState> zones) {
    boolean frosting = Endpoints.planned(plan).isPresent();
    Optional<Instant> first =
        zones.values().stream().flatMap(Risen::frostSince).sorted().findFirst();
    return plan.zones().stream()
        .filter(zone -> {
          ZoneState seen = zones.get(zone);
          if (seen.wipeOwed() || !seen.whitening().frost()) return false;
          if (frosting) return seen.whitening().compareTo(beyond(plan)) > 0;
          boolean spread =
              seen.white().afterEnd()
                  && first.filter(seen.white().since().orElseThrow()::isAfter).isPresent();
          return spread || seen.whitening().atLeast(Whitening.F2);
        })
        .toList();
  }

  /// Zones where pinpoint white showed after END and has not spread.
  public static List<Zone> pinpoint(TreatmentPlan plan, Map<Zone, ZoneState> zones) {
    return Endpoints.planned(plan).isPresent()
        ? List.of()
        : plan.zones().stream()
            .filter(zone -> zones.get(zone).white().afterEnd())
            .filter(zone -> !zones.get(zone).wipeOwed())
            .filter(zone -> zones.get(zone).whitening() == Whitening.F1)
            .toList();
  }

  /// The whitening that ends a frosting formula is still its own.
  private static Whitening beyond(TreatmentPlan plan) {
    return Endpoints.ending(plan);
  }

  private static java.util.stream.Stream<Instant> frostSince(ZoneState zone) {
    return zone.whitening().frost() && !zone.wipeOwed()
        ? zone.white().since().stream()
        : java.util.stream.Stream.empty();
  }
}
