package ivesk.core.plan.objection;

import static ivesk.core.plan.objection.Swaps.fresh;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Substance;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Defaults;
import ivesk.core.plan.script.Ledger;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.plan.script.What;
import ivesk.core.product.CareProduct;
import ivesk.core.quantity.Amount;
import ivesk.core.screening.rule.Restriction.Care;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// How acid is taken off, and the base that is laid out for it.
final class EndingRules {
  private EndingRules() {}

  static List<Found> base(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line acid : sight.script().peels().toList()) {
      Formula formula = acid.formula().orElseThrow();
      if (!Neutraliser.ends(formula) || endsWithout(acid, sight)) continue;
      Ledger.OfStage ledger = Ledger.of(sight.script(), acid);
      if (ledger.covered()) continue;
      found.add(uncovered(acid, ledger, sight));
    }
    return found;
  }

  /// Ended without base: by a compress lift, or by water where the practice does so.
  private static boolean endsWithout(Line acid, Sight sight) {
    List<Act> acts =
        sight.script().ending(acid).stream().flatMap(line -> line.act().stream()).toList();
    boolean water = acts.contains(Act.COOL_RINSE) || acts.contains(Act.DAMP_PADS);
    return water
            && TakeOff.byWater(
                acid.formula().orElseThrow(),
                sight.setting().depth(acid, sight.script().region()),
                sight.setting().policies())
        || acts.contains(Act.COMPRESS_LIFT) && sight.setting().care(Care.Kind.COMPRESS_LIFT);
  }

  private static Found uncovered(Line acid, Ledger.OfStage ledger, Sight sight) {
    Script script = sight.script();
    String words =
        Words.fill(
            "%s on the skin, %s of base laid out: it outruns the base",
            mmol(ledger.acid()), mmol(ledger.base()));
    Optional<Line> there =
        script.ending(acid).stream()
            .filter(line -> line.product().flatMap(CareProduct::base).isPresent())
            .filter(line -> Ledger.base(line).mmol() > 0)
            .findFirst();
    CareProduct product =
        there.flatMap(Line::product).orElseGet(() -> Defaults.neutraliser(sight.setting()));
    Optional<Double> units =
        product.base().flatMap(base -> base.unitsFor(ledger.acid().times(2), product.dose()));
    if (units.isEmpty()) return Found.of(acid, words);
    double amount = Math.ceil(units.get());
    String key = "Lay out " + product.dose().words(amount) + " of " + product.name();
    if (there.isPresent()) {
      return Found.of(
          acid, words, key, Edit.replace(there.get().step(), there.get().step().amount(amount)));
    }
    Step step =
        Step.of(fresh(script, "base"), StepKind.ENDING, new What.Use(product.code()))
            .on(acid.step().zones())
            .amount(amount);
    return Found.of(
        acid,
        ledger.base().mmol() == 0
            ? acid.words() + " must be neutralised; no base is laid out"
            : words,
        key,
        Edit.after(acid.step(), step));
  }

  private static String mmol(Amount amount) {
    return Words.number(amount.mmol(), 1) + " mmol";
  }

  static List<Found> undo(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line acid : sight.script().peels().toList()) {
      Formula formula = acid.formula().orElseThrow();
      boolean runsItsCourse =
          formula.contains(Substance.TCA)
              || formula.family() == Family.JESSNER
              || formula.contains(Substance.SALICYLIC);
      if (!runsItsCourse) continue;
      for (Line line : sight.script().ending(acid)) {
        if (Ledger.base(line).mmol() == 0) continue;
        Act instead = formula.contains(Substance.TCA) ? Act.COLD_COMPRESSES : Act.COOL_RINSE;
        found.add(
            Found.of(
                line,
                "a base does not undo " + formula.family().label() + "; it runs its course",
                "Swap: " + instead.label(),
                Edit.replace(line.step(), line.step().with(new What.Do(instead)))));
      }
    }
    return found;
  }
}
