package ivesk.server.aftercare;

import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Aftercare.Incident;
import ivesk.core.aftercare.Aftercare.Peeled;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.aftercare.Outlook;
import ivesk.core.aftercare.Outlook.Feel;
import ivesk.core.aftercare.Outlook.Stronger;
import ivesk.core.aftercare.Sheet;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.script.StepKind;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.selection.OwnFlaking;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.OwnCurve;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.server.practice.PracticeStore;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.RecordedPeels;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// Makes the sheet of a visit from its record.
@Component
class SheetMaker {
  private final RecordedPeels peels;
  private final ConsultService consults;
  private final PracticeStore practice;
  private final Clock clock;

  SheetMaker(RecordedPeels peels, ConsultService consults, PracticeStore practice, Clock clock) {
    this.peels = peels;
    this.consults = consults;
    this.practice = practice;
    this.clock = clock;
  }

  /// By this client's own peels where there are three, else by the formula.
  Feel feltOf(Live live) {
    Optional<OwnCurve.Felt> own =
        peels.ownCurve(live).stream()
            .flatMap(curve -> curve.points().stream())
            .max(Comparator.comparingDouble(OwnCurve.Felt::median));
    return own.<Feel>map(
            felt -> new Feel.LikeBefore((int) Math.round(felt.median()), felt.minute()))
        .orElseGet(() -> new Feel.Expected(live.plan().formula().band()));
  }

  /// The strongest answer under acid, the first time it was said.
  static Optional<Feel> was(List<Stage> peeled) {
    return peeled.stream()
        .flatMap(stage ->
            stage.state().underAcid().stream()
                .filter(answer -> !answer.numbed())
                .map(answer -> was(stage, answer)))
        .reduce((one, other) -> other.most() > one.most() ? other : one)
        .map(one -> one);
  }

  static Feel.Was was(Stage stage, Told answer) {
    Instant touched = stage.state().firstTouch().orElseThrow();
    return new Feel.Was(answer.value(), Duration.between(touched, answer.at()));
  }

  Aftercare sheet(
      UUID visitId,
      Live live,
      List<Peeled> peels,
      ScreeningFacts client,
      Optional<Feel> feel,
      Stronger stronger,
      Optional<Incident> incident) {
    Formula first = live.stages().getFirst().plan().formula();
    LocalDate day = peels.getLast().ended().toLocalDate();
    int layers = Math.max(1, live.stages().getFirst().state().layers().size());
    Outlook outlook =
        new Outlook(
            feel,
            LadderRules.inSeries(client.pastPeels(), day, live.plan().region(), first.family()),
            first.seriesLeast(),
            first.seriesMost(),
            client.intervalOfThisClient(
                peels.stream()
                    .map(Peeled::formula)
                    .mapToInt(formula -> formula.intervalDays(formula.equals(first) ? layers : 1))
                    .max()
                    .orElseThrow()),
            Optional.of(stronger),
            events(visitId, day));
    Aftercare.Client whom =
        new Aftercare.Client(
            client.pastPeels().stream().noneMatch(peel -> peel.on().isBefore(day)),
            client.pigmentProne(),
            live.plan().preparation().care(),
            OwnFlaking.of(live.plan().formula(), live.plan().region(), client.pastPeels()),
            incident);
    return Sheet.of(peels, whom, worn(live), outlook, practice.policies());
  }

  List<Outlook.Event> events(UUID visitId, LocalDate from) {
    return consults.of(visitId).consult().events().stream()
        .filter(event -> !event.on().isBefore(from))
        .map(event -> new Outlook.Event(event.name(), event.on()))
        .toList();
  }

  List<Peeled> asPeeled(List<Stage> stages) {
    return stages.stream()
        .map(stage ->
            new Peeled(
                stage.plan().formula(),
                Outcome.depth(stage.plan(), stage.state()),
                local(stage.state().endedAt().orElseThrow()),
                frostedZones(stage),
                stage.state().endingSteps(stage.plan()).contains(EndingStep.LEAVE_AS_IT_IS)))
        .toList();
  }

  static List<Zone> frostedZones(Stage stage) {
    return stage.state().zones().entrySet().stream()
        .filter(zone -> zone.getValue().whitening().frost())
        .map(zone -> zone.getKey())
        .toList();
  }

  /// What was put on calm skin and stays there, in order.
  static List<Done.Put> onTheSkin(Live live) {
    record At(Instant at, Done.Put put) {}
    List<At> all = new ArrayList<>();
    for (Stage stage : live.stages()) {
      TreatmentState state = stage.state();
      for (CareStep step : state.careOffered(stage.plan())) {
        Instant at = state.care().done().get(step.id());
        boolean stays = step.kind() == StepKind.PRODUCT || step.kind() == StepKind.SUNSCREEN;
        if (at != null && stays && step.name().isPresent()) {
          for (Done.Put put : Done.Put.of(step)) all.add(new At(at, put));
        }
      }
      if (state.care().addOnOn()) {
        stage
            .plan()
            .addOn()
            .ifPresent(addOn ->
                all.add(
                    new At(
                        state.care().addOnAt().orElseThrow(),
                        new Done.Put(addOn.formula().name(), Optional.empty()))));
      }
    }
    all.sort(Comparator.comparing(At::at));
    return all.stream().map(At::put).toList();
  }

  Optional<Worn> worn(Live live) {
    return live.stages().stream().flatMap(this::worn).reduce((_, last) -> last);
  }

  Stream<Worn> worn(Stage stage) {
    TreatmentState state = stage.state();
    return stage.plan().addOn().stream()
        .flatMap(addOn ->
            state.care().addOnAt().stream()
                .map(at -> new Worn(addOn, local(at), state.care().addOnOffAt().isPresent())));
  }

  ZonedDateTime local(Instant at) {
    return at.atZone(clock.getZone());
  }
}
