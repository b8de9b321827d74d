package ivesk.server;

import static ivesk.server.Practice.file;
import static org.assertj.core.api.Assertions.assertThat;

import ca.uhn.fhir.context.FhirContext;
import ca.uhn.fhir.validation.FhirValidator;
import ivesk.core.formula.Library;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.server.Practice.Answer;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import ivesk.server.data.ArchiveFormat.Bearer;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Matcher;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtStart;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// Random charts, each from one of the demo's with what belongs to it under new ids, and with
/// random words, peels elsewhere, scores and a course of its own. What they are exported to is
/// checked from outside: JSON and tables by taking them in elsewhere, FHIR by HAPI's R4
/// definitions, calendars by ical4j. `-Divesk.charts=1000` for the long run.
class RandomChartsTest {
  private static final int CHARTS = Integer.getInteger("ivesk.charts", 10);
  private static final long SEED = Long.getLong("ivesk.seed", 14);
  private static final LocalDate TODAY = LocalDate.now(ZoneOffset.UTC);
  private static final List<String> WORDS =
      List.of(
          "",
          "=1+1",
          "'-nickel",
          "\"quoted\", with; all | marks\tof\na table",
          "Zoë Ødegård 夏 🌿",
          "\u0001 \u2028 \\ / <b>&amp;</b>",
          "  blanks around  ",
          "NULL",
          "@sum");

  private static Practice practice;
  private static ConfigurableApplicationContext elsewhere;
  private static Archive here;
  private static Archive there;
  private static List<String> donors;

  @BeforeAll
  static void open() {
    practice = Practice.open().signIn("ines", "harbour");
    elsewhere = Practice.start("start");
    here = practice.bean(Archive.class);
    there = elsewhere.getBean(Archive.class);
    donors = new ArrayList<>();
    for (JsonNode client : practice.get("/api/clients").body().get("clients")) {
      donors.add(
          new String(
              file(here, Form.JSON, id(client.get("id").asString())), StandardCharsets.UTF_8));
    }
  }

  @AfterAll
  static void close() {
    practice.close();
    elsewhere.close();
  }

  private static Optional<UUID> id(String client) {
    return Optional.of(UUID.fromString(client));
  }

  /// The client's own words are those of the random chart, all else is new.
  private static String chart(Random random) throws Exception {
    String donor = donors.get(random.nextInt(donors.size()));
    String copy = new FreshIds(random).in(donor);
    here.take(new ByteArrayInputStream(copy.getBytes(StandardCharsets.UTF_8)), Bearer.OF_ALL);
    String first = "{\"table\":\"client\"";
    Matcher ids = FreshIds.ID.matcher(copy);
    assertThat(ids.find(copy.indexOf(first))).isTrue();
    String client = ids.group(1);
    ObjectNode body = Practice.JSON.createObjectNode();
    body.put("name", "X " + any(random) + " " + random.nextInt(1_000_000));
    body.put("dateOfBirth", TODAY.minusDays(7000 + random.nextInt(20_000)).toString());
    body.put("occupation", any(random));
    body.put("sun", any(random));
    body.put("allergies", any(random));
    body.put("comfort", any(random));
    body.put("guardian", any(random));
    body.put("language", List.of("EN", "ES", "FR", "DE", "PT").get(random.nextInt(5)));
    if (random.nextBoolean()) body.put("weightKg", 40 + 60 * random.nextDouble());
    int version = practice.get("/api/clients/" + client).body().get("version").asInt();
    ObjectNode change = Practice.JSON.createObjectNode();
    change.set("client", body);
    change.put("version", version);
    done(practice.put("/api/clients/" + client, change.toString()));
    elsewhere(random, client);
    scores(random, client);
    return client;
  }

  private static String any(Random random) {
    return WORDS.get(random.nextInt(WORDS.size()));
  }

  private static void done(Answer answer) {
    assertThat(answer.status()).as(answer.detail()).isBetween(200, 299);
  }

  private static void elsewhere(Random random, String client) {
    for (int i = random.nextInt(4); i > 0; i--) {
      ObjectNode peel = Practice.JSON.createObjectNode();
      peel.put("formula", Library.FORMULAS.get(random.nextInt(Library.FORMULAS.size())).code());
      peel.put("region", "FACE");
      peel.put("on", TODAY.minusDays(random.nextInt(2000)).toString());
      peel.put("outcome", PeelOutcome.values()[random.nextInt(4)].name());
      peel.put("seen", random.nextBoolean());
      done(practice.post("/api/clients/" + client + "/outside-peels", peel.toString()));
    }
  }

  private static void scores(Random random, String client) {
    for (int i = random.nextInt(4); i > 0; i--) {
      ObjectNode sheet = Practice.JSON.createObjectNode();
      sheet.put("satisfaction", random.nextInt(11));
      sheet.put("improvement", List.of("WORSE", "NONE", "SOME", "MUCH").get(random.nextInt(4)));
      sheet.putObject("colours");
      sheet.putObject("masi");
      sheet.putObject("gags").put("NOSE", random.nextInt(5)).put("CHIN", random.nextInt(5));
      LocalDate on = TODAY.minusDays(random.nextInt(3000));
      Answer saved =
          practice.put(
              "/api/clients/" + client + "/scores/" + on,
              "{\"sheet\":" + sheet + ",\"version\":0}");
      assertThat(saved.status()).as(saved.detail()).isIn(200, 409);
    }
  }

  private static Temporal start(VEvent event) {
    DtStart<Temporal> start = event.getRequiredProperty(Property.DTSTART);
    return start.getDate();
  }

  /// @return whether a course could be proposed and moved
  private static boolean courseKeepsItsUids(Random random, String client) throws Exception {
    String at = "/api/clients/" + client + "/courses";
    JsonNode proposal = practice.get(at).body().path("proposal");
    if (!proposal.isObject()) return false;
    ObjectNode wish = (ObjectNode) proposal;
    wish.put("count", 2 + random.nextInt(4));
    if (practice.post(at, wish.toString()).status() != 200) return false;
    JsonNode course = practice.get(at).body().get("courses").get(0);
    String id = course.get("id").asString();
    Map<String, VEvent> before = CourseApiTest.calendar(practice, id);
    assertThat(before).hasSize(course.get("peels").size());
    LocalDate second = LocalDate.parse(course.get("peels").get(1).get("on").asString());
    Answer moved =
        practice.post(
            "/api/courses/" + id + "/move",
            "{\"number\":2,\"to\":\"" + second.plusDays(7 * (1 + random.nextInt(5))) + "\"}");
    if (moved.status() != 200) return false;
    Map<String, VEvent> after = CourseApiTest.calendar(practice, id);
    assertThat(after.keySet()).isEqualTo(before.keySet());
    assertThat(after.keySet())
        .anyMatch(uid -> !start(after.get(uid)).equals(start(before.get(uid))));
    for (String uid : after.keySet()) {
      assertThat(after.get(uid).getSequence().getSequenceNo())
          .isGreaterThanOrEqualTo(before.get(uid).getSequence().getSequenceNo());
    }
    return true;
  }

  @Test
  void everyOneLeavesAndComesBackTheSame() throws Exception {
    Random random = new Random(SEED);
    FhirContext r4 = FhirContext.forR4();
    FhirValidator validator = FhirTest.validator(r4);
    int courses = 0;
    int resources = 0;
    for (int i = 0; i < CHARTS; i++) {
      String client = chart(random);
      if (courseKeepsItsUids(random, client)) courses++;
      for (Form form : Form.values()) {
        byte[] all = file(here, form, id(client));
        there.take(new ByteArrayInputStream(all), Bearer.OF_ALL);
        assertThat(Arrays.equals(file(there, form, id(client)), all)).as(form + " " + i).isTrue();
      }
      Answer bundle = practice.get("/api/clients/" + client + "/fhir");
      assertThat(FhirTest.wrong(validator.validateWithResult(bundle.body().toString())))
          .as("chart " + i)
          .isEmpty();
      resources += bundle.body().path("entry").size();
    }
    byte[] everything = file(here, Form.JSON, Optional.empty());
    Instant began = Instant.now();
    try (ConfigurableApplicationContext empty = Practice.start("start")) {
      Archive wiped = empty.getBean(Archive.class);
      wiped.take(new ByteArrayInputStream(everything), Bearer.OF_ALL);
      assertThat(Arrays.equals(file(wiped, Form.JSON, Optional.empty()), everything)).isTrue();
    }
    Duration took = Duration.between(began, Instant.now());
    assertThat(courses).isPositive();
    System.out.println(
        CHARTS
            + " charts, seed "
            + SEED
            + ": "
            + resources
            + " FHIR resources, "
            + courses
            + " courses moved, "
            + everything.length
            + " bytes in all, into an empty practice and out again in "
            + took.toSeconds()
            + " s");
  }
}
