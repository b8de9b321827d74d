package ivesk.core.treatment.state;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/// Zones that were ended while the rest ran on, each with its own ending and its own rest.
public record EndedZones(Map<Zone, One> zones) {

  /// @param endedAt when its acid was to come off
  /// @param offAt when it was off
  /// @param told its last number after that
  /// @param restAt when it came to rest
  public record One(
      Instant endedAt, Optional<Instant> offAt, Optional<Integer> told, Optional<Instant> restAt) {
    /// From its end to its rest.
    public Optional<Duration> timeToRest() {
      return restAt.map(rest -> Duration.between(endedAt, rest));
    }
  }

  static final EndedZones NONE = new EndedZones(Map.of());

  public EndedZones {
    zones = Map.copyOf(zones);
  }

  /// @param off the acid of the whole is off
  /// @param awake a number can be relied on
  EndedZones after(TreatmentEvent event, TreatmentPlan plan, boolean off, boolean awake) {
    Instant at = event.at();
    return switch (event.fact()) {
      case ZoneEnded(var zone) when !zones.containsKey(zone) ->
          with(zone, new One(at, Optional.empty(), Optional.empty(), Optional.empty()));
      case ZoneTakenOff(var zone) when zones.containsKey(zone) -> {
        One one = zones.get(zone);
        yield with(zone, new One(one.endedAt(), Optional.of(at), one.told(), one.restAt()));
      }
      case ZoneAnswered(var zone, var value) when zones.containsKey(zone) -> {
        One one = zones.get(zone);
        // Its answer counts for its rest once its acid is off.
        boolean counts = awake && (off || one.offAt().isPresent());
        Optional<Instant> rest =
            value > plan.restAtMost()
                ? Optional.empty()
                : counts ? one.restAt().or(() -> Optional.of(at)) : one.restAt();
        yield with(zone, new One(one.endedAt(), one.offAt(), Optional.of(value), rest));
      }
      default -> this;
    };
  }

  private EndedZones with(Zone zone, One one) {
    Map<Zone, One> more = new EnumMap<>(Zone.class);
    more.putAll(zones);
    more.put(zone, one);
    return new EndedZones(more);
  }
}
