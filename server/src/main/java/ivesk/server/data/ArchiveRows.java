package ivesk.server.data;

import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Effect;
import ivesk.server.data.ArchiveFormat.Place;
import ivesk.server.data.ArchiveSchema.Column;
import ivesk.server.data.ArchiveSchema.Table;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.DateTimeException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/// Puts the rows of a file into one table, within the open transaction.
final class ArchiveRows implements AutoCloseable {
  /// What is the practice's own: two of them may both have an Ines, and each has its policies.
  private static final Set<String> STAYS_AS_IT_IS =
      Set.of("account", "practice", "practice_number", "policy", "clinician_opening");

  /// Shipped with ids of its own in each installation, and known by its name.
  private static final String BY_NAME = "product_kind";

  private final Table table;
  private final List<Column> columns;
  private final ArchiveTouched touched;
  private final PreparedStatement find;
  private final PreparedStatement insert;
  private final PreparedStatement replaced;

  /// Who brings the file may not bring such rows.
  private final boolean withhold;

  private int fresh;
  private int same;
  private int differing;
  private int withheld;

  /// @param place of the columns in the file
  /// @throws BadLine where the table has no such columns, or they lack its key
  ArchiveRows(ArchiveInto into, String name, List<String> names, Place place)
      throws SQLException, BadLine {
    Connection connection = into.connection();
    this.touched = into.touched();
    this.table =
        into.schema().find(name).orElseThrow(() -> place.bad("there is no table '" + name + "'"));
    this.columns =
        place.each(
            names,
            column ->
                table
                    .column(column)
                    .orElseThrow(() -> place.bad(name + " has no column '" + column + "'")));
    if (columns.stream().distinct().count() < columns.size()) {
      throw place.bad("a column of " + name + " is there twice");
    }
    if (!names.containsAll(table.key())) {
      throw place.bad(name + " lacks its key: " + String.join(", ", table.key()));
    }
    if (name.equals(BY_NAME) && !names.contains("name")) {
      throw place.bad(name + " lacks its name");
    }
    this.find =
        connection.prepareStatement(
            "SELECT "
                + String.join(", ", names)
                + " FROM "
                + name
                + " WHERE "
                + table.key().stream()
                    .map(key -> key + " = ?")
                    .collect(Collectors.joining(" AND ")));
    this.replaced = connection.prepareStatement("DELETE FROM product_kind WHERE name = ?");
    boolean account = name.equals("account");
    this.withhold =
        account && !into.bearer().people()
            || name.equals("clinician_opening") && !into.bearer().openings();
    boolean lockedBesides = account && withhold && !names.contains("locked");
    boolean foreign = name.equals("product") && !names.contains("retired");
    this.insert =
        connection.prepareStatement(
            "INSERT INTO "
                + name
                + " ("
                + String.join(", ", names)
                // Somebody who comes with a file signs in by a one-time code.
                + (account ? ", password_hash" : "")
                + (lockedBesides ? ", locked" : "")
                // A product that comes with a client's chart is none of this rack.
                + (foreign ? ", retired" : "")
                + ") VALUES ("
                + columns.stream()
                    .map(column -> column.type() == ColumnType.DOCUMENT ? "? FORMAT JSON" : "?")
                    .collect(Collectors.joining(", "))
                + (account ? ", ''" : "")
                + (lockedBesides ? ", TRUE" : "")
                + (foreign ? ", TRUE" : "")
                + ")");
  }

  List<Column> columns() {
    return columns;
  }

  String table() {
    return table.name();
  }

  /// @throws BadLine where the words are no such value
  Object value(Column column, String words, Place place) throws BadLine {
    try {
      return column.type().read(words);
    } catch (DateTimeException | IllegalArgumentException e) {
      throw place.bad(
          table.name()
              + "."
              + column.name()
              + " is "
              + column.type().words()
              + ": "
              + e.getMessage());
    }
  }

  void put(@Nullable Object[] values, Place place) throws BadLine {
    try {
      for (int i = 0; i < table.key().size(); i++) {
        find.setObject(i + 1, values[index(table.key().get(i))]);
      }
      try (ResultSet here = find.executeQuery()) {
        if (here.next()) {
          if (same(here, values)) same++;
          else differing++;
          return;
        }
      }
      if (table.name().equals(BY_NAME)) {
        replaced.setObject(1, values[index("name")]);
        replaced.executeUpdate();
      }
      if (withhold) {
        withheld++;
        if (table.name().equals("clinician_opening")) return;
        lock(values);
      }
      for (int i = 0; i < values.length; i++) {
        if (values[i] == null) insert.setNull(i + 1, Types.NULL);
        else insert.setObject(i + 1, values[i]);
      }
      insert.executeUpdate();
      fresh++;
      touched.add(table.name(), columns, values, place);
    } catch (SQLException e) {
      throw place.bad(table.name() + " does not take this row: " + cause(e));
    }
  }

  /// Somebody whose name the records need, and who may do nothing here until an owner lets them.
  private void lock(@Nullable Object[] account) {
    for (int i = 0; i < account.length; i++) {
      switch (columns.get(i).name()) {
        case "role" -> account[i] = "DESK";
        case "scope" -> account[i] = null;
        case "locked" -> account[i] = true;
        default -> {}
      }
    }
  }

  Effect effect() {
    return new Effect(table.name(), fresh, same, differing, withheld);
  }

  private static final Pattern UNIQUE = Pattern.compile("ON \\w+\\.\\w+\\(([^)]*)\\)");
  private static final Pattern COLUMN = Pattern.compile("column \"(\\w+)");

  /// In words of the file; the database's own where it says something else.
  private static String cause(SQLException e) {
    String words = String.valueOf(e.getMessage());
    return switch (String.valueOf(e.getSQLState())) {
      case "23505" -> "another row has the same " + named(UNIQUE, words);
      case "23506" -> "what it refers to is neither here nor before it in the file";
      case "23502" -> named(COLUMN, words) + " is missing";
      case "22001" -> named(COLUMN, words) + " is too long";
      case "23513", "23514" -> "a value is out of its range";
      case "22030" -> "a value is none of those that may be";
      default -> {
        int statement = words.indexOf("; SQL statement");
        yield statement < 0 ? words : words.substring(0, statement);
      }
    };
  }

  private static String named(Pattern where, String words) {
    Matcher found = where.matcher(words);
    return found.find()
        ? found.group(1).toLowerCase(Locale.ROOT).replace(" nulls first", "")
        : "key";
  }

  private int index(String name) {
    for (int i = 0; i < columns.size(); i++) {
      if (columns.get(i).name().equals(name)) return i;
    }
    throw new IllegalStateException(name);
  }

  private boolean same(ResultSet here, @Nullable Object[] values) throws SQLException {
    if (STAYS_AS_IT_IS.contains(table.name())) return true;
    for (int i = 0; i < values.length; i++) {
      if (ofThisRack(columns.get(i))) continue;
      if (!ColumnType.same(columns.get(i).type().held(here, i + 1), values[i])) return false;
    }
    return true;
  }

  /// What is on the rack here, no file changes.
  private boolean ofThisRack(Column column) {
    return table.name().equals("product") && column.name().equals("retired");
  }

  @Override
  public void close() throws SQLException {
    find.close();
    insert.close();
    replaced.close();
  }
}
