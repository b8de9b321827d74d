package ivesk.core.treatment.fact;

import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.IncidentReported;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/// Facts that name zones, and the same of some zones only.
public final class ZoneFacts {
  private ZoneFacts() {}

  /// The zones that a look names; empty where it names none.
  public static Optional<Collection<Zone>> named(Fact fact) {
    return switch (fact) {
      case RednessSeen(var grades) -> Optional.of(grades.keySet());
      case WhiteningSeen(var zones, _) -> Optional.of(zones);
      case WipeTested(var zones, _) -> Optional.of(zones);
      case HotSpotFelt(var zone, _) -> Optional.of(List.of(zone));
      case ZoneAnswered(var zone, _) -> Optional.of(List.of(zone));
      case ZoneTakenOff(var zone) -> Optional.of(List.of(zone));
      default -> Optional.empty();
    };
  }

  /// The same look at some zones only; empty where none of them is named. What names no zone stays
  /// as it is, but for the answer of another region.
  public static Optional<Fact> only(Fact fact, Collection<Zone> zones) {
    return switch (fact) {
      case RegionAnswered _ -> Optional.empty();
      case RednessSeen(var grades) -> {
        Map<Zone, Integer> here =
            grades.entrySet().stream()
                .filter(grade -> zones.contains(grade.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        yield here.isEmpty() ? Optional.empty() : Optional.of(new RednessSeen(here));
      }
      case WhiteningSeen(var seen, var grade) -> {
        List<Zone> here = seen.stream().filter(zones::contains).toList();
        yield here.isEmpty() ? Optional.empty() : Optional.of(new WhiteningSeen(here, grade));
      }
      case WipeTested(var wiped, var off) -> {
        List<Zone> here = wiped.stream().filter(zones::contains).toList();
        yield here.isEmpty() ? Optional.empty() : Optional.of(new WipeTested(here, off));
      }
      default ->
          named(fact).filter(names -> names.stream().noneMatch(zones::contains)).isPresent()
              ? Optional.empty()
              : Optional.of(fact);
    };
  }

  /// What a fact says of a region that is settled beside another; empty where it says nothing.
  public static Optional<Fact> ofRegion(
      Fact fact, Collection<Region> regions, Collection<Zone> zones) {
    return switch (fact) {
      case RegionAnswered(var region, var value) when regions.contains(region) ->
          Optional.of(new SensationAnswered(value));
      case RegionAnswered _, SensationAnswered _ -> Optional.empty();
      case ResponseNoted _, IncidentReported _ -> Optional.of(fact);
      default -> named(fact).isPresent() ? only(fact, zones) : Optional.empty();
    };
  }
}
