package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// A course over the days on which clocks change: every visit is at the same hour of the wall.
class CourseOverClocksTest {
  private static final ZoneId ZONE = ZoneId.of("Europe/London");

  @Test
  void theHourIsThatOfTheWall() {
    try (Practice practice = Practice.openIn(ZONE.getId()).signIn("ines", "harbour")) {
      String at = "/api/clients/" + practice.client("Sunniva Brekke") + "/courses";
      ObjectNode wish = (ObjectNode) practice.get(at).body().get("proposal");
      wish.put("count", 12).put("maintenance", true).put("hour", "09:30:00");
      JsonNode peels = practice.post(at, wish.toString()).body().get("courses").get(0).get("peels");
      Set<ZoneOffset> offsets = new HashSet<>();
      for (JsonNode peel : peels) {
        ZonedDateTime starts = Instant.parse(peel.get("startsAt").asString()).atZone(ZONE);
        assertThat(starts.toLocalTime()).isEqualTo(LocalTime.of(9, 30));
        assertThat(starts.toLocalDate().toString()).isEqualTo(peel.get("on").asString());
        offsets.add(starts.getOffset());
      }
      assertThat(offsets).as("winter and summer").hasSize(2);
    }
  }
}
