package ivesk.server.data;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/// The tables that leave and enter as records, read off the database itself, so that a new one is
/// never forgotten: each after those that it refers to. What opens doors (passwords, sign-ins,
/// words of phones) and the audit trail, which belongs to this installation, stay.
record ArchiveSchema(List<Table> tables) {

  record Column(String name, ColumnType type, boolean mayLack) {}

  /// A column that refers to the key of another table.
  record Reference(String column, String table, String itsColumn) {}

  /// @param key columns by which a row is known, and by which rows are in order
  record Table(String name, List<Column> columns, List<String> key, List<Reference> refers) {
    List<String> names() {
      return columns.stream().map(Column::name).toList();
    }

    Optional<Column> column(String called) {
      return columns.stream().filter(one -> one.name().equals(called)).findFirst();
    }

    private Table without(String column) {
      List<Column> rest = columns.stream().filter(one -> !one.name().equals(column)).toList();
      return new Table(name, rest, key, refers);
    }

    boolean leaves() {
      return !DERIVED.contains(name);
    }

    private boolean refersTo(Set<String> known) {
      return refers.stream()
          .map(Reference::table)
          .allMatch(t -> t.equals(name) || known.contains(t));
    }
  }

  private static final Set<String> STAY =
      Set.of(
          "audit",
          "audit_entry",
          "audit_seal",
          "audit_subject",
          "sign_in",
          "known_device",
          "recovery_code",
          "handset",
          "diary",
          "secret",
          "tour",
          "flyway_schema_history");

  /// Columns of an account that open doors.
  private static final Set<String> SECRETS =
      Set.of("password_hash", "pin_hash", "factor_key", "factor_step", "code_hash", "code_until");

  /// What is made of the other tables: it does not leave, and is made anew of what enters.
  private static final Set<String> DERIVED = Set.of("client_name_part");

  static ArchiveSchema of(Connection database) throws SQLException {
    Map<String, List<Column>> columns = new LinkedHashMap<>();
    try (PreparedStatement query =
            database.prepareStatement(
                "SELECT LOWER(c.table_name), LOWER(c.column_name), c.data_type, c.is_nullable"
                    + " FROM information_schema.columns c JOIN information_schema.tables t"
                    + " ON t.table_schema = c.table_schema AND t.table_name = c.table_name"
                    + " WHERE c.table_schema = 'PUBLIC' AND t.table_type = 'BASE TABLE'"
                    + " ORDER BY c.table_name, c.ordinal_position");
        ResultSet rows = query.executeQuery()) {
      while (rows.next()) {
        String table = rows.getString(1);
        String column = rows.getString(2);
        if (STAY.contains(table) || table.equals("account") && SECRETS.contains(column)) continue;
        columns
            .computeIfAbsent(table, _ -> new ArrayList<>())
            .add(
                new Column(
                    column, ColumnType.of(rows.getString(3)), rows.getString(4).equals("YES")));
      }
    }
    Map<String, List<String>> keys = keys(database);
    Map<String, List<Reference>> references = references(database);
    List<Table> all =
        columns.entrySet().stream()
            .map(entry ->
                new Table(
                    entry.getKey(),
                    entry.getValue(),
                    keys.getOrDefault(
                        entry.getKey(), entry.getValue().stream().map(Column::name).toList()),
                    references.getOrDefault(entry.getKey(), List.of())))
            .toList();
    return new ArchiveSchema(inOrder(all));
  }

  private static Map<String, List<String>> keys(Connection database) throws SQLException {
    Map<String, List<String>> keys = new LinkedHashMap<>();
    try (PreparedStatement query =
            database.prepareStatement(
                "SELECT LOWER(k.table_name), LOWER(k.column_name)"
                    + " FROM information_schema.table_constraints c"
                    + " JOIN information_schema.key_column_usage k"
                    + " ON k.constraint_schema = c.constraint_schema"
                    + " AND k.constraint_name = c.constraint_name"
                    + " WHERE c.constraint_type = 'PRIMARY KEY' AND c.table_schema = 'PUBLIC'"
                    + " ORDER BY k.table_name, k.ordinal_position");
        ResultSet rows = query.executeQuery()) {
      while (rows.next()) {
        keys.computeIfAbsent(rows.getString(1), _ -> new ArrayList<>()).add(rows.getString(2));
      }
    }
    return keys;
  }

  private static Map<String, List<Reference>> references(Connection database) throws SQLException {
    Map<String, List<Reference>> references = new LinkedHashMap<>();
    try (PreparedStatement query =
            database.prepareStatement(
                "SELECT LOWER(k.table_name), LOWER(k.column_name), LOWER(o.table_name),"
                    + " LOWER(o.column_name)"
                    + " FROM information_schema.referential_constraints r"
                    + " JOIN information_schema.key_column_usage k"
                    + " ON k.constraint_schema = r.constraint_schema"
                    + " AND k.constraint_name = r.constraint_name"
                    + " JOIN information_schema.key_column_usage o"
                    + " ON o.constraint_schema = r.unique_constraint_schema"
                    + " AND o.constraint_name = r.unique_constraint_name"
                    + " AND o.ordinal_position = k.position_in_unique_constraint"
                    + " WHERE k.table_schema = 'PUBLIC'"
                    + " ORDER BY k.table_name, k.column_name");
        ResultSet rows = query.executeQuery()) {
      while (rows.next()) {
        references
            .computeIfAbsent(rows.getString(1), _ -> new ArrayList<>())
            .add(new Reference(rows.getString(2), rows.getString(3), rows.getString(4)));
      }
    }
    return references;
  }

  private static List<Table> inOrder(List<Table> all) {
    List<Table> ordered = new ArrayList<>();
    Set<String> known = new LinkedHashSet<>();
    List<Table> left = new ArrayList<>(all);
    while (!left.isEmpty()) {
      Table next =
          left.stream()
              .filter(table -> table.refersTo(known))
              .findFirst()
              .orElseThrow(() ->
                  new IllegalStateException(
                      "tables refer to one another in a circle: "
                          + left.stream().map(Table::name).collect(Collectors.joining(", "))));
      ordered.add(next);
      known.add(next.name());
      left.remove(next);
    }
    return List.copyOf(ordered);
  }

  Optional<Table> find(String name) {
    return tables.stream().filter(table -> table.name().equals(name)).findFirst();
  }

  /// Where a client's records name a formula, which may be a product of the practice's own.
  private static final Map<String, String> NAME_A_FORMULA =
      Map.of(
          "outside_peel", "formula",
          "visit_plan", "formula_code",
          "plan_stage", "formula_code",
          "course_peel", "formula");

  /// As one client's file has it: whether a product is on this practice's rack is its own matter.
  ArchiveSchema ofOneClient() {
    return new ArchiveSchema(
        tables.stream()
            .map(table -> table.name().equals("product") ? table.without("retired") : table)
            .toList());
  }

  /// The condition by which a table's rows are one client's: straight, through what they belong to,
  /// or, for signatures, accounts and products, through what names them. Empty where they are
  /// nobody's.
  Optional<String> ofClient(Table table) {
    if (table.name().equals("client")) return Optional.of("id = ? OR joined_into = ?");
    if (table.name().equals("product")) return Optional.of(namedByFormula());
    for (Reference reference : table.refers()) {
      if (reference.table().equals(table.name()) || named(reference.table())) continue;
      Optional<String> there = find(reference.table()).flatMap(this::ofClient);
      if (there.isPresent()) {
        return Optional.of(
            among(reference.column(), reference.itsColumn(), reference.table(), there.get()));
      }
    }
    return named(table.name()) ? namedBy(table) : Optional.empty();
  }

  private static String among(String column, String theirs, String table, String where) {
    return column + " IN (SELECT " + theirs + " FROM " + table + " WHERE " + where + ")";
  }

  private String namedByFormula() {
    return tables.stream()
        .filter(table -> NAME_A_FORMULA.containsKey(table.name()))
        .map(table ->
            among(
                "code",
                NAME_A_FORMULA.get(table.name()),
                table.name(),
                ofClient(table).orElseThrow()))
        .collect(Collectors.joining(" OR "));
  }

  private static boolean named(String table) {
    return table.equals("account") || table.equals("signature");
  }

  /// LeavingRows that a client's rows name.
  private Optional<String> namedBy(Table table) {
    List<String> ways = new ArrayList<>();
    for (Table other : tables) {
      if (named(other.name())) continue;
      Optional<String> theirs = ofClient(other);
      if (theirs.isEmpty()) continue;
      for (Reference reference : other.refers()) {
        if (!reference.table().equals(table.name())) continue;
        ways.add(among(reference.itsColumn(), reference.column(), other.name(), theirs.get()));
      }
    }
    return ways.isEmpty() ? Optional.empty() : Optional.of(String.join(" OR ", ways));
  }
}
