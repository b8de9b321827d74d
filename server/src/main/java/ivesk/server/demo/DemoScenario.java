package ivesk.server.demo;

import static ivesk.core.screening.question.Question.COLD_SORES_EVER;
import static ivesk.core.screening.question.Question.HAIR;
import static ivesk.core.screening.question.Question.HOME_ACID;
import static ivesk.core.screening.question.Question.INHIBITOR;
import static ivesk.core.screening.question.Question.OPEN_SPOTS;
import static ivesk.core.screening.question.Question.PIH_EVER;
import static ivesk.core.screening.question.Question.PREGNANT;
import static ivesk.core.screening.question.Question.RETINOID;
import static ivesk.core.screening.question.Question.SUN;
import static ivesk.core.skin.Condition.COMEDONES;
import static ivesk.core.skin.Condition.DRYNESS;
import static ivesk.core.skin.Condition.DULLNESS;
import static ivesk.core.skin.Condition.FINE_LINES;
import static ivesk.core.skin.Condition.INFLAMED_SPOTS;
import static ivesk.core.skin.Condition.MELASMA;
import static ivesk.core.skin.Condition.PIH;
import static ivesk.core.skin.Condition.PORES;
import static ivesk.core.skin.Condition.ROSACEA_PAPULES;
import static ivesk.core.skin.Condition.ROUGHNESS;
import static ivesk.core.skin.Condition.SCARS_SHALLOW;
import static ivesk.core.skin.Condition.SUN_DAMAGE;

import ivesk.core.Language;
import ivesk.core.aftercare.Complaint;
import ivesk.core.aftercare.HowItIs;
import ivesk.core.formula.Family;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.script.Comfort;
import ivesk.core.practice.Policies.Restricted;
import ivesk.core.practice.PolicyQuestion;
import ivesk.core.screening.answer.ConsentText;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.series.Scores;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Hydration;
import ivesk.core.skin.Lamp;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.Zone;
import ivesk.server.aftercare.ContactService;
import ivesk.server.app.Role;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ConsentService;
import ivesk.server.screening.ConsentService.SignedName;
import ivesk.server.screening.PatchTestService;
import ivesk.server.screening.ScreeningService;
import ivesk.server.screening.Signature;
import ivesk.server.series.ProgressService;
import ivesk.server.skin.Consult;
import ivesk.server.skin.Consult.ColourReading;
import ivesk.server.skin.Consult.Event;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/// Fills an empty database with the practice "Two Rooms at Skerrow Harbour" and fourteen made-up
/// clients, each of whom calls for something else. One peel is running in room 2 when it starts.
@Component
@Profile("demo")
class DemoScenario implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoScenario.class);
  private static final String PASSWORD = "harbour";
  private static final String INES = "ines";
  private static final String ROLF = "rolf";

  private final PracticeStore practice;
  private final AccountStore accounts;
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
  private final DemoShelf shelf;
  private final DemoProtocols protocols;
  private final PasswordEncoder passwords;
  private final Clock clock;
  private final DemoClock past;

  DemoScenario(
      PracticeStore practice,
      AccountStore accounts,
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
      DemoShelf shelf,
      DemoProtocols protocols,
      PasswordEncoder passwords,
      Clock clock) {
    this.practice = practice;
    this.accounts = accounts;
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
    this.shelf = shelf;
    this.protocols = protocols;
    this.passwords = passwords;
    this.clock = clock;
    this.past = new DemoClock(clock.getZone(), clock.instant());
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (accounts.accounts().isEmpty()) fill();
    LOG.info("The demo practice is ready");
  }

  private void fill() {
    String hash = passwords.encode(PASSWORD);
    accounts.add(new Account(INES, "Ines Kov", Role.THERAPIST), hash);
    accounts.add(new Account(ROLF, "Rolf Arnesen", Role.THERAPIST), hash);
    accounts.add(new Account("thea", "Dr Thea Lund", Role.SUPERVISOR), hash);
    accounts.add(new Account("marit", "Marit Kov", Role.OWNER), hash);
    accounts.add(new Account("pelle", "Pelle Strand", Role.DESK), hash);
    practice.setDetails(
        new PracticeStore.Details(
            "Two Rooms at Skerrow Harbour",
            "Skerrow",
            clock.getZone(),
            List.of("room 1", "room 2"),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.SATURDAY),
            PracticeStore.Details.KEEP_YEARS,
            new PracticeStore.Reached(
                Optional.of("555 0134"), Optional.of("Mon to Sat, 9:00 to 18:00"))));
    practice.open(Restricted.TCA, "thea", clock.instant());
    practice.setNumber(PracticeStore.NumberKind.EMERGENCY, "112", "thea", clock.instant());
    practice.setNumber(PracticeStore.NumberKind.POISON_CENTRE, "555 0142", "thea", clock.instant());
    practice.answer(PolicyQuestion.COMPOUNDING, "other", "thea", clock.instant());
    practice.answer(PolicyQuestion.RETINOL, "hours", "thea", clock.instant());

    greta();
    jonas();
    maren();
    oumar();
    yara();
    ishani();
    adaeze();
    bruno();
    tobiah();
    rosalind();
    casper();
    linnea();
    sunniva();
    eskil();
    shelf.fill(day(0), INES);
    protocols.write(INES);
  }

  /// Dry and dull at 71; signed two hours ago.
  private void greta() {
    UUID client =
        client(
            "Greta Sollund",
            71,
            "retired netmaker",
            162,
            58,
            "",
            "a blanket, her feet freeze",
            Comfort.DREADS_COLD);
    Consult skin =
        skin(Phototype.I, 5, Oil.DRY, Sensitivity.NORMAL)
            .goals(Map.of(DRYNESS, 3, DULLNESS, 2, FINE_LINES, 1), DRYNESS, DULLNESS)
            .build();
    Instant start = clock.instant().minus(Duration.ofHours(2)).truncatedTo(ChronoUnit.HOURS);
    UUID visit = visit(client, start, "room 1", INES);
    screened(visit, skin, Map.of());
    peel(visit, "LAC-10", start, List.of(1, 1), "Same again, one week");
  }

  /// On the couch in room 2, a mandelic series.
  private void jonas() {
    UUID client = client("Jonas Arkwright", 44, "joiner", 181, 84, "latex", "nose free of towels");
    Consult skin =
        skin(Phototype.III, 17, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(INFLAMED_SPOTS, 3, COMEDONES, 2, PORES, 2), INFLAMED_SPOTS, COMEDONES)
            .build();
    Map<Question, Answer> latex = Map.of(Question.LATEX_ALLERGY, Answer.of("yes"));
    for (int weeks = 10; weeks >= 2; weeks -= 2) {
      past(client, skin, latex, "MAN-20", weeks * 7, List.of(2, 3, 3), "Same again");
    }
    List<Integer> lesions = List.of(3, 3, 2, 2, 2);
    for (int i = 0; i < 5; i++) {
      Map<Gags.Place, Integer> grades = new EnumMap<>(Gags.Place.class);
      for (Gags.Place place : Gags.Place.values()) {
        boolean first = place == Gags.Place.NOSE || place == Gags.Place.CHEST_AND_UPPER_BACK;
        grades.put(place, Math.max(1, lesions.get(i) - (first ? 1 : 0)));
      }
      if (i > 2) grades.put(Gags.Place.CHIN, 1);
      if (i > 3) grades.put(Gags.Place.FOREHEAD, 1);
      scored(client, 70 - 14 * i, Optional.empty(), Optional.of(new Gags(grades)), 4 + i);
    }
    Instant start = clock.instant().minus(Duration.ofMinutes(20)).truncatedTo(ChronoUnit.MINUTES);
    UUID visit = visit(client, start, "room 2", ROLF);
    screened(visit, skin, latex);
    choose(visit, "MAN-20");
    plans.keep(visit, ROLF);
    Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    new DemoPeel(treatments, past, ROLF)
        .running(visit, plans.ready(visit), now.minusSeconds(134), List.of(2, 3, 3), now);
  }

  /// Sun and lines, a glycolic series behind her; ready for the couch.
  private void maren() {
    UUID client = client("Maren Holt", 43, "boat painter", 170, 66, "", "");
    Consult skin =
        skin(Phototype.II, 10, Oil.BALANCED, Sensitivity.RESILIENT)
            .goals(Map.of(SUN_DAMAGE, 3, FINE_LINES, 2, DULLNESS, 1), SUN_DAMAGE, FINE_LINES)
            .build();
    for (int peel = 6; peel >= 1; peel--) {
      past(client, skin, Map.of(), "GLY-20", 28 + peel * 14, List.of(2, 2), "Same again");
    }
    Instant start = at(day(-21), 10, 0);
    UUID last = visit(client, start, "room 1", INES);
    screened(last, skin, Map.of());
    choose(last, "GLY-35");
    // Her wish since a holiday by the sea; it is taken up today.
    plans.edge(last, Edge.HIGH_ON_THE_NECK, INES);
    done(last, start, List.of(3, 4, 3), "Same again, 3:00");
    UUID visit = visit(client, today(11, 0), "room 1", INES);
    screened(visit, skin, Map.of());
    choose(visit, "GLY-35");
    plans.keep(visit, INES);
  }

  /// Type VI with marks after spots, six salicylic peels behind him.
  private void oumar() {
    UUID client = client("Oumar Belgrave", 58, "customs officer", 176, 79, "", "");
    Consult skin =
        skin(Phototype.VI, 37, Oil.OILY, Sensitivity.RESILIENT)
            .goals(Map.of(PIH, 3, INFLAMED_SPOTS, 1, PORES, 2), PIH, PORES)
            .build();
    Map<Question, Answer> answers =
        Map.of(PIH_EVER, Answer.of("yes"), INHIBITOR, Answer.on("since", day(-160)));
    for (int peel = 6; peel >= 1; peel--) {
      past(client, skin, answers, "SAL-10", peel * 21, List.of(3, 5, 4, 3), "Same again");
    }
    for (int peel = 6; peel >= 1; peel--) {
      int area = peel > 4 ? 4 : peel > 1 ? 3 : 2;
      Masi.Part cheek = new Masi.Part(area, peel > 2 ? 3 : 2, 2);
      Map<Masi.Place, Masi.Part> parts =
          Map.of(
              Masi.Place.FOREHEAD,
              new Masi.Part(Math.max(1, area - 1), 2, 1),
              Masi.Place.MALAR_RIGHT,
              cheek,
              Masi.Place.MALAR_LEFT,
              cheek,
              Masi.Place.CHIN,
              new Masi.Part(1, 2, 1));
      scored(client, peel * 21, Optional.of(new Masi(parts)), Optional.empty(), 9 - peel);
    }
    UUID visit = visit(client, at(day(1), 10, 0), "room 1", INES);
    screened(visit, skin, answers);
  }

  /// Shallow scars; a full mandelic series and one superficial peel open the first TCA.
  private void yara() {
    UUID client = client("Yara Minhas", 31, "cook", 167, 61, "", "", Comfort.CLOSED_IN);
    Consult skin =
        skin(Phototype.III, 18, Oil.COMBINATION, Sensitivity.RESILIENT)
            .goals(Map.of(SCARS_SHALLOW, 3, ROUGHNESS, 2, SUN_DAMAGE, 1), SCARS_SHALLOW, ROUGHNESS)
            .flakesFit(10)
            .build();
    for (int peel = 7; peel >= 2; peel--) {
      past(client, skin, Map.of(), "MAN-20", 14 + peel * 14, List.of(1, 2, 2), "Same again");
    }
    past(client, skin, Map.of(), "MAN-40", 28, List.of(2, 3, 2), "Same again");
    UUID visit = visit(client, today(14, 0), "room 1", INES);
    screened(visit, skin, Map.of());
  }

  /// Melasma in type IV, primed; a wedding in five weeks.
  private void ishani() {
    UUID client = client("Ishani Velloor", 38, "teacher", 164, 60, "", "");
    Consult skin =
        skin(Phototype.IV, 24, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(MELASMA, 3, PIH, 1, DULLNESS, 1), MELASMA)
            .event("wedding", day(35))
            .measured(56.4, 13.2, 18.9, clock.instant())
            .uses(
                new HomeProduct(
                    "Brightening cream with inhibitor",
                    Set.of(Active.INHIBITOR),
                    Optional.of(day(-23)),
                    Optional.of(day(0))),
                new HomeProduct(
                    "Retinol cream or serum",
                    Set.of(Active.RETINOL),
                    Optional.empty(),
                    Optional.of(day(-6))),
                new HomeProduct("Mineral sunscreen", Set.of(), Optional.empty(), Optional.empty()))
            .build();
    UUID visit = visit(client, today(15, 15), "room 1", INES);
    screened(
        visit, skin, Map.of(PIH_EVER, Answer.of("yes"), INHIBITOR, Answer.on("since", day(-23))));
    choose(visit, "MAN-20");
  }

  /// Type V, oily, marks after spots: came in for patch tests, the first visit is today and nothing
  /// is asked yet.
  private void adaeze() {
    UUID client = client("Adaeze Orland", 29, "ferry purser", 172, 68, "", "");
    UUID visit = visit(client, today(16, 30), "room 1", INES);
    patched(
        visit, 3, Family.SALICYLIC, Family.MANDELIC, Family.LACTIC, Family.GLYCOLIC, Family.PHA);
  }

  /// Back from a week at sea: must wait.
  private void bruno() {
    UUID client = client("Bruno Castelmar", 47, "trawler skipper", 184, 92, "", "");
    Consult skin =
        skin(Phototype.III, 20, Oil.BALANCED, Sensitivity.NORMAL)
            .goals(Map.of(SUN_DAMAGE, 2, ROUGHNESS, 3), ROUGHNESS, SUN_DAMAGE)
            .build();
    UUID visit = visit(client, today(17, 30), "room 2", ROLF);
    screened(
        visit,
        skin,
        Map.of(
            SUN, Answer.on("sun", day(-4)),
            HAIR, Answer.on("done", day(-2)),
            OPEN_SPOTS, Answer.of("few")));
  }

  /// Sixteen, comedones; two questions are still open.
  private void tobiah() {
    UUID client = client("Tobiah Quill", 16, "school", 174, 63, "", "");
    Consult skin =
        skin(Phototype.III, 16, Oil.OILY, Sensitivity.NORMAL)
            .goals(Map.of(COMEDONES, 3, INFLAMED_SPOTS, 2, PORES, 1), COMEDONES, INFLAMED_SPOTS)
            .build();
    UUID visit = visit(client, at(day(1), 15, 30), "room 2", ROLF);
    consults.save(visit, skin, 0, ROLF);
    answers(visit, Map.of(HOME_ACID, Answer.on("used", day(-6))), List.of(RETINOID, SUN));
    consents.sign(
        visit,
        Family.covering(),
        ConsentText.CURRENT.version(),
        signed("Tobiah Quill"),
        Optional.of(signed("Hanne Quill")),
        day(0),
        ROLF);
    // Placed yesterday: the first read is due today.
    patchTests.place(
        visit,
        Set.of(Family.SALICYLIC, Family.MANDELIC),
        "behind the left ear",
        clock.instant().minus(Duration.ofHours(25)),
        ROLF);
  }

  /// Rosacea with papules, sensitive.
  private void rosalind() {
    UUID client =
        client("Rosalind Peake", 52, "harbour pilot", 169, 71, "", "", Comfort.BRIGHT_LIGHT);
    Consult skin =
        skin(Phototype.I, 6, Oil.DRY, Sensitivity.SENSITIVE)
            .goals(Map.of(ROSACEA_PAPULES, 2, DRYNESS, 1), ROSACEA_PAPULES)
            .build();
    UUID visit = visit(client, at(day(1), 11, 30), "room 1", INES);
    screened(visit, skin, Map.of());
  }

  /// Cold sores four times a year: only with a prescriber's cover.
  private void casper() {
    UUID client = client("Casper Wynd", 26, "fiddler", 178, 70, "", "");
    Consult skin =
        skin(Phototype.III, 15, Oil.BALANCED, Sensitivity.NORMAL)
            .goals(Map.of(DULLNESS, 2, ROUGHNESS, 2), DULLNESS)
            .build();
    UUID visit = visit(client, at(day(2), 10, 0), "room 1", INES);
    screened(visit, skin, Map.of(COLD_SORES_EVER, Answer.of("often")));
  }

  /// Pregnant: no peel.
  private void linnea() {
    UUID client = client("Linnea Strand", 33, "lighthouse guide", 171, 69, "", "");
    Consult skin =
        skin(Phototype.II, 11, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(MELASMA, 1, DULLNESS, 2), DULLNESS)
            .build();
    UUID visit = visit(client, at(day(2), 14, 0), "room 2", ROLF);
    screened(visit, skin, Map.of(PREGNANT, Answer.of("yes")));
  }

  /// Peeled three days ago, heard from once; today she is asked again.
  private void sunniva() {
    UUID client = client("Sunniva Brekke", 37, "sailmaker", 168, 63, "", "");
    Consult skin =
        skin(Phototype.II, 12, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(DULLNESS, 2, ROUGHNESS, 1, FINE_LINES, 1), DULLNESS)
            .build();
    UUID visit = past(client, skin, Map.of(), "LAC-30", 3, List.of(2, 3, 2), "Same again");
    heard(visit, 2, new HowItIs(1, 0, 1, Set.of(), "a little tight, nothing else"));
  }

  /// Peeled eight days ago; on the sixth he told of a rash, and nobody has closed it yet.
  private void eskil() {
    UUID client = client("Eskil Varga", 41, "crane driver", 178, 81, "", "");
    Consult skin =
        skin(Phototype.III, 19, Oil.OILY, Sensitivity.NORMAL)
            .goals(Map.of(COMEDONES, 2, PORES, 2), COMEDONES)
            .build();
    UUID visit = past(client, skin, Map.of(), "SAL-10", 8, List.of(2, 4, 3), "Same again");
    heard(visit, 7, new HowItIs(1, 1, 1, Set.of(), ""));
    heard(visit, 2, new HowItIs(3, 0, 2, Set.of(Complaint.RASH), "it came after a new aftershave"));
  }

  private void scored(
      UUID client, int daysAgo, Optional<Masi> masi, Optional<Gags> gags, int satisfaction) {
    progress.keep(
        client,
        day(-daysAgo),
        new Scores(
            masi, gags, Optional.empty(), Optional.empty(), Optional.of(satisfaction), Map.of()),
        INES);
  }

  private void heard(UUID visit, int daysAgo, HowItIs told) {
    contact.on(new DemoClock(clock.getZone(), at(day(-daysAgo), 9, 15))).hear(visit, told, INES);
  }

  private static final Map<String, Language> SPEAKS =
      Map.of("Yara Minhas", Language.ES, "Bruno Castelmar", Language.PT);

  private UUID client(
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

  private UUID visit(UUID client, Instant start, String room, String who) {
    UUID id = UUID.randomUUID();
    visits.add(new Visit(id, client, start, 45, room, who, Optional.empty()));
    return id;
  }

  /// A whole visit in the past, run by the real engine.
  private UUID past(
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
  private void patched(UUID visit, int daysAgo, Family... families) {
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

  private void peel(UUID visit, String formula, Instant start, List<Integer> told, String next) {
    choose(visit, formula);
    done(visit, start, told, next);
  }

  private void done(UUID visit, Instant start, List<Integer> told, String next) {
    plans.keep(visit, INES);
    new DemoPeel(treatments, past, INES).whole(visit, plans.ready(visit), start, told, next);
  }

  private void choose(UUID visit, String formula) {
    plans.choose(visit, formula, "agreed with the client as the gentler start", INES);
  }

  private void screened(UUID visit, Consult skin, Map<Question, Answer> differing) {
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
  private static SignedName signed(String name) {
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
  private void answers(UUID visit, Map<Question, Answer> differing, List<Question> unasked) {
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

  private LocalDate day(int fromToday) {
    return LocalDate.now(clock).plusDays(fromToday);
  }

  private Instant at(LocalDate day, int hour, int minute) {
    return day.atTime(LocalTime.of(hour, minute)).atZone(clock.getZone()).toInstant();
  }

  private Instant today(int hour, int minute) {
    return at(day(0), hour, minute);
  }

  private static SkinDraft skin(Phototype type, int total, Oil oil, Sensitivity sensitivity) {
    return new SkinDraft(type, total, oil, sensitivity);
  }

  /// A consult in the making; the questionnaire is filled so that it adds up to the total.
  private static final class SkinDraft {
    private final int total;
    private final Oil oil;
    private final Sensitivity sensitivity;
    private Map<Condition, Integer> conditions = Map.of();
    private List<Condition> goals = List.of();
    private int flaking = 7;
    private List<Event> events = List.of();
    private List<HomeProduct> products = List.of();
    private Optional<ColourReading> arm = Optional.empty();

    SkinDraft(Phototype type, int total, Oil oil, Sensitivity sensitivity) {
      if (PhototypeQuestionnaire.type(total) != type) {
        throw new IllegalArgumentException(total + " is not type " + type);
      }
      this.total = total;
      this.oil = oil;
      this.sensitivity = sensitivity;
    }

    SkinDraft goals(Map<Condition, Integer> grades, Condition... inOrder) {
      conditions = grades;
      goals = List.of(inOrder);
      return this;
    }

    SkinDraft flakesFit(int days) {
      flaking = days;
      return this;
    }

    SkinDraft event(String name, LocalDate on) {
      events = List.of(new Event(name, on));
      return this;
    }

    SkinDraft uses(HomeProduct... atHome) {
      products = List.of(atHome);
      return this;
    }

    SkinDraft measured(double l, double a, double b, Instant at) {
      arm = Optional.of(new ColourReading(new SkinColour(l, a, b), at, "colorimeter"));
      return this;
    }

    Consult build() {
      Map<String, Integer> scores = new HashMap<>();
      int left = total;
      int items = PhototypeQuestionnaire.ITEMS.size();
      for (PhototypeQuestionnaire.Item item : PhototypeQuestionnaire.ITEMS) {
        int score = Math.min(4, Math.ceilDiv(left, items));
        scores.put(item.id(), score);
        left -= score;
        items--;
      }
      return new Consult(
          scores,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          arm,
          Optional.empty(),
          Optional.of(oil),
          Optional.of(oil == Oil.DRY ? Hydration.DEHYDRATED : Hydration.WELL),
          Optional.of(sensitivity),
          Optional.empty(),
          conditions,
          Optional.empty(),
          goals,
          looks(),
          lamp(),
          Optional.of(flaking),
          events,
          products,
          Region.FACE,
          Map.of(),
          Optional.empty(),
          "");
    }

    private Map<Zone, Lamp> lamp() {
      Map<Zone, Lamp> lamp = new EnumMap<>(Zone.class);
      if (oil == Oil.OILY || oil == Oil.COMBINATION) {
        lamp.put(Zone.NOSE, new Lamp(Set.of(Lamp.Colour.YELLOW), Optional.empty()));
      }
      if (conditions.containsKey(PIH) || conditions.containsKey(MELASMA)) {
        Lamp brown = new Lamp(Set.of(Lamp.Colour.BROWN), Optional.of(Lamp.Pigment.EPIDERMAL));
        lamp.put(Zone.CHEEK_LEFT, brown);
        lamp.put(Zone.CHEEK_RIGHT, brown);
      }
      return lamp;
    }

    private Map<Zone, Map<LookFinding, Integer>> looks() {
      Map<Zone, Map<LookFinding, Integer>> looks = new EnumMap<>(Zone.class);
      int shine = oil == Oil.OILY ? 3 : oil == Oil.COMBINATION ? 2 : 0;
      int flaking = oil == Oil.DRY ? 2 : 0;
      int pores = conditions.getOrDefault(PORES, conditions.getOrDefault(COMEDONES, 1));
      int pigment =
          conditions.getOrDefault(
              PIH, conditions.getOrDefault(MELASMA, conditions.getOrDefault(SUN_DAMAGE, 0)));
      looks.put(
          Zone.FOREHEAD,
          Map.of(LookFinding.SHINE, shine, LookFinding.FLAKING, 0, LookFinding.PORES, pores));
      looks.put(Zone.NOSE, Map.of(LookFinding.SHINE, shine, LookFinding.PORES, pores));
      looks.put(
          Zone.CHEEK_LEFT, Map.of(LookFinding.FLAKING, flaking, LookFinding.PIGMENT, pigment));
      looks.put(
          Zone.CHEEK_RIGHT, Map.of(LookFinding.FLAKING, flaking, LookFinding.PIGMENT, pigment));
      looks.put(Zone.CHIN, Map.of(LookFinding.PORES, pores, LookFinding.COMEDONES, pores));
      return looks;
    }
  }
}
