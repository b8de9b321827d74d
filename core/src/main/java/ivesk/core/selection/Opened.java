package ivesk.core.selection;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import java.time.Duration;
import java.util.Optional;

/// What is open for a client today, tried for real.
public final class Opened {
  private Opened() {}

  /// How many ranked formulas are open.
  static long count(SelectionFacts facts) {
    return facts.client().shelf().formulas().stream()
        .filter(formula -> formula.family().ranked() && formula.peels())
        .filter(formula -> open(formula, facts))
        .count();
  }

  private static boolean open(Formula formula, SelectionFacts facts) {
    int layers = Amounts.plannedLayers(formula, facts);
    Optional<Duration> contact = Amounts.plannedContact(formula, facts);
    DepthClass depth = Amounts.depth(formula, layers, facts).depth();
    return Gates.of(formula, depth, contact, layers, facts).isEmpty();
  }

  /// The open formula at a rung that this client may take today; empty where there is none.
  public static Optional<Formula> rung(Family family, int rung, SelectionFacts facts) {
    return facts.client().shelf().formulas().stream()
        .filter(formula -> formula.family() == family && formula.rung() == rung)
        .filter(formula -> open(formula, facts))
        .findFirst();
  }
}
