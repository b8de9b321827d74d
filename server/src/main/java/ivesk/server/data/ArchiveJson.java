package ivesk.server.data;

import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Effect;
import ivesk.server.data.ArchiveFormat.Place;
import ivesk.server.data.ArchiveSchema.Column;
import ivesk.server.data.ArchiveSchema.Table;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.exc.JacksonIOException;
import tools.jackson.core.json.JsonFactory;

/// The file of everything as JSON: table by table, a row a line.
final class ArchiveJson {
  private static final JsonFactory JSON = new JsonFactory();

  private ArchiveJson() {}

  static void write(OutputStream out, ArchiveSchema schema, LeavingRows rows) throws SQLException {
    try (JsonGenerator json = JSON.createGenerator(ObjectWriteContext.empty(), out)) {
      json.writeStartObject();
      json.writeStringProperty("format", ArchiveFormat.FORMAT);
      json.writeNumberProperty("v", ArchiveFormat.VERSION);
      json.writeName("tables");
      json.writeStartArray();
      for (Table table : schema.tables()) {
        if (!rows.has(table)) continue;
        json.writeRaw('\n');
        json.writeStartObject();
        json.writeStringProperty("table", table.name());
        json.writeName("columns");
        json.writeStartArray();
        for (String name : table.names()) json.writeString(name);
        json.writeEndArray();
        json.writeName("rows");
        json.writeStartArray();
        rows.of(table, values -> row(json, table, values));
        json.writeEndArray();
        json.writeEndObject();
      }
      json.writeEndArray();
      json.writeEndObject();
      json.writeRaw('\n');
    }
  }

  private static void row(JsonGenerator json, Table table, @Nullable Object[] values) {
    json.writeRaw('\n');
    json.writeStartArray();
    for (int i = 0; i < values.length; i++) {
      switch (values[i]) {
        case null -> json.writeNull();
        case Boolean truth -> json.writeBoolean(truth);
        case Long whole -> json.writeNumber(whole);
        case Double number -> json.writeNumber(number);
        case Object other -> json.writeString(table.columns().get(i).type().written(other));
      }
    }
    json.writeEndArray();
  }

  /// Writes what is fresh within the open transaction.
  static List<Effect> read(InputStream file, ArchiveInto into)
      throws SQLException, BadLine, IOException {
    List<Effect> effects = new ArrayList<>();
    try (JsonParser json = JSON.createParser(ObjectReadContext.empty(), file)) {
      try {
        expect(json, json.nextToken(), JsonToken.START_OBJECT, "a file of Ivesk begins with {");
        expectName(json, "format");
        if (json.nextToken() != JsonToken.VALUE_STRING
            || !json.getString().equals(ArchiveFormat.FORMAT)) {
          throw bad(json, "this is no file of Ivesk: its format is not \"ivesk\"");
        }
        expectName(json, "v");
        if (json.nextToken() != JsonToken.VALUE_NUMBER_INT
            || json.getIntValue() != ArchiveFormat.VERSION) {
          throw bad(
              json, "its version is not " + ArchiveFormat.VERSION + ", which this Ivesk knows");
        }
        expectName(json, "tables");
        expect(json, json.nextToken(), JsonToken.START_ARRAY, "the tables are a list");
        while (json.nextToken() == JsonToken.START_OBJECT) {
          effects.add(table(json, into));
        }
        expect(json, json.currentToken(), JsonToken.END_ARRAY, "the list of tables is not closed");
        expect(json, json.nextToken(), JsonToken.END_OBJECT, "the file goes on after its tables");
        if (json.nextToken() != null) throw bad(json, "the file goes on after its end");
      } catch (JacksonIOException e) {
        throw e.getCause();
      } catch (JacksonException e) {
        throw BadLine.noJson(e);
      }
    }
    return effects;
  }

  private static Effect table(JsonParser json, ArchiveInto into) throws SQLException, BadLine {
    expectName(json, "table");
    if (json.nextToken() != JsonToken.VALUE_STRING) throw bad(json, "a table has a name");
    String name = json.getString();
    expectName(json, "columns");
    expect(json, json.nextToken(), JsonToken.START_ARRAY, "the columns are a list");
    List<String> columns = new ArrayList<>();
    while (json.nextToken() == JsonToken.VALUE_STRING) columns.add(json.getString());
    expect(json, json.currentToken(), JsonToken.END_ARRAY, "the columns are names");
    try (ArchiveRows rows = new ArchiveRows(into, name, columns, place(json))) {
      expectName(json, "rows");
      expect(json, json.nextToken(), JsonToken.START_ARRAY, "the rows are a list");
      while (json.nextToken() == JsonToken.START_ARRAY) {
        Place place = place(json);
        @Nullable Object[] values = new Object[columns.size()];
        for (int i = 0; i < values.length; i++) {
          values[i] = value(json, json.nextToken(), rows, rows.columns().get(i));
        }
        expect(
            json,
            json.nextToken(),
            JsonToken.END_ARRAY,
            "a row of " + name + " has " + columns.size() + " values");
        rows.put(values, place);
      }
      expect(json, json.currentToken(), JsonToken.END_ARRAY, "a row is a list");
      expect(json, json.nextToken(), JsonToken.END_OBJECT, name + " goes on after its rows");
      return rows.effect();
    }
  }

  private static @Nullable Object value(
      JsonParser json, @Nullable JsonToken token, ArchiveRows rows, Column column) throws BadLine {
    if (token == JsonToken.VALUE_NULL) return null;
    boolean fits =
        switch (column.type()) {
          case TRUTH -> token == JsonToken.VALUE_TRUE || token == JsonToken.VALUE_FALSE;
          case WHOLE -> token == JsonToken.VALUE_NUMBER_INT;
          case NUMBER -> token != null && token.isNumeric();
          default -> token == JsonToken.VALUE_STRING;
        };
    if (!fits) {
      throw bad(json, rows.table() + "." + column.name() + " is " + column.type().words());
    }
    return rows.value(column, json.getString(), place(json));
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

  private static Place place(JsonParser json) {
    int line = Math.max(1, json.currentTokenLocation().getLineNr());
    return why -> BadLine.at(line, why);
  }

  private static BadLine bad(JsonParser json, String why) {
    return place(json).bad(why);
  }
}
