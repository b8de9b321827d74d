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
/// @param families that it names; empty where it goes by something else
/// @param covers whether a formula, planned at a class, falls under it
public record Scope(
    String label, boolean client, Set<Family> families, BiPredicate<Formula, DepthClass> covers) {

  public static final Scope CLIENT = new Scope("client", true, Set.of(), (formula, depth) -> true);

  public static Scope of(String label, BiPredicate<Formula, DepthClass> covers) {
    return new Scope(label, false, Set.of(), covers);
  }

  /// A part of the skin, which is all that is planned.
  public static Scope zone(String label) {
    return of(label, (formula, depth) -> true);
  }

  public static Scope families(Set<Family> families) {
    return new Scope(
        String.join(", ", families.stream().sorted().map(Family::label).toList()),
        false,
        Set.copyOf(families),
        (formula, depth) -> families.contains(formula.family().coveredBy()));
  }

  public static Scope substance(Substance substance) {
    return of(substance.label(), (formula, depth) -> formula.contains(substance));
  }

  /// This scope, and only from a depth on.
  public Scope from(DepthClass least) {
    return new Scope(
        label + ", " + least.label() + " or deeper",
        client,
        families,
        (formula, depth) -> covers.test(formula, depth) && !least.deeperThan(depth));
  }

  public static Scope depthFrom(DepthClass least) {
    return of(least.label() + " or deeper", (formula, depth) -> !least.deeperThan(depth));
  }
}
