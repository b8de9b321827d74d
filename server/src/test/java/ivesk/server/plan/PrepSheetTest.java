package ivesk.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Language;
import ivesk.core.aftercare.Reach;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.plan.stage.PrepCalendar.Item;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Read back by ical4j, which knows RFC 5545.
class PrepSheetTest {
  private static final UUID VISIT = new UUID(7, 9);
  private static final Instant NOW = Instant.parse("2026-11-25T14:00:00Z");

  private static PrepCalendar.Step step(Item item, LocalDate day) {
    return new PrepCalendar.Step(
        item, day, item.words(), Optional.empty(), false, true, Optional.empty());
  }

  private static final Reach REACH =
      new Reach(
          Optional.of("555 0134"), Optional.of("Mon to Sat, 9:00 to 18:00"), Optional.of("112"));

  private static PrepSheet sheet(LocalDate peel, Language language) {
    return PrepSheet.of(
        "Greta Hollis",
        "Two Rooms",
        List.of(step(Item.SUN, peel.minusDays(14)), step(Item.SHAVE, peel.minusDays(1))),
        peel.atTime(14, 15).atZone(ZoneOffset.UTC),
        REACH,
        language);
  }

  private static byte[] ics(LocalDate peel, Instant now) {
    return sheet(peel, Language.EN)
        .ics(VISIT, peel.atTime(14, 15).toInstant(ZoneOffset.UTC), 45, now);
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
    assertThat(sun.getSummary().getValue()).isEqualTo("Last strong sun or sunbed");
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

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "EN | Before your peel | Last strong sun or sunbed | Your peel, 14:15",
        "ES | Antes de su peeling | Última vez de sol fuerte o solárium | Su peeling, 14:15",
        "FR | Avant votre peeling | Dernier rasage au rasoir | Votre peeling, 14:15",
        "DE | Vor Ihrem Peeling | Letzte Rasur mit der Klinge | Ihr Peeling, 14:15 Uhr",
        "PT | Antes do seu peeling | Última vez da lâmina de barbear | O seu peeling, 14:15"
      })
  void itIsInTheClientsLanguageAndHasTheNumbers(
      Language language, String title, String step, String peel) throws Exception {
    PrepSheet sheet = sheet(LocalDate.of(2026, 12, 9), language);
    assertThat(sheet.title()).isEqualTo(title);
    assertThat(sheet.rows()).extracting(PrepSheet.Row::what).contains(step, peel);
    assertThat(sheet.reach()).contains("555 0134 (Mon to Sat, 9:00 to 18:00)", "112");
    assertThat(events(sheet.ics(VISIT, NOW, 45, NOW)).values())
        .allSatisfy(
            event -> assertThat(event.getDescription().getValue()).isEqualTo(sheet.reach()));
  }
}
