package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PatchTest.Read;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.server.app.Problems.NotFound;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class PatchTestStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  PatchTestStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  record Placed(UUID id, UUID clientId, String site, PatchTest test) {}

  private record Row(UUID id, UUID clientId, String site, Family family, Instant placedAt) {}

  void place(UUID clientId, Family family, String site, Instant at, String who) {
    jdbc.sql(
            "INSERT INTO patch_test (id, client_id, family, site, placed_at, placed_by)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(UUID.randomUUID(), clientId, family.name(), site, at.atOffset(ZoneOffset.UTC), who)
        .update();
  }

  void read(UUID id, Read read, Result result, Instant at, String who) {
    jdbc.sql(
            "INSERT INTO patch_test_read (patch_test_id, due, result, read_at, read_by)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(id, read.name(), result.name(), at.atOffset(ZoneOffset.UTC), who)
        .update();
  }

  List<Placed> ofClient(UUID clientId) {
    return whole(
        jdbc.sql("SELECT * FROM patch_test WHERE client_id = ? ORDER BY placed_at, id")
            .param(clientId)
            .query(PatchTestStore::row)
            .list());
  }

  List<Placed> since(Instant placed) {
    return whole(
        jdbc.sql("SELECT * FROM patch_test WHERE placed_at >= ? ORDER BY placed_at, id")
            .param(placed.atOffset(ZoneOffset.UTC))
            .query(PatchTestStore::row)
            .list());
  }

  Placed get(UUID id) {
    return whole(
            jdbc.sql("SELECT * FROM patch_test WHERE id = ?")
                .param(id)
                .query(PatchTestStore::row)
                .list())
        .stream()
        .findFirst()
        .orElseThrow(() -> new NotFound("patch test", id));
  }

  private List<Placed> whole(List<Row> rows) {
    List<Placed> placed = new ArrayList<>();
    for (Row row : rows) {
      Map<Read, Result> results = new EnumMap<>(Read.class);
      jdbc.sql("SELECT due, result FROM patch_test_read WHERE patch_test_id = ?")
          .param(row.id)
          .query(read -> {
            results.put(
                Read.valueOf(read.getString("due")), Result.valueOf(read.getString("result")));
          });
      placed.add(
          new Placed(
              row.id,
              row.clientId,
              row.site,
              new PatchTest(
                  row.family,
                  row.placedAt,
                  LocalDate.ofInstant(row.placedAt, clock.getZone()),
                  results)));
    }
    return placed;
  }

  private static Row row(ResultSet row, int n) throws SQLException {
    return new Row(
        row.getObject("id", UUID.class),
        row.getObject("client_id", UUID.class),
        row.getString("site"),
        Family.valueOf(row.getString("family")),
        row.getObject("placed_at", OffsetDateTime.class).toInstant());
  }

  void erase(UUID clientId) {
    jdbc.sql(
            "DELETE FROM patch_test_read"
                + " WHERE patch_test_id IN (SELECT id FROM patch_test WHERE client_id = ?)")
        .param(clientId)
        .update();
    jdbc.sql("DELETE FROM patch_test WHERE client_id = ?").param(clientId).update();
  }
}
