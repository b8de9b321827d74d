package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.io.StringReader;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// A course from its proposal to the calendar: booked, moved as one, skipped, paused, resumed.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CourseApiTest {
  private static Practice practice;
  private static String client;
  private static String course;
  private static Map<String, VEvent> first;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
    client = practice.client("Sunniva");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static JsonNode courses() {
    return practice.get("/api/clients/" + client + "/courses").body();
  }

  private static JsonNode peels() {
    return courses().get("courses").get(0).get("peels");
  }

  private static List<LocalDate> days() {
    List<LocalDate> days = new ArrayList<>();
    peels().forEach(peel -> days.add(LocalDate.parse(peel.get("on").asString())));
    return days;
  }

  private static List<String> states() {
    List<String> states = new ArrayList<>();
    peels().forEach(peel -> states.add(peel.get("state").asString()));
    return states;
  }

  private static Map<String, VEvent> calendar() throws Exception {
    return calendar(practice, course);
  }

  /// The entries of a course's calendar by their UID, read by ical4j.
  static Map<String, VEvent> calendar(Practice practice, String course) throws Exception {
    String file = practice.text("/api/courses/" + course + "/course.ics");
    Map<String, VEvent> events = new HashMap<>();
    for (VEvent event :
        new CalendarBuilder()
            .build(new StringReader(file))
            .<VEvent>getComponents(Component.VEVENT)) {
      events.put(event.getUid().orElseThrow().getValue(), event);
    }
    return events;
  }

  @Test
  @Order(1)
  void theProposalGoesOnFromTheLastPeel() {
    JsonNode proposal = courses().get("proposal");
    assertThat(proposal.get("formulas").get(0).asString()).isEqualTo("LAC-30");
    LocalDate wished = LocalDate.parse(proposal.get("first").asString());
    assertThat(wished).isAfter(LocalDate.now(ZoneOffset.UTC));
    JsonNode placed =
        practice.post("/api/clients/" + client + "/courses/placing", proposal.toString()).body();
    assertThat(placed).hasSize(proposal.get("count").asInt());
    assertThat(placed(wish("LAC-30", LocalDate.now(ZoneOffset.UTC).plusDays(1), 1)).getFirst())
        .as("wished for too soon after the peel of the newest visit")
        .isAfterOrEqualTo(wished);
    assertThat(courses().get("courses")).as("nothing is booked yet").isEmpty();
  }

  @Test
  @Order(2)
  void bookingMakesAVisitForEach() throws Exception {
    int before = practice.get("/api/clients/" + client + "/visits").body().size();
    JsonNode proposal = courses().get("proposal");
    int count = proposal.get("count").asInt();
    practice.post("/api/clients/" + client + "/courses", proposal.toString());
    course = courses().get("courses").get(0).get("id").asString();
    assertThat(practice.get("/api/clients/" + client + "/visits").body()).hasSize(before + count);
    assertThat(days()).isSorted().doesNotHaveDuplicates();
    assertThat(days())
        .as("the demo's practice is shut on Sundays")
        .noneMatch(day -> day.getDayOfWeek().getValue() == 7);
    first = calendar();
    assertThat(first).hasSize(count);
  }

  @Test
  @Order(3)
  void movedAsOneItKeepsItsUids() throws Exception {
    List<LocalDate> before = days();
    Answer soon =
        practice.post(
            "/api/courses/" + course + "/move",
            "{\"number\":2,\"to\":\"%s\"}".formatted(before.get(0).plusDays(1)));
    assertThat(soon.status()).as("within the interval of the one before").isEqualTo(422);
    assertThat(days()).isEqualTo(before);
    practice.post(
        "/api/courses/" + course + "/move",
        "{\"number\":2,\"to\":\"%s\"}".formatted(before.get(1).plusDays(7)));
    List<LocalDate> after = days();
    assertThat(after.getFirst()).isEqualTo(before.getFirst());
    for (int i = 1; i < after.size(); i++) {
      assertThat(after.get(i)).isEqualTo(before.get(i).plusDays(7));
    }
    Map<String, VEvent> moved = calendar();
    assertThat(moved.get("course-" + course + "-2@ivesk").getSummary().getValue())
        .isEqualTo("Your peel 2");
    assertThat(moved.keySet()).isEqualTo(first.keySet());
    assertThat(
            practice
                .post("/api/courses/" + course + "/move", "{\"number\":2,\"to\":\"2001-01-01\"}")
                .status())
        .isEqualTo(400);
  }

  @Test
  @Order(4)
  void oneIsSkippedAndTheOthersKeepTheirDays() throws Exception {
    List<LocalDate> before = days();
    practice.post("/api/courses/" + course + "/skip", "{\"number\":3,\"why\":\"at sea\"}");
    assertThat(states().get(2)).isEqualTo("SKIPPED");
    assertThat(days()).isEqualTo(before);
    VEvent out = calendar().get("course-" + course + "-3@ivesk");
    assertThat(out.getStatus().getValue()).isEqualTo("CANCELLED");
    assertThat(
            practice
                .post("/api/courses/" + course + "/skip", "{\"number\":3,\"why\":\"again\"}")
                .status())
        .isEqualTo(422);
    assertThat(
            practice
                .post("/api/courses/" + course + "/skip", "{\"number\":2,\"why\":\" \"}")
                .status())
        .isEqualTo(400);
  }

  @Test
  @Order(5)
  void pausedItRestsAndResumedItGoesOn() {
    practice.post("/api/courses/" + course + "/pause", "{\"why\":\"a new medicine\"}");
    assertThat(states()).containsOnly("PAUSED", "SKIPPED");
    LocalDate from = LocalDate.now(ZoneOffset.UTC).plusDays(90);
    practice.post("/api/courses/" + course + "/resume", "{\"from\":\"%s\"}".formatted(from));
    assertThat(states()).containsOnly("BOOKED", "SKIPPED");
    assertThat(days().getFirst()).isBetween(from, from.plusDays(7));
  }

  private static String wish(String formula, LocalDate first, int count) {
    ObjectNode wish = (ObjectNode) courses().get("proposal");
    wish.putArray("formulas").add(formula);
    return wish.put("first", first.toString()).put("count", count).put("layers", 1).toString();
  }

  private static List<LocalDate> placed(String wish) {
    List<LocalDate> days = new ArrayList<>();
    practice
        .post("/api/clients/" + client + "/courses/placing", wish)
        .body()
        .forEach(peel -> days.add(LocalDate.parse(peel.get("on").asString())));
    return days;
  }

  /// Neither another family nor the same comes near what a course has booked, though no plan of it
  /// is made yet.
  @ParameterizedTest
  @Order(9)
  @CsvSource({"MAN-40, 14", "LAC-30, 7"})
  void aSecondCourseKeepsOffTheFirst(String formula, int apart) {
    List<LocalDate> booked = new ArrayList<>();
    for (int i = 0; i < days().size(); i++) {
      if (states().get(i).equals("BOOKED")) booked.add(days().get(i));
    }
    assertThat(booked).hasSizeGreaterThan(1);
    List<LocalDate> second = placed(wish(formula, booked.getFirst().minusDays(20), 4));
    for (LocalDate one : booked) {
      assertThat(second)
          .as(apart + " days from " + one)
          .allMatch(day -> Math.abs(ChronoUnit.DAYS.between(one, day)) >= apart);
    }
  }

  /// A visit that the desk called off is out of its course like one that is skipped: moved, paused
  /// and resumed, it stays so.
  @Test
  @Order(10)
  void whatTheDeskCallsOffStaysOut() {
    String visit = peels().get(1).get("visitId").asString();
    practice.post("/api/visits/" + visit + "/cancellation", "{\"why\":\"has a cold\"}");
    assertThat(states().get(1)).isEqualTo("SKIPPED");
    assertThat(peels().get(1).get("skipped").asString()).isEqualTo("has a cold");
    LocalDate out = days().get(1);
    practice.post(
        "/api/courses/" + course + "/move",
        "{\"number\":1,\"to\":\"%s\"}".formatted(days().getFirst().plusDays(7)));
    assertThat(days().get(1)).as("it does not move along").isEqualTo(out);
    practice.post("/api/courses/" + course + "/pause", "{\"why\":\"a journey\"}");
    assertThat(
            practice
                .post(
                    "/api/courses/" + course + "/move",
                    "{\"number\":1,\"to\":\"%s\"}".formatted(days().getFirst().plusDays(7)))
                .status())
        .as("what is paused is resumed, not moved")
        .isEqualTo(422);
    LocalDate from = LocalDate.now(ZoneOffset.UTC).plusDays(120);
    practice.post("/api/courses/" + course + "/resume", "{\"from\":\"%s\"}".formatted(from));
    assertThat(states().get(0)).isEqualTo("BOOKED");
    assertThat(states().get(1)).isEqualTo("SKIPPED");
    assertThat(
            practice
                .post(
                    "/api/courses/" + course + "/move",
                    "{\"number\":1,\"to\":\"%s\"}".formatted(from.plusYears(3)))
                .status())
        .isEqualTo(400);
  }

  /// Scores of a demo client, one line a day.
  @Test
  @Order(7)
  void progressIsATableToo() {
    String jonas =
        practice.get("/api/clients?find=Jonas").body().get("clients").get(0).get("id").asString();
    String table = practice.text("/api/clients/" + jonas + "/progress.csv");
    assertThat(table.lines().findFirst().orElseThrow())
        .startsWith("date,formula,state,flakes_from,flakes_to,masi,modified_masi,gags,");
    assertThat(table.lines().filter(line -> line.contains("MAN-20,well taken"))).hasSize(5);
    assertThat(table.lines().filter(line -> line.contains(",on the skin now,")))
        .as("the one of today is not ended")
        .hasSize(1);
    assertThat(table.lines().skip(1).findFirst().orElseThrow())
        .as("2 x 3 three times, nose 2, chin 3, 3 x 2")
        .contains(",29,");
  }

  @Test
  @Order(8)
  void scoresOfADayAreSavedOverWhatWasReadAndBadOnesRefused() {
    String at = "/api/clients/" + client + "/scores/" + LocalDate.now(ZoneOffset.UTC).minusDays(1);
    String sheet = "{\"sheet\":{\"masi\":{},\"gags\":{\"NOSE\":2},\"colours\":{}},\"version\":%d}";
    JsonNode saved = practice.put(at, sheet.formatted(0)).body();
    assertThat(saved.get("sheets").get(0).get("totals").get("gags").asInt()).isEqualTo(2);
    assertThat(practice.put(at, sheet.formatted(0)).status()).as("read before").isEqualTo(409);
    assertThat(practice.put(at, sheet.formatted(1)).status()).isEqualTo(200);
    assertThat(practice.put(at, sheet.formatted(2).replace(":2}", ":7}")).status()).isEqualTo(400);
    String ahead = at.replaceAll("[^/]+$", LocalDate.now(ZoneOffset.UTC).plusDays(2).toString());
    assertThat(practice.put(ahead, sheet.formatted(0)).status()).isEqualTo(400);
  }

  @Test
  @Order(6)
  void whatCannotBeIsRefused() {
    String wish = courses().get("proposal").toString();
    String at = "/api/clients/" + client + "/courses";
    assertThat(practice.post(at, wish.replace("\"LAC-30\"", "\"NONE-1\"")).status()).isEqualTo(400);
    assertThat(practice.post(at, wish.replace("\"LAC-30\"", "\"RET-1\"")).status()).isEqualTo(400);
    assertThat(practice.post(at, wish.replace("\"LAC-30\"", "\"LAC-30\",\"LAC-10\"")).status())
        .as("two that alternate are of two families")
        .isEqualTo(400);
    Answer over =
        practice.post(
            at, wish("LAC-30", LocalDate.now(ZoneOffset.UTC), 1).replace("10:00:00", "00:00:00"));
    assertThat(over.status()).isEqualTo(400);
    assertThat(over.detail()).contains("00:00 today is over");
    assertThat(courses().get("courses")).hasSize(1);
  }

  /// A consult that was told before the visit's hour: its event moves the course.
  @Test
  @Order(13)
  void anEventThatIsToldBeforeTheHourOfTheVisitCounts() {
    LocalDate wished = LocalDate.parse(courses().get("proposal").get("first").asString());
    LocalDate freely = placed(wish("LAC-30", wished, 1)).getFirst();
    String visit =
        practice
            .post(
                "/api/visits",
                "{\"clientId\":\"%s\",\"startsAt\":\"%s\",\"room\":\"room 7\"}"
                    .formatted(client, Instant.now().plus(Duration.ofHours(3))))
            .body()
            .get("id")
            .asString();
    String path = "/api/visits/" + visit + "/consult";
    ObjectNode consult = (ObjectNode) practice.get(path).body().get("consult");
    consult
        .putArray("events")
        .addObject()
        .put("name", "a feast")
        .put("on", freely.plusDays(1).toString());
    assertThat(practice.put(path, "{\"consult\":" + consult + ",\"version\":0}").status())
        .isEqualTo(200);
    assertThat(placed(wish("LAC-30", wished, 1)).getFirst()).isAfter(freely.plusDays(1));
  }
}
