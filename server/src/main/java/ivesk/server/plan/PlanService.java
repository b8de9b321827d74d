package ivesk.server.plan;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.AddOn;
import ivesk.core.plan.Planning;
import ivesk.core.plan.Planning.Wishes;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.screening.Verdict;
import ivesk.core.selection.Chain;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Zone;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.plan.PlanStore.Chosen;
import ivesk.server.plan.PlanStore.NextStage;
import ivesk.server.selection.SelectionService;
import ivesk.server.visit.VisitRecord;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class PlanService {
  private final PlanStore store;
  private final SelectionService selection;
  private final VisitRecord record;
  private final Audit audit;

  PlanService(PlanStore store, SelectionService selection, VisitRecord record, Audit audit) {
    this.store = store;
    this.selection = selection;
    this.record = record;
    this.audit = audit;
  }

  /// How far a visit's plan has come.
  ///
  /// @param formula that was chosen
  /// @param kept whether the plan is
  public record Progress(String formula, boolean kept) {}

  /// Empty before a choice.
  public Optional<Progress> progress(UUID visitId) {
    return store.progress(visitId);
  }

  /// Takes plans out for good.
  public void erase(List<UUID> visits) {
    visits.forEach(store::erase);
  }

  /// What is planned for a visit, with the facts that made it.
  ///
  /// @param plan the first stage, as the choice and the limits of the day make it
  /// @param chain all stages together; empty where there is only one
  record Planned(Chosen chosen, TreatmentPlan plan, Optional<Chain> chain, SelectionFacts facts) {}

  /// Empty before a choice.
  Optional<Planned> planned(UUID visitId) {
    return store
        .of(visitId)
        .map(chosen -> {
          SelectionFacts facts = selection.facts(visitId);
          return new Planned(
              chosen,
              make(chosen, facts),
              chain(chosen.formulaCode(), chosen.then(), chosen.wishes(), facts),
              facts);
        });
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
    Wishes wishes = withoutZonesOf(then, facts);
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
    audit.note(who, "choose " + code, visitId);
  }

  /// The first stage leaves out the zones that later stages have to themselves.
  private static Wishes withoutZonesOf(List<NextStage> then, SelectionFacts facts) {
    List<Zone> taken = then.stream().flatMap(stage -> stage.zones().stream()).toList();
    if (taken.isEmpty()) return Wishes.NONE;
    List<Zone> left = facts.zones().stream().filter(zone -> !taken.contains(zone)).toList();
    return new Wishes(Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(left));
  }

  /// The stages of a visit together; empty where there is only one.
  Optional<Chain> chain(String code, List<NextStage> then, Wishes wishes, SelectionFacts facts) {
    if (then.isEmpty()) return Optional.empty();
    Shelf shelf = facts.client().shelf();
    List<Chain.Stage> stages = new ArrayList<>();
    stages.add(new Chain.Stage(shelf.get(code), wishes.zones().orElse(List.of())));
    then.forEach(next -> stages.add(new Chain.Stage(shelf.get(next.formula()), next.zones())));
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

  /// Keeps the plan as it stands; Ready opens.
  @Transactional
  public void keep(UUID visitId, Wishes wishes, String who) {
    record.requireUnopened(visitId);
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    SelectionFacts facts = selection.facts(visitId);
    requireOpen(Selection.choose(facts), chosen.formulaCode());
    // Stages have their zones from the choice; where none are named again, they stay.
    boolean asChosen = !chosen.then().isEmpty() && wishes.zones().isEmpty();
    Wishes within =
        asChosen
            ? new Wishes(
                wishes.layersPlanned(),
                wishes.layersAtMost(),
                wishes.contact(),
                chosen.wishes().zones())
            : wishes;
    Chosen kept = new Chosen(chosen.formulaCode(), chosen.reason(), within, true, chosen.then());
    requireTogether(kept.formulaCode(), kept.then(), within, facts);
    BadInput.check("plan", () -> make(kept, facts));
    store.save(visitId, kept, who);
    audit.note(who, "keep plan " + kept.formulaCode(), visitId);
  }

  /// The plan for the couch, when the day still allows it.
  ///
  /// @throws Refused when screening or a gate has shut it since
  public TreatmentPlan ready(UUID visitId) {
    Chosen chosen =
        store.of(visitId).filter(Chosen::kept).orElseThrow(() -> new Refused("Keep a plan first."));
    SelectionFacts facts = selection.facts(visitId);
    if (facts.screening().verdict().compareTo(Verdict.WAIT) >= 0) {
      throw new Refused("Screen says " + facts.screening().verdict() + ". Nothing was opened.");
    }
    requireOpen(Selection.choose(facts), chosen.formulaCode());
    requireTogether(chosen.formulaCode(), chosen.then(), chosen.wishes(), facts);
    return make(chosen, facts);
  }

  private static void requireOpen(Selection rack, String code) {
    Selection.Tile tile = BadInput.in("formula", () -> rack.tile(code));
    if (!tile.open()) {
      throw new Refused(code + " is shut: " + tile.shut().getFirst().words() + ".");
    }
  }

  private static TreatmentPlan make(Chosen chosen, SelectionFacts facts) {
    Shelf shelf = facts.client().shelf();
    Optional<AddOn> addOn =
        chosen.then().stream()
            .map(next -> shelf.get(next.formula()))
            .filter(formula -> formula.use() == Formula.Use.STAYS)
            .findFirst()
            .map(formula -> AddOn.of(formula, facts.client().policies()));
    return Planning.plan(shelf.get(chosen.formulaCode()), addOn, facts, chosen.wishes());
  }
}
