package ivesk.server.data;

import ivesk.server.data.ArchiveSchema.Column;
import ivesk.server.data.ArchiveSchema.Table;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/// Everything as JSON, and back: table by table, a row a line, in the order of keys, so that the
/// same records always give the same bytes. The file names its version; `docs/formats/` describes
/// it. What enters is read through first; one wrong line and nothing of it is written.
@Component
public class Archive {
  static final String FORMAT = "ivesk";
  public static final int VERSION = 1;

  private static final JsonFactory JSON = new JsonFactory();

  private final DataSource database;

  Archive(DataSource database) {
    this.database = database;
  }

  /// A line of a file that cannot be.
  public static class BadLine extends Exception {
    BadLine(int line, String why) {
      super("line " + line + ": " + why);
    }
  }

  /// @param client empty for everything
  public void write(OutputStream out, Optional<UUID> client) {
    try (Connection connection = database.getConnection()) {
      connection.setAutoCommit(false);
      connection.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
      try {
        write(ArchiveSchema.of(connection), connection, out, client);
      } finally {
        connection.rollback();
        connection.setTransactionIsolation(Connection.TRANSACTION_READ_COMMITTED);
        connection.setAutoCommit(true);
      }
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void write(
      ArchiveSchema schema, Connection connection, OutputStream out, Optional<UUID> client)
      throws SQLException {
    try (JsonGenerator json = JSON.createGenerator(ObjectWriteContext.empty(), out)) {
      json.writeStartObject();
      json.writeStringProperty("format", FORMAT);
      json.writeNumberProperty("v", VERSION);
      json.writeName("tables");
      json.writeStartArray();
      for (Table table : schema.tables()) {
        Optional<String> where = client.flatMap(_ -> schema.ofClient(table));
        if (client.isPresent() && where.isEmpty()) continue;
        json.writeRaw('\n');
        json.writeStartObject();
        json.writeStringProperty("table", table.name());
        json.writeName("columns");
        json.writeStartArray();
        for (String name : table.names()) json.writeString(name);
        json.writeEndArray();
        json.writeName("rows");
        json.writeStartArray();
        rows(table, where, client, connection, json);
        json.writeEndArray();
        json.writeEndObject();
      }
      json.writeEndArray();
      json.writeEndObject();
      json.writeRaw('\n');
    }
  }

  private static void rows(
      Table table,
      Optional<String> where,
      Optional<UUID> client,
      Connection connection,
      JsonGenerator json)
      throws SQLException {
    String sql =
        "SELECT "
            + String.join(", ", table.names())
            + " FROM "
            + table.name()
            + where.map(" WHERE "::concat).orElse("")
            + " ORDER BY "
            + String.join(", ", table.key());
    try (PreparedStatement query = connection.prepareStatement(sql)) {
      long places = where.map(words -> words.chars().filter(c -> c == '?').count()).orElse(0L);
      for (int i = 1; i <= places; i++) query.setObject(i, client.orElseThrow());
      query.setFetchSize(200);
      try (ResultSet row = query.executeQuery()) {
        while (row.next()) {
          json.writeRaw('\n');
          json.writeStartArray();
          for (int i = 0; i < table.columns().size(); i++) {
            value(json, row, i + 1, table.columns().get(i));
          }
          json.writeEndArray();
        }
      }
    }
  }

  private static void value(JsonGenerator json, ResultSet row, int at, Column column)
      throws SQLException {
    if (row.getObject(at) == null) {
      json.writeNull();
      return;
    }
    switch (column.type()) {
      case "BOOLEAN" -> json.writeBoolean(row.getBoolean(at));
      case "INTEGER", "BIGINT", "SMALLINT" -> json.writeNumber(row.getLong(at));
      case "DOUBLE PRECISION", "REAL" -> json.writeNumber(row.getDouble(at));
      case "TIMESTAMP WITH TIME ZONE" ->
          json.writeString(
              row.getObject(at, OffsetDateTime.class)
                  .withOffsetSameInstant(ZoneOffset.UTC)
                  .toString());
      case "BINARY VARYING", "BINARY", "BINARY LARGE OBJECT" ->
          json.writeString(Base64.getEncoder().encodeToString(row.getBytes(at)));
      // Its own text, as it is: a number written as 1.0 stays 1.0.
      case "JSON" -> json.writeString(new String(row.getBytes(at), StandardCharsets.UTF_8));
      case "DATE" -> json.writeString(row.getObject(at, LocalDate.class).toString());
      case "TIME" -> json.writeString(row.getObject(at, LocalTime.class).toString());
      default -> json.writeString(row.getString(at));
    }
  }

  /// What a file would do.
  ///
  /// @param fresh rows that are not here yet
  /// @param same rows that are here already
  /// @param differing rows that are here otherwise; they keep a file from being taken in
  public record Effect(String table, int fresh, int same, int differing) {}

  /// Reads a file through and says what it would do; nothing is written.
  ///
  /// @throws BadLine with the line and the reason
  public List<Effect> preview(InputStream file) throws BadLine {
    try (Connection connection = database.getConnection()) {
      connection.setAutoCommit(false);
      try {
        return read(file, connection);
      } finally {
        connection.rollback();
        connection.setAutoCommit(true);
      }
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /// Takes a file in, all of it or nothing.
  ///
  /// @throws BadLine with the line and the reason; nothing was written then
  public List<Effect> take(InputStream file) throws BadLine {
    try (Connection connection = database.getConnection()) {
      connection.setAutoCommit(false);
      boolean whole = false;
      try {
        List<Effect> effects = read(file, connection);
        Optional<Effect> differs = effects.stream().filter(one -> one.differing() > 0).findFirst();
        if (differs.isPresent()) {
          throw new BadLine(
              1,
              differs.get().differing()
                  + " rows of "
                  + differs.get().table()
                  + " are here otherwise; what is here stays");
        }
        connection.commit();
        whole = true;
        return effects;
      } finally {
        if (!whole) connection.rollback();
        connection.setAutoCommit(true);
      }
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /// Writes what is fresh within the open transaction.
  private static List<Effect> read(InputStream file, Connection connection)
      throws SQLException, BadLine {
    ArchiveSchema schema = ArchiveSchema.of(connection);
    List<Effect> effects = new ArrayList<>();
    try (JsonParser json = JSON.createParser(ObjectReadContext.empty(), file)) {
      try {
        expect(json, json.nextToken(), JsonToken.START_OBJECT, "a file of Ivesk begins with {");
        expectName(json, "format");
        if (json.nextToken() != JsonToken.VALUE_STRING || !json.getString().equals(FORMAT)) {
          throw bad(json, "this is no file of Ivesk: its format is not \"ivesk\"");
        }
        expectName(json, "v");
        if (json.nextToken() != JsonToken.VALUE_NUMBER_INT || json.getIntValue() != VERSION) {
          throw bad(json, "its version is not " + VERSION + ", which this Ivesk knows");
        }
        expectName(json, "tables");
        expect(json, json.nextToken(), JsonToken.START_ARRAY, "the tables are a list");
        while (json.nextToken() == JsonToken.START_OBJECT) {
          effects.add(table(json, schema, connection));
        }
        expect(json, json.currentToken(), JsonToken.END_ARRAY, "the list of tables is not closed");
        expect(json, json.nextToken(), JsonToken.END_OBJECT, "the file goes on after its tables");
        if (json.nextToken() != null) throw bad(json, "the file goes on after its end");
      } catch (JacksonException e) {
        int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNr());
        throw new BadLine(line, "it is no JSON: " + e.getOriginalMessage());
      }
    }
    return effects;
  }

  private static Effect table(JsonParser json, ArchiveSchema schema, Connection connection)
      throws SQLException, BadLine {
    expectName(json, "table");
    if (json.nextToken() != JsonToken.VALUE_STRING) throw bad(json, "a table has a name");
    String name = json.getString();
    Table table =
        schema.find(name).orElseThrow(() -> bad(json, "there is no table '" + name + "'"));
    expectName(json, "columns");
    expect(json, json.nextToken(), JsonToken.START_ARRAY, "the columns are a list");
    List<Column> columns = new ArrayList<>();
    while (json.nextToken() == JsonToken.VALUE_STRING) {
      String column = json.getString();
      columns.add(
          table.columns().stream()
              .filter(one -> one.name().equals(column))
              .findFirst()
              .orElseThrow(() -> bad(json, name + " has no column '" + column + "'")));
    }
    expect(json, json.currentToken(), JsonToken.END_ARRAY, "the columns are names");
    if (columns.stream().distinct().count() < columns.size()) {
      throw bad(json, "a column of " + name + " is there twice");
    }
    if (!columns.stream().map(Column::name).toList().containsAll(table.key())) {
      throw bad(json, name + " lacks its key: " + String.join(", ", table.key()));
    }
    if (name.equals(BY_NAME) && columns.stream().noneMatch(one -> one.name().equals("name"))) {
      throw bad(json, name + " lacks its name");
    }
    expectName(json, "rows");
    expect(json, json.nextToken(), JsonToken.START_ARRAY, "the rows are a list");
    int fresh = 0;
    int same = 0;
    int differing = 0;
    try (Rows rows = new Rows(connection, table, columns)) {
      while (json.nextToken() == JsonToken.START_ARRAY) {
        int line = line(json);
        Object[] values = new Object[columns.size()];
        for (int i = 0; i < values.length; i++) {
          values[i] = read(json, json.nextToken(), columns.get(i), name);
        }
        expect(
            json,
            json.nextToken(),
            JsonToken.END_ARRAY,
            "a row of " + name + " has " + columns.size() + " values");
        switch (rows.put(values, line)) {
          case FRESH -> fresh++;
          case SAME -> same++;
          case DIFFERS -> differing++;
        }
      }
    }
    expect(json, json.currentToken(), JsonToken.END_ARRAY, "a row is a list");
    expect(json, json.nextToken(), JsonToken.END_OBJECT, name + " goes on after its rows");
    return new Effect(name, fresh, same, differing);
  }

  /// What is the practice's own: two of them may both have an Ines, and each has its policies.
  private static final Set<String> STAYS_AS_IT_IS =
      Set.of("account", "practice", "practice_number", "policy", "clinician_opening");

  /// Shipped with ids of its own in each installation, and known by its name.
  private static final String BY_NAME = "product_kind";

  private enum Put {
    FRESH,
    SAME,
    DIFFERS
  }

  /// Puts rows into one table.
  private static final class Rows implements AutoCloseable {
    private final Table table;
    private final List<Column> columns;
    private final PreparedStatement find;
    private final PreparedStatement insert;
    private final PreparedStatement replaced;

    Rows(Connection connection, Table table, List<Column> columns) throws SQLException {
      this.table = table;
      this.columns = columns;
      List<String> names = columns.stream().map(Column::name).toList();
      this.find =
          connection.prepareStatement(
              "SELECT "
                  + String.join(", ", names)
                  + " FROM "
                  + table.name()
                  + " WHERE "
                  + table.key().stream()
                      .map(key -> key + " = ?")
                      .collect(Collectors.joining(" AND ")));
      this.replaced = connection.prepareStatement("DELETE FROM product_kind WHERE name = ?");
      boolean account = table.name().equals("account");
      this.insert =
          connection.prepareStatement(
              "INSERT INTO "
                  + table.name()
                  + " ("
                  + String.join(", ", names)
                  // Somebody who comes with a file signs in by a one-time code.
                  + (account ? ", password_hash" : "")
                  + ") VALUES ("
                  + columns.stream()
                      .map(column -> column.type().equals("JSON") ? "? FORMAT JSON" : "?")
                      .collect(Collectors.joining(", "))
                  + (account ? ", ''" : "")
                  + ")");
    }

    Put put(@Nullable Object[] values, int line) throws BadLine {
      try {
        for (int i = 0; i < table.key().size(); i++) {
          int at = index(table.key().get(i));
          find.setObject(i + 1, values[at]);
        }
        try (ResultSet here = find.executeQuery()) {
          if (here.next()) return same(here, values) ? Put.SAME : Put.DIFFERS;
        }
        if (table.name().equals(BY_NAME)) {
          replaced.setObject(1, values[index("name")]);
          replaced.executeUpdate();
        }
        for (int i = 0; i < values.length; i++) {
          if (values[i] == null) insert.setNull(i + 1, Types.NULL);
          else insert.setObject(i + 1, values[i]);
        }
        insert.executeUpdate();
        return Put.FRESH;
      } catch (SQLException e) {
        throw new BadLine(line, table.name() + " does not take this row: " + cause(e));
      }
    }

    private static String cause(SQLException e) {
      String words = String.valueOf(e.getMessage());
      int statement = words.indexOf("; SQL statement");
      return statement < 0 ? words : words.substring(0, statement);
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
        Object mine = held(here, i + 1, columns.get(i));
        boolean equal =
            mine instanceof byte[] one && values[i] instanceof byte[] other
                ? Arrays.equals(one, other)
                : Objects.equals(mine, values[i]);
        if (!equal) return false;
      }
      return true;
    }

    private static @Nullable Object held(ResultSet row, int at, Column column) throws SQLException {
      if (row.getObject(at) == null) return null;
      return switch (column.type()) {
        case "BOOLEAN" -> row.getBoolean(at);
        case "INTEGER", "BIGINT", "SMALLINT" -> row.getLong(at);
        case "DOUBLE PRECISION", "REAL" -> row.getDouble(at);
        case "TIMESTAMP WITH TIME ZONE" ->
            row.getObject(at, OffsetDateTime.class).withOffsetSameInstant(ZoneOffset.UTC);
        case "BINARY VARYING", "BINARY", "BINARY LARGE OBJECT", "JSON" -> row.getBytes(at);
        case "DATE" -> row.getObject(at, LocalDate.class);
        case "TIME" -> row.getObject(at, LocalTime.class);
        case "UUID" -> row.getObject(at, UUID.class);
        default -> row.getString(at);
      };
    }

    @Override
    public void close() throws SQLException {
      find.close();
      insert.close();
      replaced.close();
    }
  }

  private static @Nullable Object read(
      JsonParser json, @Nullable JsonToken token, Column column, String table) throws BadLine {
    String what = table + "." + column.name();
    if (token == JsonToken.VALUE_NULL) return null;
    try {
      return switch (column.type()) {
        case "BOOLEAN" -> {
          if (token != JsonToken.VALUE_TRUE && token != JsonToken.VALUE_FALSE) {
            throw bad(json, what + " is true or false");
          }
          yield token == JsonToken.VALUE_TRUE;
        }
        case "INTEGER", "BIGINT", "SMALLINT" -> {
          if (token != JsonToken.VALUE_NUMBER_INT) throw bad(json, what + " is a whole number");
          yield json.getLongValue();
        }
        case "DOUBLE PRECISION", "REAL" -> {
          if (token == null || !token.isNumeric()) throw bad(json, what + " is a number");
          yield json.getDoubleValue();
        }
        default -> {
          if (token != JsonToken.VALUE_STRING) throw bad(json, what + " is text");
          yield text(json.getString(), column);
        }
      };
    } catch (DateTimeException | IllegalArgumentException e) {
      throw bad(json, what + " cannot be read: " + e.getMessage());
    }
  }

  private static Object text(String words, Column column) {
    return switch (column.type()) {
      case "TIMESTAMP WITH TIME ZONE" ->
          OffsetDateTime.parse(words).withOffsetSameInstant(ZoneOffset.UTC);
      case "BINARY VARYING", "BINARY", "BINARY LARGE OBJECT" -> Base64.getDecoder().decode(words);
      case "JSON" -> words.getBytes(StandardCharsets.UTF_8);
      case "DATE" -> LocalDate.parse(words);
      case "TIME" -> LocalTime.parse(words);
      case "UUID" -> UUID.fromString(words);
      default -> words;
    };
  }

  private static void expectName(JsonParser json, String name) throws BadLine {
    if (json.nextToken() != JsonToken.PROPERTY_NAME || !json.currentName().equals(name)) {
      throw bad(json, "\"" + name + "\" is missing here");
    }
  }

  private static void expect(
      JsonParser json, @Nullable JsonToken found, JsonToken token, String why) throws BadLine {
    if (found != token) throw bad(json, why);
  }

  private static BadLine bad(JsonParser json, String why) {
    return new BadLine(line(json), why);
  }

  private static int line(JsonParser json) {
    return Math.max(1, json.currentTokenLocation().getLineNr());
  }
}
