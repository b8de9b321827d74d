package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Walks every endpoint of the OpenAPI description as each role and as nobody. Who may do what
/// stands here once more, by hand: an endpoint that is not in this table fails.
class RightsTest {
  private static final String EVERYBODY =
      """
      GET /api/session
      POST /api/sign-in
      POST /api/sign-in/pin
      POST /api/sign-in/code
      POST /api/first-start
      GET /api/handset
      POST /api/handset
      POST /api/handset/said
      GET /api/handset/stream
      GET /api/diary
      POST /api/diary
      """;

  private static final String SIGNED_IN =
      """
      POST /api/sign-out
      GET /api/self
      PUT /api/self/password
      PUT /api/self/pin
      POST /api/self/factor
      PUT /api/self/factor
      POST /api/self/factor/removal
      DELETE /api/self/sign-ins/{id}
      GET /api/practice
      GET /api/practice/numbers
      GET /api/practice/policies
      GET /api/archive/schema
      GET /api/decision-table
      GET /api/contact-rules
      GET /api/words/check-in
      GET /api/words/scores
      GET /api/words/consent
      GET /api/words/screening
      GET /api/words/consult
      GET /api/product-kinds
      GET /api/bench
      POST /api/bench/alligation
      POST /api/bench/dilution
      POST /api/bench/dose
      POST /api/bench/free-acid
      POST /api/bench/mixture
      POST /api/bench/neutraliser
      POST /api/bench/parts
      POST /api/bench/permeability
      POST /api/bench/ph
      GET /api/bench/ph-meter
      POST /api/bench/ph-meter/bottle
      POST /api/bench/ph-meter/buffer
      POST /api/bench/serial
      POST /api/bench/strength
      POST /api/scores
      POST /api/screening
      POST /api/selection
      POST /api/skin/area
      POST /api/skin/colorimeter/{visitId}/{site}
      POST /api/skin/ita
      POST /api/skin/phototype
      GET /api/today
      GET /api/clients
      POST /api/clients
      GET /api/clients/{id}
      GET /api/waiting
      POST /api/waiting
      DELETE /api/waiting/{id}
      POST /api/waiting/{id}/booking
      PUT /api/clients/{id}
      PUT /api/clients/{id}/archived
      GET /api/clients/{id}/joined
      GET /api/clients/{clientId}/visits
      POST /api/visits
      GET /api/visits/{id}
      PUT /api/visits/{id}/booking
      PUT /api/visits/{id}/start
      POST /api/visits/{id}/cancellation
      """;

  private static final String WHO_TREATS =
      """
      GET /api/audit/{id}
      GET /api/shelf
      GET /api/shelf/csv/{table}
      POST /api/shelf/csv/{table}
      POST /api/shelf/csv/{table}/preview
      PUT /api/shelf/lots/{id}
      PUT /api/shelf/products
      DELETE /api/shelf/products/{code}
      POST /api/shelf/scan
      POST /api/shelf/scanner/{code}
      GET /api/products
      PUT /api/products
      DELETE /api/products/{code}
      PUT /api/products/packs/{id}
      POST /api/products/scanner/{code}
      GET /api/products/csv/{table}
      POST /api/products/csv/{table}
      POST /api/products/csv/{table}/preview
      GET /api/protocols
      GET /api/protocols/{id}
      PUT /api/protocols/{id}
      DELETE /api/protocols/{id}
      GET /api/protocols/{id}/file
      GET /api/protocols/{id}/versions/{version}
      POST /api/protocols/reading
      POST /api/scripts/judgement
      GET /api/words/script
      PUT /api/product-kinds/{id}
      DELETE /api/product-kinds/{id}
      POST /api/clients/{clientId}/outside-peels
      DELETE /api/clients/{clientId}/outside-peels/{id}
      POST /api/consents/{id}/withdrawal
      POST /api/patch-tests/{id}/reads
      GET /api/signatures/{id}
      GET /api/treatments/{id}
      GET /api/treatments/{id}/summary
      POST /api/treatments/{id}/events
      GET /api/treatments/{id}/stream
      GET /api/visits/{id}/aftercare
      GET /api/visits/{id}/aftercare/answers
      GET /api/visits/{id}/aftercare/given
      POST /api/visits/{id}/aftercare/given
      GET /api/visits/{id}/aftercare/given/{given}
      GET /api/visits/{id}/aftercare/given/{given}/sheet.ics
      GET /api/visits/{id}/aftercare/given/{given}/sheet.pdf
      PUT /api/visits/{id}/aftercare/home-plan/{item}
      POST /api/visits/{id}/chain
      PUT /api/visits/{id}/choice
      POST /api/visits/{id}/clearances
      POST /api/visits/{id}/consents
      GET /api/visits/{id}/consult
      PUT /api/visits/{id}/consult
      POST /api/visits/{id}/overrides
      POST /api/visits/{id}/patch-tests
      GET /api/visits/{id}/flakes
      GET /api/visits/{id}/contact
      GET /api/visits/{id}/contact/at-once
      POST /api/visits/{id}/contact
      POST /api/visits/{id}/contact/tries
      POST /api/visits/{id}/diary
      POST /api/flags/{id}/closed
      GET /api/visits/{id}/addenda
      POST /api/visits/{id}/addenda
      GET /api/clients/{id}/archive
      GET /api/clients/{id}/joined/{other}
      GET /api/clients/{clientId}/erasure
      GET /api/clients/{id}/fhir
      GET /api/clients/{id}/progress
      GET /api/clients/{id}/progress.csv
      GET /api/clients/{id}/courses
      POST /api/clients/{id}/courses
      POST /api/clients/{id}/courses/placing
      GET /api/courses/{id}/course.ics
      POST /api/courses/{id}/move
      POST /api/courses/{id}/pause
      POST /api/courses/{id}/resume
      POST /api/courses/{id}/skip
      PUT /api/clients/{id}/scores/{on}
      GET /api/check-ins
      GET /api/check-ins/{id}/photo
      GET /api/outbox
      PUT /api/visits/{id}/flakes
      GET /api/visits/{id}/plan
      PUT /api/visits/{id}/plan
      PUT /api/visits/{id}/steps
      PUT /api/visits/{id}/prep/{item}
      GET /api/visits/{id}/prep.ics
      GET /api/visits/{id}/prep-sheet
      GET /api/visits/{id}/regions/{region}
      POST /api/visits/{id}/regions/{region}/run
      PUT /api/visits/{id}/trolley/{item}
      PUT /api/visits/{id}/edge
      GET /api/treatments/{id}/why
      POST /api/treatments/{id}/clinician
      GET /api/treatments/{id}/gate-a
      POST /api/treatments/{id}/gate-a
      POST /api/treatments/{id}/handset
      GET /api/consents/{id}
      GET /api/visits/{id}/screening
      PUT /api/visits/{id}/screening/groups
      PUT /api/visits/{id}/screening/{question}
      GET /api/visits/{id}/selection
      POST /api/visits/{id}/selection/try
      POST /api/visits/{visitId}/treatment
      POST /api/tour
      DELETE /api/tour
      POST /api/clients/{id}/joined/{other}
      DELETE /api/joined/{id}
      """;

  private static final String CLINICIAN =
      """
      PUT /api/shelf/openings/{restricted}
      DELETE /api/shelf/openings/{restricted}
      """;

  private static final String OWNER_AND_CLINICIAN =
      """
      GET /api/archive
      GET /api/archive/tables
      POST /api/archive
      POST /api/archive/preview
      PUT /api/practice
      PUT /api/practice/numbers/{kind}
      PUT /api/practice/policies/{question}
      """;

  private static final String WATCH =
      """
      GET /api/health
      POST /api/health/backup
      """;

  private static final String OWNER =
      """
      GET /api/past-time
      DELETE /api/past-time/{clientId}
      POST /api/clients/{clientId}/erasure
      GET /api/people
      POST /api/people
      PUT /api/people/{username}
      POST /api/people/{username}/reset
      """;

  /// Sign-in names of the demo by role.
  private static final Map<String, String> PEOPLE =
      Map.of("OWNER", "marit", "SUPERVISOR", "thea", "THERAPIST", "ines", "DESK", "pelle");

  private static Practice practice;
  private static Map<String, Set<String>> table;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    table = new HashMap<>();
    put(EVERYBODY, Set.of("NOBODY", "OWNER", "SUPERVISOR", "THERAPIST", "DESK"));
    put(SIGNED_IN, Set.of("OWNER", "SUPERVISOR", "THERAPIST", "DESK"));
    put(WHO_TREATS, Set.of("OWNER", "SUPERVISOR", "THERAPIST"));
    put(CLINICIAN, Set.of("SUPERVISOR"));
    put(OWNER_AND_CLINICIAN, Set.of("OWNER", "SUPERVISOR"));
    put(WATCH, Set.of("OWNER", "SUPERVISOR"));
    put(OWNER, Set.of("OWNER"));
  }

  private static void put(String endpoints, Set<String> who) {
    endpoints.lines().forEach(endpoint -> table.put(endpoint, who));
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  @Test
  void everyEndpointIsOpenToThoseInTheTableAndToNobodyElse() {
    Practice owner = practice.another().signIn("marit", "harbour");
    JsonNode paths = owner.get("/api/openapi").body().get("paths");
    Set<String> described = new TreeSet<>();
    List<String> wrong = new ArrayList<>();
    for (String role : List.of("NOBODY", "OWNER", "SUPERVISOR", "THERAPIST", "DESK")) {
      Practice browser = practice.another();
      browser.get("/api/session");
      if (!role.equals("NOBODY")) browser.signIn(PEOPLE.get(role), "harbour");
      for (var path : paths.properties()) {
        for (var operation : path.getValue().properties()) {
          String method = operation.getKey().toUpperCase(java.util.Locale.ROOT);
          String endpoint = method + " " + path.getKey();
          described.add(endpoint);
          Answer answer = browser.any(method, filled(path.getKey(), operation.getValue()));
          boolean may = table.getOrDefault(endpoint, Set.of()).contains(role);
          boolean right =
              may
                  ? answer.status() != 403 && answer.status() < 500
                  : answer.status() == (role.equals("NOBODY") ? 401 : 403);
          if (!right) wrong.add(role + ": " + endpoint + " answers " + answer.status());
          if (endpoint.equals("POST /api/sign-out") && may) {
            browser.signIn(PEOPLE.get(role), "harbour");
          }
        }
      }
    }
    assertThat(wrong).isEmpty();
    assertThat(described).isEqualTo(new TreeSet<>(table.keySet()));
  }

  /// Names and times, and what runs; nothing of what was asked, found or planned.
  @Test
  void theDeskSeesTheBookAndNoRecord() {
    Practice desk = practice.another().signIn("pelle", "harbour");
    Practice treats = practice.another().signIn("ines", "harbour");
    JsonNode all = treats.get("/api/today").body().get("visits");
    JsonNode seen = desk.get("/api/today").body().get("visits");
    assertThat(seen.size()).isEqualTo(all.size());
    int limits = 0;
    for (int i = 0; i < seen.size(); i++) {
      assertThat(seen.get(i).get("clientName")).isEqualTo(all.get(i).get("clientName"));
      assertThat(seen.get(i).get("startsAt")).isEqualTo(all.get(i).get("startsAt"));
      limits += all.get(i).at("/screened/limits").size();
      assertThat(seen.get(i).has("screened")).isFalse();
      assertThat(seen.get(i).has("phototype")).isFalse();
      assertThat(seen.get(i).has("formula")).isFalse();
      assertThat(seen.get(i).get("allergies").asString()).isEmpty();
    }
    assertThat(limits).isPositive();
    assertThat(desk.get("/api/today").body().get("patchReads")).isEmpty();
  }

  /// Ids of nothing, the first of each list of words.
  private static String filled(String path, JsonNode operation) {
    String filled = path;
    for (JsonNode parameter : operation.path("parameters")) {
      if (!parameter.get("in").asString().equals("path")) continue;
      JsonNode schema = parameter.get("schema");
      String value =
          schema.has("enum")
              ? schema.get("enum").get(0).asString()
              : schema.path("format").asString("").equals("uuid")
                  ? UUID.randomUUID().toString()
                  : "nothing";
      filled = filled.replace("{" + parameter.get("name").asString() + "}", value);
    }
    return filled;
  }
}
