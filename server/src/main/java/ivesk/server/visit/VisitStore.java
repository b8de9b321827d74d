package ivesk.server.visit;

import ivesk.server.app.Audit;
import ivesk.server.app.Problems.NotFound;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
public class VisitStore implements Audit.Owners {
  private final JdbcClient jdbc;

  VisitStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /// A visit's client.
  @Override
  public List<UUID> of(UUID id) {
    return jdbc.sql("SELECT client_id FROM visit WHERE id = ?").param(id).query(UUID.class).list();
  }

  /// @param minutes booked, 10 to 240
  /// @param cancelled why it does not take place; empty when it does
  public record Visit(
      UUID id,
      UUID clientId,
      Instant startsAt,
      int minutes,
      String room,
      String therapist,
      Optional<String> cancelled) {}

  public void add(Visit visit) {
    jdbc.sql(
            "INSERT INTO visit (id, client_id, starts_at, minutes, room, therapist)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            visit.id(),
            visit.clientId(),
            visit.startsAt().atOffset(ZoneOffset.UTC),
            visit.minutes(),
            visit.room(),
            visit.therapist())
        .update();
  }

  public void book(UUID id, Instant startsAt, int minutes, String room) {
    jdbc.sql("UPDATE visit SET starts_at = ?, minutes = ?, room = ? WHERE id = ?")
        .params(startsAt.atOffset(ZoneOffset.UTC), minutes, room, id)
        .update();
  }

  /// Who treats in this visit.
  public void assign(UUID id, String therapist) {
    jdbc.sql("UPDATE visit SET therapist = ? WHERE id = ?").params(therapist, id).update();
  }

  public void cancel(UUID id, String why, Instant at) {
    jdbc.sql("UPDATE visit SET cancelled_at = ?, cancelled_why = ? WHERE id = ?")
        .params(at.atOffset(ZoneOffset.UTC), why, id)
        .update();
  }

  /// It takes place after all.
  public void bringBack(UUID id) {
    jdbc.sql("UPDATE visit SET cancelled_at = NULL, cancelled_why = NULL WHERE id = ?")
        .param(id)
        .update();
  }

  public Visit get(UUID id) {
    return jdbc.sql("SELECT * FROM visit WHERE id = ?")
        .param(id)
        .query(VisitStore::visit)
        .optional()
        .orElseThrow(() -> new NotFound("visit", id));
  }

  /// @param from inclusive
  /// @param to exclusive
  public List<Visit> between(Instant from, Instant to) {
    return jdbc.sql(
            "SELECT * FROM visit WHERE starts_at >= ? AND starts_at < ? ORDER BY starts_at, id")
        .params(from.atOffset(ZoneOffset.UTC), to.atOffset(ZoneOffset.UTC))
        .query(VisitStore::visit)
        .list();
  }

  public List<Visit> ofClient(UUID clientId) {
    return jdbc.sql("SELECT * FROM visit WHERE client_id = ? ORDER BY starts_at")
        .param(clientId)
        .query(VisitStore::visit)
        .list();
  }

  private static Visit visit(ResultSet row, int n) throws SQLException {
    return new Visit(
        row.getObject("id", UUID.class),
        row.getObject("client_id", UUID.class),
        row.getObject("starts_at", java.time.OffsetDateTime.class).toInstant(),
        row.getInt("minutes"),
        row.getString("room"),
        row.getString("therapist"),
        Optional.ofNullable(row.getString("cancelled_why")));
  }

  /// The last visits of clients who have not come since, the oldest first.
  public List<Visit> lastBefore(Instant since, int most) {
    return jdbc.sql(
            """
            SELECT * FROM visit WHERE starts_at < ? AND NOT EXISTS (
              SELECT 1 FROM visit later
              WHERE later.client_id = visit.client_id
                AND (later.starts_at > visit.starts_at
                  OR later.starts_at = visit.starts_at AND later.id > visit.id))
            ORDER BY starts_at LIMIT ?\
            """)
        .params(since.atOffset(ZoneOffset.UTC), most)
        .query(VisitStore::visit)
        .list();
  }

  /// For good; nothing of these visits may be left elsewhere.
  public void erase(List<UUID> ids) {
    for (UUID id : ids) jdbc.sql("DELETE FROM visit WHERE id = ?").param(id).update();
  }
}
