package ivesk.core.screening.rule;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import java.util.Set;
import java.util.function.BiPredicate;

/// What a finding speaks of: the client, or only some formulas at some depth.
///
/// @param label as shown
/// @param told the finding's own words name it already
/// @param covers whether a formula, planned at a class, falls under it
public record Scope(
    String label, boolean client, boolean told, BiPredicate<Formula, DepthClass> covers) {

  public static final Scope CLIENT = new Scope("client", true, true, (formula, depth) -> true);

  public static Scope of(String label, BiPredicate<Formula, DepthClass> covers) {
    return new Scope(label, false, false, covers);
  }

  /// A part of the skin, which is all that is planned.
  public static Scope zone(String label) {
    return new Scope(label, false, true, (formula, depth) -> true);
  }

  /// Families that the finding names.
  public static Scope families(Set<Family> families) {
    return new Scope(
        Family.labels(families),
        false,
        true,
        (formula, depth) -> families.contains(formula.family().coveredBy()));
  }

  /// Formulas that contain an acid of these families, whatever they are filed under.
  public static Scope containing(Set<Family> families) {
    return new Scope(
        Family.labels(families),
        false,
        true,
        (formula, depth) -> formula.families().stream().anyMatch(families::contains));
  }

  public static Scope substance(Substance substance) {
    return of(substance.label(), (formula, depth) -> formula.contains(substance));
  }

  /// This scope, and only from a depth on.
  public Scope from(DepthClass least) {
    return new Scope(
        label + ", " + least.label() + " or deeper",
        client,
        false,
        (formula, depth) -> covers.test(formula, depth) && !least.deeperThan(depth));
  }

  public static Scope depthFrom(DepthClass least) {
    return of(least.label() + " or deeper", (formula, depth) -> !least.deeperThan(depth));
  }
}
