package ivesk.server.records;

import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.practice.PracticeStore.ClosedDay;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.immutable.ImmutableStatus;

/// Reads closed days from a calendar (RFC 5545): each whole day of it, those that come again for
/// two years on. What has an hour or is cancelled is no closed day, and is left.
final class ClosedDaysReader {
  private static final int LONGEST = 5_000_000;
  private static final int YEARS = 2;
  private static final int MOST_DAYS = 60;
  private static final int MOST_WORDS = 80;
  private static final Property CANCELLED = ImmutableStatus.VEVENT_CANCELLED;

  /// @param left what is not read, in words
  record Read(List<ClosedDay> days, List<String> left) {}

  private ClosedDaysReader() {}

  /// @throws BadLine with the line and the reason
  /// @throws IOException where the file does not come whole
  static Read read(InputStream file, LocalDate today) throws BadLine, IOException {
    byte[] all = file.readNBytes(LONGEST + 1);
    if (all.length > LONGEST) throw BadLine.at(1, "the file is longer than 5 MB");
    Calendar calendar;
    try {
      calendar = new CalendarBuilder().build(new ByteArrayInputStream(all));
    } catch (ParserException e) {
      throw BadLine.at(Math.max(1, e.getLineNo()), "it is no calendar: " + e.getMessage());
    } catch (RuntimeException e) {
      // ical4j lets what its own parts could not read through as it is.
      throw BadLine.at(1, "it is no calendar: " + e.getMessage());
    }
    List<Integer> lines = lines(all);
    Map<LocalDate, String> days = new LinkedHashMap<>();
    int hours = 0;
    List<VEvent> events = calendar.getComponents(Component.VEVENT);
    for (int i = 0; i < events.size(); i++) {
      int line = i < lines.size() ? lines.get(i) : 1;
      try {
        if (!read(events.get(i), today, days, line)) hours++;
      } catch (RuntimeException e) {
        throw BadLine.at(line, "this VEVENT cannot be read: " + e.getMessage());
      }
    }
    return new Read(
        days.entrySet().stream()
            .map(entry -> new ClosedDay(entry.getKey(), entry.getValue()))
            .toList(),
        hours == 0 ? List.of() : List.of(hours + " × VEVENT with an hour, past or cancelled"));
  }

  private static List<Integer> lines(byte[] all) {
    List<String> text = new String(all, StandardCharsets.UTF_8).lines().toList();
    List<Integer> lines = new ArrayList<>();
    for (int i = 0; i < text.size(); i++) {
      if (text.get(i).strip().equalsIgnoreCase("BEGIN:VEVENT")) lines.add(i + 1);
    }
    return lines;
  }

  /// @return whether it holds a whole day that is to come
  private static boolean read(VEvent event, LocalDate today, Map<LocalDate, String> days, int line)
      throws BadLine {
    Optional<DtStart<Temporal>> start = event.getProperty(Property.DTSTART);
    if (start.isEmpty()) throw BadLine.at(line, "DTSTART is missing");
    if (!(start.get().getDate() instanceof LocalDate first)) return false;
    if (event.getProperty(Property.STATUS).filter(CANCELLED::equals).isPresent()) return false;
    Optional<DtEnd<Temporal>> last = event.getEndDate();
    LocalDate end =
        last.map(DtEnd::getDate).orElse(null) instanceof LocalDate day ? day : first.plusDays(1);
    long length = Math.max(1, ChronoUnit.DAYS.between(first, end));
    if (length > MOST_DAYS) {
      throw BadLine.at(line, length + " days in one; it may be " + MOST_DAYS + " at most");
    }
    String why = why(event);
    boolean any = false;
    for (LocalDate begins : starts(event, first, today)) {
      for (int n = 0; n < length; n++) {
        LocalDate day = begins.plusDays(n);
        if (day.isBefore(today)) continue;
        days.putIfAbsent(day, why);
        any = true;
      }
    }
    return any;
  }

  private static String why(VEvent event) {
    String words =
        Optional.ofNullable(event.getSummary()).map(Summary::getValue).orElse("").strip();
    if (words.isEmpty()) return "closed";
    if (words.length() <= MOST_WORDS) return words;
    boolean within = Character.isHighSurrogate(words.charAt(MOST_WORDS - 1));
    return words.substring(0, within ? MOST_WORDS - 1 : MOST_WORDS);
  }

  private static List<LocalDate> starts(VEvent event, LocalDate first, LocalDate today) {
    if (event.getProperty("RRULE").isEmpty() && event.getProperty("RDATE").isEmpty()) {
      return List.of(first);
    }
    Period<LocalDate> ahead = new Period<>(today.minusDays(MOST_DAYS), today.plusYears(YEARS));
    return event.<LocalDate>calculateRecurrenceSet(ahead).stream()
        .map(Period::getStart)
        .sorted()
        .toList();
  }
}
