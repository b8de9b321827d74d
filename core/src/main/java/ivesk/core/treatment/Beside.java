package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.TreatmentEvent.Fact;
import ivesk.core.treatment.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.TreatmentEvent.IncidentReported;
import ivesk.core.treatment.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.TreatmentEvent.WipeTested;
import ivesk.core.treatment.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.TreatmentEvent.ZoneTakenOff;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/// A region whose acid is off and which is settled while another region is treated: it is asked
/// each minute to its own rest, and what is seen on it is kept until the client leaves.
///
/// @param plan of its last stage
/// @param state of that stage, which goes on
public record Beside(TreatmentPlan plan, TreatmentState state) {

  Beside after(TreatmentEvent event) {
    return fact(event.fact())
        .map(fact ->
            new Beside(
                plan,
                state.after(plan, new TreatmentEvent(event.id(), event.at(), event.who(), fact))))
        .orElse(this);
  }

  boolean holds(Zone zone) {
    return plan.zones().contains(zone);
  }

  boolean holds(Region region) {
    return plan.regions().contains(region);
  }

  public boolean atRest() {
    return state.phase() == Phase.AT_REST || state.phase() == Phase.CHECKED;
  }

  /// At rest, and no white waits for the swab: it keeps nobody here.
  boolean settled() {
    return atRest() && !state.wipeOwed();
  }

  /// What a fact says of this region; empty where it says nothing.
  private Optional<Fact> fact(Fact fact) {
    return switch (fact) {
      case RegionAnswered(var region, var value) when holds(region) ->
          Optional.of(new SensationAnswered(value));
      case RegionAnswered _, SensationAnswered _ -> Optional.empty();
      case ResponseNoted _, IncidentReported _ -> Optional.of(fact);
      default -> named(fact).isPresent() ? only(fact, plan.zones()) : Optional.empty();
    };
  }

  /// The zones that a look names; empty where it names none.
  static Optional<Collection<Zone>> named(Fact fact) {
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
  static Optional<Fact> only(Fact fact, Collection<Zone> zones) {
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
}
