package ivesk.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.plan.PrepCalendar;
import ivesk.core.plan.PrepCalendar.Item;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;

/// Read back by ical4j, which knows RFC 5545.
class PrepIcsTest {
  private static final UUID VISIT = new UUID(7, 9);
  private static final Instant NOW = Instant.parse("2026-11-25T14:00:00Z");

  private static PrepCalendar.Step step(Item item, LocalDate day) {
    return new PrepCalendar.Step(
        item, day, item.words(), Optional.empty(), false, true, Optional.empty());
  }

  private static byte[] ics(LocalDate peel, Instant now) {
    return PrepIcs.of(
        VISIT,
        List.of(step(Item.SUN, peel.minusDays(14)), step(Item.SHAVE, peel.minusDays(1))),
        peel.atTime(14, 15).toInstant(java.time.ZoneOffset.UTC),
        45,
        now);
  }

  private static Map<String, VEvent> events(byte[] ics) throws Exception {
    Calendar calendar = new CalendarBuilder().build(new ByteArrayInputStream(ics));
    assertThat(calendar.validate().getEntries()).isEmpty();
    return calendar.<VEvent>getComponents(Component.VEVENT).stream()
        .collect(
            Collectors.toMap(event -> event.getUid().orElseThrow().getValue(), event -> event));
  }

  @Test
  void everyStepIsADayAndThePeelAnHour() throws Exception {
    Map<String, VEvent> events = events(ics(LocalDate.of(2026, 12, 9), NOW));
    assertThat(events).hasSize(3);
    VEvent sun = events.get(VISIT + "-SUN@ivesk");
    assertThat(sun.getDateTimeStart().getDate()).isEqualTo(LocalDate.of(2026, 11, 25));
    assertThat(sun.getSummary().getValue()).isEqualTo("last strong sun or sunbed");
    VEvent peel = events.get(VISIT + "-PEEL@ivesk");
    assertThat(peel.getDateTimeStart().getValue()).isEqualTo("20261209T141500Z");
  }

  /// A moved visit: the same UIDs, other days, a higher SEQUENCE.
  @Test
  void aMovedDateChangesTheSameEntries() throws Exception {
    Map<String, VEvent> before = events(ics(LocalDate.of(2026, 12, 9), NOW));
    Map<String, VEvent> after = events(ics(LocalDate.of(2026, 12, 16), NOW.plusSeconds(86_400)));
    assertThat(after.keySet()).isEqualTo(before.keySet());
    after.forEach((uid, event) -> {
      assertThat(event.getDateTimeStart().getValue())
          .isNotEqualTo(before.get(uid).getDateTimeStart().getValue());
      assertThat(event.getSequence().getSequenceNo())
          .isGreaterThan(before.get(uid).getSequence().getSequenceNo());
    });
  }

  @Test
  void linesAreFoldedAndEndAsTheStandardHasIt() {
    String text = new String(ics(LocalDate.of(2026, 12, 9), NOW), StandardCharsets.UTF_8);
    assertThat(text).startsWith("BEGIN:VCALENDAR\r\n").endsWith("END:VCALENDAR\r\n");
    assertThat(text.split("\r\n"))
        .allSatisfy(line ->
            assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75));
  }
}
