package ivesk.server.demo;

import ivesk.core.Language;
import ivesk.core.aftercare.HowItIs;
import ivesk.core.formula.Family;
import ivesk.core.plan.script.Comfort;
import ivesk.core.screening.answer.ConsentText;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.series.Scores;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.server.aftercare.ContactService;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.plan.PlanService;
import ivesk.server.screening.ConsentService;
import ivesk.server.screening.ConsentService.SignedName;
import ivesk.server.screening.PatchTestService;
import ivesk.server.screening.ScreeningService;
import ivesk.server.screening.Signature;
import ivesk.server.series.ProgressService;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/// What the stories of the demo are told with.
@Component
@Profile("demo")
class DemoDesk {
  private final ClientStore clients;
  private final VisitStore visits;
  private final ConsultService consults;
  private final ScreeningService screening;
  private final ConsentService consents;
  private final PatchTestService patchTests;
  private final PlanService plans;
  private final Treatments treatments;
  private final ContactService contact;
  private final ProgressService progress;
  private final Clock clock;

  /// The clock of what is told as past.
  final DemoClock past;

  DemoDesk(
      ClientStore clients,
      VisitStore visits,
      ConsultService consults,
      ScreeningService screening,
      ConsentService consents,
      PatchTestService patchTests,
      PlanService plans,
      Treatments treatments,
      ContactService contact,
      ProgressService progress,
      Clock clock) {
    this.clients = clients;
    this.visits = visits;
    this.consults = consults;
    this.screening = screening;
    this.consents = consents;
    this.patchTests = patchTests;
    this.plans = plans;
    this.treatments = treatments;
    this.contact = contact;
    this.progress = progress;
    this.clock = clock;
    this.past = new DemoClock(clock.getZone(), clock.instant());
  }

  void scored(
      UUID client, int daysAgo, Optional<Masi> masi, Optional<Gags> gags, int satisfaction) {
    progress.keep(
        client,
        day(-daysAgo),
        new Scores(
            masi, gags, Optional.empty(), Optional.empty(), Optional.of(satisfaction), Map.of()),
        INES);
  }

  void heard(UUID visit, int daysAgo, HowItIs told) {
    contact.on(new DemoClock(clock.getZone(), at(day(-daysAgo), 9, 15))).hear(visit, told, INES);
  }

  private static final Map<String, Language> SPEAKS =
      Map.of("Yara Minhas", Language.ES, "Bruno Castelmar", Language.PT);

  UUID client(
      String name,
      int age,
      String work,
      double cm,
      double kg,
      String allergies,
      String more,
      Comfort... comforts) {
    UUID id = UUID.randomUUID();
    clients.add(
        new Client(
            id,
            name,
            day(0).minusYears(age).minusDays(40L + name.length() * 3L),
            work,
            "",
            Optional.of(cm),
            Optional.of(kg),
            allergies,
            Set.of(comforts),
            more,
            age < 18 ? "Hanne Quill" : "",
            SPEAKS.getOrDefault(name, Language.EN),
            Optional.of("555 0" + (200 + name.length() * 7)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            1));
    return id;
  }

  UUID visit(UUID client, Instant start, String room, String who) {
    UUID id = UUID.randomUUID();
    visits.add(new Visit(id, client, start, 45, room, who, Optional.empty()));
    return id;
  }

  /// A whole visit in the past, run by the real engine.
  UUID past(
      UUID client,
      Consult skin,
      Map<Question, Answer> answers,
      String formula,
      int daysAgo,
      List<Integer> told,
      String next) {
    Instant start = at(day(-daysAgo), 10, 0);
    UUID visit = visit(client, start, "room 1", INES);
    screened(visit, skin, answers);
    peel(visit, formula, start, told, next);
    return visit;
  }

  /// Patch tests placed some days before today and read twice, with nothing to see.
  void patched(UUID visit, int daysAgo, Family... families) {
    Instant placed = at(day(-daysAgo), 9, 30);
    patchTests.place(visit, Set.of(families), "inner left arm", placed, INES);
    for (int hours : new int[] {24, 48}) {
      Instant then = placed.plus(Duration.ofHours(hours));
      if (then.isAfter(clock.instant())) continue;
      patchTests
          .waiting(visits.get(visit).clientId())
          .forEach(id -> patchTests.read(id, Result.NOTHING, then, INES));
    }
  }

  void peel(UUID visit, String formula, Instant start, List<Integer> told, String next) {
    choose(visit, formula);
    done(visit, start, told, next);
  }

  void done(UUID visit, Instant start, List<Integer> told, String next) {
    plans.keep(visit, INES);
    new DemoPeel(treatments, past, INES).whole(visit, plans.ready(visit), start, told, next);
  }

  void choose(UUID visit, String formula) {
    plans.choose(visit, formula, "agreed with the client as the gentler start", INES);
  }

  void screened(UUID visit, Consult skin, Map<Question, Answer> differing) {
    consults.save(visit, skin, 0, INES);
    answers(visit, differing, List.of());
    Visit booked = visits.get(visit);
    LocalDate day = LocalDate.ofInstant(booked.startsAt(), clock.getZone());
    String name = clients.get(booked.clientId()).name();
    boolean first = visits.ofClient(booked.clientId()).getFirst().id().equals(visit);
    if (first) {
      consents.sign(
          visit,
          Family.covering(),
          ConsentText.CURRENT.version(),
          signed(name),
          Optional.empty(),
          day.isAfter(day(0)) ? day(0) : day,
          INES);
      int daysAgo = (int) ChronoUnit.DAYS.between(day, day(0));
      patched(visit, Math.max(0, daysAgo) + 4, Family.covering().toArray(Family[]::new));
    }
  }

  /// A name with a made-up hand under it.
  static SignedName signed(String name) {
    List<List<Signature.Point>> strokes = new ArrayList<>();
    double left = 50;
    for (String word : name.split(" ")) {
      List<Signature.Point> stroke = new ArrayList<>();
      int steps = Math.min(word.length(), 8) * 16;
      for (int i = 0; i <= steps; i++) {
        int letter = Math.min(i / 16, word.length() - 1);
        double height = letter == 0 ? 60 : "bdfhklt".indexOf(word.charAt(letter)) >= 0 ? 46 : 17;
        double turn = i / 16.0 * Math.PI * 2;
        stroke.add(
            new Signature.Point(
                Math.min(595, left + i * 1.7 + 7 * Math.cos(turn)),
                Math.clamp(126 - height * (1 - Math.cos(turn)) / 2 - 4 * Math.sin(turn), 5, 195)));
      }
      strokes.add(stroke);
      left += steps * 1.7 + 30;
    }
    return new SignedName(name, Optional.of(new Signature(strokes)));
  }

  /// Answers every question that is put with its harmless answer, but for those that differ.
  void answers(UUID visit, Map<Question, Answer> differing, List<Question> unasked) {
    screening.answerAll(visit, differing, INES);
    Map<Question, Answer> others = new EnumMap<>(Question.class);
    ScreeningFacts facts = screening.facts(visit);
    for (Question question : Screening.questions(facts)) {
      if (!facts.answered(question) && !unasked.contains(question)) {
        others.put(question, question.harmless());
      }
    }
    screening.answerAll(visit, others, INES);
  }

  LocalDate day(int fromToday) {
    return LocalDate.now(clock).plusDays(fromToday);
  }

  Instant at(LocalDate day, int hour, int minute) {
    return day.atTime(LocalTime.of(hour, minute)).atZone(clock.getZone()).toInstant();
  }

  Instant today(int hour, int minute) {
    return at(day(0), hour, minute);
  }

  static SkinDraft skin(Phototype type, int total, Oil oil, Sensitivity sensitivity) {
    return new SkinDraft(type, total, oil, sensitivity);
  }

  static final String INES = "ines";

  static final String ROLF = "rolf";
}
