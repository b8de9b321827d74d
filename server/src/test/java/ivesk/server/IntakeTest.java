package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Random;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/// Files from outside by their one door: HL7 FHIR R4 and calendars; JSON and tables stand in
/// [ArchiveTest].
class IntakeTest {
  private static Practice here;
  private static Practice there;

  @BeforeAll
  static void open() {
    here = Practice.open().signIn("marit", "harbour");
    there = Practice.elsewhere().signIn("marit", "harbour");
  }

  @AfterAll
  static void close() {
    here.close();
    there.close();
  }

  private static Answer take(String file) {
    return there.post("/api/archive", file.getBytes(StandardCharsets.UTF_8));
  }

  private static JsonNode effect(Answer answer, String table) {
    assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    return StreamSupport.stream(answer.body().get("effects").spliterator(), false)
        .filter(one -> one.get("table").asString().equals(table))
        .findFirst()
        .orElseThrow();
  }

  private static String ofMaren() {
    return here.text("/api/clients/" + here.client("Maren Holt") + "/fhir");
  }

  @Test
  void aClientOfAnotherPracticeComesWithPeelsAndAllergies() {
    String file =
        ofMaren()
            .replace("Maren Holt", "Solveig Aune")
            .replace(here.client("Maren Holt"), "0b0cf64a-7b9f-4b0a-8c64-0a9d7c1f1f01");
    int peels = file.split("\"resourceType\" : \"Procedure\"", -1).length - 1;
    assertThat(peels).isPositive();
    Answer would = there.post("/api/archive/preview", file.getBytes(StandardCharsets.UTF_8));
    assertThat(effect(would, "client").get("fresh").asInt()).isEqualTo(1);
    assertThat(effect(would, "outside_peel").get("fresh").asInt()).isEqualTo(peels);
    assertThat(would.body().get("notes").toString()).contains("Consent");
    assertThat(there.get("/api/clients?find=Solveig").body().get("clients")).isEmpty();
    assertThat(take(file).body()).isEqualTo(would.body());
    JsonNode client = there.get("/api/clients?find=Solveig").body().get("clients").get(0);
    assertThat(client.get("dateOfBirth").asString())
        .isEqualTo(
            here.get("/api/clients/" + here.client("Maren Holt"))
                .body()
                .get("dateOfBirth")
                .asString());
    assertThat(effect(take(file), "outside_peel").get("fresh").asInt()).as("again").isZero();
    String more =
        """
        {"resourceType":"Bundle","type":"collection","entry":[
         {"resource":{"resourceType":"Patient","name":[{"given":["Solveig"],"family":"Aune"}],
          "birthDate":"%s"}},
         {"resource":{"resourceType":"AllergyIntolerance","code":{"text":"aspirin"}}},
         {"resource":{"resourceType":"Procedure","code":{"text":"a peel"}}}]}
        """
            .replace("%s", client.get("dateOfBirth").asString());
    Answer added = take(more);
    assertThat(effect(added, "allergies").get("fresh").asInt()).isEqualTo(1);
    assertThat(added.body().get("notes").toString()).contains("Procedure without the code");
    assertThat(
            there
                .get("/api/clients/" + client.get("id").asString())
                .body()
                .get("allergies")
                .asString())
        .contains("aspirin");
  }

  @Test
  void whatIsOnRecordHereIsNotEnteredTwice() {
    assertThat(effect(take(ofMaren()), "outside_peel").get("fresh").asInt()).isZero();
  }

  @Test
  void aBadBundleIsNamedWithItsLine() {
    String file = ofMaren();
    for (String[] bad :
        new String[][] {
          {
            file.replaceFirst("\"birthDate\" : \"[^\"]+\"", "\"birthDate\" : \"spring\""),
            "Patient.birthDate is 'spring'; it is no day"
          },
          {
            file.replaceFirst("\"birthDate\" : \"[^\"]+\"", "\"birthDate\" : \"1802-01-01\""),
            "nobody here is so old"
          },
          {file.replace("\"Bundle\"", "\"Basket\""), "its resourceType is not Bundle"},
          {
            file.replace("\"resourceType\" : \"Patient\"", "\"resourceType\" : \"Person\""),
            "the bundle has no Patient"
          },
          {
            file.replaceFirst("(urn:ivesk:formula\",\\s+\"code\" : )\"[^\"]+\"", "$1\"NO-1\""),
            "NO-1"
          },
          {
            file.replaceFirst(
                "\"performedDateTime\" : \"[^\"]+\"", "\"performedDateTime\" : \"2999-01-01\""),
            "lies in the past"
          },
          {file.substring(0, file.length() / 2), "it is no JSON"},
          {file + "{}", "the file goes on after its end"},
        }) {
      String spoilt =
          bad[0]
              .replace("Maren Holt", "Nobody Known")
              .replace(here.client("Maren Holt"), "0b0cf64a-7b9f-4b0a-8c64-0a9d7c1f1f02");
      Answer answer = take(spoilt);
      assertThat(answer.status()).as(bad[1]).isEqualTo(400);
      assertThat(answer.detail())
          .startsWith("Line ")
          .contains(bad[1])
          .contains("Nothing was saved");
      assertThat(there.get("/api/clients?find=Nobody").body().get("clients")).isEmpty();
    }
  }

  private static final LocalDate SOON = LocalDate.now(ZoneOffset.UTC).plusDays(40);

  private static String calendar(String... events) {
    return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n"
        + String.join("", events)
        + "END:VCALENDAR\r\n";
  }

  private static String event(String... lines) {
    return "BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\n"
        + String.join("\r\n", lines)
        + "\r\nEND:VEVENT\r\n";
  }

  private static String plain(LocalDate day) {
    return day.toString().replace("-", "");
  }

  @Test
  void wholeDaysOfACalendarAreClosedDays() {
    JdbcClient jdbc = there.bean(JdbcClient.class);
    int before = jdbc.sql("SELECT COUNT(*) FROM closed_day").query(Integer.class).single();
    String file =
        calendar(
            event(
                "DTSTART;VALUE=DATE:" + plain(SOON),
                "DTEND;VALUE=DATE:" + plain(SOON.plusDays(3)),
                "SUMMARY:Harbour feast"),
            event("DTSTART;VALUE=DATE:20200629", "RRULE:FREQ=YEARLY", "SUMMARY:Midsummer rest"),
            event(
                "DTSTART;VALUE=DATE:" + plain(SOON.plusDays(9)),
                "DURATION:P2D",
                "SUMMARY:" + "🌿".repeat(50)),
            event(
                "DTSTART;VALUE=DATE:" + plain(SOON.plusDays(20)),
                "STATUS:CANCELLED",
                "SUMMARY:No feast"),
            event("DTSTART:20300101T100000Z", "SUMMARY:A meeting"));
    Answer taken = take(file);
    assertThat(effect(taken, "closed_day").get("fresh").asInt()).isEqualTo(7);
    assertThat(taken.body().get("notes").toString()).contains("2 × VEVENT with an hour");
    JsonNode closed = there.get("/api/practice").body().get("closedDays");
    assertThat(closed).hasSize(before + 7);
    assertThat(closed.toString())
        .contains(SOON.plusDays(2).toString())
        .doesNotContain(SOON.plusDays(3).toString())
        .contains("06-29")
        .contains("Midsummer rest")
        .contains(SOON.plusDays(10).toString())
        .doesNotContain("No feast");
    assertThat(effect(take(file), "closed_day").get("fresh").asInt()).as("again").isZero();
  }

  @Test
  void aBadCalendarIsNamedWithItsLine() {
    String good = event("DTSTART;VALUE=DATE:" + plain(SOON.plusDays(90)), "SUMMARY:Never");
    for (String[] bad :
        new String[][] {
          {calendar(good, event("DTSTART;VALUE=DATE:20261340", "SUMMARY:no day")), "Line "},
          {calendar(good, event("SUMMARY:no start")), "Line 10: DTSTART is missing"},
          {
            calendar(
                good,
                event(
                    "DTSTART;VALUE=DATE:" + plain(SOON),
                    "DTEND;VALUE=DATE:" + plain(SOON.plusDays(90)))),
            "Line 10: 90 days in one"
          },
          {"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\n", "it is no calendar"},
        }) {
      Answer answer = take(bad[0]);
      assertThat(answer.status()).as(bad[1]).isEqualTo(400);
      assertThat(answer.detail()).contains(bad[1]).contains("Nothing was saved");
      assertThat(there.get("/api/practice").body().get("closedDays").toString())
          .doesNotContain("Never");
    }
  }

  /// A file that was stopped on its way: nothing of it is here, and the same file comes in whole
  /// right after.
  @Test
  void aFileThatIsStoppedIsNotHereAndHoldsNothingUp() throws Exception {
    String all = here.text("/api/clients/" + here.client("Eskil Varga") + "/archive");
    String file = new FreshIds(new Random(5)).in(all);
    byte[] bytes = file.getBytes(StandardCharsets.UTF_8);
    there.postHalf("/api/archive", bytes);
    Thread.sleep(300);
    assertThat(there.get("/api/clients?find=Eskil").body().get("clients")).hasSize(1);
    Answer whole = there.post("/api/archive", bytes);
    assertThat(effect(whole, "client").get("fresh").asInt()).isEqualTo(1);
    assertThat(there.get("/api/clients?find=Eskil").body().get("clients")).hasSize(2);
  }

  /// A practice of some years is larger than anything else that is sent.
  @Test
  void aLargeFileIsTakenIn() {
    String all = here.text("/api/clients/" + here.client("Casper Wynd") + "/archive");
    String file = new FreshIds(new Random(6)).in(all);
    int at = file.indexOf("{\"table\":\"consent\"");
    String large = file.substring(0, at) + " ".repeat(12_000_000) + file.substring(at);
    assertThat(effect(take(large), "client").get("fresh").asInt()).isEqualTo(1);
  }

  /// A file of everything gives nobody more than who brings it could: another than an owner brings
  /// people by name alone, another than the supervising clinician opens nothing.
  @Test
  void aFileMakesNobodyAnOwnerAndOpensNothing() {
    String file =
        """
        {"format":"ivesk","v":1,"tables":[
        {"table":"account","columns":["username","name","role","locked","scope"],"rows":[
        ["%1$s","Nadia Sund","OWNER",false,"MEDIUM_SUPERVISED"]
        ]}
        ,{"table":"clinician_opening","columns":["substance","opened_by","opened_at"],"rows":[
        ["RESORCINOL","%1$s","2026-11-25T14:00:00Z"]
        ]}
        ]}
        """;
    there.bean(JdbcClient.class).sql("DELETE FROM clinician_opening").update();

    Answer byTheOwner = take(file.formatted("nadia"));
    assertThat(byTheOwner.body().get("notes").toString())
        .contains("1 openings are left out")
        .doesNotContain("people");
    assertThat(account("nadia")).isEqualTo("OWNER false MEDIUM_SUPERVISED");
    assertThat(opened()).isZero();

    there.signIn("thea", "harbour");
    Answer byTheClinician = take(file.formatted("nora"));
    there.signIn("marit", "harbour");
    assertThat(byTheClinician.body().get("notes").toString())
        .contains("1 come in by name alone")
        .doesNotContain("openings");
    assertThat(account("nora")).isEqualTo("DESK true null");
    assertThat(opened()).isOne();
    assertThat(audited("import people", "marit")).isOne();
    assertThat(audited("import people", "thea")).isOne();
    assertThat(audited("import openings", "thea")).isOne();
    assertThat(audited("import openings", "marit")).isZero();
  }

  private static String account(String username) {
    return there
        .bean(JdbcClient.class)
        .sql("SELECT role, locked, scope FROM account WHERE username = ?")
        .param(username)
        .query((row, n) -> row.getString(1) + " " + row.getBoolean(2) + " " + row.getString(3))
        .single();
  }

  private static int opened() {
    return count("SELECT COUNT(*) FROM clinician_opening WHERE substance = 'RESORCINOL'");
  }

  private static int audited(String what, String who) {
    return count(
        "SELECT COUNT(*) FROM audit_entry WHERE what = '" + what + "' AND who = '" + who + "'");
  }

  private static int count(String sql) {
    return there.bean(JdbcClient.class).sql(sql).query(Integer.class).single();
  }
}
