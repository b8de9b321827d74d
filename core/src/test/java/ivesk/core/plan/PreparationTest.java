package ivesk.core.plan;

import static ivesk.core.plan.Scripts.CALM;
import static ivesk.core.plan.Scripts.calmBut;
import static ivesk.core.plan.Scripts.client;
import static ivesk.core.plan.Scripts.facts;
import static ivesk.core.plan.Scripts.practice;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Library;
import ivesk.core.plan.Planning.Wishes;
import ivesk.core.plan.Preparation.Degrease;
import ivesk.core.plan.Preparation.Water;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.Catalogue;
import ivesk.core.screening.Clients;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.skin.Region;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/// What the steps, the policies and the limits of the day make of Ready, the ending and the
/// trolley. Domain 11 and 13, common practice, no source.
class PreparationTest {

  private static Preparation of(List<String> lines, Setting setting) {
    return Preparation.of(
        setting.script(Region.FACE, Scripts.steps(lines, setting.catalogue())), setting);
  }

  @Nested
  class AsTheLinesHaveIt {
    private final Setting usual = practice(Policies.defaults(), Catalogue.SHIPPED);

    @Test
    void theCalmSheet() {
      Preparation ready = of(CALM, usual);
      assertThat(ready.cleanses()).isEqualTo(1);
      assertThat(ready.degrease()).isEqualTo(Degrease.SOLVENT);
      assertThat(ready.eyes()).contains(Act.EYE_PADS);
    }

    @ParameterizedTest
    @CsvSource({"PLAIN_WIPE, PLAIN", "ACID-PREP, ACID_PREP", "DRY, NONE"})
    void thePrep(String line, Degrease degrease) {
      assertThat(of(calmBut("SOLVENT", line), usual).degrease()).isEqualTo(degrease);
    }

    @Test
    void nothingOverTheEyesWhereNoLineSaysSo() {
      assertThat(of(calmBut("EYE_PADS"), usual).eyes()).isEmpty();
      assertThat(of(calmBut("CLEANSER", "CLEANSER", "CLEANSER"), usual).cleanses()).isEqualTo(2);
    }
  }

  private static List<Step> composed(Clients client, String code) {
    Setting setting = client(client, Catalogue.SHIPPED, "");
    TreatmentPlan plan =
        Planning.plan(Library.get(code), Optional.empty(), facts(client), Wishes.NONE);
    return Composer.steps(plan, List.of(), setting);
  }

  private static List<String> whats(List<Step> steps) {
    return steps.stream()
        .map(step ->
            switch (step.what()) {
              case What.Peel(var code) -> code;
              case What.Use(var code) -> code;
              case What.Do(var act) -> act.name();
            })
        .toList();
  }

  static Stream<Arguments> policies() {
    return Stream.of(
        Arguments.of(Choice.CLEANSE_ONCE, "GLY-20", "CLEANSER CLEANSER", "CLEANSER LOOK_2"),
        Arguments.of(Choice.NO_DEGREASING, "GLY-20", "SOLVENT", "LOOK_2 BARRIER"),
        Arguments.of(Choice.DEGREASE_BY_ACID_PREP, "GLY-20", "SOLVENT", "ACID-PREP"),
        Arguments.of(Choice.EYE_SHIELDS, "GLY-20", "EYE_PADS", "EYE_SHIELDS"),
        Arguments.of(Choice.TRIMMED_EYE_PADS, "GLY-20", " EYE_PADS", "TRIMMED_EYE_PADS"),
        Arguments.of(Choice.AMINO_ACID_NEUTRALISER, "GLY-20", "BICARB-10", "ARGI-WIPE"),
        Arguments.of(Choice.WATER_NEUTRALISES, "GLY-20", "BICARB-10", "COOL_RINSE"),
        Arguments.of(Choice.COOL_WATER_ENDS_MILD_AHA, "GLY-20", "BICARB-10", "COOL_RINSE"),
        Arguments.of(Choice.SALICYLIC_LEFT_ON, "SAL-10", "COOL_RINSE", "LEFT_AS_IT_IS"));
  }

  /// Flipped, each changes a line that is composed.
  @ParameterizedTest(name = "{0}")
  @MethodSource("policies")
  void aPolicyFlippedChangesALine(Choice choice, String code, String usual, String other) {
    String before = " " + String.join(" ", whats(composed(easy(), code)));
    String after =
        " " + String.join(" ", whats(composed(easy().under(easyPolicies().with(choice)), code)));
    assertThat(before).contains(usual);
    assertThat(after).contains(other).isNotEqualTo(before);
  }

  private static Policies easyPolicies() {
    return easy().facts().policies();
  }

  @Test
  void waterAndGlovesFollowThePolicy() {
    Policies usual = Policies.defaults();
    assertThat(of(CALM, practice(usual, Catalogue.SHIPPED)).water()).isEqualTo(Water.COOL);
    assertThat(of(CALM, practice(usual.with(Choice.TEPID_WATER), Catalogue.SHIPPED)).water())
        .isEqualTo(Water.TEPID);
    assertThat(of(CALM, practice(usual.with(Choice.WARM_WATER), Catalogue.SHIPPED)).water())
        .isEqualTo(Water.WARM);
    assertThat(
            of(CALM, practice(usual.with(Choice.ONE_PAIR_OF_GLOVES), Catalogue.SHIPPED))
                .glovePairs())
        .isEqualTo(1);
  }

  /// Thin skin: no solvent, so that the composed prep is a plain wipe.
  @Test
  void aLimitOfTheDayReplacesTheLine() {
    assertThat(whats(composed(easy(), "LAC-10"))).contains("SOLVENT");
    assertThat(whats(composed(easy().aged(72), "LAC-10")))
        .contains("PLAIN_WIPE")
        .doesNotContain("SOLVENT");
    assertThat(of(CALM, client(easy().aged(72), Catalogue.SHIPPED, "")).care())
        .contains(Care.Kind.NO_SOLVENT);
  }
}
