package ivesk.server.aftercare;

import ivesk.core.Language;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.StorageMapper;
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.app.StorageMapper.Upcaster;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The sheets that clients were given, word for word: what follows from a visit may change with a
/// check-in or a policy, and what is in the client's hand does not.
@Component
class GivenSheetStore {
  static final Shape<SheetView> SHEET = Shape.of("GivenSheet", SheetView.class, Upcaster.SAME);

  private final JdbcClient jdbc;
  private final StorageMapper storage;

  GivenSheetStore(JdbcClient jdbc, StorageMapper storage) {
    this.jdbc = jdbc;
    this.storage = storage;
  }

  /// How a sheet left the practice.
  enum Way {
    PRINTED,
    PDF,
    CALENDAR,
    SHORT_FORM
  }

  /// @param who account that gave it
  record Given(
      UUID id, UUID visitId, Way way, Language language, SheetView sheet, Instant at, String who) {}

  /// One that was kept already stays as it is.
  ///
  /// @return whether it was new
  boolean keep(Given given) {
    return jdbc.sql(
                "INSERT INTO given_sheet (id, visit_id, way, language, sheet, at, who)"
                    + " SELECT ?, ?, ?, ?, ? FORMAT JSON, ?, ?"
                    + " WHERE NOT EXISTS (SELECT 1 FROM given_sheet WHERE id = ?)")
            .params(
                given.id(),
                given.visitId(),
                given.way().name(),
                given.language().name(),
                storage.write(SHEET, given.sheet()),
                given.at().atOffset(ZoneOffset.UTC),
                given.who(),
                given.id())
            .update()
        == 1;
  }

  /// The oldest first.
  List<Given> of(UUID visitId) {
    return jdbc.sql("SELECT * FROM given_sheet WHERE visit_id = ? ORDER BY at, id")
        .param(visitId)
        .query((row, n) -> given(row))
        .list();
  }

  /// @throws NotFound where no such sheet of this visit was given
  Given get(UUID visitId, UUID id) {
    return jdbc.sql("SELECT * FROM given_sheet WHERE visit_id = ? AND id = ?")
        .params(visitId, id)
        .query((row, n) -> given(row))
        .optional()
        .orElseThrow(() -> new NotFound("given sheet", id));
  }

  private Given given(ResultSet row) throws SQLException {
    return new Given(
        row.getObject("id", UUID.class),
        row.getObject("visit_id", UUID.class),
        Way.valueOf(row.getString("way")),
        Language.valueOf(row.getString("language")),
        storage.read(row.getBytes("sheet"), SHEET),
        row.getObject("at", OffsetDateTime.class).toInstant(),
        row.getString("who"));
  }

  void erase(List<UUID> visits) {
    if (visits.isEmpty()) return;
    jdbc.sql("DELETE FROM given_sheet WHERE visit_id IN (:ids)").param("ids", visits).update();
  }
}
