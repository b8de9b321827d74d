package ivesk.server.series;

import ivesk.core.series.Scores.Line;
import ivesk.server.app.CsvSheet;
import ivesk.server.series.ProgressView.PeelMark;
import ivesk.server.series.ProgressView.ScoreLine;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

/// A client's progress as a table: a line for each peel, and for each day that was scored.
final class ProgressCsv {
  private ProgressCsv() {}

  static String of(ProgressView progress) {
    List<String> columns =
        new ArrayList<>(List.of("date", "formula", "state", "flakes_from", "flakes_to"));
    Arrays.stream(Line.values())
        .map(Line::name)
        .map(name -> name.toLowerCase(Locale.ROOT))
        .forEach(columns::add);
    List<List<Object>> rows = new ArrayList<>();
    Set<LocalDate> days = new TreeSet<>();
    progress.peels().forEach(peel -> days.add(peel.on()));
    progress.sheets().forEach(sheet -> days.add(sheet.on()));
    for (LocalDate day : days) {
      List<PeelMark> peels = progress.peels().stream().filter(one -> one.on().equals(day)).toList();
      Stream<Optional<PeelMark>> lines =
          peels.isEmpty() ? Stream.of(Optional.empty()) : peels.stream().map(Optional::of);
      lines.forEach(peel -> rows.add(row(day, peel, progress.lines())));
    }
    return CsvSheet.write(columns, rows);
  }

  private static List<Object> row(LocalDate day, Optional<PeelMark> peel, List<ScoreLine> lines) {
    List<Object> row = new ArrayList<>();
    row.add(day);
    row.add(peel.flatMap(PeelMark::formula));
    row.add(peel.map(one -> one.booked() ? "booked" : one.outcome().orElse("")));
    row.add(peel.flatMap(PeelMark::flakedFrom));
    row.add(peel.flatMap(PeelMark::flakedTo));
    for (Line line : Line.values()) {
      row.add(
          lines.stream()
              .filter(one -> one.line() == line)
              .flatMap(one -> one.points().stream())
              .filter(point -> point.on().equals(day))
              .map(ProgressView.ScorePoint::value)
              .findFirst());
    }
    return row;
  }
}
