package ivesk.server.plan;

import ivesk.core.Words;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Neutraliser;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Ledger;
import ivesk.core.plan.script.Outline;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.product.CareProduct;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What there is to say to a script: its lines in words and time, its outline, acid against base,
/// and the objections.
///
/// @param minutes of the whole, with the time to spare
/// @param depth of all stages together; empty without one
/// @param flakingFirst days after the peel
/// @param mayBeKept no line is shut
record Judged(
    List<ScriptRun> runs,
    long minutes,
    Outline outline,
    List<StageFigures> stages,
    Optional<DepthClass> depth,
    int flakingFirst,
    int flakingLast,
    LedgerView ledger,
    List<ObjectionView> objections,
    boolean mayBeKept) {

  record ScriptRun(Region region, List<ScriptLine> lines) {}

  /// @param words what it is about
  /// @param amount with its unit; empty where there is nothing to dose
  /// @param length in the room
  /// @param acidStep timed, counted and gated as an acid
  /// @param mix powder to water, where it is mixed
  record ScriptLine(
      String id,
      String words,
      String amount,
      long startSeconds,
      long lengthSeconds,
      boolean acidStep,
      String mix) {}

  /// What one peel comes to.
  ///
  /// @param mgPerCm2 over all its layers
  record StageFigures(
      int run,
      String code,
      String name,
      DepthClass depth,
      double freeAcidPercent,
      double percentWv,
      Optional<Double> ph,
      double layerMl,
      int layers,
      double areaCm2,
      double mgPerCm2) {}

  /// @param acidMmol of what must be neutralised, over all layers
  /// @param baseMmol laid out for it
  /// @param layersCovered of the stage that runs out of base first; empty where none needs it
  /// @param salicylateShare of the yardstick, 0 and up
  record LedgerView(
      double acidMmol,
      double baseMmol,
      Optional<Double> ratio,
      Optional<Integer> layersCovered,
      double salicylicG,
      double salicylateShare,
      double resorcinolMg) {}

  /// @param step that it concerns
  record ObjectionView(
      String rule,
      Objection.Severity severity,
      int run,
      String step,
      String words,
      String source,
      Optional<Swapping> swap) {}

  record Swapping(String words, List<StepEdit> edits) {}

  /// @param instead what stands in place of the step
  record StepEdit(String step, List<StepFacts> instead) {}

  static Judged of(List<Run> runs, Optional<Duration> slot, Optional<Double> weightKg) {
    List<ScriptRun> views = new ArrayList<>();
    long at = 0;
    for (Run run : runs) {
      List<ScriptLine> lines = new ArrayList<>();
      for (Script.Line line : run.script().lines()) {
        lines.add(line(line, at));
        at += line.length().toSeconds();
      }
      views.add(new ScriptRun(run.script().region(), lines));
    }
    List<Objection> objections = Objections.of(runs, slot);
    List<Depth.Stage> deep =
        runs.stream()
            .flatMap(run ->
                run.script()
                    .peels()
                    .map(line ->
                        new Depth.Stage(
                            line.formula().orElseThrow(),
                            run.setting().depth(line, run.script().region()))))
            .toList();
    Flaking flaking =
        Flaking.of(
            runs.stream()
                .flatMap(run -> run.script().stages())
                .map(line -> line.formula().orElseThrow())
                .toList());
    return new Judged(
        views,
        Run.minutes(runs),
        Outline.of(runs, slot),
        stages(runs),
        deep.isEmpty() ? Optional.empty() : Optional.of(Depth.chain(deep).depth()),
        flaking.first(),
        flaking.last(),
        ledger(runs, weightKg),
        objections.stream().map(Judged::view).toList(),
        Objections.mayBeKept(objections));
  }

  private static List<StageFigures> stages(List<Run> runs) {
    List<StageFigures> stages = new ArrayList<>();
    for (int i = 0; i < runs.size(); i++) {
      Run run = runs.get(i);
      for (Script.Line line : run.script().peels().toList()) {
        Formula formula = line.formula().orElseThrow();
        stages.add(
            new StageFigures(
                i,
                formula.code(),
                formula.name(),
                run.setting().depth(line, run.script().region()),
                FreeAcid.of(formula).percent(),
                formula.strength().percent(),
                formula.ph().map(Ph::value),
                line.layer().ml(),
                line.step().layers(),
                line.area().cm2(),
                Dose.of(formula.strength(), line.layer(), line.area())
                    .times(line.step().layers())
                    .mgPerCm2()));
      }
    }
    return stages;
  }

  private static ScriptLine line(Script.Line line, long at) {
    return new ScriptLine(
        line.step().id(),
        line.words(),
        amount(line),
        at,
        line.length().toSeconds(),
        line.acidProduct() || line.formula().filter(Formula::peels).isPresent(),
        line.product()
            .flatMap(CareProduct::mix)
            .map(mix -> {
              Mass powder = Mass.g(line.step().amount().orElse(mix.powder().g()));
              return Words.fill(
                  "%.0f g powder to %.0f g water, %.0f °C",
                  powder.g(), mix.waterFor(powder).g(), mix.waterC());
            })
            .orElse(""));
  }

  private static String amount(Script.Line line) {
    if (line.formula().isPresent()) {
      return line.formula().get().use() == Formula.Use.STAYS
          ? ""
          : Words.fill("%.1f mL a layer", line.layer().ml());
    }
    return line.product()
        .map(product ->
            product
                .dose()
                .words(
                    line.step().amount().orElse(product.usual(line.zones().getFirst().region()))))
        .orElse("");
  }

  private static LedgerView ledger(List<Run> runs, Optional<Double> weightKg) {
    Ledger ledger = Ledger.of(runs.stream().map(Run::script).toList(), weightKg);
    Optional<Integer> covered =
        runs.stream()
            .flatMap(run ->
                run.script()
                    .peels()
                    .filter(stage -> Neutraliser.ends(stage.formula().orElseThrow()))
                    .map(stage -> Ledger.of(run.script(), stage).layersCovered()))
            .min(Integer::compare);
    return new LedgerView(
        ledger.acid().mmol(),
        ledger.base().mmol(),
        ratio(ledger.acid(), ledger.base()),
        covered,
        ledger.salicylic().g(),
        ledger.salicylate(),
        ledger.resorcinol().mg());
  }

  private static Optional<Double> ratio(Amount acid, Amount base) {
    return acid.mmol() == 0 ? Optional.empty() : Optional.of(base.mmol() / acid.mmol());
  }

  private static ObjectionView view(Objection objection) {
    return new ObjectionView(
        objection.rule(),
        objection.severity(),
        objection.run(),
        objection.step(),
        objection.words(),
        objection.source().words(),
        objection
            .swap()
            .map(swap ->
                new Swapping(
                    swap.words(),
                    swap.edits().stream()
                        .map(edit ->
                            new StepEdit(
                                edit.step(), edit.instead().stream().map(StepFacts::of).toList()))
                        .toList())));
  }
}
