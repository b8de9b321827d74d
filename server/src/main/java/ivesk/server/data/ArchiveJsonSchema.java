package ivesk.server.data;

import ivesk.server.data.ArchiveSchema.Column;
import ivesk.server.data.ArchiveSchema.Table;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// The JSON file's JSON Schema (2020-12), off the database's own tables.
final class ArchiveJsonSchema {
  private static final JsonMapper JSON = JsonMapper.shared();

  private ArchiveJsonSchema() {}

  static String of(ArchiveSchema schema) {
    ObjectNode root = JSON.createObjectNode();
    root.put("$schema", "https://json-schema.org/draft/2020-12/schema");
    root.put("$id", "urn:ivesk:archive:" + ArchiveFormat.VERSION);
    root.put("title", "The file of everything, version " + ArchiveFormat.VERSION);
    ObjectNode properties = object(root, "format", "v", "tables");
    properties.putObject("format").put("const", ArchiveFormat.FORMAT);
    properties.putObject("v").put("const", ArchiveFormat.VERSION);
    ObjectNode table = properties.putObject("tables").put("type", "array").putObject("items");
    ObjectNode parts = object(table, "table", "columns", "rows");
    ArrayNode names = parts.putObject("table").putArray("enum");
    parts.putObject("columns").put("type", "array");
    parts.putObject("rows").put("type", "array");
    ArrayNode each = table.putArray("allOf");
    for (Table one : schema.tables()) {
      if (!one.leaves()) continue;
      names.add(one.name());
      ObjectNode rule = each.addObject();
      rule.putObject("if").putObject("properties").putObject("table").put("const", one.name());
      ObjectNode then = rule.putObject("then");
      Table ofOneClient = schema.ofOneClient().find(one.name()).orElseThrow();
      if (ofOneClient.equals(one)) {
        rows(one, then.putObject("properties"));
      } else {
        ArrayNode either = then.putArray("anyOf");
        rows(one, either.addObject().putObject("properties"));
        rows(ofOneClient, either.addObject().putObject("properties"));
      }
    }
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
  }

  /// Closed: nothing else may stand in it.
  private static ObjectNode object(ObjectNode node, String... needed) {
    node.put("type", "object");
    node.put("additionalProperties", false);
    ArrayNode required = node.putArray("required");
    for (String name : needed) required.add(name);
    return node.putObject("properties");
  }

  private static void rows(Table table, ObjectNode properties) {
    ArrayNode names = properties.putObject("columns").putArray("const");
    table.names().forEach(names::add);
    ObjectNode row = properties.putObject("rows").putObject("items").put("type", "array");
    ArrayNode values = row.putArray("prefixItems");
    table.columns().forEach(column -> values.add(value(column)));
    row.put("items", false);
    row.put("minItems", table.columns().size());
  }

  private static ObjectNode value(Column column) {
    ObjectNode node = JSON.createObjectNode();
    String type =
        switch (column.type()) {
          case TRUTH -> "boolean";
          case WHOLE -> "integer";
          case NUMBER -> "number";
          default -> "string";
        };
    if (column.mayLack()) node.putArray("type").add(type).add("null");
    else node.put("type", type);
    switch (column.type()) {
      case INSTANT -> node.put("format", "date-time");
      case DAY -> node.put("format", "date");
      case ID -> node.put("format", "uuid");
      case BYTES -> node.put("contentEncoding", "base64");
      case DOCUMENT -> node.put("contentMediaType", "application/json");
      default -> {}
    }
    return node;
  }
}
