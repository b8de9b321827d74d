package ivesk.server.app;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableStatus;
import net.fortuna.ical4j.model.property.immutable.ImmutableTransp;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/// Calendar files (RFC 5545). A UID is of what the entry is about, so that a file that is made
/// again changes the entries that are there; SEQUENCE counts up with the minutes.
public final class Calendars {
  private static final Instant FROM = Instant.parse("2026-01-01T00:00:00Z");

  private Calendars() {}

  public sealed interface Entry {
    String uid();

    /// What it is about, in a few lines; may be empty.
    String more();

    /// A whole day, which leaves it free.
    record Day(String uid, LocalDate day, String title, String more) implements Entry {}

    /// Some minutes of a day.
    ///
    /// @param cancelled it was to be, and is no more
    record Hour(
        String uid, Instant startsAt, int minutes, String title, String more, boolean cancelled)
        implements Entry {}
  }

  /// @param now when it is made
  public static byte[] of(List<Entry> entries, Instant now) {
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Ivesk//Ivesk//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    int sequence = (int) Math.max(0, Duration.between(FROM, now).toMinutes());
    for (Entry entry : entries) {
      VEvent event = event(entry);
      event.getProperty("DTSTAMP").ifPresent(event::remove);
      event.add(new DtStamp(now));
      event.add(new Uid(entry.uid() + "@ivesk"));
      event.add(new Sequence(sequence));
      calendar.add(event);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      new CalendarOutputter(true).output(calendar, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return folded(out.toString(StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8);
  }

  /// The library counts letters; the standard allows 75 octets a line, the blank of a line that
  /// goes on among them.
  private static String folded(String calendar) {
    StringBuilder lines = new StringBuilder();
    for (String line : calendar.replace("\r\n ", "").split("\r\n")) {
      int octets = 0;
      for (int letter : line.codePoints().toArray()) {
        String one = Character.toString(letter);
        int more = one.getBytes(StandardCharsets.UTF_8).length;
        if (octets + more > 75) {
          lines.append("\r\n ");
          octets = 1;
        }
        lines.append(one);
        octets += more;
      }
      lines.append("\r\n");
    }
    return lines.toString();
  }

  private static VEvent event(Entry entry) {
    VEvent event = bare(entry);
    if (!entry.more().isBlank()) event.add(new Description(entry.more()));
    return event;
  }

  private static VEvent bare(Entry entry) {
    return switch (entry) {
      case Entry.Day day -> {
        VEvent event = new VEvent(day.day(), Duration.ofDays(1), day.title());
        event.add(ImmutableTransp.TRANSPARENT);
        yield event;
      }
      case Entry.Hour hour -> {
        VEvent event =
            new VEvent(hour.startsAt(), Duration.ofMinutes(hour.minutes()), hour.title());
        if (hour.cancelled()) event.add(ImmutableStatus.VEVENT_CANCELLED);
        yield event;
      }
    };
  }
}
