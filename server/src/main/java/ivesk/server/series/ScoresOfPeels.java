package ivesk.server.series;

import ivesk.core.series.Progress;
import ivesk.core.series.Scores;
import ivesk.server.skin.SameScores;
import ivesk.server.treatment.RecordedPeels;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Component;

/// Scores as they lie to the peels of a client.
@Component
class ScoresOfPeels implements SameScores {
  private final ScoreStore scores;
  private final RecordedPeels peels;

  ScoresOfPeels(ScoreStore scores, RecordedPeels peels) {
    this.scores = scores;
    this.peels = peels;
  }

  @Override
  public boolean overThreePeels(UUID clientId) {
    Map<LocalDate, Scores> byDay = byDay(scores.of(clientId));
    // Nobody is scored in most practices, and then no peel need be read.
    return !byDay.isEmpty()
        && Progress.plateau(
            byDay, peels.ofClient(clientId).stream().map(one -> one.peel().on()).toList());
  }

  static Map<LocalDate, Scores> byDay(List<ScoreStore.Kept> kept) {
    Map<LocalDate, Scores> byDay = new TreeMap<>();
    kept.forEach(one -> byDay.put(one.on(), one.sheet().scores()));
    return byDay;
  }
}
