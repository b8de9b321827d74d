package ivesk.server.aftercare;

import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.formula.Formula;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.series.NextPeel;
import ivesk.core.treatment.Outcome;
import ivesk.core.treatment.Phase;
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
    TreatmentState state = live.state();
    return live.plan()
        .addOn()
        .flatMap(addOn ->
            state
                .care()
                .addOnAt()
                .map(at ->
                    new Worn(
                        addOn,
                        LocalDateTime.ofInstant(at, clock.getZone()),
                        state.care().addOnOffAt().isPresent())));
  }

  @GetMapping
  AfterView after(@PathVariable UUID id) {
    Live live = treatments.ofVisit(id).orElseThrow(() -> new Refused("There was no peel yet."));
    TreatmentState state = live.state();
    Instant ended = state.endedAt().orElseThrow(() -> new Refused("The peel is not ended yet."));
    ScreeningFacts client = screening.facts(id);
    Formula formula = live.plan().formula();
    LocalDateTime local = LocalDateTime.ofInstant(ended, clock.getZone());
    NextPeel next =
        NextPeel.after(live.plan(), state, client, client.pastPeels(), local.toLocalDate());
    return new AfterView(
        live.id(),
        state.phase(),
        formula.name(),
        ended,
        state.ending().restAt(),
        Aftercare.of(
            formula,
            Outcome.depth(live.plan(), state),
            new Aftercare.Client(
                client.pastPeels().stream()
                    .noneMatch(peel -> peel.on().isBefore(local.toLocalDate())),
                client.pigmentProne(),
                live.plan().preparation().care()),
            local,
            state.zones().values().stream().anyMatch(zone -> zone.whitening().frost()),
            worn(live),
            practice.policies()),
        new NextView(
            next.earliest(),
            next.reasons(),
            next.step(),
            next.step().label(),
            next.formula().map(Formula::code),
            next.why(),
            next.proposal(live.plan(), state),
            client.peelsHere().size() + 1,
            formula.seriesMost()));
  }
}
