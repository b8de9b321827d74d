package ivesk.server.plan;

import ivesk.core.Language;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.selection.Chain;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Region;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.plan.PlanMaker.Planned;
import ivesk.server.plan.PlanStore.NextStage;
import ivesk.server.practice.PracticeStore;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/visits/{id}")
class PlanController {
  private final PlanService plans;
  private final PlanMaker maker;
  private final ScriptService scripts;
  private final VisitStore visits;
  private final ClientStore clients;
  private final ConsultService consults;
  private final PracticeStore practice;
  private final Clock clock;

  PlanController(
      PlanService plans,
      ScriptService scripts,
      VisitStore visits,
      ClientStore clients,
      ConsultService consults,
      PracticeStore practice,
      Clock clock,
      PlanMaker maker) {
    this.maker = maker;
    this.plans = plans;
    this.scripts = scripts;
    this.visits = visits;
    this.clients = clients;
    this.consults = consults;
    this.practice = practice;
    this.clock = clock;
  }

  /// @param version of the steps as they are kept; 0 where Ivesk composes them
  /// @param judged what there is to say to them
  /// @param prepTold whether a step was kept, as told at the visit
  /// @param prepAgainst what a look of the day says against a step that was told as kept
  /// @param laidOut ids of the things that lie on the trolley already
  /// @param edges where a peel of the face may fade, the usual one first
  record PlanStation(
      PlanView plan,
      boolean kept,
      int bookedMinutes,
      List<PrepCalendar.Step> prep,
      Map<PrepCalendar.Item, Boolean> prepTold,
      Map<PrepCalendar.Item, String> prepAgainst,
      List<Trolley.LaidOut> trolley,
      List<String> laidOut,
      List<RunFacts> runs,
      int version,
      List<Edge> edges,
      Judged judged) {}

  /// @param then stages after the first, in their order
  record Choice(String formula, Optional<String> reason, Optional<List<NextStage>> then) {}

  record ChainAsked(String formula, List<NextStage> then) {}

  /// @param over the version that was looked at; 0 where Ivesk composed the steps
  /// @param whole keeps the plan, and Ready opens; otherwise the steps only
  record StepsKept(List<RunFacts> runs, int over, boolean whole) {}

  record Tick(boolean laidOut) {}

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
    return maker.chain(id, body.formula(), body.then());
  }

  @May(Right.RECORD)
  @GetMapping("/plan")
  Optional<PlanStation> plan(@PathVariable UUID id) {
    return maker.planned(id).map(planned -> station(id, planned));
  }

  /// Keeps the plan as it stands.
  @May(Right.TREAT)
  @PutMapping("/plan")
  PlanStation keep(@PathVariable UUID id, Principal who) {
    plans.keep(id, who.getName());
    return plan(id).orElseThrow();
  }

  /// Keeps the steps as they were written.
  @May(Right.TREAT)
  @PutMapping("/steps")
  PlanStation write(@PathVariable UUID id, @RequestBody StepsKept body, Principal who) {
    if (body.runs().isEmpty() || body.runs().size() > MOST_RUNS) {
      throw new BadInput(
          "runs", "runs are " + body.runs().size() + "; a visit has 1 to " + MOST_RUNS);
    }
    List<StoredScript.Run> runs =
        BadInput.in("runs", () -> body.runs().stream().map(RunFacts::stored).toList());
    plans.write(id, runs, body.over(), body.whole(), who.getName());
    return plan(id).orElseThrow();
  }

  record EdgeChosen(Edge edge) {}

  /// Takes how far a peel of the face goes, and fades.
  @May(Right.TREAT)
  @PutMapping("/edge")
  PlanStation edge(@PathVariable UUID id, @RequestBody EdgeChosen body, Principal who) {
    plans.edge(id, body.edge(), who.getName());
    return plan(id).orElseThrow();
  }

  private static final int MOST_RUNS = 4;

  /// @param why it is shut there today; empty where it is open
  record RegionFormula(String code, String name, Optional<String> why) {}

  /// What a run on a region could be of, the open ones first.
  @May(Right.TREAT)
  @GetMapping("/regions/{region}")
  List<RegionFormula> formulas(@PathVariable UUID id, @PathVariable Region region) {
    return plans.rack(id, region).tiles().stream()
        .filter(tile -> tile.formula().peels())
        .filter(tile -> tile.formula().label().regions().contains(region))
        .map(tile ->
            new RegionFormula(
                tile.formula().code(),
                tile.formula().name(),
                tile.shut().stream().findFirst().map(shut -> shut.words())))
        .sorted(Comparator.comparing(formula -> formula.why().isPresent()))
        .toList();
  }

  record RunAsked(String formula) {}

  /// A run that Ivesk composes for a region; nothing is kept.
  @May(Right.TREAT)
  @PostMapping("/regions/{region}/run")
  RunFacts compose(@PathVariable UUID id, @PathVariable Region region, @RequestBody RunAsked body) {
    return RunFacts.of(plans.compose(id, region, body.formula()));
  }

  /// The weeks before and the peel, for the client's calendar.
  @May(Right.RECORD)
  @GetMapping(value = "/prep.ics", produces = "text/calendar")
  ResponseEntity<byte[]> calendar(@PathVariable UUID id, @RequestParam Optional<Language> in) {
    Visit visit = visits.get(id);
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"your-peel.ics\"")
        .body(prepSheet(id, in).ics(id, visit.startsAt(), visit.minutes(), clock.instant()));
  }

  /// The weeks before, for the client's hand.
  ///
  /// @param in the language of the sheet; the client's own where none is asked for
  @May(Right.RECORD)
  @GetMapping("/prep-sheet")
  PrepSheet prepSheet(@PathVariable UUID id, @RequestParam Optional<Language> in) {
    PlanStation station = plan(id).orElseThrow(() -> new NotFound("plan", id));
    Visit visit = visits.get(id);
    Client client = clients.get(visit.clientId());
    return PrepSheet.of(
        client.name(),
        practice.details().map(PracticeStore.Details::name).orElse(""),
        station.prep(),
        visit.startsAt().atZone(clock.getZone()),
        practice.reach(),
        in.orElse(client.language()));
  }

  /// @param kept empty takes back what was told
  record PrepTold(Optional<Boolean> kept) {}

  /// Keeps what the client told of a step of the weeks before.
  @May(Right.TREAT)
  @PutMapping("/prep/{item}")
  PlanStation tellPrep(
      @PathVariable UUID id,
      @PathVariable PrepCalendar.Item item,
      @RequestBody PrepTold told,
      Principal who) {
    PlanStation station = plan(id).orElseThrow(() -> new NotFound("plan", id));
    if (station.prep().stream().noneMatch(step -> step.item() == item)) {
      throw new BadInput("item", "item is " + item + "; the weeks before this peel have none such");
    }
    plans.tellPrep(id, item, told.kept(), who.getName());
    return plan(id).orElseThrow();
  }

  /// Ticks a thing on the trolley, or takes the tick off.
  @May(Right.TREAT)
  @PutMapping("/trolley/{item}")
  PlanStation layOut(@PathVariable UUID id, @PathVariable String item, @RequestBody Tick tick) {
    PlanStation station = plan(id).orElseThrow(() -> new NotFound("plan", id));
    boolean there = station.trolley().stream().anyMatch(thing -> thing.id().equals(item));
    if (!there) throw new BadInput("item", "item is '" + item + "'; the trolley has none such");
    plans.layOut(id, item, tick.laidOut());
    return plan(id).orElseThrow();
  }

  private Map<PrepCalendar.Item, String> against(UUID id, Map<PrepCalendar.Item, Boolean> told) {
    Consult consult = consults.of(id).consult();
    Map<PrepCalendar.Item, String> against = new EnumMap<>(PrepCalendar.Item.class);
    told.forEach((item, kept) -> {
      if (kept) {
        PrepCalendar.against(item, consult.looks(), consult.region())
            .ifPresent(words -> against.put(item, words));
      }
    });
    return against;
  }

  private PlanStation station(UUID id, Planned planned) {
    Map<PrepCalendar.Item, Boolean> told = plans.prepTold(id);
    TreatmentPlan plan = planned.plan();
    SelectionFacts facts = planned.facts();
    Visit visit = visits.get(id);
    Client client = clients.get(visit.clientId());
    return new PlanStation(
        PlanView.of(plan),
        planned.chosen().kept(),
        visit.minutes(),
        PrepCalendar.of(facts.client(), plan.formula(), plan.depth(), LocalDate.now(clock)),
        told,
        against(id, told),
        Stream.concat(
                Trolley.nextRung(plan).stream(),
                Trolley.of(planned.judged(), client.latexAllergy()).stream())
            .toList(),
        plans.laidOut(id),
        planned.runs().stream().map(RunFacts::of).toList(),
        planned.version(),
        PlanService.edges(planned.chosen(), facts),
        scripts.judged(id, planned.judged()));
  }
}
