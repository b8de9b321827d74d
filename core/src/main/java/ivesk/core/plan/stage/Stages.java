package ivesk.core.plan.stage;

import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Ledger;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/// The stages of a visit in the order in which they are done, each with the base laid out for it
/// and with what is done on calm skin after it.
public final class Stages {
  private Stages() {}

  /// Makes the plan of one stage.
  public interface Maker extends BiFunction<Run, Line, TreatmentPlan> {}

  /// @param runs in the order in which they are done
  /// @param objections of them
  /// @param maker of a stage by itself
  /// @param weightKg of the client, where it is known
  /// @return the first stage, on which the others hang; empty where no line is a peel
  public static Optional<TreatmentPlan> of(
      List<Run> runs, List<Objection> objections, Maker maker, Optional<Double> weightKg) {
    record Placed(int run, Line line) {}
    List<Placed> stages = new ArrayList<>();
    for (int i = 0; i < runs.size(); i++) {
      int run = i;
      runs.get(i).script().peels().forEach(line -> stages.add(new Placed(run, line)));
    }
    Optional<TreatmentPlan> next = Optional.empty();
    for (int i = stages.size() - 1; i >= 0; i--) {
      Placed stage = stages.get(i);
      Run run = runs.get(stage.run());
      List<Objection> said =
          objections.stream().filter(objection -> objection.run() == stage.run()).toList();
      TreatmentPlan made = maker.apply(run, stage.line());
      next =
          Optional.of(
              made.staged(
                  addOn(run, stage.line()),
                  new Staging(
                      i + 1,
                      stages.size(),
                      base(run.script(), stage.line()),
                      weightKg,
                      after(run.script(), stage.line()).stream()
                          .map(line -> CareStep.of(line, said))
                          .toList(),
                      next)));
    }
    return next;
  }

  /// Counted as its first line counts it.
  private static Optional<Staging.Base> base(Script script, Line stage) {
    return script.ending(stage).stream()
        .filter(line -> Ledger.base(line).mmol() > 0)
        .findFirst()
        .flatMap(Line::product)
        .flatMap(product ->
            product
                .base()
                .map(base ->
                    new Staging.Base(
                        Ledger.of(script, stage).base(),
                        product.dose().unit(),
                        base.in(1, product.dose()))));
  }

  /// What stays on calm skin, between this peel and the next.
  private static Optional<AddOn> addOn(Run run, Line stage) {
    return upToNext(run.script(), stage).stream()
        .flatMap(line -> line.formula().stream())
        .filter(formula -> formula.use() == Formula.Use.STAYS)
        .findFirst()
        .map(formula -> AddOn.of(formula, run.setting().policies()));
  }

  /// Lines between the rest of a stage and the next acid, without looks and the leaving check,
  /// which the couch has of its own.
  private static List<Line> after(Script script, Line stage) {
    List<Line> ending = script.ending(stage);
    return upToNext(script, stage).stream()
        .filter(line -> !ending.contains(line) && !line.stage())
        .filter(line ->
            switch (line.step().kind()) {
              case LOOK, ACID, ENDING, REST, LEAVING_CHECK -> false;
              case REMOVE, CLEANSE, PREP, GUARD, TOOL, MASK, PRODUCT, SUNSCREEN -> true;
            })
        .toList();
  }

  private static List<Line> upToNext(Script script, Line stage) {
    return script
        .after(stage)
        .takeWhile(line -> line.formula().filter(Formula::peels).isEmpty())
        .toList();
  }
}
