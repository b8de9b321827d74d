package ivesk.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/// The house, as ARCHITECTURE.md draws it.
@AnalyzeClasses(packages = "ivesk", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  /// The rooms of core in the order of the work: each knows only those before it.
  private static final List<String> ROOMS =
      List.of(
          "quantity",
          "rule",
          "practice",
          "skin",
          "formula",
          "product",
          "screening",
          "selection",
          "plan",
          "treatment",
          "aftercare",
          "series");

  @ArchTest
  static final ArchRule CORE_KNOWS_ONLY_THE_JDK =
      classes()
          .that()
          .resideInAPackage("ivesk.core..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage("ivesk.core..", "java..");

  @ArchTest
  static final ArchRule CORE_ASKS_NO_TIME_AND_TOUCHES_NO_FILE =
      noClasses()
          .that()
          .resideInAPackage("ivesk.core..")
          .should()
          .callMethod(java.time.Instant.class, "now")
          .orShould()
          .callMethod(java.time.LocalDate.class, "now")
          .orShould()
          .callMethod(System.class, "currentTimeMillis")
          .orShould()
          .dependOnClassesThat()
          .resideInAnyPackage("java.sql..", "java.nio.file..", "java.net..")
          .orShould()
          .dependOnClassesThat()
          .haveFullyQualifiedName("java.util.Random");

  /// Floors inside the rooms of core that have them, the lowest first.
  private static final Map<String, List<String>> INSIDE =
      Map.of(
          "screening", List.of("question", "answer", "rule", "limits", "verdict"),
          "plan", List.of("script", "objection", "compose", "stage"),
          "treatment", List.of("fact", "state", "moment", "gate", "advice", "record"));

  @ArchTest
  static void floorsInsideARoomLookOnlyDown(JavaClasses all) {
    INSIDE.forEach((room, floors) -> floors("ivesk.core." + room + ".", floors).check(all));
  }

  /// A room with floors has nothing beside them.
  @Test
  void aRoomWithFloorsHasNothingBesideThem() throws IOException {
    for (Map.Entry<String, List<String>> room : INSIDE.entrySet()) {
      Path folder = Path.of("../core/src/main/java/ivesk/core", room.getKey());
      try (Stream<Path> all = Files.list(folder)) {
        assertThat(all.map(one -> one.getFileName().toString()))
            .as(room.getKey())
            .containsExactlyInAnyOrderElementsOf(
                Stream.concat(room.getValue().stream(), Stream.of("package-info.java")).toList());
      }
    }
  }

  /// A file is what stands in it: a class with all that is nested in it.
  @ArchTest
  static final ArchRule NO_CIRCLE_OF_FILES =
      slices()
          .assignedFrom(
              new SliceAssignment() {
                @Override
                public SliceIdentifier getIdentifierOf(JavaClass one) {
                  return one.getPackageName().matches("ivesk\\.(core|server).*")
                      ? SliceIdentifier.of(one.getName().replaceFirst("\\$.*", ""))
                      : SliceIdentifier.ignore();
                }

                @Override
                public String getDescription() {
                  return "each file of core and server";
                }
              })
          .should()
          .beFreeOfCycles();

  @ArchTest static final ArchRule ROOMS_LOOK_ONLY_LEFT = floors("ivesk.core.", ROOMS);

  @ArchTest
  static final ArchRule ONLY_STORES_AND_THE_AUDIT_KNOW_SQL =
      noClasses()
          .that()
          .resideInAPackage("ivesk.server..")
          .and()
          .haveSimpleNameNotEndingWith("Store")
          .and()
          .haveSimpleNameNotEndingWith("Audit")
          .and()
          // Tells a disk that is full from a fault.
          .haveSimpleNameNotEndingWith("ClosedDatabase")
          .and()
          // The database as a file: opened, copied, read through.
          .resideOutsideOfPackage("ivesk.server.data")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.springframework.jdbc..", "java.sql..");

  /// Rooms of the server in their order: each knows only those before it, `path` all of them, and
  /// the demo stands on top.
  private static final List<String> SERVER_ROOMS =
      List.of(
          "app",
          "data",
          "practice",
          "client",
          "visit",
          "skin",
          "formula",
          "product",
          "screening",
          "selection",
          "plan",
          "treatment",
          "aftercare",
          "series",
          "records",
          "path",
          "demo");

  @ArchTest static final ArchRule SERVER_ROOMS_ARE_FLOORS = floors("ivesk.server.", SERVER_ROOMS);

  @ArchTest
  static final ArchRule THE_SERVER_HAS_NO_CIRCLE =
      slices().matching("ivesk.server.(*)..").should().beFreeOfCycles();

  /// A stream over rows that nobody closes keeps its connection; eight of them stop the practice.
  @ArchTest
  static final ArchRule NO_ROWS_ARE_STREAMED =
      noClasses().should().callMethod(JdbcClient.MappedQuerySpec.class, "stream");

  /// A German machine must print the same numbers: core's words and the server's go through one
  /// formatter that names its language.
  @ArchTest
  static final ArchRule NOTHING_IS_FORMATTED_BY_THE_MACHINES_LANGUAGE =
      noClasses()
          .that()
          .resideInAnyPackage("ivesk.core..", "ivesk.server..")
          .should()
          .callMethod(String.class, "formatted", Object[].class)
          .orShould()
          .callMethod(String.class, "format", String.class, Object[].class)
          .orShould()
          .callMethod(String.class, "toLowerCase")
          .orShould()
          .callMethod(String.class, "toUpperCase")
          .orShould()
          .callMethod(java.time.format.DateTimeFormatter.class, "ofPattern", String.class)
          .orShould()
          .callMethod(Locale.class, "getDefault")
          .orShould()
          .dependOnClassesThat()
          .haveFullyQualifiedName("java.text.DecimalFormat");

  /// What core calls impossible becomes bad input at the door, in one way; a server class does not
  /// throw it as if it were.
  @ArchTest
  static final ArchRule ROOMS_SAY_BAD_INPUT_AS_SUCH =
      noClasses()
          .that()
          .resideInAPackage("ivesk.server..")
          .and()
          .haveSimpleNameEndingWith("Controller")
          .should()
          .callConstructor(IllegalArgumentException.class, String.class);

  @ArchTest
  static final ArchRule NOBODY_CALLS_A_CONTROLLER =
      noClasses()
          .that()
          .areTopLevelClasses()
          .and()
          .haveSimpleNameNotEndingWith("Controller")
          .should()
          .dependOnClassesThat()
          .haveSimpleNameEndingWith("Controller");

  /// The place of a constant in its enum means nothing: what is compared is said by a method.
  @Test
  void nothingReadsTheOrdinalOfAConstant() throws IOException {
    int read = 0;
    for (String house : List.of("../core/src/main/java", "src/main/java")) {
      try (Stream<Path> files = Files.walk(Path.of(house))) {
        for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          assertThat(Files.readString(file))
              .as(file.toString())
              .doesNotContain(".ordinal()", "::ordinal");
          read++;
        }
      }
    }
    assertThat(read).isGreaterThan(400);
  }

  /// A room's store names only its own tables.
  @Test
  void noRoomReadsAnotherRoomsTables() throws IOException {
    Map<String, Set<String>> own =
        Map.ofEntries(
            Map.entry(
                "practice",
                Set.of(
                    "account",
                    "recovery_code",
                    "sign_in",
                    "known_device",
                    "practice",
                    "closed_day",
                    "clinician_opening",
                    "policy",
                    "practice_number")),
            Map.entry("client", Set.of("client", "client_name_part", "tour")),
            Map.entry("visit", Set.of("visit", "waiting")),
            Map.entry("skin", Set.of("consult", "product_kind")),
            Map.entry("formula", Set.of("product", "lot")),
            Map.entry("product", Set.of("care_product", "care_lot")),
            Map.entry(
                "screening",
                Set.of(
                    "screening_answer",
                    "settlement",
                    "consent",
                    "signature",
                    "patch_test",
                    "patch_test_read",
                    "outside_peel")),
            Map.entry(
                "plan",
                Set.of(
                    "visit_plan",
                    "plan_zone",
                    "plan_sooner",
                    "plan_stage",
                    "protocol",
                    "visit_script",
                    "trolley_tick",
                    "prep_told")),
            Map.entry(
                "treatment", Set.of("treatment", "treatment_event", "handset", "flakes_told")),
            Map.entry("path", Set.of("chart_merge", "merged_row", "erasure_request")),
            Map.entry("records", Set.of("addendum")),
            Map.entry("series", Set.of("score_sheet", "course", "course_peel")),
            Map.entry(
                "aftercare",
                Set.of(
                    "check_in",
                    "check_in_try",
                    "red_flag",
                    "after_peel",
                    "diary",
                    "outbox",
                    "home_plan_item",
                    "given_sheet")));
    Pattern table = Pattern.compile("(?:FROM|INTO|UPDATE|JOIN) ([a-z_]+)");
    Set<String> rooms = new HashSet<>();
    try (Stream<Path> files = Files.walk(Path.of("src/main/java/ivesk/server"))) {
      for (Path file : files.filter(f -> f.toString().endsWith("Store.java")).toList()) {
        String room = file.getParent().getFileName().toString();
        rooms.add(room);
        assertThat(table.matcher(Files.readString(file)).results().map(m -> m.group(1)))
            .as(file.toString())
            .isNotEmpty()
            .allMatch(own.get(room)::contains);
      }
    }
    assertThat(rooms).isEqualTo(own.keySet());
  }

  private static ArchRule floors(String house, List<String> rooms) {
    LayeredArchitecture floors = layeredArchitecture().consideringOnlyDependenciesInLayers();
    for (String room : rooms) floors = floors.layer(room).definedBy(house + room + "..");
    for (int i = 0; i < rooms.size(); i++) {
      String[] later = rooms.subList(i + 1, rooms.size()).toArray(String[]::new);
      floors =
          later.length == 0
              ? floors.whereLayer(rooms.get(i)).mayNotBeAccessedByAnyLayer()
              : floors.whereLayer(rooms.get(i)).mayOnlyBeAccessedByLayers(later);
    }
    return floors;
  }
}
