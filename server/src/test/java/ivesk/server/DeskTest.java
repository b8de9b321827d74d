package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// What a role may not see it cannot overwrite; what is left out stays; and no limit keeps an alarm
/// out.
class DeskTest {
  private static Practice practice;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  @Test
  void theDeskIsToldToAskAndOverwritesNothing() {
    String jonas = "/api/clients/" + practice.client("Jonas Arkwright");
    JsonNode before = practice.get(jonas).body();
    assertThat(before.get("allergies").asString()).isEqualTo("latex");
    Practice desk = practice.another().signIn("pelle", "harbour");
    JsonNode seen = desk.get(jonas).body();
    assertThat(seen.get("allergies").asString()).isEqualTo("ask the therapist");
    assertThat(seen.get("comfort").asString()).isEqualTo(before.get("comfort").asString());
    ObjectNode change = Practice.JSON.createObjectNode();
    ObjectNode client = change.putObject("client");
    client.put("name", "Jonas Arkwright").put("dateOfBirth", seen.get("dateOfBirth").asString());
    client.put("allergies", "none");
    change.put("version", seen.get("version").asInt());
    assertThat(desk.put(jonas, change.toString()).status()).isEqualTo(200);
    JsonNode after = practice.get(jonas).body();
    assertThat(after.get("allergies").asString()).isEqualTo("latex");
    assertThat(after.get("comfort").asString()).isEqualTo(before.get("comfort").asString());
    assertThat(after.get("comforts")).isEqualTo(before.get("comforts"));
    for (JsonNode one : desk.get("/api/clients?find=Jonas").body().get("clients")) {
      assertThat(one.get("allergies").asString()).isEqualTo("ask the therapist");
    }
  }

  @Test
  void theThirteenthCheckInOfADayIsTakenWhereItIsAnAlarm() {
    String visit = practice.visit("Eskil Varga").get("id").asString();
    String path = "/api/visits/" + visit + "/contact";
    String calm =
        "{\"id\":\"%s\",\"sensation\":1,\"flaking\":0,\"redness\":1,\"complaints\":[],\"words\":\"\"}";
    Answer last = null;
    for (int i = 0; i < 13; i++) last = practice.post(path, calm.formatted(UUID.randomUUID()));
    assertThat(last.status()).isEqualTo(422);
    Answer alarm =
        practice.post(path, calm.formatted(UUID.randomUUID()).replace("[]", "[\"FACE_SWELLING\"]"));
    assertThat(alarm.status()).as(alarm.detail()).isEqualTo(200);
  }
}
