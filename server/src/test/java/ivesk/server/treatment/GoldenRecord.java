package ivesk.server.treatment;

import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Outlook;
import ivesk.core.aftercare.Sheet;
import ivesk.core.formula.Family;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.practice.Policies;
import ivesk.core.screening.answer.Allergies;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.selection.Ladders;
import ivesk.core.series.LadderRules;
import ivesk.core.series.NextPeel;
import ivesk.core.series.Since;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinProfile;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.server.app.GoldenFiles;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/// A treatment as some version of Ivesk kept it, read back and replayed.
record GoldenRecord(TreatmentPlan plan, List<TreatmentEvent> events, JsonNode expected) {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 25);

  static GoldenRecord read(String name) {
    StoredFacts facts = new StoredFacts(GoldenFiles.storage());
    JsonNode file = GoldenFiles.json("records/" + name);
    List<TreatmentEvent> events = new ArrayList<>();
    for (JsonNode event : file.get("events")) {
      events.add(
          new TreatmentEvent(
              UUID.fromString(event.get("id").asString()),
              Instant.parse(event.get("at").asString()),
              event.get("who").asString(),
              facts.read(GoldenFiles.bytes(event.get("fact")))));
    }
    return new GoldenRecord(
        ((Opened) events.getFirst().fact()).plan(), events, file.get("expected"));
  }

  TreatmentState state() {
    return Replay.state(events);
  }

  /// What it was expected to come to when it was kept, in the same terms.
  Map<String, Object> outcome() {
    TreatmentState state = state();
    return Map.of(
        "phase", state.phase().name(),
        "layers", state.layers().size(),
        "contactSeconds", (int) state.contact(state.lastEventAt()).toSeconds(),
        "restSeconds", state.timeToRest().map(Duration::toSeconds).map(Long::intValue).orElse(0),
        "wellTaken", Outcome.of(plan, state) == PeelOutcome.WELL_TAKEN,
        "worst", state.worstSensation().orElse(0),
        "endedByRow", state.ending().byRow().map(Row::number).orElse(0),
        "endingSteps", state.ending().steps().size(),
        "products", state.care().done().size());
  }

  /// State, outcome, chart and ladder, as they follow from what is kept; without any words.
  String consequences() {
    TreatmentState state = state();
    PastPeel peel = Outcome.peel(plan, state, DAY);
    Ladders ladders = LadderRules.of(List.of(peel), DAY.plusDays(30), plan.region());
    ScreeningFacts client = client(peel);
    NextPeel next =
        NextPeel.after(
            List.of(new Stage(plan, state, state.lastEventAt())),
            client,
            List.of(),
            DAY,
            Since.NOTHING);
    Screening screening = Screening.screen(client, List.of());
    Aftercare sheet =
        Sheet.of(
            List.of(
                new Aftercare.Peeled(
                    plan.formula(),
                    Outcome.depth(plan, state),
                    state.lastEventAt().atZone(ZoneOffset.UTC),
                    List.of())),
            new Aftercare.Client(false, true, Set.of()),
            Optional.empty(),
            new Outlook(Optional.empty(), 1, 1, 1, 1, Optional.empty(), List.of()),
            Policies.defaults());
    return Digest.of(
        List.of(
            outcome(),
            state,
            peel,
            List.of(ladders.rungs(), ladders.lastLayers(), ladders.running()),
            List.of(next.earliest(), next.step(), next.formula().map(formula -> formula.code())),
            screening.findings().stream().map(Finding::id).toList(),
            screening.verdict(),
            sheet.days().stream().map(day -> List.of(day.date(), day.mark())).toList(),
            sheet.rules().stream().map(rule -> List.of(rule.activity(), rule.free())).toList()));
  }

  /// For the loader that says everything otherwise.
  static String consequencesOf(String name) {
    return read(name).consequences();
  }

  static String summaryOf(String name) {
    GoldenRecord kept = read(name);
    return Outcome.summary(Replay.stages(kept.events), kept.state().lastEventAt());
  }

  /// A client to whom every question was answered as gravely as it can be.
  private static ScreeningFacts client(PastPeel peel) {
    Map<Question, Answer> answers = new EnumMap<>(Question.class);
    for (Question question : Question.values()) {
      Question.Option grave = question.options().getLast();
      answers.put(
          question,
          new Answer(
              grave.id(),
              grave
                  .dateLabel()
                  .map(label -> DAY.plusDays(question == Question.SUN_PLANNED ? 9 : -2)),
              grave.untilLabel().map(label -> DAY.plusDays(16)),
              grave.needs() == Question.Needs.ZONES ? Set.of(Zone.CHIN) : Set.of(),
              grave.needs() == Question.Needs.FAMILIES ? Set.of(Family.PYRUVIC) : Set.of()));
    }
    SkinProfile skin =
        new SkinProfile(
            Optional.of(Phototype.V),
            Optional.empty(),
            Optional.of(Oil.OILY),
            Optional.of(Sensitivity.SENSITIVE),
            Map.of(Condition.INFLAMED_SPOTS, 3, Condition.MELASMA, 2, Condition.ROSACEA_PAPULES, 1),
            List.of(Condition.MELASMA));
    return new ScreeningFacts(
        LocalDate.of(1990, 5, 1),
        skin,
        answers,
        List.of(peel),
        List.of(),
        List.of(),
        List.of(),
        Region.FACE,
        DAY.plusDays(3),
        Policies.defaults(),
        Shelf.SHIPPED,
        Allergies.NONE);
  }
}
