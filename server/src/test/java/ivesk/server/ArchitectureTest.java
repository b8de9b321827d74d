package ivesk.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// The house, as ARCHITECTURE.md draws it.
@AnalyzeClasses(packages = "ivesk", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  /// The rooms of core in the order of the work: each knows only those before it.
  private static final List<String> ROOMS =
      List.of(
          "quantity",
          "practice",
          "skin",
          "formula",
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

  @ArchTest static final ArchRule ROOMS_LOOK_ONLY_LEFT = rooms();

  @ArchTest
  static final ArchRule ONLY_STORES_AND_THE_AUDIT_KNOW_SQL =
      noClasses()
          .that()
          .resideInAPackage("ivesk.server..")
          .and()
          .haveSimpleNameNotEndingWith("Store")
          .and()
          .doNotHaveSimpleName("Audit")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("org.springframework.jdbc..", "java.sql..");

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

  /// A room's store names only its own tables.
  @Test
  void noRoomReadsAnotherRoomsTables() throws IOException {
    Map<String, Set<String>> own =
        Map.of(
            "practice", Set.of("account", "clinician_opening", "secret", "policy"),
            "client", Set.of("client"),
            "visit", Set.of("visit"),
            "skin", Set.of("consult", "product_kind"),
            "formula", Set.of("product", "lot"),
            "screening",
                Set.of(
                    "screening_answer",
                    "settlement",
                    "consent",
                    "signature",
                    "patch_test",
                    "patch_test_read"),
            "plan", Set.of("visit_plan", "plan_zone", "plan_stage"),
            "treatment", Set.of("treatment", "treatment_event"));
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

  private static ArchRule rooms() {
    LayeredArchitecture house = layeredArchitecture().consideringOnlyDependenciesInLayers();
    for (String room : ROOMS) {
      house = house.layer(room).definedBy("ivesk.core." + room + "..");
    }
    for (int i = 0; i < ROOMS.size(); i++) {
      String[] later = ROOMS.subList(i + 1, ROOMS.size()).toArray(String[]::new);
      house =
          later.length == 0
              ? house.whereLayer(ROOMS.get(i)).mayNotBeAccessedByAnyLayer()
              : house.whereLayer(ROOMS.get(i)).mayOnlyBeAccessedByLayers(later);
    }
    return house;
  }
}
