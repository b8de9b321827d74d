package ivesk.core.screening.rule;

import ivesk.core.Source;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.screening.question.Question;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/// What one rule says of one client on one day.
///
/// @param basis what it rests on, as ids and dates: questions, answers, the day it ends
/// @param stem what was answered or found, in words; where it names families, up to their names
/// @param naming families that the words name
/// @param why the reason behind the rule
/// @param until WAIT ends on this day, where a day is known
/// @param clearedBy what would clear it
/// @param overridable ADAPT and a WAIT that only counts days; REFER needs a clearance, STOP nothing
/// @param firm only the supervising clinician may override it
/// @param unasked stands in place of the rule because an answer is missing
/// @param settled what lifted it
public record Finding(
    String ruleId,
    String basis,
    String stem,
    Set<Family> naming,
    Verdict verdict,
    Scope scope,
    List<Restriction> restrictions,
    String why,
    Source source,
    Optional<LocalDate> until,
    Clearing clearedBy,
    boolean overridable,
    boolean firm,
    boolean unasked,
    Optional<Settlement> settled) {

  public Finding {
    naming = Set.copyOf(naming);
    restrictions = List.copyOf(restrictions);
  }

  /// Names it for an override or a clearance; with another answer it is another finding. Never made
  /// of words.
  public String id() {
    return ruleId + ":" + basis;
  }

  /// Whether it may be lifted in this way.
  public boolean mayBe(Settlement settlement) {
    return switch (settlement) {
      case Settlement.Override o -> overridable;
      case Settlement.Clearance c -> verdict == Verdict.REFER;
    };
  }

  /// Still counts: not lifted by an override or a clearance.
  public boolean stands() {
    return settled.isEmpty();
  }

  /// Shuts what it covers until its date, its cause or its clearance.
  public boolean shuts() {
    return stands() && verdict.compareTo(Verdict.WAIT) >= 0;
  }

  /// What was answered or found, in words.
  public String said() {
    return stem + Family.labels(naming);
  }

  /// The question that it waits for, where it stands for an answer that is missing.
  public Optional<Question> asks() {
    return unasked
        ? Arrays.stream(Question.values()).filter(q -> q.name().equals(basis)).findFirst()
        : Optional.empty();
  }

  /// What it says of one formula: of several families that it names, the formula's own.
  public String saidOf(Formula formula) {
    if (naming.isEmpty()) return stem;
    Set<Family> own = new TreeSet<>(formula.families());
    own.retainAll(naming);
    return stem + (own.isEmpty() ? formula.family().coveredBy().label() : Family.labels(own));
  }

  /// Can come to an end: a STOP cannot, unless it only stands for an answer that was not asked.
  public boolean clears() {
    return verdict != Verdict.PROCEED && (verdict != Verdict.STOP || unasked);
  }

  /// What it still limits: an override takes its limits away; a clearance takes the verdict, and of
  /// the limits only zones that waited for it.
  public List<Restriction> restrictionsLeft() {
    if (stands()) return restrictions;
    if (verdict != Verdict.REFER) return List.of();
    return restrictions.stream()
        .filter(limit -> !(limit instanceof Restriction.ExcludeZones zones && zones.untilCleared()))
        .toList();
  }

  public Finding settledBy(Settlement settlement) {
    return new Finding(
        ruleId,
        basis,
        stem,
        naming,
        verdict,
        scope,
        restrictions,
        why,
        source,
        until,
        clearedBy,
        overridable,
        firm,
        unasked,
        Optional.of(settlement));
  }
}
