package ivesk.server.plan;

import ivesk.core.formula.Library;
import ivesk.core.plan.Planning;
import ivesk.core.plan.Planning.Wishes;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.screening.Verdict;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.server.app.Audit;
import ivesk.server.app.Problems.Refused;
import ivesk.server.plan.PlanStore.Chosen;
import ivesk.server.selection.SelectionService;
import ivesk.server.treatment.Treatments;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class PlanService {
  private final PlanStore store;
  private final SelectionService selection;
  private final Treatments treatments;
  private final Audit audit;

  PlanService(PlanStore store, SelectionService selection, Treatments treatments, Audit audit) {
    this.store = store;
    this.selection = selection;
    this.treatments = treatments;
    this.audit = audit;
  }

  public Optional<String> formula(UUID visitId) {
    return store.of(visitId).map(Chosen::formulaCode);
  }

  public boolean kept(UUID visitId) {
    return store.of(visitId).map(Chosen::kept).orElse(false);
  }

  /// The stage as the choice and the limits of the day make it; empty before a choice.
  public Optional<TreatmentPlan> plan(UUID visitId) {
    return store.of(visitId).map(chosen -> make(visitId, chosen));
  }

  /// Takes a formula. Any but the first choice needs a few words of reason.
  ///
  /// @throws Refused when the formula is shut
  @Transactional
  public void choose(UUID visitId, String code, String reason, String who) {
    treatments.requireUnopened(visitId);
    Selection rack = selection.choose(visitId);
    requireOpen(rack, code);
    boolean first = rack.first().filter(code::equals).isPresent();
    if (!first && reason.isBlank()) {
      throw new IllegalArgumentException(
          "reason is empty; "
              + rack.first().orElse("another formula")
              + " is advised, a few words say why "
              + code);
    }
    store.save(visitId, new Chosen(code, first ? "" : reason, Wishes.NONE, false), who);
    audit.note(who, "choose " + code, visitId);
  }

  /// Keeps the plan as it stands; Ready opens.
  @Transactional
  public void keep(UUID visitId, Wishes wishes, String who) {
    treatments.requireUnopened(visitId);
    Chosen chosen = store.of(visitId).orElseThrow(() -> new Refused("No formula is chosen yet."));
    requireOpen(selection.choose(visitId), chosen.formulaCode());
    Chosen kept = new Chosen(chosen.formulaCode(), chosen.reason(), wishes, true);
    make(visitId, kept);
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
    return make(visitId, chosen);
  }

  private static void requireOpen(Selection rack, String code) {
    Selection.Tile tile = rack.tile(code);
    if (!tile.open()) {
      throw new Refused(code + " is shut: " + tile.shut().getFirst().words() + ".");
    }
  }

  private TreatmentPlan make(UUID visitId, Chosen chosen) {
    return Planning.plan(
        Library.get(chosen.formulaCode()), selection.facts(visitId), chosen.wishes());
  }
}
