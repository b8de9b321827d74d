package ivesk.server.plan;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.plan.stage.Stages;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.selection.Chain;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.selection.Tile;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Problems.Stale;
import ivesk.server.plan.PlanStore.Chosen;
import ivesk.server.plan.PlanStore.KeptScript;
import ivesk.server.plan.PlanStore.NextStage;
import ivesk.server.selection.SelectionService;
import ivesk.server.visit.VisitRecord;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class PlanService {
  private final PlanStore store;
  private final SelectionService selection;
  private final VisitRecord record;
  private final VisitStore visits;
  private final ScriptService scripts;
  private final Audit audit;

  PlanService(
      PlanStore store,
      SelectionService selection,
      VisitRecord record,
      VisitStore visits,
      ScriptService scripts,
      Audit audit) {
    this.store = store;
    this.selection = selection;
    this.scripts = scripts;
    this.record = record;
    this.visits = visits;
    this.audit = audit;
  }

  /// Empty before a choice.
  public Optional<PlanProgress> progress(UUID visitId) {
    return store.progress(visitId);
  }

  /// Takes plans out for good.
  public void erase(List<UUID> visits) {
    visits.forEach(store::erase);
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

  /// Whatever is kept of a visit's plan.
  public void readThrough(UUID visitId) {
    planned(visitId);
  }

  /// Empty before a choice.
  Optional<Planned> planned(UUID visitId) {
    return store.of(visitId).map(chosen -> planned(visitId, chosen));
  }

  private Planned planned(UUID visitId, Chosen chosen) {
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

  private static List<Run> judged(Function<Region, Setting> settings, List<StoredScript.Run> runs) {
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
  private TreatmentPlan staged(UUID visitId, Planned planned) {
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

  private TreatmentPlan stage(UUID visitId, Run run, Script.Line line) {
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

  private static List<StoredScript.Run> composed(
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

  private static StoredScript.Run run(
      TreatmentPlan plan, List<TreatmentPlan> then, Setting setting) {
    return new StoredScript.Run(
        plan.region(),
        Optional.empty(),
        Composer.steps(plan, then, setting).stream().map(StoredScript.StoredStep::of).toList());
  }

  private record Next(Formula formula, List<Zone> zones) {}

  /// What may go on a region today, and why not.
  public Selection rack(UUID visitId, Region region) {
    return Selection.choose(selection.facts(visitId, region));
  }

  /// A run that Ivesk composes for a region of the visit; nothing is kept.
  ///
  /// @throws Refused when the formula is shut there
  StoredScript.Run compose(UUID visitId, Region region, String code) {
    SelectionFacts facts = selection.facts(visitId, region);
    requireOpen(Selection.choose(facts), code);
    Formula formula = facts.client().shelf().get(code);
    TreatmentPlan plan =
        BadInput.in("formula", () -> Planning.plan(formula, Optional.empty(), facts, Wishes.NONE));
    return run(plan, List.of(), scripts.settings(visitId).apply(region));
  }

  /// Takes a formula. Any but the first choice needs a few words of reason.
  ///
  /// @throws Refused when the formula is shut
  @Transactional
  public void choose(UUID visitId, String code, String reason, String who) {
    choose(visitId, code, reason, List.of(), who);
  }

  /// As before, with stages after the first.
  ///
  /// @throws Refused when the chain may not be planned
  @Transactional
  public void choose(UUID visitId, String code, String reason, List<NextStage> then, String who) {
    record.requireUnopened(visitId);
    SelectionFacts facts = selection.facts(visitId);
    Selection rack = Selection.choose(facts);
    requireOpen(rack, code);
    Wishes wishes = withoutZonesOf(then, facts).edged(lastEdge(visitId));
    BadInput.check("then", () -> requireTogether(code, then, wishes, facts));
    boolean first = rack.first().filter(code::equals).isPresent();
    if (!first && reason.isBlank()) {
      throw new BadInput(
          "reason",
          "reason is empty; "
              + rack.first().orElse("another formula")
              + " is advised, a few words say why "
              + code);
    }
    store.save(visitId, new Chosen(code, first ? "" : reason, wishes, false, then), who);
    // Another choice is another visit: its steps are composed anew.
    store.dropScript(visitId);
    audit.note(who, "choose " + code, visitId);
  }

  /// The first stage leaves out the zones that later stages have to themselves.
  private static Wishes withoutZonesOf(List<NextStage> then, SelectionFacts facts) {
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

  private void requireTogether(
      String code, List<NextStage> then, Wishes wishes, SelectionFacts facts) {
    chain(code, then, wishes, facts)
        .flatMap(chain -> chain.objections().stream().findFirst())
        .ifPresent(objection -> {
          throw new Refused("These stages do not go together: " + objection.words() + ".");
        });
  }

  /// Takes how far the peel goes, and fades.
  ///
  /// @throws BadInput when it may not fade there
  @Transactional
  public void edge(UUID visitId, Edge edge, String who) {
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    record.requireUnopened(visitId);
    List<Edge> open = edges(chosen, selection.facts(visitId));
    if (!open.contains(edge)) {
      throw new BadInput("edge", "edge is " + edge + "; this peel may go to " + open);
    }
    store.save(
        visitId,
        new Chosen(
            chosen.formulaCode(),
            chosen.reason(),
            chosen.wishes().edged(Optional.of(edge)),
            chosen.kept(),
            chosen.then()),
        who);
    audit.note(who, "edge " + edge, visitId);
  }

  /// As it was chosen by hand at the client's latest visit before this one.
  private Optional<Edge> lastEdge(UUID visitId) {
    Visit visit = visits.get(visitId);
    List<UUID> earlier =
        visits.ofClient(visit.clientId()).stream()
            .filter(other -> other.startsAt().isBefore(visit.startsAt()))
            .sorted(Comparator.comparing(Visit::startsAt).reversed())
            .map(Visit::id)
            .toList();
    Map<UUID, Edge> chosen = store.edges(earlier);
    return earlier.stream().filter(chosen::containsKey).findFirst().map(chosen::get);
  }

  static List<Edge> edges(Chosen chosen, SelectionFacts facts) {
    return Planning.edges(facts.client().shelf().named(chosen.formulaCode()), facts);
  }

  /// What may take the place of a formula at gate A: the family's next lower rung that is open, and
  /// other open formulas that go no deeper and are felt no more, the best first.
  public record Instead(Optional<String> lowerRung, List<String> others) {}

  public Instead instead(UUID visitId, TreatmentPlan plan) {
    Selection rack = rack(visitId, plan.region());
    Formula planned = plan.formula();
    Optional<String> lower =
        rack.tiles().stream()
            .filter(Tile::open)
            .map(Tile::formula)
            .filter(other ->
                other.family() == planned.family()
                    && other.peels()
                    && other.rung() < planned.rung())
            .max(Comparator.comparing(Formula::rung))
            .map(Formula::code);
    List<String> others =
        rack.ranked().stream()
            .filter(code -> !code.equals(planned.code()) && !lower.filter(code::equals).isPresent())
            .map(rack::tile)
            .filter(tile ->
                tile.open()
                    && !tile.depth().deeperThan(plan.depth())
                    && tile.formula().band().high() <= planned.band().high())
            .map(tile -> tile.formula().code())
            .limit(MOST_INSTEAD)
            .toList();
    return new Instead(lower, others);
  }

  private static final int MOST_INSTEAD = 4;

  /// The plan by another formula on the same zones, as Screen and Choose have it now, in the same
  /// place of the visit; nothing is kept.
  ///
  /// @throws Refused when Screen has shut the day, or a gate that formula
  public TreatmentPlan insteadOf(UUID visitId, TreatmentPlan plan, String code) {
    TreatmentPlan other =
        first(plan)
            ? staged(visitId, planned(visitId, changed(visitId, plan, code)))
            : later(visitId, plan, code);
    Staging place = plan.staging();
    return other.staged(
        first(plan) ? other.addOn() : plan.addOn(),
        new Staging(
            place.number(),
            place.of(),
            other.staging().base(),
            place.weightKg(),
            place.after(),
            place.next()));
  }

  private static boolean first(TreatmentPlan plan) {
    return plan.staging().number() == 1;
  }

  /// A later stage, which the visit's choice knows nothing of.
  private TreatmentPlan later(UUID visitId, TreatmentPlan before, String code) {
    openToday(visitId);
    SelectionFacts facts = selection.facts(visitId, before.region());
    requireOpen(Selection.choose(facts), code);
    Formula formula = facts.client().shelf().get(code);
    TreatmentPlan plan =
        Planning.plan(
                formula, Optional.empty(), facts, Wishes.on(before.zones()).off(before.earlier()))
            .readied(before.preparation());
    Function<Region, Setting> settings = scripts.settings(visitId);
    StoredScript.Run run = run(plan, List.of(), settings.apply(before.region()));
    return Stages.of(judged(settings, List.of(run)), List.of(), (_, _) -> plan, Optional.empty())
        .orElse(plan);
  }

  /// Keeps that formula as the visit's choice; its steps are composed anew. A later stage is
  /// changed on the couch alone.
  @Transactional
  public void changeAtGate(UUID visitId, TreatmentPlan before, String code, String who) {
    if (first(before)) {
      Chosen changed = changed(visitId, before, code);
      store.save(visitId, changed, who);
      store.dropScript(visitId);
    }
    audit.note(who, "gate A: " + code + " instead of " + before.formula().code(), visitId);
  }

  /// A change at gate A was taken back: the visit's choice follows the plan that holds.
  @Transactional
  public void follow(UUID visitId, TreatmentPlan holds, String who) {
    boolean other =
        store
            .of(visitId)
            .filter(chosen -> !chosen.formulaCode().equals(holds.formula().code()))
            .isPresent();
    if (other) changeAtGate(visitId, holds, holds.formula().code(), who);
  }

  private Chosen changed(UUID visitId, TreatmentPlan before, String code) {
    SelectionFacts facts = openToday(visitId);
    requireOpen(Selection.choose(facts), code);
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    Wishes wishes = Wishes.on(before.zones()).off(before.earlier()).edged(chosen.wishes().edge());
    boolean together =
        chain(code, chosen.then(), wishes, facts)
            .filter(chain -> !chain.objections().isEmpty())
            .isEmpty();
    return new Chosen(
        code,
        "gate A: instead of " + before.formula().code(),
        wishes,
        true,
        together ? chosen.then() : List.of());
  }

  private SelectionFacts openToday(UUID visitId) {
    SelectionFacts facts = selection.facts(visitId);
    if (facts.screening().verdict().compareTo(Verdict.WAIT) >= 0) {
      throw new Refused("Screen says " + facts.screening().verdict() + ". Nothing was opened.");
    }
    return facts;
  }

  /// Keeps the plan as it stands; Ready opens.
  @Transactional
  public void keep(UUID visitId, String who) {
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    record.requireUnopened(visitId);
    SelectionFacts facts = selection.facts(visitId);
    requireOpen(Selection.choose(facts), chosen.formulaCode());
    Chosen kept =
        new Chosen(chosen.formulaCode(), chosen.reason(), chosen.wishes(), true, chosen.then());
    requireTogether(kept.formulaCode(), kept.then(), kept.wishes(), facts);
    BadInput.check("plan", () -> make(kept, facts));
    Planned planned = planned(visitId, kept);
    requireNoneShut(planned);
    staged(visitId, planned);
    store.save(visitId, kept, who);
    audit.note(who, "keep plan " + kept.formulaCode(), visitId);
  }

  /// Keeps the steps as they were written by hand or taken from a protocol.
  ///
  /// @param over the version that was looked at; 0 where Ivesk composed them
  /// @param whole the plan is kept and Ready opens; otherwise the steps only
  /// @throws Stale when somebody else changed them since
  /// @throws Refused when a line is shut and the plan was to be kept whole
  @Transactional
  public void write(
      UUID visitId, List<StoredScript.Run> runs, int over, boolean whole, String who) {
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    record.requireUnopened(visitId);
    int version = store.script(visitId).map(KeptScript::version).orElse(0);
    if (version != over) throw new Stale("This plan");
    Chosen written = asWritten(chosen, runs, selection.facts(visitId), whole);
    store.saveScript(visitId, version + 1, new StoredScript(runs), who);
    store.save(visitId, written, who);
    if (whole) {
      Planned planned = planned(visitId, written);
      requireNoneShut(planned);
      staged(visitId, planned);
    }
    audit.noteOnce(who, "write steps", visitId);
  }

  /// The choice that the first stage of some steps comes to.
  private static Chosen asWritten(
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
  private static List<NextStage> addOn(List<StoredScript.Run> runs, SelectionFacts facts) {
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

  private static void requireNoneShut(Planned planned) {
    Objections.of(planned.judged(), Optional.empty()).stream()
        .filter(objection -> objection.severity() == Severity.SHUT)
        .findFirst()
        .ifPresent(objection -> {
          throw new Refused(
              "A line is shut: " + objection.words() + ". The plan is as it was; swap the line.");
        });
  }

  /// The plan for the couch, when the day still allows it.
  ///
  /// @throws Refused when screening, a gate or a line has shut it since
  public TreatmentPlan ready(UUID visitId) {
    Chosen chosen =
        store.of(visitId).filter(Chosen::kept).orElseThrow(() -> new Refused("Keep a plan first."));
    SelectionFacts facts = openToday(visitId);
    requireOpen(Selection.choose(facts), chosen.formulaCode());
    requireTogether(chosen.formulaCode(), chosen.then(), chosen.wishes(), facts);
    Planned planned = planned(visitId, chosen);
    requireNoneShut(planned);
    return staged(visitId, planned);
  }

  /// Ticks a thing on the trolley, or takes the tick off.
  @Transactional
  public void layOut(UUID visitId, String item, boolean out) {
    store.layOut(visitId, item, out);
  }

  /// Keeps what the client told of a step of the weeks before.
  ///
  /// @param kept empty takes it back
  @Transactional
  public void tellPrep(UUID visitId, PrepCalendar.Item item, Optional<Boolean> kept, String who) {
    record.requireUnsigned(visitId);
    store.tellPrep(visitId, item, kept);
    audit.noteOnce(who, "prep kept or not", visitId);
  }

  Map<PrepCalendar.Item, Boolean> prepTold(UUID visitId) {
    return store.prepTold(visitId);
  }

  List<String> laidOut(UUID visitId) {
    return store.laidOut(visitId);
  }

  private static void requireOpen(Selection rack, String code) {
    Tile tile = BadInput.in("formula", () -> rack.tile(code));
    if (!tile.open()) {
      throw new Refused(code + " is shut: " + tile.shut().getFirst().words() + ".");
    }
  }

  private static TreatmentPlan make(Chosen chosen, SelectionFacts facts) {
    Shelf shelf = facts.client().shelf();
    Optional<AddOn> addOn =
        chosen.then().stream()
            .map(next -> shelf.named(next.formula()))
            .filter(formula -> formula.use() == Formula.Use.STAYS)
            .findFirst()
            .map(formula -> AddOn.of(formula, facts.client().policies()));
    return Planning.plan(shelf.named(chosen.formulaCode()), addOn, facts, chosen.wishes());
  }
}
