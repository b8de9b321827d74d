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

import ivesk.core.aftercare.Complaint;
import ivesk.core.aftercare.HowItIs;
import ivesk.core.formula.Family;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.script.Comfort;
import ivesk.core.screening.answer.ConsentText;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.server.plan.PlanService;
import ivesk.server.screening.ConsentService;
import ivesk.server.screening.PatchTestService;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.Treatments;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/// The clients of the demo, each with a story.
@Component
@Profile("demo")
class DemoClients {
  private final ConsultService consults;
  private final ConsentService consents;
  private final PatchTestService patchTests;
  private final PlanService plans;
  private final Treatments treatments;
  private final Clock clock;
  private final DemoDesk desk;

  DemoClients(
      ConsultService consults,
      ConsentService consents,
      PatchTestService patchTests,
      PlanService plans,
      Treatments treatments,
      Clock clock,
      DemoDesk desk) {
    this.consults = consults;
    this.consents = consents;
    this.patchTests = patchTests;
    this.plans = plans;
    this.treatments = treatments;
    this.clock = clock;
    this.desk = desk;
  }

  /// Dry and dull at 71; signed two hours ago.
  void greta() {
    UUID client =
        desk.client(
            "Greta Sollund",
            71,
            "retired netmaker",
            162,
            58,
            "",
            "a blanket, her feet freeze",
            Comfort.DREADS_COLD);
    Consult skin =
        desk.skin(Phototype.I, 5, Oil.DRY, Sensitivity.NORMAL)
            .goals(Map.of(DRYNESS, 3, DULLNESS, 2, FINE_LINES, 1), DRYNESS, DULLNESS)
            .build();
    Instant start = clock.instant().minus(Duration.ofHours(2)).truncatedTo(ChronoUnit.HOURS);
    UUID visit = desk.visit(client, start, "room 1", DemoDesk.INES);
    desk.screened(visit, skin, Map.of());
    desk.peel(visit, "LAC-10", start, List.of(1, 1), "Same again, one week");
  }

  /// On the couch in room 2, a mandelic series.
  void jonas() {
    UUID client =
        desk.client("Jonas Arkwright", 44, "joiner", 181, 84, "latex", "nose free of towels");
    Consult skin =
        desk.skin(Phototype.III, 17, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(INFLAMED_SPOTS, 3, COMEDONES, 2, PORES, 2), INFLAMED_SPOTS, COMEDONES)
            .build();
    Map<Question, Answer> latex = Map.of(Question.LATEX_ALLERGY, Answer.of("yes"));
    for (int weeks = 10; weeks >= 2; weeks -= 2) {
      desk.past(client, skin, latex, "MAN-20", weeks * 7, List.of(2, 3, 3), "Same again");
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
      desk.scored(client, 70 - 14 * i, Optional.empty(), Optional.of(new Gags(grades)), 4 + i);
    }
    Instant start = clock.instant().minus(Duration.ofMinutes(20)).truncatedTo(ChronoUnit.MINUTES);
    UUID visit = desk.visit(client, start, "room 2", DemoDesk.ROLF);
    desk.screened(visit, skin, latex);
    desk.choose(visit, "MAN-20");
    plans.keep(visit, DemoDesk.ROLF);
    Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    new DemoPeel(treatments, desk.past, DemoDesk.ROLF)
        .running(visit, plans.ready(visit), now.minusSeconds(134), List.of(2, 3, 3), now);
  }

  /// Sun and lines, a glycolic series behind her; ready for the couch.
  void maren() {
    UUID client = desk.client("Maren Holt", 43, "boat painter", 170, 66, "", "");
    Consult skin =
        desk.skin(Phototype.II, 10, Oil.BALANCED, Sensitivity.RESILIENT)
            .goals(Map.of(SUN_DAMAGE, 3, FINE_LINES, 2, DULLNESS, 1), SUN_DAMAGE, FINE_LINES)
            .build();
    for (int peel = 6; peel >= 1; peel--) {
      desk.past(client, skin, Map.of(), "GLY-20", 28 + peel * 14, List.of(2, 2), "Same again");
    }
    Instant start = desk.at(desk.day(-21), 10, 0);
    UUID last = desk.visit(client, start, "room 1", DemoDesk.INES);
    desk.screened(last, skin, Map.of());
    desk.choose(last, "GLY-35");
    // Her wish since a holiday by the sea; it is taken up today.
    plans.edge(last, Edge.HIGH_ON_THE_NECK, DemoDesk.INES);
    desk.done(last, start, List.of(3, 4, 3), "Same again, 3:00");
    UUID visit = desk.visit(client, desk.today(11, 0), "room 1", DemoDesk.INES);
    desk.screened(visit, skin, Map.of());
    desk.choose(visit, "GLY-35");
    plans.keep(visit, DemoDesk.INES);
  }

  /// Type VI with marks after spots, six salicylic peels behind him.
  void oumar() {
    UUID client = desk.client("Oumar Belgrave", 58, "customs officer", 176, 79, "", "");
    Consult skin =
        desk.skin(Phototype.VI, 37, Oil.OILY, Sensitivity.RESILIENT)
            .goals(Map.of(PIH, 3, INFLAMED_SPOTS, 1, PORES, 2), PIH, PORES)
            .build();
    Map<Question, Answer> answers =
        Map.of(PIH_EVER, Answer.of("yes"), INHIBITOR, Answer.on("since", desk.day(-160)));
    for (int peel = 6; peel >= 1; peel--) {
      desk.past(client, skin, answers, "SAL-10", peel * 21, List.of(3, 5, 4, 3), "Same again");
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
      desk.scored(client, peel * 21, Optional.of(new Masi(parts)), Optional.empty(), 9 - peel);
    }
    UUID visit = desk.visit(client, desk.at(desk.day(1), 10, 0), "room 1", DemoDesk.INES);
    desk.screened(visit, skin, answers);
  }

  /// Shallow scars; a full mandelic series and one superficial peel open the first TCA.
  void yara() {
    UUID client = desk.client("Yara Minhas", 31, "cook", 167, 61, "", "", Comfort.CLOSED_IN);
    Consult skin =
        desk.skin(Phototype.III, 18, Oil.COMBINATION, Sensitivity.RESILIENT)
            .goals(Map.of(SCARS_SHALLOW, 3, ROUGHNESS, 2, SUN_DAMAGE, 1), SCARS_SHALLOW, ROUGHNESS)
            .flakesFit(10)
            .build();
    for (int peel = 7; peel >= 2; peel--) {
      desk.past(client, skin, Map.of(), "MAN-20", 14 + peel * 14, List.of(1, 2, 2), "Same again");
    }
    desk.past(client, skin, Map.of(), "MAN-40", 28, List.of(2, 3, 2), "Same again");
    UUID visit = desk.visit(client, desk.today(14, 0), "room 1", DemoDesk.INES);
    desk.screened(visit, skin, Map.of());
  }

  /// Melasma in type IV, primed; a wedding in five weeks.
  void ishani() {
    UUID client = desk.client("Ishani Velloor", 38, "teacher", 164, 60, "", "");
    Consult skin =
        desk.skin(Phototype.IV, 24, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(MELASMA, 3, PIH, 1, DULLNESS, 1), MELASMA)
            .event("wedding", desk.day(35))
            .measured(56.4, 13.2, 18.9, clock.instant())
            .uses(
                new HomeProduct(
                    "Brightening cream with inhibitor",
                    Set.of(Active.INHIBITOR),
                    Optional.of(desk.day(-23)),
                    Optional.of(desk.day(0))),
                new HomeProduct(
                    "Retinol cream or serum",
                    Set.of(Active.RETINOL),
                    Optional.empty(),
                    Optional.of(desk.day(-6))),
                new HomeProduct("Mineral sunscreen", Set.of(), Optional.empty(), Optional.empty()))
            .build();
    UUID visit = desk.visit(client, desk.today(15, 15), "room 1", DemoDesk.INES);
    desk.screened(
        visit,
        skin,
        Map.of(PIH_EVER, Answer.of("yes"), INHIBITOR, Answer.on("since", desk.day(-23))));
    desk.choose(visit, "MAN-20");
  }

  /// Type V, oily, marks after spots: came in for patch tests, the first visit is today and nothing
  /// is asked yet.
  void adaeze() {
    UUID client = desk.client("Adaeze Orland", 29, "ferry purser", 172, 68, "", "");
    UUID visit = desk.visit(client, desk.today(16, 30), "room 1", DemoDesk.INES);
    desk.patched(
        visit, 3, Family.SALICYLIC, Family.MANDELIC, Family.LACTIC, Family.GLYCOLIC, Family.PHA);
  }

  /// Back from a week at sea: must wait.
  void bruno() {
    UUID client = desk.client("Bruno Castelmar", 47, "trawler skipper", 184, 92, "", "");
    Consult skin =
        desk.skin(Phototype.III, 20, Oil.BALANCED, Sensitivity.NORMAL)
            .goals(Map.of(SUN_DAMAGE, 2, ROUGHNESS, 3), ROUGHNESS, SUN_DAMAGE)
            .build();
    UUID visit = desk.visit(client, desk.today(17, 30), "room 2", DemoDesk.ROLF);
    desk.screened(
        visit,
        skin,
        Map.of(
            SUN, Answer.on("sun", desk.day(-4)),
            HAIR, Answer.on("done", desk.day(-2)),
            OPEN_SPOTS, Answer.of("few")));
  }

  /// Sixteen, comedones; two questions are still open.
  void tobiah() {
    UUID client = desk.client("Tobiah Quill", 16, "school", 174, 63, "", "");
    Consult skin =
        desk.skin(Phototype.III, 16, Oil.OILY, Sensitivity.NORMAL)
            .goals(Map.of(COMEDONES, 3, INFLAMED_SPOTS, 2, PORES, 1), COMEDONES, INFLAMED_SPOTS)
            .build();
    UUID visit = desk.visit(client, desk.at(desk.day(1), 15, 30), "room 2", DemoDesk.ROLF);
    consults.save(visit, skin, 0, DemoDesk.ROLF);
    desk.answers(visit, Map.of(HOME_ACID, Answer.on("used", desk.day(-6))), List.of(RETINOID, SUN));
    consents.sign(
        visit,
        Family.covering(),
        ConsentText.CURRENT.version(),
        desk.signed("Tobiah Quill"),
        Optional.of(desk.signed("Hanne Quill")),
        desk.day(0),
        DemoDesk.ROLF);
    // Placed yesterday: the first read is due today.
    patchTests.place(
        visit,
        Set.of(Family.SALICYLIC, Family.MANDELIC),
        "behind the left ear",
        clock.instant().minus(Duration.ofHours(25)),
        DemoDesk.ROLF);
  }

  /// Rosacea with papules, sensitive.
  void rosalind() {
    UUID client =
        desk.client("Rosalind Peake", 52, "harbour pilot", 169, 71, "", "", Comfort.BRIGHT_LIGHT);
    Consult skin =
        desk.skin(Phototype.I, 6, Oil.DRY, Sensitivity.SENSITIVE)
            .goals(Map.of(ROSACEA_PAPULES, 2, DRYNESS, 1), ROSACEA_PAPULES)
            .build();
    UUID visit = desk.visit(client, desk.at(desk.day(1), 11, 30), "room 1", DemoDesk.INES);
    desk.screened(visit, skin, Map.of());
  }

  /// Cold sores four times a year: only with a prescriber's cover.
  void casper() {
    UUID client = desk.client("Casper Wynd", 26, "fiddler", 178, 70, "", "");
    Consult skin =
        desk.skin(Phototype.III, 15, Oil.BALANCED, Sensitivity.NORMAL)
            .goals(Map.of(DULLNESS, 2, ROUGHNESS, 2), DULLNESS)
            .build();
    UUID visit = desk.visit(client, desk.at(desk.day(2), 10, 0), "room 1", DemoDesk.INES);
    desk.screened(visit, skin, Map.of(COLD_SORES_EVER, Answer.of("often")));
  }

  /// Pregnant: no peel.
  void linnea() {
    UUID client = desk.client("Linnea Strand", 33, "lighthouse guide", 171, 69, "", "");
    Consult skin =
        desk.skin(Phototype.II, 11, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(MELASMA, 1, DULLNESS, 2), DULLNESS)
            .build();
    UUID visit = desk.visit(client, desk.at(desk.day(2), 14, 0), "room 2", DemoDesk.ROLF);
    desk.screened(visit, skin, Map.of(PREGNANT, Answer.of("yes")));
  }

  /// Peeled three days ago, heard from once; today she is asked again.
  void sunniva() {
    UUID client = desk.client("Sunniva Brekke", 37, "sailmaker", 168, 63, "", "");
    Consult skin =
        desk.skin(Phototype.II, 12, Oil.COMBINATION, Sensitivity.NORMAL)
            .goals(Map.of(DULLNESS, 2, ROUGHNESS, 1, FINE_LINES, 1), DULLNESS)
            .build();
    UUID visit = desk.past(client, skin, Map.of(), "LAC-30", 3, List.of(2, 3, 2), "Same again");
    desk.heard(visit, 2, new HowItIs(1, 0, 1, Set.of(), "a little tight, nothing else"));
  }

  /// Peeled eight days ago; on the sixth he told of a rash, and nobody has closed it yet.
  void eskil() {
    UUID client = desk.client("Eskil Varga", 41, "crane driver", 178, 81, "", "");
    Consult skin =
        desk.skin(Phototype.III, 19, Oil.OILY, Sensitivity.NORMAL)
            .goals(Map.of(COMEDONES, 2, PORES, 2), COMEDONES)
            .build();
    UUID visit = desk.past(client, skin, Map.of(), "SAL-10", 8, List.of(2, 4, 3), "Same again");
    desk.heard(visit, 7, new HowItIs(1, 1, 1, Set.of(), ""));
    desk.heard(
        visit, 2, new HowItIs(3, 0, 2, Set.of(Complaint.RASH), "it came after a new aftershave"));
  }
}
