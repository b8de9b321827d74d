package ivesk.core.screening;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import java.util.Set;
import java.util.function.BiPredicate;

/// What a finding speaks of: the client, or only some formulas at some depth.
///
/// @param label as shown
/// @param covers whether a formula, planned at a class, falls under it
public record Scope(String label, boolean client, BiPredicate<Formula, DepthClass> covers) {

  public static final Scope CLIENT = new Scope("client", true, (formula, depth) -> true);

  public static Scope of(String label, BiPredicate<Formula, DepthClass> covers) {
    return new Scope(label, false, covers);
  }

  /// A part of the skin, which is all that is planned.
  public static Scope zone(String label) {
    return of(label, (formula, depth) -> true);
  }

  public static Scope families(Set<Family> families) {
    return of(
        String.join(", ", families.stream().sorted().map(Family::label).toList()),
        (formula, depth) -> families.contains(formula.family().coveredBy()));
  }

  public static Scope substance(Substance substance) {
    return of(substance.label(), (formula, depth) -> formula.contains(substance));
  }

  /// This scope, and only from a depth on.
  public Scope from(DepthClass least) {
    return of(
        label + ", " + least.label() + " or deeper",
        (formula, depth) -> covers.test(formula, depth) && !least.deeperThan(depth));
  }

  public static Scope depthFrom(DepthClass least) {
    return of(least.label() + " or deeper", (formula, depth) -> !least.deeperThan(depth));
  }
}
