package ivesk.core.plan.script;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import ivesk.core.selection.Amounts;
import ivesk.core.selection.Opened;
import ivesk.core.selection.SelectionFacts;
import java.util.Optional;
import java.util.Set;

/// How many layers, where strengths are stepped or acid is added within the clock.
public final class Layers {
  private static final Set<Family> STEPPED =
      Set.of(Family.LACTIC, Family.MANDELIC, Family.GLYCOLIC);

  private Layers() {}

  /// Layers in one visit where strengths are stepped.
  private static final int STEPPED_LAYERS = 3;

  /// The next strength of a timed hydroxy acid within the same contact clock: where the practice
  /// steps strengths, not above the client's ladder rung, and open today.
  public static Optional<Formula> nextRung(Formula formula, SelectionFacts facts) {
    boolean steps =
        facts.client().policies().chose(Policies.Choice.STRENGTH_STEPS) && timedAha(formula);
    return steps ? Opened.rung(formula.family(), formula.rung() + 1, facts) : Optional.empty();
  }

  private static boolean timedAha(Formula formula) {
    return formula.use() == Formula.Use.TIMED && STEPPED.contains(formula.family());
  }

  /// More of a timed AHA within its clock, where its feel falls early and the practice does that.
  public static int onceMore(Formula formula, Policies policies) {
    return policies.chose(Policies.Choice.MORE_ACID_IN_THE_CLOCK)
            && timedAha(formula)
            && formula.label().version() == 0
        ? 1
        : 0;
  }

  /// Layers that are proposed.
  public static int proposedLayers(Formula formula, SelectionFacts facts) {
    int usual = Amounts.plannedLayers(formula, facts);
    return nextRung(formula, facts).isPresent()
        ? Math.max(usual, facts.screening().limits().layers(2))
        : usual;
  }

  /// The most layers in one visit.
  public static int mostLayers(Formula formula, SelectionFacts facts) {
    int usual = Amounts.mostLayers(formula, facts);
    return nextRung(formula, facts).isPresent()
        ? Math.max(usual, facts.screening().limits().layers(STEPPED_LAYERS))
        : usual;
  }
}
