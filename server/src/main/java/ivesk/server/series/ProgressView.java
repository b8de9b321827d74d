package ivesk.server.series;

import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.series.Scores;
import ivesk.core.series.Scores.Line;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/// A client over time, on one scale of dates.
///
/// @param title the one line that says most
/// @param peels done, and booked ones, in their order
/// @param lines of scores that have points
/// @param events of the client's
/// @param closed days on which the practice is shut, from a while back on
/// @param says what the record says, with reasons
/// @param sheets what was scored, day by day
/// @param plateau the scores were the same over three peels
record ProgressView(
    LocalDate today,
    String title,
    List<PeelMark> peels,
    List<ScoreLine> lines,
    List<DayMark> events,
    List<DayMark> closed,
    List<RecordSays> says,
    List<SheetOfDay> sheets,
    boolean plateau) {

  /// @param visitId empty for a peel done elsewhere
  /// @param formula empty where none is chosen yet
  /// @param outcome empty while it is only booked
  /// @param flakedFrom as the client told it
  record PeelMark(
      Optional<UUID> visitId,
      LocalDate on,
      Optional<String> formula,
      int rung,
      boolean booked,
      boolean elsewhere,
      Optional<String> outcome,
      Optional<LocalDate> flakedFrom,
      Optional<LocalDate> flakedTo) {}

  /// @param most the top of its scale
  record ScoreLine(Line line, String label, int most, int decimals, List<ScorePoint> points) {}

  record ScorePoint(LocalDate on, double value) {}

  record DayMark(LocalDate on, String words) {}

  /// @param words a few, then why
  record RecordSays(String words, String why) {}

  record SheetOfDay(LocalDate on, int version, ScoreSheet sheet, ScoreTotals totals) {}

  /// What is computed of what was seen; empty where it was not scored.
  record ScoreTotals(
      Optional<Double> masi,
      Optional<Double> modifiedMasi,
      Optional<Integer> gags,
      Optional<Gags.Severity> severity) {
    static ScoreTotals of(Scores scores) {
      return new ScoreTotals(
          scores.masi().map(Masi::masi),
          scores.masi().map(Masi::modified),
          scores.gags().map(Gags::score),
          scores.gags().map(Gags::severity));
    }
  }
}
