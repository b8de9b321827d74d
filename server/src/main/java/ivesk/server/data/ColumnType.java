package ivesk.server.data;

import ivesk.server.app.WholeLetters;
import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.Base64;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/// What a column of a record holds: how the database gives it, and how it is written as text.
enum ColumnType {
  TRUTH("true or false", "BOOLEAN") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getBoolean(at);
    }

    @Override
    Object read(String text) {
      return switch (text) {
        case "true" -> true;
        case "false" -> false;
        default -> throw new IllegalArgumentException("it is '" + text + "'");
      };
    }
  },
  WHOLE("a whole number", "INTEGER", "BIGINT", "SMALLINT") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getLong(at);
    }

    @Override
    Object read(String text) {
      return Long.valueOf(text);
    }
  },
  NUMBER("a number", "DOUBLE PRECISION", "REAL") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getDouble(at);
    }

    @Override
    Object read(String text) {
      double number = Double.parseDouble(text);
      if (!Double.isFinite(number)) throw new IllegalArgumentException("it is '" + text + "'");
      return number;
    }
  },
  /// In UTC, as RFC 3339 has it.
  INSTANT("an instant", "TIMESTAMP WITH TIME ZONE") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getObject(at, OffsetDateTime.class).withOffsetSameInstant(ZoneOffset.UTC);
    }

    @Override
    Object read(String text) {
      return OffsetDateTime.parse(text).withOffsetSameInstant(ZoneOffset.UTC);
    }

    @Override
    String written(Object value) {
      return DateTimeFormatter.ISO_OFFSET_DATE_TIME.format((OffsetDateTime) value);
    }
  },
  DAY("a date", "DATE") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getObject(at, LocalDate.class);
    }

    @Override
    Object read(String text) {
      return LocalDate.parse(text);
    }
  },
  TIME("a time of day", "TIME") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getObject(at, LocalTime.class);
    }

    @Override
    Object read(String text) {
      return LocalTime.parse(text);
    }
  },
  ID("a UUID", "UUID") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getObject(at, UUID.class);
    }

    @Override
    Object read(String text) {
      UUID id = UUID.fromString(text);
      if (!id.toString().equals(text)) throw new IllegalArgumentException("it is '" + text + "'");
      return id;
    }
  },
  /// As base64.
  BYTES("bytes in base64", "BINARY VARYING", "BINARY", "BINARY LARGE OBJECT") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getBytes(at);
    }

    @Override
    Object read(String text) {
      return Base64.getDecoder().decode(text);
    }

    @Override
    String written(Object value) {
      return Base64.getEncoder().encodeToString((byte[]) value);
    }
  },
  /// Its own text, as it is: a number written as 1.0 stays 1.0.
  DOCUMENT("a document as text", "JSON") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getBytes(at);
    }

    @Override
    Object read(String text) {
      return WholeLetters.require(text).getBytes(StandardCharsets.UTF_8);
    }

    @Override
    String written(Object value) {
      return new String((byte[]) value, StandardCharsets.UTF_8);
    }
  },
  TEXT("text") {
    @Override
    Object held(ResultSet row, int at) throws SQLException {
      return row.getString(at);
    }

    @Override
    Object read(String text) {
      return WholeLetters.require(text);
    }
  };

  private final String words;
  private final Set<String> names;

  /// @param names as the database calls it
  ColumnType(String words, String... names) {
    this.words = words;
    this.names = Set.of(names);
  }

  /// @param name as the database calls it
  static ColumnType of(String name) {
    return Arrays.stream(values())
        .filter(type -> type.names.contains(name))
        .findFirst()
        .orElse(TEXT);
  }

  /// What a value of it must be, in words.
  String words() {
    return words;
  }

  /// The value of a row that is not null.
  abstract Object held(ResultSet row, int at) throws SQLException;

  /// Empty where the column is.
  final @Nullable Object heldOrNull(ResultSet row, int at) throws SQLException {
    return row.getObject(at) == null ? null : held(row, at);
  }

  /// @throws IllegalArgumentException or DateTimeException where the text is no such value
  abstract Object read(String text);

  String written(Object value) {
    return value.toString();
  }

  static boolean same(@Nullable Object one, @Nullable Object other) {
    return one instanceof byte[] a && other instanceof byte[] b
        ? Arrays.equals(a, b)
        : Objects.equals(one, other);
  }
}
