package ivesk.server.aftercare;

import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.formula.Formula;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.selection.OwnFlaking;
import ivesk.core.series.NextPeel;
import ivesk.core.treatment.Outcome;
import ivesk.core.treatment.Phase;
import ivesk.core.treatment.Treatment.Stage;
import ivesk.core.treatment.TreatmentState;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.treatment.Treatments;
import ivesk.server.treatment.Treatments.Live;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@May(Right.RECORD)
@RestController
@RequestMapping("/api/visits/{id}/aftercare")
class AftercareController {
  private final Treatments treatments;
  private final ScreeningService screening;
  private final PracticeStore practice;
  private final Clock clock;

  AftercareController(
      Treatments treatments, ScreeningService screening, PracticeStore practice, Clock clock) {
    this.treatments = treatments;
    this.screening = screening;
    this.practice = practice;
    this.clock = clock;
  }

  record NextView(
      LocalDate earliest,
      List<String> reasons,
      NextPeel.Step step,
      String stepLabel,
      Optional<String> formula,
      String why,
      Optional<PastPeel.NextTime> proposal,
      int peelNumber,
      int seriesMost) {}

  record AfterView(
      UUID treatmentId,
      Phase phase,
      String formulaName,
      Instant endedAt,
      Optional<Instant> restAt,
      Aftercare sheet,
      NextView next) {}

  private Optional<Worn> worn(Live live) {
    return live.stages().stream().flatMap(stage -> worn(stage).stream()).reduce((_, last) -> last);
  }

  private Optional<Worn> worn(Stage stage) {
    TreatmentState state = stage.state();
    return stage
        .plan()
        .addOn()
        .flatMap(addOn ->
            state
                .care()
                .addOnAt()
                .map(at -> new Worn(addOn, local(at), state.care().addOnOffAt().isPresent())));
  }

  private LocalDateTime local(Instant at) {
    return LocalDateTime.ofInstant(at, clock.getZone());
  }

  private Aftercare.Peeled peeled(Stage stage) {
    return new Aftercare.Peeled(
        stage.plan().formula(),
        Outcome.depth(stage.plan(), stage.state()),
        local(stage.state().endedAt().orElseThrow()),
        stage.state().zones().values().stream().anyMatch(zone -> zone.whitening().frost()));
  }

  /// What clients ask, answered by the plan until the peel is over, then by the peel itself.
  @GetMapping("/answers")
  List<Aftercare.Reply> answers(@PathVariable UUID id) {
    Live live =
        treatments.ofVisit(id).orElseThrow(() -> new Refused("The client is not here yet."));
    ScreeningFacts client = screening.facts(id);
    LocalDateTime now = local(clock.instant());
    List<Aftercare.Peeled> peels = new ArrayList<>();
    for (Stage stage : live.peeled()) {
      if (stage.state().endedAt().isPresent()) peels.add(peeled(stage));
    }
    boolean over = !peels.isEmpty() && live.plan().staging().next().isEmpty();
    Optional<TreatmentPlan> ahead = over ? Optional.empty() : Optional.of(live.plan());
    while (ahead.isPresent()) {
      TreatmentPlan plan = ahead.get();
      peels.add(new Aftercare.Peeled(plan.formula(), plan.depth(), now, false));
      ahead = plan.staging().next();
    }
    return Aftercare.of(
            peels, sheetFor(client, live, now.toLocalDate()), worn(live), practice.policies())
        .answers();
  }

  private static Aftercare.Client sheetFor(ScreeningFacts client, Live live, LocalDate day) {
    return new Aftercare.Client(
        client.pastPeels().stream().noneMatch(peel -> peel.on().isBefore(day)),
        client.pigmentProne(),
        live.plan().preparation().care(),
        OwnFlaking.of(live.plan().formula(), live.plan().region(), client.pastPeels()));
  }

  @GetMapping
  AfterView after(@PathVariable UUID id) {
    Live live = treatments.ofVisit(id).orElseThrow(() -> new Refused("There was no peel yet."));
    List<Stage> peeled = live.peeled();
    if (peeled.isEmpty() || peeled.getLast().state().endedAt().isEmpty()) {
      throw new Refused("The peel is not ended yet.");
    }
    ScreeningFacts client = screening.facts(id);
    Stage last = peeled.getLast();
    LocalDate day = local(last.state().endedAt().get()).toLocalDate();
    NextPeel next = NextPeel.after(peeled, client, client.pastPeels(), day);
    Stage decides = NextPeel.decisive(peeled);
    return new AfterView(
        live.id(),
        live.state().phase(),
        String.join(
            ", then ", peeled.stream().map(stage -> stage.plan().formula().name()).toList()),
        last.state().endedAt().get(),
        last.state().ending().restAt(),
        Aftercare.of(
            peeled.stream().map(this::peeled).toList(),
            sheetFor(client, live, day),
            worn(live),
            practice.policies()),
        new NextView(
            next.earliest(),
            next.reasons(),
            next.step(),
            next.step().label(),
            next.formula().map(Formula::code),
            next.why(),
            next.proposal(decides.plan(), decides.state()),
            client.peelsHere().size() + 1,
            decides.plan().formula().seriesMost()));
  }
}
