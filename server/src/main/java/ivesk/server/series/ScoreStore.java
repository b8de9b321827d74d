package ivesk.server.series;

import ivesk.server.app.Problems.Stale;
import ivesk.server.app.StorageMapper;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class ScoreStore {
  private final JdbcClient jdbc;
  private final StorageMapper storage;

  ScoreStore(JdbcClient jdbc, StorageMapper storage) {
    this.jdbc = jdbc;
    this.storage = storage;
  }

  /// @param version counts the changes of the day's scores
  /// @param by who saved them last
  record Kept(LocalDate on, ScoreSheet sheet, int version, String by) {}

  /// In the order of the days.
  List<Kept> of(UUID clientId) {
    return jdbc.sql(
            "SELECT on_date, scores, version, saved_by FROM score_sheet WHERE client_id = ? ORDER BY on_date")
        .param(clientId)
        .query((row, n) ->
            new Kept(
                row.getObject("on_date", LocalDate.class),
                storage.read(row.getBytes("scores"), ScoreSheet.SHAPE),
                row.getInt("version"),
                row.getString("saved_by")))
        .list();
  }

  /// Saves over the version that was read; 0 for a day without scores.
  ///
  /// @throws Stale when somebody else saved in between
  void save(UUID clientId, Kept kept, Instant at) {
    byte[] sheet = storage.write(ScoreSheet.SHAPE, kept.sheet());
    int changed =
        kept.version() == 0
            ? jdbc.sql(
                    """
                    INSERT INTO score_sheet (client_id, on_date, scores, version, saved_at, saved_by)
                    SELECT ?, ?, ?, 1, ?, ? WHERE NOT EXISTS (
                      SELECT 1 FROM score_sheet WHERE client_id = ? AND on_date = ?)\
                    """)
                .params(
                    clientId,
                    kept.on(),
                    sheet,
                    at.atOffset(ZoneOffset.UTC),
                    kept.by(),
                    clientId,
                    kept.on())
                .update()
            : jdbc.sql(
                    """
                    UPDATE score_sheet SET scores = ?, version = version + 1, saved_at = ?, saved_by = ?
                    WHERE client_id = ? AND on_date = ? AND version = ?\
                    """)
                .params(
                    sheet,
                    at.atOffset(ZoneOffset.UTC),
                    kept.by(),
                    clientId,
                    kept.on(),
                    kept.version())
                .update();
    if (changed == 0) throw new Stale("The scores of this day");
  }

  void remove(UUID clientId, LocalDate on) {
    jdbc.sql("DELETE FROM score_sheet WHERE client_id = ? AND on_date = ?")
        .params(clientId, on)
        .update();
  }

  void erase(UUID clientId) {
    jdbc.sql("DELETE FROM score_sheet WHERE client_id = ?").param(clientId).update();
  }
}
