package ivesk.core.plan;

import static ivesk.core.plan.Scripts.CALM;
import static ivesk.core.plan.Scripts.calmBut;
import static ivesk.core.plan.Scripts.client;
import static ivesk.core.plan.Scripts.facts;
import static ivesk.core.plan.Scripts.practice;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Library;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.Preparation.Degrease;
import ivesk.core.plan.compose.Preparation.Water;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.What;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.Catalogue;
import ivesk.core.screening.Clients;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Briefing;
import ivesk.core.treatment.fact.ReadyStep;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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

  /// Each comfort rewrites the steps that it names, and leaves the others as they are.
  @ParameterizedTest(name = "{0}")
  @CsvSource({
    "CLOSED_IN, BARRIER, Nose and mouth stay uncovered",
    "DREADS_COLD, CLEANSE, the back of the hand before the face",
    "DREADS_COLD, EYES, “Cold now” first",
    "NECK_OR_BACK, BRIEFING, A roll under neck and knees",
    "BRIGHT_LIGHT, LOOK_2, the lamp last and brief",
    "HAND_SIGNS, GATE_A, wait for the fingers",
    "HAND_SIGNS, BRIEFING, Agree the fingers"
  })
  void aComfortRewritesItsSteps(Comfort comfort, ReadyStep step, String words) {
    TreatmentPlan plan =
        Planning.plan(Library.get("GLY-20"), Optional.empty(), facts(easy()), Wishes.NONE);
    Setting setting = Setting.of(facts(easy()), Catalogue.SHIPPED, "", Set.of(comfort));
    TreatmentPlan respected = plan.readied(of(CALM, setting));
    TreatmentPlan usual =
        plan.readied(of(CALM, Setting.of(facts(easy()), Catalogue.SHIPPED, "", Set.of())));
    assertThat(step.how(respected)).contains(words);
    assertThat(step.how(usual)).doesNotContain(words);
    assertThat(Stream.of(ReadyStep.values()).filter(s -> !s.how(respected).equals(s.how(usual))))
        .contains(step)
        .hasSizeLessThan(4);
  }

  /// Said to the client, laid out, and not over a closed-in face, whatever the practice has.
  @Test
  void comfortIsToldAndLaidOut() {
    Setting setting =
        Setting.of(
            facts(easy().under(easyPolicies().with(Choice.EYE_SHIELDS))),
            Catalogue.SHIPPED,
            "",
            EnumSet.allOf(Comfort.class));
    TreatmentPlan plan =
        Planning.plan(Library.get("GLY-20"), Optional.empty(), facts(easy()), Wishes.NONE);
    List<Step> steps = Composer.steps(plan, List.of(), setting);
    assertThat(whats(steps)).contains("EYE_PADS").doesNotContain("EYE_SHIELDS");
    Script script = setting.script(Region.FACE, steps);
    assertThat(Briefing.of(plan.readied(Preparation.of(script, setting))))
        .anyMatch(line -> line.contains("“cold now”"))
        .anyMatch(line -> line.contains("nose or mouth"))
        .anyMatch(line -> line.contains("with your fingers"))
        .anyMatch(line -> line.contains("roll"));
    assertThat(Trolley.of(List.of(new Run(script, setting)), false))
        .extracting(Trolley.LaidOut::id)
        .contains("roll", "signs");
  }

  /// The next strength lies ready where the practice steps strengths within one clock.
  @Test
  void theNextRungIsLaidOut() {
    Clients client =
        easy()
            .under(easyPolicies().with(Choice.STRENGTH_STEPS))
            .after(PoliciesTest.peel("LAC-50", 60, 1));
    TreatmentPlan plan =
        Planning.plan(Library.get("LAC-30"), Optional.empty(), facts(client), Wishes.NONE);
    assertThat(Trolley.nextRung(plan).orElseThrow())
        .returns("peel:LAC-50", Trolley.LaidOut::id)
        .satisfies(item -> assertThat(item.note()).contains("5:00 in all then"));
    TreatmentPlan usual =
        Planning.plan(Library.get("LAC-30"), Optional.empty(), facts(easy()), Wishes.NONE);
    assertThat(Trolley.nextRung(usual)).isEmpty();
  }

  /// Open spots go under barrier, each named where it was seen.
  @Test
  void openSpotsAreCoveredByName() {
    Clients client = easy().answering(Question.OPEN_SPOTS, Answer.at("few", Zone.CHIN, Zone.NOSE));
    Setting setting = client(client, Catalogue.SHIPPED, "");
    TreatmentPlan plan =
        Planning.plan(Library.get("GLY-20"), Optional.empty(), facts(client), Wishes.NONE);
    TreatmentPlan ready = plan.readied(of(CALM, setting));
    assertThat(ready.preparation().cover()).containsExactly(Zone.NOSE, Zone.CHIN);
    assertThat(ReadyStep.BARRIER.how(ready)).contains("Open spots: nose and chin.");
    Script script = setting.script(Region.FACE, Scripts.steps(CALM));
    assertThat(Trolley.of(List.of(new Run(script, setting)), false))
        .anyMatch(item -> item.note().contains("each open spot too: nose and chin"));
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
