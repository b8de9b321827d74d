package ivesk.server.aftercare;

import ivesk.server.aftercare.SheetView.SheetDay;
import ivesk.server.app.Calendars;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/// The days of a sheet in the client's calendar, each a day of its own. Made again, it changes what
/// is there.
final class SheetIcs {
  private SheetIcs() {}

  static byte[] of(UUID visit, SheetView sheet, Instant now) {
    String reach = sheet.reach().isEmpty() ? "" : "\n" + sheet.reach();
    List<Calendars.Entry> days =
        sheet.days().stream().map(day -> entry(visit, sheet, day, reach)).toList();
    return Calendars.of(days, now);
  }

  private static Calendars.Entry entry(UUID visit, SheetView sheet, SheetDay day, String reach) {
    return new Calendars.Entry.Day(
        visit + "-AFTER-" + day.date(),
        day.date(),
        sheet.title() + sheet.language().colon() + day.lines().getFirst(),
        String.join("\n", day.lines()) + reach);
  }
}
