package ivesk.server.skin;

import ivesk.server.app.Problems.Stale;
import ivesk.server.app.StorageMapper;
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.app.StorageMapper.Upcaster;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class ConsultStore {
  private final JdbcClient jdbc;
  static final Shape<Consult> CONSULT = Shape.of("Consult", Consult.class, Upcaster.SAME);

  private final StorageMapper storage;
  private final Clock clock;

  ConsultStore(JdbcClient jdbc, StorageMapper storage, Clock clock) {
    this.jdbc = jdbc;
    this.storage = storage;
    this.clock = clock;
  }

  /// @param version 0 before the first save
  record Saved(Consult consult, int version) {}

  Optional<Saved> find(UUID visitId) {
    return jdbc.sql("SELECT answers, version FROM consult WHERE visit_id = ?")
        .param(visitId)
        .query((row, n) ->
            new Saved(storage.read(row.getBytes("answers"), CONSULT), row.getInt("version")))
        .optional();
  }

  /// The consults of some visits that have one of their own.
  List<Consult> consults(List<UUID> visits) {
    if (visits.isEmpty()) return List.of();
    return jdbc.sql("SELECT answers FROM consult WHERE visit_id IN (:visits)")
        .param("visits", visits)
        .query((row, n) -> storage.read(row.getBytes("answers"), CONSULT))
        .list();
  }

  /// Those of some visits that have a consult of their own.
  Set<UUID> kept(List<UUID> visits) {
    if (visits.isEmpty()) return Set.of();
    return Set.copyOf(
        jdbc.sql("SELECT visit_id FROM consult WHERE visit_id IN (:visits)")
            .param("visits", visits)
            .query(UUID.class)
            .list());
  }

  /// Saves over the version that was read.
  ///
  /// @throws Stale when somebody else saved in between
  void save(UUID visitId, Consult consult, int version, String who) {
    byte[] answers = storage.write(CONSULT, consult);
    OffsetDateTime now = OffsetDateTime.now(clock);
    if (version == 0) {
      try {
        jdbc.sql(
                "INSERT INTO consult (visit_id, answers, version, saved_at, saved_by)"
                    + " VALUES (?, ? FORMAT JSON, 1, ?, ?)")
            .params(visitId, answers, now, who)
            .update();
      } catch (DuplicateKeyException e) {
        throw new Stale("This consult");
      }
      return;
    }
    int changed =
        jdbc.sql(
                "UPDATE consult SET answers = ? FORMAT JSON, version = version + 1, saved_at = ?,"
                    + " saved_by = ? WHERE visit_id = ? AND version = ?")
            .params(answers, now, who, visitId, version)
            .update();
    if (changed == 0) throw new Stale("This consult");
  }

  void erase(UUID visitId) {
    jdbc.sql("DELETE FROM consult WHERE visit_id = ?").param(visitId).update();
  }
}
