package ivesk.server.plan;

import ivesk.core.Words;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Substance;
import ivesk.core.plan.AddOn;
import ivesk.core.plan.Course;
import ivesk.core.plan.Planning.Wishes;
import ivesk.core.plan.PrepCalendar;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.plan.Trolley;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.selection.Chain;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Zone;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.formula.NeutraliserView;
import ivesk.server.plan.PlanService.Planned;
import ivesk.server.plan.PlanStore.NextStage;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/visits/{id}")
class PlanController {
  private final PlanService plans;
  private final VisitStore visits;
  private final ClientStore clients;
  private final Clock clock;

  PlanController(PlanService plans, VisitStore visits, ClientStore clients, Clock clock) {
    this.plans = plans;
    this.visits = visits;
    this.clients = clients;
    this.clock = clock;
  }

  /// @param share of the salicylate yardstick, 0 to 1; above 0.25 warns
  record Salicylate(double share, double grams) {}

  /// @param lengthMinutes of the appointment, from 1
  record PlanStation(
      PlanView plan,
      boolean kept,
      int mostLayersToday,
      double freeAcidPercent,
      Optional<NeutraliserView> neutraliser,
      Optional<Salicylate> salicylate,
      List<Course.Block> course,
      long lengthMinutes,
      int bookedMinutes,
      List<PrepCalendar.Step> prep,
      List<Trolley.LaidOut> trolley,
      LocalDate flakingFrom,
      LocalDate flakingTo,
      List<StageView> then,
      Optional<Chain> chain) {}

  /// @param then stages after the first, in their order
  record Choice(String formula, Optional<String> reason, Optional<List<NextStage>> then) {}

  record ChainAsked(String formula, List<NextStage> then) {}

  /// @param zones empty where it goes over all that the first stage covers
  /// @param addOn goes on calm skin, in Settle
  record StageView(String code, String name, List<String> zones, String how, boolean addOn) {}

  /// Empty fields take the proposal.
  record PlanKept(
      Optional<Integer> layersPlanned,
      Optional<Integer> layersAtMost,
      Optional<Long> contactSeconds,
      Optional<List<Zone>> zones) {}

  @May(Right.TREAT)
  @PutMapping("/choice")
  PlanStation choose(@PathVariable UUID id, @RequestBody Choice choice, Principal who) {
    plans.choose(
        id,
        choice.formula(),
        choice.reason().orElse(""),
        choice.then().orElse(List.of()),
        who.getName());
    return plan(id).orElseThrow();
  }

  /// What stages would be together; nothing is saved. Empty for one stage.
  @StatelessQuestion
  @May(Right.TREAT)
  @PostMapping("/chain")
  Optional<Chain> chain(@PathVariable UUID id, @RequestBody ChainAsked body) {
    return plans.chain(id, body.formula(), body.then());
  }

  @May(Right.RECORD)
  @GetMapping("/plan")
  Optional<PlanStation> plan(@PathVariable UUID id) {
    return plans.planned(id).map(planned -> station(id, planned));
  }

  @May(Right.TREAT)
  @PutMapping("/plan")
  PlanStation keep(@PathVariable UUID id, @RequestBody PlanKept kept, Principal who) {
    plans.keep(
        id,
        new Wishes(
            kept.layersPlanned(),
            kept.layersAtMost(),
            kept.contactSeconds().map(Duration::ofSeconds),
            kept.zones()),
        who.getName());
    return plan(id).orElseThrow();
  }

  private PlanStation station(UUID id, Planned planned) {
    TreatmentPlan plan = planned.plan();
    SelectionFacts facts = planned.facts();
    Visit visit = visits.get(id);
    Client client = clients.get(visit.clientId());
    LocalDate day = facts.client().peelDate();
    Volume all = plan.layer().times(plan.layersAtMost());
    double grams = Dose.carried(plan.formula(), Substance.SALICYLIC, all).g();
    Optional<Chain> chain = planned.chain();
    return new PlanStation(
        PlanView.of(plan),
        planned.chosen().kept(),
        Math.max(plan.layersPlanned(), Selection.mostLayers(plan.formula(), facts)),
        FreeAcid.of(plan.formula()).percent(),
        Trolley.neutraliser(plan).map(NeutraliserView::of),
        grams == 0
            ? Optional.empty()
            : Optional.of(
                new Salicylate(
                    Dose.salicylateShare(plan.formula(), all, client.weightKg()), grams)),
        Course.of(plan),
        chain.map(Chain::minutes).orElse(Course.length(plan).toMinutes()),
        visit.minutes(),
        PrepCalendar.of(facts.client(), plan.depth(), LocalDate.now(clock)),
        Trolley.of(
            plan,
            facts.client().shelf().toTake(plan.formula().code(), day),
            client.latexAllergy()
                || facts.screening().limits().care().contains(Care.Kind.GLOVES_WITHOUT_LATEX),
            facts.screening().limits().care().contains(Care.Kind.COVER_OPEN_SPOTS)),
        day.plusDays(chain.map(Chain::peelingFirst).orElse(plan.formula().peelingFirst())),
        day.plusDays(chain.map(Chain::peelingLast).orElse(plan.formula().peelingLast())),
        planned.chosen().then().stream().map(next -> stage(next, facts)).toList(),
        chain);
  }

  private static StageView stage(NextStage next, SelectionFacts facts) {
    Formula formula = facts.client().shelf().get(next.formula());
    return new StageView(
        formula.code(),
        formula.name(),
        next.zones().stream().map(Zone::label).toList(),
        how(formula, facts),
        formula.use() == Formula.Use.STAYS);
  }

  private static String how(Formula formula, SelectionFacts facts) {
    if (formula.use() == Formula.Use.STAYS) {
      return AddOn.of(formula, facts.client().policies()).words();
    }
    return Selection.plannedContact(formula, facts)
        .map(time -> "limit " + Words.clock(time))
        .orElse(Words.count(Selection.plannedLayers(formula, facts), "layer"));
  }
}
