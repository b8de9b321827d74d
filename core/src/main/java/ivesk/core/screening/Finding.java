package ivesk.core.screening;

import ivesk.core.Source;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/// What one rule says of one client on one day.
///
/// @param said what was answered or found, in words
/// @param why the reason behind the rule
/// @param until WAIT ends on this day, where a day is known
/// @param clearedBy what would clear it
/// @param overridable ADAPT and a WAIT that only counts days; REFER needs a clearance, STOP nothing
/// @param unasked stands in place of the rule because an answer is missing
/// @param settled an override or clearance that lifted it, in words
public record Finding(
    String ruleId,
    String said,
    Verdict verdict,
    Scope scope,
    List<Restriction> restrictions,
    String why,
    Source source,
    Optional<LocalDate> until,
    String clearedBy,
    boolean overridable,
    boolean unasked,
    Optional<String> settled) {

  public Finding {
    restrictions = List.copyOf(restrictions);
  }

  /// Still counts: not lifted by an override or a clearance.
  public boolean stands() {
    return settled.isEmpty();
  }

  /// Shuts what it covers until its date, its cause or its clearance.
  public boolean shuts() {
    return stands() && verdict.compareTo(Verdict.WAIT) >= 0;
  }

  /// What it says of one formula: of several families that it names, the formula's own.
  String saidOf(Formula formula) {
    if (scope.families().isEmpty()) return said;
    return said.replace(Family.labels(scope.families()), formula.family().coveredBy().label());
  }

  /// Can come to an end: a STOP cannot, unless it only stands for an answer that was not asked.
  boolean clears() {
    return verdict != Verdict.PROCEED && (verdict != Verdict.STOP || unasked);
  }

  /// What it still limits: an override takes its limits away; a clearance takes the verdict, and of
  /// the limits only zones that waited for it.
  List<Restriction> restrictionsLeft() {
    if (stands()) return restrictions;
    if (verdict != Verdict.REFER) return List.of();
    return restrictions.stream()
        .filter(limit -> !(limit instanceof Restriction.ExcludeZones zones && zones.untilCleared()))
        .toList();
  }

  Finding settledBy(String words) {
    return new Finding(
        ruleId,
        said,
        verdict,
        scope,
        restrictions,
        why,
        source,
        until,
        clearedBy,
        overridable,
        unasked,
        Optional.of(words));
  }
}
