package ivesk.server.plan;

import ivesk.core.plan.PrepCalendar;
import ivesk.server.app.Calendars;
import ivesk.server.app.Calendars.Entry;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/// The weeks before a peel as a calendar: a day for each step, an hour for the peel. The UIDs are
/// those of visit and step, so that a visit that was moved changes the entries that are there.
final class PrepIcs {
  private PrepIcs() {}

  /// @param startsAt of the peel
  /// @param now when it was made
  static byte[] of(
      UUID visit, List<PrepCalendar.Step> steps, Instant startsAt, int minutes, Instant now) {
    List<Entry> entries = new ArrayList<>();
    for (PrepCalendar.Step step : steps) {
      entries.add(new Entry.Day(visit + "-" + step.item().name(), step.day(), step.what(), ""));
    }
    entries.add(new Entry.Hour(visit + "-PEEL", startsAt, minutes, "Your peel", false));
    return Calendars.of(entries, now);
  }
}
