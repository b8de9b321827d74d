package ivesk.core.plan.script;

import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import java.util.List;
import java.util.Optional;

/// Acid against base over a visit. Stoichiometry; twice the base is laid out, Ivesk's own default.
///
/// @param acid protons of what must be neutralised, over all planned layers
/// @param base that is laid out for it
/// @param salicylic acid carried by all layers of the visit
/// @param salicylate share of the yardstick over all layers of the visit, 0 and up
/// @param resorcinol carried by all layers of the visit
public record Ledger(Amount acid, Amount base, Mass salicylic, double salicylate, Mass resorcinol) {
  private static final Strength BICARBONATE = Strength.wv(10);

  /// One stage of it.
  ///
  /// @param layer protons of one layer
  /// @param base laid out in its ending
  /// @param layers planned
  public record OfStage(Amount layer, Amount base, int layers) {

    public Amount acid() {
      return layer.times(layers);
    }

    /// At least 1 : 1 by mole for the planned layers.
    public boolean covered() {
      return base.mmol() >= acid().mmol() - 1e-9;
    }

    /// Layers that the base laid out meets 1 : 1.
    public int layersCovered() {
      return layer.mmol() == 0 ? Integer.MAX_VALUE : (int) (base.mmol() / layer.mmol() + 1e-9);
    }
  }

  /// Protons in one layer.
  public static Amount protons(Formula formula, Volume layer) {
    return Neutraliser.of(formula, layer, Neutraliser.Base.BICARBONATE, BICARBONATE).protons();
  }

  /// Of the stage on a line.
  public static OfStage of(Script script, Line stage) {
    Formula formula = stage.formula().orElseThrow();
    return new OfStage(
        protons(formula, stage.layer()),
        script.ending(stage).stream().map(Ledger::base).reduce(Amount.NONE, Amount::plus),
        stage.step().layers());
  }

  /// Base on a line; none where it is no neutraliser.
  public static Amount base(Line line) {
    return line.product()
        .flatMap(product -> product.base().map(base -> base.in(units(line), product.dose())))
        .orElse(Amount.NONE);
  }

  private static double units(Line line) {
    return line.step()
        .amount()
        .or(() -> line.product().map(product -> product.usual(line.zones().getFirst().region())))
        .orElse(1.0);
  }

  /// Over all runs of a visit.
  ///
  /// @param weightKg for the salicylate yardstick
  public static Ledger of(List<Script> runs, Optional<Double> weightKg) {
    Amount acid = Amount.NONE;
    Amount base = Amount.NONE;
    double salicylic = 0;
    double salicylate = 0;
    double resorcinol = 0;
    for (Script script : runs) {
      for (Line stage : script.stages().toList()) {
        Formula formula = stage.formula().orElseThrow();
        Volume all = stage.layer().times(stage.step().layers());
        salicylate += Dose.salicylateShare(formula, all, weightKg);
        salicylic += Dose.carried(formula, Substance.SALICYLIC, all).g();
        resorcinol += Dose.carried(formula, Substance.RESORCINOL, all).g();
        if (!Neutraliser.ends(formula)) continue;
        OfStage part = of(script, stage);
        acid = acid.plus(part.acid());
        base = base.plus(part.base());
      }
    }
    return new Ledger(acid, base, Mass.g(salicylic), salicylate, Mass.g(resorcinol));
  }
}
