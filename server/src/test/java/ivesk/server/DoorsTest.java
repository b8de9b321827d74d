package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.practice.Policies;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// No door leads nowhere: every policy, care limit, advice action and fact has somebody who brings
/// it about and somebody whom it changes.
class DoorsTest {
  private static String java;
  private static String web;

  @BeforeAll
  static void read() throws IOException {
    java = all(Path.of("../core/src/main/java"), Path.of("src/main/java"));
    web = all(Path.of("../web/src"));
  }

  private static String all(Path... folders) throws IOException {
    StringBuilder words = new StringBuilder();
    for (Path folder : folders) {
      try (Stream<Path> files = Files.walk(folder)) {
        for (Path file : files.filter(DoorsTest::ofOurs).toList()) {
          words.append(Files.readString(file));
        }
      }
    }
    return words.toString();
  }

  private static boolean ofOurs(Path file) {
    String name = file.getFileName().toString();
    return Files.isRegularFile(file)
        && !name.contains(".test.")
        && !name.equals("schema.d.ts")
        && !name.equals("openapi.json")
        && !name.equals("enumWords.ts");
  }

  private static int times(String where, String what) {
    return where.split("\\b" + what + "\\b", -1).length - 1;
  }

  @Test
  void everyPolicyIsAskedAndRead() {
    for (Policies.Choice choice : Policies.Choice.values()) {
      // Declared, offered by a question, and read.
      assertThat(times(java, choice.name())).as(choice.name()).isGreaterThanOrEqualTo(3);
    }
  }

  @Test
  void everyCareLimitIsGivenAndChangesSomething() {
    for (Care.Kind kind : Care.Kind.values()) {
      assertThat(times(java, kind.name())).as(kind.name()).isGreaterThanOrEqualTo(3);
    }
  }

  @Test
  void everyActionIsAdvisedAndHasAKey() {
    for (Advice.Action action : Advice.Action.values()) {
      assertThat(times(java, "Action\\." + action.name())).as(action.name()).isPositive();
      assertThat(times(web, action.name())).as(action + " in the web").isPositive();
    }
  }

  @Test
  void everyFactIsSaidBySomebody() {
    List<String> facts = facts(Fact.class).map(Class::getSimpleName).toList();
    assertThat(facts).hasSizeGreaterThan(25);
    for (String fact : facts) {
      // These carry a plan, which the server makes.
      if (fact.equals("Opened") || fact.equals("PlanChanged")) continue;
      // This one needs the clinician's own sign-in, and has an endpoint of its own.
      if (fact.equals("AcidAllowed")) continue;
      assertThat(web).as(fact + " is sent").containsPattern("type: \"" + fact + "\"");
      assertThat(times(java, fact)).as(fact + " is read").isGreaterThanOrEqualTo(2);
    }
  }

  private static Stream<Class<?>> facts(Class<?> sealed) {
    return Arrays.stream(sealed.getPermittedSubclasses())
        .flatMap(kind -> kind.isSealed() ? facts(kind) : Stream.of(kind));
  }
}
