package ivesk.server.data;

import ivesk.server.app.Remembered;
import ivesk.server.data.ArchiveSchema.Reference;
import ivesk.server.data.ArchiveSchema.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/// What belongs to a client by the client's id, read off the database itself, so that a new table
/// is never forgotten: it can be given to another client, and taken back.
@Component
public class Ownership {
  /// A client's own name, and what says that charts were joined.
  private static final Set<String> STAY =
      Set.of("client_name_part", "chart_merge", "erasure_request");

  private final JdbcTemplate jdbc;
  private final Remembered<List<Table>> tables = new Remembered<>(this::readTables);

  Ownership(JdbcTemplate jdbc) {
    this.jdbc = jdbc;
  }

  /// @param key of the row beside its client, as text
  public record Owned(String table, String key) {}

  /// What could be given from one to another: all but rows of which the other has one by the same
  /// key, as a score of the same day.
  public List<Owned> movable(UUID from, UUID to) {
    return owned(from, to, false);
  }

  /// What stays, since the other has its own by the same key.
  public List<Owned> doubled(UUID from, UUID to) {
    return owned(from, to, true);
  }

  private List<Owned> owned(UUID from, UUID to, boolean doubled) {
    List<Owned> owned = new ArrayList<>();
    for (Table table : tables()) {
      String key = key(table);
      String there =
          " EXISTS (SELECT 1 FROM "
              + table.name()
              + " o WHERE o.client_id = ? AND o."
              + key
              + " = t."
              + key
              + ")";
      jdbc.queryForList(
              "SELECT CAST(t."
                  + key
                  + " AS VARCHAR) FROM "
                  + table.name()
                  + " t WHERE t.client_id = ? AND"
                  + (doubled ? "" : " NOT")
                  + there
                  + " ORDER BY 1",
              String.class,
              from,
              to)
          .forEach(row -> owned.add(new Owned(table.name(), row)));
    }
    return owned;
  }

  /// Gives rows from one client to another, as far as they are still the first one's.
  public void give(List<Owned> rows, UUID from, UUID to) {
    for (Table table : tables()) {
      List<Object[]> mine =
          rows.stream()
              .filter(row -> row.table().equals(table.name()))
              .map(row -> new Object[] {to, from, row.key()})
              .toList();
      if (mine.isEmpty()) continue;
      jdbc.batchUpdate(
          "UPDATE "
              + table.name()
              + " SET client_id = ? WHERE client_id = ? AND CAST("
              + key(table)
              + " AS VARCHAR) = ?",
          mine);
    }
  }

  /// They are the same as long as the server runs.
  private List<Table> tables() {
    return tables.get();
  }

  private List<Table> readTables() {
    ArchiveSchema schema =
        Objects.requireNonNull(jdbc.execute((ConnectionCallback<ArchiveSchema>) ArchiveSchema::of));
    return schema.tables().stream()
        .filter(table -> !STAY.contains(table.name()))
        .filter(table -> table.refers().stream().anyMatch(Ownership::toClient))
        .toList();
  }

  private static boolean toClient(Reference reference) {
    return reference.table().equals("client") && reference.column().equals("client_id");
  }

  private static String key(Table table) {
    List<String> others =
        table.key().stream().filter(column -> !column.equals("client_id")).toList();
    if (others.size() != 1)
      throw new IllegalStateException(table.name() + " has no key beside its client");
    return others.getFirst();
  }
}
