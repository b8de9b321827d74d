package ivesk.server.plan;

import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Region;
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
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
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
  private final PlanMaker maker;

  PlanService(
      PlanStore store,
      SelectionService selection,
      VisitRecord record,
      VisitStore visits,
      ScriptService scripts,
      Audit audit,
      PlanMaker maker) {
    this.store = store;
    this.selection = selection;
    this.scripts = scripts;
    this.record = record;
    this.visits = visits;
    this.audit = audit;
    this.maker = maker;
  }

  /// Empty before a choice.
  public Optional<PlanProgress> progress(UUID visitId) {
    return store.progress(visitId);
  }

  /// What may be chosen for a region of a visit.
  public Selection rack(UUID visitId, Region region) {
    return maker.rack(visitId, region);
  }

  /// Takes plans out for good.
  public void erase(List<UUID> visits) {
    visits.forEach(store::erase);
  }

  /// Whatever is kept of a visit's plan.
  public void readThrough(UUID visitId) {
    maker.planned(visitId);
  }

  /// A run that Ivesk composes for a region of the visit; nothing is kept.
  ///
  /// @throws Refused when the formula is shut there
  StoredScript.Run compose(UUID visitId, Region region, String code) {
    SelectionFacts facts = selection.facts(visitId, region);
    maker.requireOpen(Selection.choose(facts), code);
    Formula formula = facts.client().shelf().get(code);
    TreatmentPlan plan =
        BadInput.in("formula", () -> Planning.plan(formula, Optional.empty(), facts, Wishes.NONE));
    return maker.run(plan, List.of(), scripts.settings(visitId).apply(region));
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
    maker.requireOpen(rack, code);
    Wishes wishes = maker.withoutZonesOf(then, facts).edged(lastEdge(visitId));
    BadInput.check("then", () -> maker.requireTogether(code, then, wishes, facts));
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

  /// Keeps the plan as it stands; Ready opens.
  @Transactional
  public void keep(UUID visitId, String who) {
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    record.requireUnopened(visitId);
    SelectionFacts facts = selection.facts(visitId);
    maker.requireOpen(Selection.choose(facts), chosen.formulaCode());
    Chosen kept =
        new Chosen(chosen.formulaCode(), chosen.reason(), chosen.wishes(), true, chosen.then());
    maker.requireTogether(kept.formulaCode(), kept.then(), kept.wishes(), facts);
    BadInput.check("plan", () -> maker.make(kept, facts));
    PlanMaker.Planned planned = maker.planned(visitId, kept);
    maker.requireNoneShut(planned);
    maker.staged(visitId, planned);
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
    Chosen written = maker.asWritten(chosen, runs, selection.facts(visitId), whole);
    store.saveScript(visitId, version + 1, new StoredScript(runs), who);
    store.save(visitId, written, who);
    if (whole) {
      PlanMaker.Planned planned = maker.planned(visitId, written);
      maker.requireNoneShut(planned);
      maker.staged(visitId, planned);
    }
    audit.noteOnce(who, "write steps", visitId);
  }

  /// The plan for the couch, when the day still allows it.
  ///
  /// @throws Refused when screening, a gate or a line has shut it since
  public TreatmentPlan ready(UUID visitId) {
    Chosen chosen =
        store.of(visitId).filter(Chosen::kept).orElseThrow(() -> new Refused("Keep a plan first."));
    SelectionFacts facts = maker.openToday(visitId);
    maker.requireOpen(Selection.choose(facts), chosen.formulaCode());
    maker.requireTogether(chosen.formulaCode(), chosen.then(), chosen.wishes(), facts);
    PlanMaker.Planned planned = maker.planned(visitId, chosen);
    maker.requireNoneShut(planned);
    return maker.staged(visitId, planned);
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
}
