package ivesk.server.screening;

import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Region;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.formula.ShelfService;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Peels that clients had elsewhere, by the formula nearest to what was used.
@Component
public class OutsidePeelStore {
  private final JdbcClient jdbc;
  private final ShelfService shelf;

  OutsidePeelStore(JdbcClient jdbc, ShelfService shelf) {
    this.jdbc = jdbc;
    this.shelf = shelf;
  }

  public record Kept(
      UUID id,
      String formula,
      Region region,
      LocalDate on,
      PeelOutcome outcome,
      PastPeel.Outside outside) {

    /// The same day, region and formula.
    public boolean samePeel(Kept other) {
      return formula.equals(other.formula) && region == other.region && on.equals(other.on);
    }
  }

  /// In the order of their days, without what was withdrawn.
  public List<Kept> ofClient(UUID clientId) {
    return jdbc.sql(
            "SELECT * FROM outside_peel WHERE client_id = ? AND withdrawn_at IS NULL"
                + " ORDER BY done_on, id")
        .param(clientId)
        .query(OutsidePeelStore::kept)
        .list();
  }

  /// As screening and the ladder read them.
  List<PastPeel> peels(List<Kept> peels) {
    return peels.stream()
        .map(kept ->
            PastPeel.elsewhere(
                shelf.shelf().named(kept.formula()),
                kept.region(),
                kept.on(),
                kept.outcome(),
                kept.outside()))
        .toList();
  }

  public void add(UUID clientId, Kept peel, OffsetDateTime at, String who) {
    jdbc.sql(
            "INSERT INTO outside_peel (id, client_id, formula, region, done_on, outcome, seen,"
                + " higher_because, entered_at, entered_by) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            peel.id(),
            clientId,
            peel.formula(),
            peel.region().name(),
            peel.on(),
            peel.outcome().name(),
            peel.outside().seen(),
            peel.outside().higherBecause().orElse(null),
            at,
            who)
        .update();
  }

  void withdraw(UUID clientId, UUID id, OffsetDateTime at) {
    int changed =
        jdbc.sql(
                "UPDATE outside_peel SET withdrawn_at = ?"
                    + " WHERE id = ? AND client_id = ? AND withdrawn_at IS NULL")
            .params(at, id, clientId)
            .update();
    if (changed == 0) throw new NotFound("peel done elsewhere", id);
  }

  private static Kept kept(ResultSet row, int n) throws SQLException {
    return new Kept(
        row.getObject("id", UUID.class),
        row.getString("formula"),
        Region.valueOf(row.getString("region")),
        row.getObject("done_on", LocalDate.class),
        PeelOutcome.valueOf(row.getString("outcome")),
        new PastPeel.Outside(
            row.getBoolean("seen"), Optional.ofNullable(row.getString("higher_because"))));
  }

  void erase(UUID clientId) {
    jdbc.sql("DELETE FROM outside_peel WHERE client_id = ?").param(clientId).update();
  }
}
