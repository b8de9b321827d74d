package ivesk.server.plan;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.plan.stage.Stages;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.selection.Chain;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.selection.Tile;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.plan.PlanStore.Chosen;
import ivesk.server.plan.PlanStore.KeptScript;
import ivesk.server.plan.PlanStore.NextStage;
import ivesk.server.selection.SelectionService;
import ivesk.server.visit.VisitRecord;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/// Makes the plan of a visit of what was chosen, wished and written.
@Component
class PlanMaker {
  private final PlanStore store;
  private final SelectionService selection;
  private final VisitRecord record;
  private final ScriptService scripts;

  PlanMaker(
      PlanStore store, SelectionService selection, VisitRecord record, ScriptService scripts) {
    this.store = store;
    this.selection = selection;
    this.record = record;
    this.scripts = scripts;
  }

  /// What is planned for a visit, with the facts that made it.
  ///
  /// @param plan the first stage, as the steps and the limits of the day make it
  /// @param runs in their order, from a protocol, by hand or composed
  /// @param judged the same runs in the setting of the client
  /// @param version of the steps as they are kept; 0 where Ivesk composes them
  record Planned(
      Chosen chosen,
      TreatmentPlan plan,
      List<StoredScript.Run> runs,
      List<Run> judged,
      int version,
      SelectionFacts facts) {}

  /// Empty before a choice.
  Optional<Planned> planned(UUID visitId) {
    return store.of(visitId).map(chosen -> planned(visitId, chosen));
  }

  Planned planned(UUID visitId, Chosen chosen) {
    SelectionFacts facts = selection.facts(visitId);
    TreatmentPlan plan = make(chosen, facts);
    Function<Region, Setting> settings = scripts.settings(visitId);
    Optional<KeptScript> kept = store.script(visitId);
    List<StoredScript.Run> runs =
        kept.map(script -> script.script().runs())
            .orElseGet(() -> composed(chosen, plan, facts, settings.apply(plan.region())));
    List<Run> judged = judged(settings, runs);
    return new Planned(
        chosen,
        judged.stream()
            .filter(run -> run.script().region() == plan.region())
            .findFirst()
            .map(run -> plan.readied(Preparation.of(run.script(), run.setting())))
            .orElse(plan),
        runs,
        judged,
        kept.map(KeptScript::version).orElse(0),
        facts);
  }

  static List<Run> judged(Function<Region, Setting> settings, List<StoredScript.Run> runs) {
    return ScriptService.runs(
        settings,
        runs.stream()
            .map(run ->
                new ScriptService.Planned(
                    run.region(), run.steps().stream().map(StoredScript.StoredStep::step).toList()))
            .toList());
  }

  /// The first stage with all that come after it. The region that the visit is planned for goes
  /// first, the others in the order of their runs.
  ///
  /// @throws Refused when a later stage cannot be planned today
  TreatmentPlan staged(UUID visitId, Planned planned) {
    Region first = planned.plan().region();
    List<Run> runs =
        planned.judged().stream()
            .sorted(Comparator.comparing(run -> run.script().region() != first))
            .toList();
    return Stages.of(
            runs,
            Objections.of(runs, Optional.empty()),
            (run, line) ->
                run == runs.getFirst() && run.script().peels().findFirst().get().equals(line)
                    ? planned.plan()
                    : stage(visitId, run, line),
            scripts.weightKg(visitId))
        .orElse(planned.plan());
  }

  TreatmentPlan stage(UUID visitId, Run run, Script.Line line) {
    try {
      return Planning.plan(
              line.formula().orElseThrow(),
              Optional.empty(),
              selection.facts(visitId, run.script().region()),
              Wishes.of(line.step()))
          .readied(Preparation.of(run.script(), run.setting()));
    } catch (IllegalArgumentException e) {
      throw new Refused(
          Words.capital(line.words()) + " cannot be planned so today: " + e.getMessage() + ".");
    }
  }

  static List<StoredScript.Run> composed(
      Chosen chosen, TreatmentPlan plan, SelectionFacts facts, Setting setting) {
    List<TreatmentPlan> then =
        chosen.then().stream()
            .map(next -> new Next(facts.client().shelf().named(next.formula()), next.zones()))
            .filter(next -> next.formula().peels())
            .map(next ->
                Planning.plan(next.formula(), Optional.empty(), facts, Wishes.on(next.zones())))
            .toList();
    return List.of(run(plan, then, setting));
  }

  static StoredScript.Run run(TreatmentPlan plan, List<TreatmentPlan> then, Setting setting) {
    return new StoredScript.Run(
        plan.region(),
        Optional.empty(),
        Composer.steps(plan, then, setting).stream().map(StoredScript.StoredStep::of).toList());
  }

  record Next(Formula formula, List<Zone> zones) {}

  /// What may go on a region today, and why not.
  Selection rack(UUID visitId, Region region) {
    return Selection.choose(selection.facts(visitId, region));
  }

  /// The first stage leaves out the zones that later stages have to themselves.
  static Wishes withoutZonesOf(List<NextStage> then, SelectionFacts facts) {
    List<Zone> taken = then.stream().flatMap(stage -> stage.zones().stream()).toList();
    if (taken.isEmpty()) return Wishes.NONE;
    List<Zone> left = facts.zones().stream().filter(zone -> !taken.contains(zone)).toList();
    return Wishes.on(left);
  }

  /// The stages of a visit together; empty where there is only one.
  Optional<Chain> chain(String code, List<NextStage> then, Wishes wishes, SelectionFacts facts) {
    if (then.isEmpty()) return Optional.empty();
    Shelf shelf = facts.client().shelf();
    List<Chain.Stage> stages = new ArrayList<>();
    stages.add(new Chain.Stage(shelf.named(code), wishes.zones().orElse(List.of())));
    then.forEach(next -> stages.add(new Chain.Stage(shelf.named(next.formula()), next.zones())));
    return Optional.of(Chain.of(stages, facts));
  }

  /// What stages would be together; nothing is saved.
  Optional<Chain> chain(UUID visitId, String code, List<NextStage> then) {
    SelectionFacts facts = selection.facts(visitId);
    return chain(code, then, withoutZonesOf(then, facts), facts);
  }

  void requireTogether(String code, List<NextStage> then, Wishes wishes, SelectionFacts facts) {
    chain(code, then, wishes, facts)
        .flatMap(chain -> chain.objections().stream().findFirst())
        .ifPresent(objection -> {
          throw new Refused("These stages do not go together: " + objection.words() + ".");
        });
  }

  static boolean first(TreatmentPlan plan) {
    return plan.staging().number() == 1;
  }

  SelectionFacts openToday(UUID visitId) {
    SelectionFacts facts = selection.facts(visitId);
    if (facts.screening().verdict().compareTo(Verdict.WAIT) >= 0) {
      throw new Refused("Screen says " + facts.screening().verdict() + ". Nothing was opened.");
    }
    return facts;
  }

  static void requireOpen(Selection rack, String code) {
    Tile tile = BadInput.in("formula", () -> rack.tile(code));
    if (!tile.open()) {
      throw new Refused(code + " is shut: " + tile.shut().getFirst().words() + ".");
    }
  }

  static TreatmentPlan make(Chosen chosen, SelectionFacts facts) {
    Shelf shelf = facts.client().shelf();
    Optional<AddOn> addOn =
        chosen.then().stream()
            .map(next -> shelf.named(next.formula()))
            .filter(formula -> formula.use() == Formula.Use.STAYS)
            .findFirst()
            .map(formula -> AddOn.of(formula, facts.client().policies()));
    return Planning.plan(shelf.named(chosen.formulaCode()), addOn, facts, chosen.wishes());
  }

  /// The choice that the first stage of some steps comes to.
  static Chosen asWritten(
      Chosen chosen, List<StoredScript.Run> runs, SelectionFacts facts, boolean whole) {
    Step first =
        runs.stream()
            .filter(run -> run.region() == facts.client().region())
            .flatMap(run -> run.steps().stream())
            .map(StoredScript.StoredStep::step)
            .filter(step -> step.kind() == StepKind.ACID)
            .findFirst()
            .orElseThrow(() ->
                new BadInput(
                    "runs",
                    "no step is a peel on "
                        + facts.client().region().withArticle()
                        + "; a visit has one where Screen has asked"));
    String code = ((What.Peel) first.what()).code();
    boolean same = code.equals(chosen.formulaCode());
    Chosen written =
        new Chosen(
            code,
            same ? chosen.reason() : "by the steps as written",
            Wishes.of(first).edged(chosen.wishes().edge()),
            whole,
            addOn(runs, facts));
    if (whole) BadInput.check("runs", () -> make(written, facts));
    return written;
  }

  /// What stays on after it, which the couch knows of already; the other stages stand in the steps.
  static List<NextStage> addOn(List<StoredScript.Run> runs, SelectionFacts facts) {
    Shelf shelf = facts.client().shelf();
    return runs.stream()
        .filter(run -> run.region() == facts.client().region())
        .flatMap(run -> run.steps().stream())
        .flatMap(step -> step.peel().flatMap(shelf::find).stream())
        .filter(formula -> formula.use() == Formula.Use.STAYS)
        .limit(1)
        .map(formula -> new NextStage(formula.code(), List.of()))
        .toList();
  }

  static void requireNoneShut(Planned planned) {
    Objections.of(planned.judged(), Optional.empty()).stream()
        .filter(objection -> objection.severity() == Severity.SHUT)
        .findFirst()
        .ifPresent(objection -> {
          throw new Refused(
              "A line is shut: " + objection.words() + ". The plan is as it was; swap the line.");
        });
  }
}
