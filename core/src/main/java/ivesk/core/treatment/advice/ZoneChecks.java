package ivesk.core.treatment.advice;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.state.TreatmentState;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/// Whether the zones that a fact names are those of the plan, or of a region beside.
final class ZoneChecks {
  private ZoneChecks() {}

  static Optional<String> endedAlone(TreatmentPlan plan, TreatmentState state, Zone zone) {
    return when(
        !holding(plan, state, zone).endedZones().zones().containsKey(zone),
        "the " + zone.label() + " was not ended by itself");
  }

  /// The state that a zone is part of: this one, or that of a region beside.
  static TreatmentState holding(TreatmentPlan plan, TreatmentState state, Zone zone) {
    return state.beside().stream()
        .filter(one -> !plan.zones().contains(zone) && one.holds(zone))
        .findFirst()
        .map(TreatmentState.Beside::state)
        .orElse(state);
  }

  static boolean crystals(TreatmentPlan plan, TreatmentState state, Collection<Zone> zones) {
    return plan.formula().mayCrystallise()
        || state.beside().stream()
            .anyMatch(one ->
                one.plan().formula().mayCrystallise() && zones.stream().allMatch(one::holds));
  }

  /// A look names zones that are treated now, or were before on a region beside.
  static Optional<String> seen(TreatmentPlan plan, TreatmentState state, Collection<Zone> zones) {
    return known(
        plan,
        zones.stream()
            .filter(zone -> state.beside().stream().noneMatch(one -> one.holds(zone)))
            .toList());
  }

  static Optional<String> known(TreatmentPlan plan, Zone zone) {
    return known(plan, List.of(zone));
  }

  static Optional<String> known(TreatmentPlan plan, Collection<Zone> zones) {
    return zones.stream()
        .filter(zone -> !plan.zones().contains(zone))
        .findFirst()
        .map(zone -> "the " + zone.label() + " is not in the plan");
  }

  static Optional<String> when(boolean wrong, String why) {
    return wrong ? Optional.of(why) : Optional.empty();
  }
}
