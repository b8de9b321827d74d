package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Requests made from the server's own description, right ones and mutated ones, at every endpoint:
/// none is answered by a fault, and none breaks a page that is opened later.
/// `-Divesk.requests=100000` asks so many; `-Divesk.seed=` repeats a run.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AnyInputTest {
  private static final int REQUESTS = Integer.getInteger("ivesk.requests", 4_000);
  private static final long SEED = Long.getLong("ivesk.seed", 11);

  /// What would sign out who asks, never ends, or is slow on purpose; each has tests of its own.
  private static final Set<String> LEFT_OUT =
      Set.of(
          "POST /api/sign-out",
          "POST /api/sign-in",
          "POST /api/sign-in/pin",
          "POST /api/sign-in/code",
          "PUT /api/self/password",
          "PUT /api/self/pin",
          "POST /api/self/factor",
          "PUT /api/self/factor",
          "POST /api/self/factor/removal",
          "DELETE /api/self/sign-ins/{id}",
          "PUT /api/people/{username}",
          "POST /api/people/{username}/reset",
          "POST /api/health/backup",
          "GET /api/treatments/{id}/stream");

  private static final List<String> WORDS =
      List.of(
          "",
          " ",
          "ines",
          "GLY-35",
          "room 1",
          "' OR 1=1 --",
          "=1+1",
          "<script>",
          "null",
          "\u0000",
          "\ud83d\ude00\u202e",
          "\ud800",
          "-1",
          "1e999",
          "2030-02-30",
          "x".repeat(5_000));

  private final Random random = new Random(SEED);
  private final Map<Integer, Integer> statuses = new TreeMap<>();
  private final List<String> ids = new ArrayList<>();
  private final List<Operation> operations = new ArrayList<>();
  private Practice practice;
  private JsonNode described;

  private record Operation(String method, String path, JsonNode said) {}

  @BeforeAll
  void open() {
    practice = Practice.open().signIn("marit", "harbour");
    described = practice.get("/api/openapi").body();
    described
        .get("paths")
        .properties()
        .forEach(path ->
            path.getValue()
                .properties()
                .forEach(one -> {
                  String method = one.getKey().toUpperCase(java.util.Locale.ROOT);
                  if (!LEFT_OUT.contains(method + " " + path.getKey())) {
                    operations.add(new Operation(method, path.getKey(), one.getValue()));
                  }
                }));
    for (JsonNode client : practice.get("/api/clients").body().get("clients")) {
      String id = client.get("id").asString();
      ids.add(id);
      for (JsonNode visit : practice.get("/api/clients/" + id + "/visits").body()) {
        ids.add(visit.get("id").asString());
        if (visit.hasNonNull("treatmentId")) ids.add(visit.get("treatmentId").asString());
      }
    }
  }

  @AfterAll
  void close() {
    practice.close();
  }

  @Test
  void noInputIsAnsweredByAFault() {
    List<String> faults = new ArrayList<>();
    List<String> who = List.of("marit", "ines", "thea");
    for (int n = 0; n < REQUESTS; n++) {
      if (n % (REQUESTS / 12 + 1) == 0) {
        practice.signIn(who.get(random.nextInt(who.size())), "harbour");
      }
      Operation operation = operations.get(random.nextInt(operations.size()));
      String path = path(operation);
      String body = body(operation);
      Answer answer =
          switch (operation.method()) {
            case "GET" -> practice.get(path);
            case "DELETE" -> practice.delete(path);
            case "PUT" -> practice.put(path, body);
            default -> practice.post(path, body);
          };
      statuses.merge(answer.status(), 1, Integer::sum);
      if (answer.status() >= 500) {
        faults.add(
            operation.method()
                + " "
                + path
                + " "
                + body.substring(0, Math.min(300, body.length())));
      }
    }
    System.out.println(REQUESTS + " requests, seed " + SEED + ", by status: " + statuses);
    assertThat(faults).isEmpty();
    practice.signIn("ines", "harbour");
    assertThat(brokenPages()).isEmpty();
    assertThat(statuses.keySet()).as("right ones and wrong ones").contains(200, 400, 404);
  }

  /// Everything that is read, of everything that is there now.
  private List<String> brokenPages() {
    List<String> broken = new ArrayList<>();
    List<String> paths = new ArrayList<>(List.of("/api/today", "/api/clients", "/api/shelf"));
    for (JsonNode client : practice.get("/api/clients").body().get("clients")) {
      String at = "/api/clients/" + client.get("id").asString();
      paths.add(at);
      paths.add(at + "/visits");
      for (JsonNode visit : practice.get(at + "/visits").body()) {
        String of = "/api/visits/" + visit.get("id").asString();
        Stream.of("", "/consult", "/screening", "/selection", "/plan")
            .forEach(station -> paths.add(of + station));
        if (visit.hasNonNull("treatmentId")) {
          paths.add("/api/treatments/" + visit.get("treatmentId").asString());
        }
      }
    }
    for (String path : paths) {
      int status = practice.get(path).status();
      // Before a choice there is no plan, and Choose is shut while answers are missing.
      boolean missing = status == 404 || status == 422;
      if (status != 200 && !(missing && path.contains("/visits/"))) broken.add(status + " " + path);
    }
    return broken;
  }

  private boolean oneIn(int n) {
    return random.nextInt(n) == 0;
  }

  private <T> T any(List<T> some) {
    return some.get(random.nextInt(some.size()));
  }

  private String path(Operation operation) {
    String path = operation.path();
    StringBuilder query = new StringBuilder();
    for (JsonNode parameter : operation.said().path("parameters")) {
      String name = parameter.get("name").asString();
      String value = oneIn(10) ? any(WORDS) : words(value(parameter.get("schema"), 0));
      if (parameter.get("in").asString().equals("path")) {
        path = path.replace("{" + name + "}", encoded(value.isEmpty() ? "-" : value));
      } else if (!oneIn(3)) {
        query.append(query.isEmpty() ? "?" : "&").append(name).append('=').append(encoded(value));
      }
    }
    return path + query;
  }

  private static String words(JsonNode value) {
    return value.isString() ? value.asString() : value.toString();
  }

  private static String encoded(String value) {
    String cut = value.length() > 500 ? value.substring(0, 500) : value;
    return java.net.URLEncoder.encode(cut, java.nio.charset.StandardCharsets.UTF_8)
        .replace("+", "%20");
  }

  private String body(Operation operation) {
    JsonNode content = operation.said().path("requestBody").path("content");
    if (content.isEmpty()) return "{}";
    JsonNode whole = value(content.properties().iterator().next().getValue().get("schema"), 0);
    for (int times = random.nextInt(3); times > 0; times--) mutate(whole);
    String words = whole.toString();
    return oneIn(40) ? words.substring(0, random.nextInt(words.length() + 1)) : words;
  }

  /// A value as a schema asks for, with what lies at the edges more often than in between.
  private JsonNode value(JsonNode schema, int depth) {
    if (schema.has("$ref")) {
      String name = schema.get("$ref").asString().replaceFirst(".*/", "");
      return value(described.get("components").get("schemas").get(name), depth + 1);
    }
    for (String choice : List.of("oneOf", "anyOf")) {
      if (schema.has(choice)) {
        ArrayNode all = (ArrayNode) schema.get(choice);
        return value(all.get(random.nextInt(all.size())), depth + 1);
      }
    }
    if (schema.has("allOf")) {
      ObjectNode all = Practice.JSON.createObjectNode();
      for (JsonNode part : schema.get("allOf")) {
        if (value(part, depth + 1) instanceof ObjectNode own) all.setAll(own);
      }
      return all;
    }
    if (schema.has("const")) return schema.get("const");
    if (schema.has("enum")) {
      ArrayNode all = (ArrayNode) schema.get("enum");
      return all.get(random.nextInt(all.size()));
    }
    return switch (schema.path("type").asString("object")) {
      case "string" -> Practice.JSON.getNodeFactory().stringNode(string(schema));
      case "integer" ->
          Practice.JSON
              .getNodeFactory()
              .numberNode(
                  any(List.of(0L, 1L, 2L, 3L, 10L, 45L, 120L, -1L, 10_000L, Long.MAX_VALUE)));
      case "number" ->
          Practice.JSON
              .getNodeFactory()
              .numberNode(any(List.of(0.0, 0.5, 1.0, 3.5, 20.0, 35.0, 100.0, -1.0, 1e9, 1e308)));
      case "boolean" -> Practice.JSON.getNodeFactory().booleanNode(random.nextBoolean());
      case "array" -> {
        ArrayNode array = Practice.JSON.createArrayNode();
        if (depth < 8) {
          for (int i = random.nextInt(3); i > 0; i--) {
            array.add(value(schema.path("items"), depth + 1));
          }
        }
        yield array;
      }
      default -> object(schema, depth);
    };
  }

  private ObjectNode object(JsonNode schema, int depth) {
    ObjectNode object = Practice.JSON.createObjectNode();
    Set<String> required = new java.util.HashSet<>();
    schema.path("required").forEach(name -> required.add(name.asString()));
    if (depth > 8) return object;
    schema
        .path("properties")
        .properties()
        .forEach(property -> {
          if (required.contains(property.getKey()) || random.nextBoolean()) {
            object.set(property.getKey(), value(property.getValue(), depth + 1));
          }
        });
    if (schema.path("additionalProperties").isObject()) {
      object.set(any(WORDS), value(schema.get("additionalProperties"), depth + 1));
    }
    return object;
  }

  private String string(JsonNode schema) {
    return switch (schema.path("format").asString("")) {
      case "uuid" -> oneIn(8) ? UUID.randomUUID().toString() : any(ids);
      case "date" ->
          any(List.of("2026-01-31", "1980-05-06", "2031-12-31", "0001-01-01", "9999-12-31"));
      case "date-time" ->
          any(
              List.of(
                  java.time.Instant.now().toString(),
                  "2031-01-01T10:00:00Z",
                  "-1000000000-01-01T00:00:00Z",
                  "+1000000000-12-31T23:59:59Z",
                  "1970-01-01T00:00:00Z"));
      default -> any(WORDS);
    };
  }

  /// Changes one place anywhere in what is sent.
  private void mutate(JsonNode whole) {
    List<ObjectNode> objects = new ArrayList<>();
    collect(whole, objects);
    if (objects.isEmpty()) return;
    ObjectNode object = any(objects);
    List<String> names = new ArrayList<>(object.propertyNames());
    if (names.isEmpty()) return;
    String name = any(names);
    switch (random.nextInt(6)) {
      case 0 -> object.remove(name);
      case 1 -> object.putNull(name);
      case 2 -> object.put(name, any(WORDS));
      case 3 -> object.put(name, any(List.of(-1L, 0L, Long.MIN_VALUE, 1L << 40)));
      case 4 -> object.set(name, Practice.JSON.createArrayNode().addNull().add("x").addObject());
      default -> object.putObject(name).put(any(WORDS), 1);
    }
  }

  private static void collect(JsonNode node, List<ObjectNode> into) {
    if (node instanceof ObjectNode object) into.add(object);
    node.forEach(part -> collect(part, into));
  }
}
