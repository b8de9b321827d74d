package ivesk.server.plan;

import ivesk.core.formula.Dose;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Substance;
import ivesk.core.plan.Course;
import ivesk.core.plan.Planning.Wishes;
import ivesk.core.plan.PrepCalendar;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.plan.Trolley;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Zone;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.selection.SelectionService;
import ivesk.server.treatment.PlanView;
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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/visits/{id}")
class PlanController {
  private final PlanService plans;
  private final SelectionService selection;
  private final VisitStore visits;
  private final ClientStore clients;
  private final Clock clock;

  PlanController(
      PlanService plans,
      SelectionService selection,
      VisitStore visits,
      ClientStore clients,
      Clock clock) {
    this.plans = plans;
    this.selection = selection;
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
      Optional<Neutraliser> neutraliser,
      Optional<Salicylate> salicylate,
      List<Course.Block> course,
      long lengthMinutes,
      int bookedMinutes,
      List<PrepCalendar.Step> prep,
      List<Trolley.LaidOut> trolley,
      LocalDate flakingFrom,
      LocalDate flakingTo) {}

  record Choice(String formula, Optional<String> reason) {}

  /// Empty fields take the proposal.
  record PlanKept(
      Optional<Integer> layersPlanned,
      Optional<Integer> layersAtMost,
      Optional<Long> contactSeconds,
      Optional<List<Zone>> zones) {}

  @PutMapping("/choice")
  PlanStation choose(@PathVariable UUID id, @RequestBody Choice choice, Principal who) {
    plans.choose(id, choice.formula(), choice.reason().orElse(""), who.getName());
    return plan(id).orElseThrow();
  }

  @GetMapping("/plan")
  Optional<PlanStation> plan(@PathVariable UUID id) {
    return plans.plan(id).map(plan -> station(id, plan));
  }

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

  private PlanStation station(UUID id, TreatmentPlan plan) {
    SelectionFacts facts = selection.facts(id);
    Visit visit = visits.get(id);
    Client client = clients.get(visit.clientId());
    LocalDate day = facts.client().peelDate();
    double grams =
        plan.formula().percentOf(Substance.SALICYLIC) / 100 * plan.layerMl() * plan.layersAtMost();
    return new PlanStation(
        PlanView.of(plan),
        plans.kept(id),
        Math.max(plan.layersPlanned(), Selection.mostLayers(plan.formula(), facts)),
        FreeAcid.percent(plan.formula()),
        Trolley.neutraliser(plan),
        grams == 0
            ? Optional.empty()
            : Optional.of(
                new Salicylate(
                    Dose.salicylateShare(
                        plan.formula(), plan.layerMl(), plan.layersAtMost(), client.weightKg()),
                    grams)),
        Course.of(plan),
        Course.length(plan).toMinutes(),
        visit.minutes(),
        PrepCalendar.of(facts.client(), plan.depth(), LocalDate.now(clock)),
        Trolley.of(
            plan,
            client.latexAllergy()
                || facts.screening().limits().care().contains(Care.Kind.GLOVES_WITHOUT_LATEX),
            facts.screening().limits().care().contains(Care.Kind.COVER_OPEN_SPOTS)),
        day.plusDays(plan.formula().peelingFirst()),
        day.plusDays(plan.formula().peelingLast()));
  }
}
