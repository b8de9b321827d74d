package ivesk.server.plan;

import ivesk.core.plan.PrepCalendar;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/// The weeks before a peel as a calendar (RFC 5545): a day for each step, an hour for the peel. The
/// UIDs are those of visit and step, so that a visit that was moved changes the entries that are
/// there; SEQUENCE counts up with the minutes.
final class PrepIcs {
  private static final Instant FROM = Instant.parse("2026-01-01T00:00:00Z");

  private PrepIcs() {}

  /// @param startsAt of the peel
  /// @param now when it was made
  static byte[] of(
      UUID visit, List<PrepCalendar.Step> steps, Instant startsAt, int minutes, Instant now) {
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Ivesk//Ivesk//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    int sequence = (int) Math.max(0, Duration.between(FROM, now).toMinutes());
    for (PrepCalendar.Step step : steps) {
      VEvent event = new VEvent(step.day(), Duration.ofDays(1), step.what());
      event.add(new Transp(Transp.VALUE_TRANSPARENT));
      calendar.add(stamped(event, visit + "-" + step.item().name(), sequence, now));
    }
    VEvent peel = new VEvent(startsAt, Duration.ofMinutes(minutes), "Your peel");
    calendar.add(stamped(peel, visit + "-PEEL", sequence, now));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      new CalendarOutputter(true).output(calendar, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static VEvent stamped(VEvent event, String uid, int sequence, Instant now) {
    event.getProperty("DTSTAMP").ifPresent(event::remove);
    event.add(new DtStamp(now));
    event.add(new Uid(uid + "@ivesk"));
    event.add(new Sequence(sequence));
    return event;
  }
}
