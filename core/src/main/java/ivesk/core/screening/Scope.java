package ivesk.core.screening;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
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

  public static Scope family(Family family) {
    return of(family.label(), (formula, depth) -> formula.family() == family);
  }

  public static Scope formula(Formula wanted) {
    return of(wanted.code(), (formula, depth) -> formula.code().equals(wanted.code()));
  }

  public static Scope depthFrom(DepthClass least) {
    return of(least.label() + " or deeper", (formula, depth) -> !least.deeperThan(depth));
  }
}
