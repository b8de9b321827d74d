package ivesk.server.plan;

import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.stage.Stages;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.selection.Tile;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.Problems.Refused;
import ivesk.server.plan.PlanStore.Chosen;
import ivesk.server.selection.SelectionService;
import ivesk.server.visit.VisitRecord;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What takes the plan's place on the answer to the prep.
@Component
public class GateChange {
  private final PlanStore store;
  private final SelectionService selection;
  private final VisitRecord record;
  private final ScriptService scripts;
  private final Audit audit;
  private final PlanMaker maker;

  GateChange(
      PlanStore store,
      SelectionService selection,
      VisitRecord record,
      ScriptService scripts,
      Audit audit,
      PlanMaker maker) {
    this.store = store;
    this.selection = selection;
    this.record = record;
    this.scripts = scripts;
    this.audit = audit;
    this.maker = maker;
  }

  /// What may take the place of a formula at gate A: the family's next lower rung that is open, and
  /// other open formulas that go no deeper and are felt no more, the best first.
  public record Instead(Optional<String> lowerRung, List<String> others) {}

  public Instead instead(UUID visitId, TreatmentPlan plan) {
    Selection rack = maker.rack(visitId, plan.region());
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
        maker.first(plan)
            ? maker.staged(visitId, maker.planned(visitId, changed(visitId, plan, code)))
            : later(visitId, plan, code);
    Staging place = plan.staging();
    return other.staged(
        maker.first(plan) ? other.addOn() : plan.addOn(),
        new Staging(
            place.number(),
            place.of(),
            other.staging().base(),
            place.weightKg(),
            place.after(),
            place.next()));
  }

  /// A later stage, which the visit's choice knows nothing of.
  TreatmentPlan later(UUID visitId, TreatmentPlan before, String code) {
    maker.openToday(visitId);
    SelectionFacts facts = selection.facts(visitId, before.region());
    maker.requireOpen(Selection.choose(facts), code);
    Formula formula = facts.client().shelf().get(code);
    TreatmentPlan plan =
        Planning.plan(
                formula, Optional.empty(), facts, Wishes.on(before.zones()).off(before.earlier()))
            .readied(before.preparation());
    Function<Region, Setting> settings = scripts.settings(visitId);
    StoredScript.Run run = maker.run(plan, List.of(), settings.apply(before.region()));
    return Stages.of(
            maker.judged(settings, List.of(run)), List.of(), (_, _) -> plan, Optional.empty())
        .orElse(plan);
  }

  /// Keeps that formula as the visit's choice; its steps are composed anew. A later stage is
  /// changed on the couch alone.
  @Transactional
  public void changeAtGate(UUID visitId, TreatmentPlan before, String code, String who) {
    if (maker.first(before)) {
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

  Chosen changed(UUID visitId, TreatmentPlan before, String code) {
    SelectionFacts facts = maker.openToday(visitId);
    maker.requireOpen(Selection.choose(facts), code);
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    Wishes wishes = Wishes.on(before.zones()).off(before.earlier()).edged(chosen.wishes().edge());
    boolean together =
        maker
            .chain(code, chosen.then(), wishes, facts)
            .filter(chain -> !chain.objections().isEmpty())
            .isEmpty();
    return new Chosen(
        code,
        "gate A: instead of " + before.formula().code(),
        wishes,
        true,
        together ? chosen.then() : List.of());
  }
}
