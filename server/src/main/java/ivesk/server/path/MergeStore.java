package ivesk.server.path;

import ivesk.core.plan.script.Comfort;
import ivesk.server.data.Ownership.Owned;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which charts were joined, and which rows came over by it.
@Component
class MergeStore {
  private final JdbcClient jdbc;
  private final JdbcTemplate batches;

  MergeStore(JdbcClient jdbc, JdbcTemplate batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /// @param kept the client whose chart holds both
  /// @param allergies the kept one's before
  /// @param comforts the kept one's before
  /// @param telephone the kept one's before
  /// @param mail the kept one's before
  /// @param otherArchived when the other had been put away before
  record Merged(
      UUID id,
      UUID kept,
      UUID other,
      Instant at,
      String who,
      String allergies,
      Set<Comfort> comforts,
      Optional<String> telephone,
      Optional<String> mail,
      Optional<LocalDate> otherArchived) {}

  void add(Merged merged, List<Owned> rows) {
    jdbc.sql(
            "INSERT INTO chart_merge (id, kept, other, at, who, allergies_before, comforts_before,"
                + " telephone_before, mail_before, other_archived)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            merged.id(),
            merged.kept(),
            merged.other(),
            merged.at().atOffset(ZoneOffset.UTC),
            merged.who(),
            merged.allergies(),
            merged.comforts().stream().map(Comfort::name).sorted().collect(Collectors.joining(",")),
            merged.telephone().orElse(null),
            merged.mail().orElse(null),
            merged.otherArchived().orElse(null))
        .update();
    batches.batchUpdate(
        "INSERT INTO merged_row (merge_id, moved, row_key) VALUES (?, ?, ?)",
        rows.stream().map(row -> new Object[] {merged.id(), row.table(), row.key()}).toList());
  }

  /// Those that hold for a client, as the one who was kept or the other.
  List<Merged> standing(UUID client) {
    return jdbc.sql(
            "SELECT * FROM chart_merge WHERE kept = ? AND undone_at IS NULL"
                + " UNION ALL SELECT * FROM chart_merge WHERE other = ? AND undone_at IS NULL"
                + " ORDER BY at, id")
        .params(client, client)
        .query(MergeStore::merged)
        .list();
  }

  Optional<Merged> standingOne(UUID id) {
    return jdbc.sql("SELECT * FROM chart_merge WHERE id = ? AND undone_at IS NULL")
        .param(id)
        .query(MergeStore::merged)
        .optional();
  }

  List<Owned> rows(UUID id) {
    return jdbc.sql("SELECT moved, row_key FROM merged_row WHERE merge_id = ?")
        .param(id)
        .query((row, n) -> new Owned(row.getString("moved"), row.getString("row_key")))
        .list();
  }

  void undo(UUID id, Instant at, String who) {
    jdbc.sql("UPDATE chart_merge SET undone_at = ?, undone_by = ? WHERE id = ?")
        .params(at.atOffset(ZoneOffset.UTC), who, id)
        .update();
  }

  void askToErase(UUID client, LocalDate on, String who) {
    jdbc.sql(
            "MERGE INTO erasure_request (client_id, asked_on, who) KEY (client_id) VALUES (?, ?, ?)")
        .params(client, on, who)
        .update();
  }

  /// When it was asked that a chart be erased.
  Optional<LocalDate> askedToErase(UUID client) {
    return jdbc.sql("SELECT asked_on FROM erasure_request WHERE client_id = ?")
        .param(client)
        .query(LocalDate.class)
        .optional();
  }

  void erase(UUID client) {
    String mine = "SELECT id FROM chart_merge WHERE kept = ? OR other = ?";
    jdbc.sql("DELETE FROM merged_row WHERE merge_id IN (" + mine + ")")
        .params(client, client)
        .update();
    jdbc.sql("DELETE FROM chart_merge WHERE kept = ? OR other = ?").params(client, client).update();
    jdbc.sql("DELETE FROM erasure_request WHERE client_id = ?").param(client).update();
  }

  private static Merged merged(ResultSet row, int n) throws SQLException {
    return new Merged(
        row.getObject("id", UUID.class),
        row.getObject("kept", UUID.class),
        row.getObject("other", UUID.class),
        row.getObject("at", OffsetDateTime.class).toInstant(),
        row.getString("who"),
        row.getString("allergies_before"),
        Arrays.stream(row.getString("comforts_before").split(","))
            .filter(name -> !name.isEmpty())
            .map(Comfort::valueOf)
            .collect(Collectors.toSet()),
        Optional.ofNullable(row.getString("telephone_before")),
        Optional.ofNullable(row.getString("mail_before")),
        Optional.ofNullable(row.getObject("other_archived", LocalDate.class)));
  }
}
