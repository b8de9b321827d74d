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
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/// What a column of a record holds: how the database gives it, and how it is written as text.
enum ColumnType {
  TRUTH(
      "true or false",
      ResultSet::getBoolean,
      text ->
          switch (text) {
            case "true" -> true;
            case "false" -> false;
            default -> throw new IllegalArgumentException("it is '" + text + "'");
          },
      Object::toString,
      "BOOLEAN"),
  WHOLE(
      "a whole number",
      ResultSet::getLong,
      Long::valueOf,
      Object::toString,
      "INTEGER",
      "BIGINT",
      "SMALLINT"),
  NUMBER(
      "a number",
      ResultSet::getDouble,
      ColumnType::finite,
      Object::toString,
      "DOUBLE PRECISION",
      "REAL"),
  /// In UTC, as RFC 3339 has it.
  INSTANT(
      "an instant",
      (row, at) -> utc(row.getObject(at, OffsetDateTime.class)),
      text -> utc(OffsetDateTime.parse(text)),
      value -> DateTimeFormatter.ISO_OFFSET_DATE_TIME.format((OffsetDateTime) value),
      "TIMESTAMP WITH TIME ZONE"),
  DAY(
      "a date",
      (row, at) -> row.getObject(at, LocalDate.class),
      LocalDate::parse,
      Object::toString,
      "DATE"),
  TIME(
      "a time of day",
      (row, at) -> row.getObject(at, LocalTime.class),
      LocalTime::parse,
      Object::toString,
      "TIME"),
  ID(
      "a UUID",
      (row, at) -> row.getObject(at, UUID.class),
      ColumnType::id,
      Object::toString,
      "UUID"),
  /// As base64.
  BYTES(
      "bytes in base64",
      ResultSet::getBytes,
      text -> Base64.getDecoder().decode(text),
      value -> Base64.getEncoder().encodeToString((byte[]) value),
      "BINARY VARYING",
      "BINARY",
      "BINARY LARGE OBJECT"),
  /// Its own text, as it is: a number written as 1.0 stays 1.0.
  DOCUMENT(
      "a document as text",
      ResultSet::getBytes,
      text -> WholeLetters.require(text).getBytes(StandardCharsets.UTF_8),
      value -> new String((byte[]) value, StandardCharsets.UTF_8),
      "JSON"),
  TEXT("text", ResultSet::getString, WholeLetters::require, Object::toString);

  private interface Held {
    Object of(ResultSet row, int at) throws SQLException;
  }

  private final String words;
  private final Held held;
  private final Function<String, Object> read;
  private final Function<Object, String> written;
  private final Set<String> names;

  /// @param held the value of a row that is not null
  /// @param names as the database calls it
  ColumnType(
      String words,
      Held held,
      Function<String, Object> read,
      Function<Object, String> written,
      String... names) {
    this.words = words;
    this.held = held;
    this.read = read;
    this.written = written;
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

  /// The value of a row; null where it has none.
  @Nullable Object held(ResultSet row, int at) throws SQLException {
    return row.getObject(at) == null ? null : held.of(row, at);
  }

  /// @throws IllegalArgumentException or DateTimeException where the text is no such value
  Object read(String text) {
    return read.apply(text);
  }

  String written(Object value) {
    return written.apply(value);
  }

  private static double finite(String text) {
    double number = Double.parseDouble(text);
    if (!Double.isFinite(number)) throw new IllegalArgumentException("it is '" + text + "'");
    return number;
  }

  private static OffsetDateTime utc(OffsetDateTime instant) {
    return instant.withOffsetSameInstant(ZoneOffset.UTC);
  }

  private static UUID id(String text) {
    UUID id = UUID.fromString(text);
    if (!id.toString().equals(text)) throw new IllegalArgumentException("it is '" + text + "'");
    return id;
  }

  static boolean same(@Nullable Object one, @Nullable Object other) {
    return one instanceof byte[] a && other instanceof byte[] b
        ? Arrays.equals(a, b)
        : Objects.equals(one, other);
  }
}
