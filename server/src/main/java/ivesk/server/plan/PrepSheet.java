package ivesk.server.plan;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.Words;
import ivesk.core.aftercare.Nouns;
import ivesk.core.aftercare.Reach;
import ivesk.core.aftercare.Told;
import ivesk.core.aftercare.Told.Part;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.server.app.Calendars;
import ivesk.server.app.Calendars.Entry;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/// The weeks before a peel for the client's hand, in the words of one language.
///
/// @param rows the soonest first; the peel is the last
/// @param last what to do where something was not kept
/// @param reach the numbers of the practice and of help, in one line; may be empty
record PrepSheet(
    Language language, String title, String subtitle, List<Row> rows, String last, String reach) {

  /// @param item empty for the peel itself
  record Row(String item, LocalDate on, String day, String what) {}

  static final String PEEL = "PEEL";

  static PrepSheet of(
      String clientName,
      String practiceName,
      List<PrepCalendar.Step> steps,
      ZonedDateTime startsAt,
      Reach reach,
      Language language) {
    LocalDate on = startsAt.toLocalDate();
    List<Row> rows = new ArrayList<>();
    for (PrepCalendar.Step step : steps) {
      rows.add(
          new Row(
              step.item().name(),
              step.day(),
              language.day(step.day()),
              Words.capital(Nouns.of(step.item(), language))));
    }
    String peel = Told.of(PEEL_AT, new Part.Hour(startsAt.toLocalTime())).in(language);
    rows.add(new Row(PEEL, on, language.day(on), peel));
    String head = clientName + " · " + language.fullDay(on);
    return new PrepSheet(
        language,
        BEFORE_YOUR_PEEL.in(language),
        practiceName.isBlank() ? head : head + " · " + practiceName,
        rows,
        NOT_KEPT.in(language),
        reach.in(language));
  }

  /// A day for each step, an hour for the peel. The UIDs are those of visit and step, so that a
  /// visit that was moved changes the entries that are there.
  ///
  /// @param now when it is made
  byte[] ics(UUID visit, Instant startsAt, int minutes, Instant now) {
    List<Entry> entries = new ArrayList<>();
    for (Row row : rows) {
      String uid = visit + "-" + row.item();
      entries.add(
          row.item().equals(PEEL)
              ? new Entry.Hour(uid, startsAt, minutes, row.what(), reach, false)
              : new Entry.Day(uid, row.on(), row.what(), reach));
    }
    return Calendars.of(entries, now);
  }
}
