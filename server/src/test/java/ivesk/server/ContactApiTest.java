package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import ivesk.server.app.DatabaseReopened;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/// Check-ins, red flags, and the client's own page of the days after.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ContactApiTest {
  private static Practice practice;
  private static Practice clinician;
  private static String eskil;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
    clinician = practice.another().signIn("thea", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static JsonNode hearFrom() {
    return practice.get("/api/check-ins").body();
  }

  private static List<String> names(JsonNode list) {
    List<String> names = new ArrayList<>();
    list.forEach(one -> names.add(one.get("clientName").asString()));
    return names;
  }

  private static JsonNode due(String name) {
    for (JsonNode one : hearFrom().get("due")) {
      if (one.get("clientName").asString().equals(name)) return one;
    }
    throw new AssertionError(name + " is not due");
  }

  private static String contact(String name) {
    return "/api/visits/" + due(name).get("visitId").asString() + "/contact";
  }

  private static String form(UUID id, String complaints, String more) {
    return """
    {"id":"%s","sensation":1,"flaking":0,"redness":1,"complaints":[%s],"words":"fine"%s}\
    """
        .formatted(id, complaints, more);
  }

  private static Answer tell(String path, String complaints, String more) {
    return practice.post(path, form(UUID.randomUUID(), complaints, more));
  }

  @Test
  @Order(1)
  void whoIsDueStandsThereUntilTwoTriesAndThenAsUnanswered() {
    JsonNode sunniva = due("Sunniva Brekke");
    assertThat(sunniva.get("day").asInt()).isEqualTo(3);
    assertThat(sunniva.get("state").asString()).isEqualTo("DUE");
    String path = contact("Sunniva Brekke");
    practice.post(path + "/tries", "");
    assertThat(due("Sunniva Brekke").get("tries").asInt()).isEqualTo(1);
    practice.post(path + "/tries", "");
    assertThat(due("Sunniva Brekke").get("state").asString()).isEqualTo("UNANSWERED");
    assertThat(names(hearFrom().get("due")))
        .as("who came again since is asked on the spot")
        .doesNotContain("Jonas Arkwright");
  }

  @Test
  @Order(2)
  void aCheckInThatIsToldIsJudgedAndKeptOnce() {
    String path = contact("Sunniva Brekke");
    UUID id = UUID.randomUUID();
    LocalDate today = LocalDate.now(ZoneOffset.UTC);
    String days = ",\"flakedFrom\":\"%s\",\"flakedTo\":\"%s\"".formatted(today.minusDays(2), today);
    JsonNode told = practice.post(path, form(id, "\"ITCH\"", days)).body();
    practice.post(path, form(id, "\"ITCH\"", days));
    assertThat(practice.get(path).body().get("told")).hasSize(2);
    JsonNode newest = told.get("told").get(0);
    assertThat(newest.get("severity").asString()).isEqualTo("REASSURE");
    assertThat(newest.get("found").get(0).get("id").asString()).isEqualTo("CON-SORE");
    assertThat(names(hearFrom().get("due"))).doesNotContain("Sunniva Brekke");
    assertThat(told.get("flags")).isEmpty();
    String visit = path.replace("/contact", "/flakes");
    assertThat(practice.get(visit).body().get("told").get("first").asInt()).isEqualTo(1);
    assertThat(practice.get(visit).body().get("told").get("last").asInt()).isEqualTo(3);
  }

  /// While the form is filled in: what is grave is said before anything else is asked or kept.
  @Test
  @Order(0)
  void anEmergencyIsSaidWhileItIsTold() {
    String path = contact("Sunniva Brekke");
    int before = practice.get(path).body().get("told").size();
    JsonNode grave = practice.get(path + "/at-once?complaint=BREATHING&complaint=ITCH").body();
    assertThat(grave.get("severity").asString()).isEqualTo("EMERGENCY");
    assertThat(grave.get("found").get(0).get("advice").asString()).contains("Emergency number");
    assertThat(practice.get(path + "/at-once?complaint=ITCH").body().get("severity").asString())
        .isEqualTo("REASSURE");
    assertThat(practice.get(path).body().get("told")).hasSize(before);
  }

  @Test
  @Order(3)
  void whatCannotBeIsRefusedAndNothingIsKept() {
    String path = eskil();
    eskil = path;
    int before = practice.get(path).body().get("told").size();
    LocalDate today = LocalDate.now(ZoneOffset.UTC);
    for (String bad :
        List.of(
            ",\"flakedFrom\":\"%s\",\"flakedTo\":\"%s\"".formatted(today, today.plusDays(1)),
            ",\"flakedFrom\":\"%s\",\"flakedTo\":\"%s\"".formatted(today, today.minusDays(1)),
            ",\"flakedFrom\":\"2001-01-01\",\"flakedTo\":\"2001-01-02\"",
            ",\"photo\":\"" + Base64.getEncoder().encodeToString("no picture".getBytes()) + "\"",
            ",\"photo\":\"%%%\"")) {
      assertThat(tell(path, "", bad).status()).as(bad).isEqualTo(400);
    }
    assertThat(practice.post(path, form(UUID.randomUUID(), "", "").replace(":1,", ":11,")).status())
        .isEqualTo(400);
    assertThat(practice.get(path).body().get("told")).hasSize(before);
  }

  private static String eskil() {
    for (JsonNode one : hearFrom().get("flags")) {
      if (one.get("clientName").asString().equals("Eskil Varga")) {
        return "/api/visits/" + one.get("flag").get("visitId").asString() + "/contact";
      }
    }
    throw new AssertionError("no flag of Eskil Varga");
  }

  private static String newVisit(String client) {
    JsonNode made =
        practice
            .post(
                "/api/visits",
                "{\"clientId\":\"%s\",\"startsAt\":\"%sT10:00:00Z\",\"room\":\"room 1\"}"
                    .formatted(client, LocalDate.now(ZoneOffset.UTC).plusDays(30)))
            .body();
    return made.get("id").asString();
  }

  private static List<String> findings(String visit) {
    List<String> rules = new ArrayList<>();
    practice
        .get("/api/visits/" + visit + "/screening")
        .body()
        .get("outcome")
        .get("findings")
        .forEach(finding -> rules.add(finding.get("ruleId").asString()));
    return rules;
  }

  @Test
  @Order(4)
  void anOpenFlagShutsTheNextPlanAndTellsTheClinician() {
    JsonNode flag = hearFrom().get("flags").get(0);
    assertThat(flag.get("clientName").asString()).isEqualTo("Eskil Varga");
    assertThat(findings(newVisit(flag.get("clientId").asString()))).contains("SCR-FLAG");
    JsonNode sent = practice.get("/api/outbox").body().get(0);
    assertThat(sent.get("recipient").asString()).isEqualTo("Dr Thea Lund");
    assertThat(sent.get("subject").asString()).isEqualTo("Red flag: Eskil, see in person");
    assertThat(sent.get("body").asString()).doesNotContain("Varga");
    JsonNode after = practice.get(eskil().replace("/contact", "/aftercare")).body().get("next");
    assertThat(after.get("held").asBoolean()).isTrue();
  }

  @Test
  @Order(5)
  void oneThatIsTheCliniciansIsClosedByNobodyElse() {
    String path = eskil();
    JsonNode told = tell(path, "\"BLISTER\"", "").body();
    assertThat(told.get("told").get(0).get("severity").asString()).isEqualTo("CLINICIAN_TODAY");
    String flag = "";
    for (JsonNode one : told.get("flags")) {
      if (one.get("clinicians").asBoolean()) flag = one.get("id").asString();
    }
    String closing = "{\"note\":\"Seen by video: a scratch, dry.\",\"harmless\":false}";
    String at = "/api/flags/" + flag + "/closed";
    assertThat(practice.post(at, closing).status()).isEqualTo(400);
    assertThat(practice.post(at, closing.replace("Seen by video: a scratch, dry.", " ")).status())
        .isEqualTo(400);
    assertThat(clinician.post(at, closing.replace("false", "true")).status())
        .as("what went to the clinician counts")
        .isEqualTo(400);
    JsonNode closed = clinician.post(at, closing).body();
    assertThat(closed.get("closedBy").asString()).isEqualTo("Dr Thea Lund");
    assertThat(clinician.post(at, closing).status()).as("once").isEqualTo(422);
  }

  @Test
  @Order(6)
  void closedWithANoteTheNextPlanIsOpenAgain() {
    JsonNode flag = hearFrom().get("flags").get(0);
    assertThat(hearFrom().get("flags")).hasSize(1);
    String client = flag.get("clientId").asString();
    String visit = flag.get("flag").get("visitId").asString();
    practice.post(
        "/api/flags/" + flag.get("flag").get("id").asString() + "/closed",
        "{\"note\":\"The aftershave; it is gone.\",\"harmless\":true}");
    assertThat(hearFrom().get("flags")).isEmpty();
    assertThat(findings(newVisit(client))).doesNotContain("SCR-FLAG");
    JsonNode kept = practice.get("/api/visits/" + visit + "/contact").body().get("flags");
    assertThat(kept).as("both stay in the chart").hasSize(2);
    assertThat(kept.get(0).get("note").asString()).isNotBlank();
  }

  @Test
  @Order(7)
  void theDiaryIsTheClientsOwnAndShowsNothingElse() throws IOException {
    String at = "/api/visits/" + practice.visit("Sunniva Brekke").get("id").asString();
    Answer off = practice.post(at + "/diary", "");
    assertThat(off.status()).as("off unless the practice turns it on").isEqualTo(422);
    clinician.put("/api/practice/policies/HANDSET", "{\"answer\":\"on\"}");
    String address = practice.post(at + "/diary", "").body().get("address").asString();
    String word = address.substring(address.indexOf('#') + 1);
    Practice phone = practice.another();
    phone.get("/api/session");
    JsonNode shown = phone.getWith("/api/diary", "X-Diary", word).body();
    assertThat(shown.get("hello").asString()).isEqualTo("How is it, Sunniva?");
    assertThat(shown.toString()).doesNotContain("Brekke");
    assertThat(shown.get("reach").toString()).contains("555 0134", "112");
    Answer told =
        phone.postWith(
            "/api/diary",
            form(UUID.randomUUID(), "\"BREATHING\"", ",\"photo\":\"" + picture() + "\""),
            "X-Diary",
            word);
    assertThat(told.body().get("answer").asString()).startsWith("This is an emergency.");
    assertThat(told.body().get("number").asString()).isEqualTo("112");
    assertThat(names(hearFrom().get("flags"))).containsExactly("Sunniva Brekke");
    JsonNode kept = practice.get(at + "/contact").body().get("told").get(0);
    assertThat(kept.get("byClient").asBoolean()).isTrue();
    assertThat(phone.get("/api/today").status()).as("it opens nothing else").isEqualTo(401);
    practice.post(at + "/diary", "");
    assertThat(phone.getWith("/api/diary", "X-Diary", word).status())
        .as("a new link takes the place of the old one")
        .isEqualTo(422);
    Answer wrong = phone.getWith("/api/diary", "X-Diary", "ab".repeat(32));
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.detail()).contains("This page is closed.", "Diese Seite ist geschlossen.");
  }

  /// 59 million pixels in a file of some kilobytes: read small, never unfolded whole.
  @Test
  @Order(7)
  void aPictureOfManyPixelsIsReadSmall() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(7680, 7680, BufferedImage.TYPE_BYTE_BINARY), "png", out);
    assertThat(out.size()).isLessThan(500_000);
    String photo = Base64.getEncoder().encodeToString(out.toByteArray());
    System.gc();
    long used = peak();
    String at = "/api/visits/" + practice.visit("Sunniva Brekke").get("id").asString() + "/contact";
    Answer answer = tell(at, "", ",\"photo\":\"" + photo + "\"");
    assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    assertThat(answer.body().get("told").get(0).get("hasPhoto").asBoolean()).isTrue();
    assertThat(peak() - used).as("bytes").isLessThan(400L << 20);
  }

  /// The heap's peak since it was asked last.
  private static long peak() {
    long most = 0;
    for (MemoryPoolMXBean pool : ManagementFactory.getMemoryPoolMXBeans()) {
      if (pool.getType() != MemoryType.HEAP) continue;
      most += pool.getPeakUsage().getUsed();
      pool.resetPeakUsage();
    }
    return most;
  }

  private static String picture() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
    return Base64.getEncoder().encodeToString(out.toByteArray());
  }

  @Test
  @Order(8)
  void aPhotoIsDrawnAnewAndComesBackAsAJpeg() throws IOException {
    String path = eskil;
    JsonNode told = tell(path, "", ",\"photo\":\"" + picture() + "\"").body().get("told").get(0);
    assertThat(told.get("hasPhoto").asBoolean()).isTrue();
    byte[] jpeg = practice.bytes("/api/check-ins/" + told.get("id").asString() + "/photo");
    assertThat(jpeg[0] & 0xFF).isEqualTo(0xFF);
    assertThat(ImageIO.read(new java.io.ByteArrayInputStream(jpeg)).getWidth()).isEqualTo(40);
  }

  /// A record that nobody signed: its client is asked all the same.
  @Test
  @Order(9)
  void aPeelIsFollowedThoughNobodySigned() {
    List<String> followed = dueVisits();
    UUID visit = UUID.fromString(followed.getFirst());
    JdbcClient jdbc = practice.bean(JdbcClient.class);
    jdbc.sql("DELETE FROM after_peel WHERE visit_id = ?").param(visit).update();
    jdbc.sql("UPDATE treatment SET closed_at = NULL WHERE visit_id = ?").param(visit).update();
    assertThat(dueVisits()).isEqualTo(followed);
  }

  private static List<String> dueVisits() {
    List<String> visits = new ArrayList<>();
    hearFrom().get("due").forEach(one -> visits.add(one.get("visitId").asString()));
    return visits.stream().sorted().toList();
  }

  /// Flakes at a check-in move the next date, whatever was told to be over before.
  @Test
  @Order(10)
  void flakesAtACheckInMoveTheNextDate() {
    JdbcClient jdbc = practice.bean(JdbcClient.class);
    UUID visit =
        jdbc.sql("SELECT visit_id FROM after_peel ORDER BY peel_on LIMIT 1")
            .query(UUID.class)
            .single();
    String at = "/api/visits/" + visit;
    LocalDate today = LocalDate.now(ZoneOffset.UTC);
    assertThat(earliest(at)).isBefore(today.plusDays(1));
    practice.post(
        at + "/contact", form(UUID.randomUUID(), "", "").replace("\"flaking\":0", "\"flaking\":1"));
    assertThat(earliest(at)).isEqualTo(today.plusDays(1));
    assertThat(practice.get(at + "/aftercare").body().get("next").get("reasons").toString())
        .contains("after flakes told of on");
  }

  private static LocalDate earliest(String visit) {
    JsonNode next = practice.get(visit + "/aftercare").body().get("next");
    return LocalDate.parse(next.get("earliest").asString());
  }

  @Test
  @Order(11)
  void withNoCliniciansAccountTheOutboxSaysSo() {
    practice
        .bean(JdbcClient.class)
        .sql("UPDATE account SET locked = TRUE WHERE username = 'thea'")
        .update();
    practice.tell(new DatabaseReopened());
    tell(eskil, "\"FEVER\"", "");
    assertThat(practice.get("/api/outbox").body().get(0).get("recipient").asString())
        .isEqualTo("Supervising clinician (no account: tell them)");
  }
}
