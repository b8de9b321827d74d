package ivesk.core.plan;

import static ivesk.core.plan.ScriptRulesTest.CATALOGUE;
import static ivesk.core.plan.ScriptRulesTest.after;
import static ivesk.core.plan.Scripts.calmBut;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Language;
import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Sheets;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Region;
import ivesk.core.treatment.advice.Briefing;
import ivesk.core.treatment.fact.ReadyStep;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Each care limit of the day does something: a step is added, removed, replaced or locked.
/// domain/13; common practice, no source.
class CareLimitsTest {
  /// What the day looks like to one client, with or without a limit.
  private record Day(SelectionFacts facts, Setting setting) {

    static Day of(Kind... kinds) {
      SelectionFacts easy = Scripts.facts(easy());
      Screening screened = easy.screening();
      Limits limits = Limits.combine(Arrays.stream(kinds).<Restriction>map(Care::new).toList());
      SelectionFacts facts =
          new SelectionFacts(
              easy.client(),
              new Screening(
                  screened.verdict(),
                  screened.until(),
                  screened.findings(),
                  limits,
                  screened.unasked(),
                  screened.open(),
                  screened.opensMost()),
              easy.ladders(),
              Optional.empty(),
              Optional.empty(),
              easy.areas(),
              Optional.empty(),
              Optional.empty());
      return new Day(facts, Setting.of(facts, CATALOGUE, "", Set.of()));
    }

    TreatmentPlan plan() {
      TreatmentPlan plan =
          Planning.plan(Library.get("GLY-20"), Optional.empty(), facts, Wishes.NONE);
      Script script = setting.script(Region.FACE, Composer.steps(plan, List.of(), setting));
      return plan.readied(Preparation.of(script, setting));
    }

    Script script() {
      return setting.script(Region.FACE, Composer.steps(plan(), List.of(), setting));
    }
  }

  private static Function<Day, String> ready(ReadyStep step) {
    return day -> ReadyStep.of(day.plan()).contains(step) ? step.how(day.plan()) : "no such step";
  }

  /// What the composer has against a line.
  private static Function<Day, String> against(List<String> lines) {
    return day ->
        Objections.of(
                List.of(
                    new Run(
                        day.setting()
                            .script(Region.FACE, Scripts.steps(lines, day.setting().catalogue())),
                        day.setting())),
                Optional.empty())
            .stream()
            .filter(objection -> objection.rule().equals("PRO-CARE"))
            .map(objection -> objection.severity() + " " + objection.words())
            .collect(Collectors.joining("; "));
  }

  private static String trolley(Day day) {
    return Trolley.of(List.of(new Run(day.script(), day.setting())), false).toString();
  }

  private static String sheet(Day day) {
    return Sheets.words(
        Sheets.of(
            Library.get("GLY-20"),
            DepthClass.VERY_SUPERFICIAL,
            new Aftercare.Client(false, false, day.facts().screening().limits().care()),
            day.facts().client().policies()),
        Language.EN);
  }

  private static Arguments row(Kind kind, Function<Day, String> seen, String with) {
    return Arguments.of(kind, seen, with);
  }

  static Stream<Arguments> table() {
    return Stream.of(
        row(Kind.NO_SOLVENT, ready(ReadyStep.PREP), "No solvent for this skin"),
        row(Kind.NO_SOLVENT, against(calmBut("SOLVENT", "SOLVENT")), "SHUT today: no solvent"),
        row(Kind.NO_HEAT, against(after("WARMER")), "SHUT today: no heat"),
        row(Kind.NO_SCRUB, against(after("GRAINS")), "SHUT today: no scrub"),
        row(Kind.NO_LANCET, against(after("LANCET_EXTRACTION C")), "SHUT today: no lancet"),
        row(Kind.NO_EXTRACTION, against(after("EXTRACTION C")), "SHUT today: no extraction"),
        row(
            Kind.NO_HIGH_FREQUENCY,
            against(after("HIGH_FREQUENCY C")),
            "SHUT today: no high frequency"),
        row(Kind.GLOVES_WITHOUT_LATEX, CareLimitsTest::trolley, "gloves, nitrile"),
        row(Kind.GLOVES_WITHOUT_LATEX, ready(ReadyStep.HAIR_LENSES_GLOVES), "without latex"),
        row(Kind.LENSES_OUT, ready(ReadyStep.HAIR_LENSES_GLOVES), "Contact lenses out first."),
        row(Kind.NO_SUN_14_DAYS, CareLimitsTest::sheet, "no sun on it at all until"),
        row(Kind.TALK_FIRST, ready(ReadyStep.BRIEFING), "What a peel can and cannot do."),
        row(Kind.TALK_FIRST, day -> Briefing.of(day.plan()).toString(), "what it cannot"),
        row(
            Kind.MINERAL_SUNSCREEN,
            against(calmBut("SUNSCREEN", "CHEM-50")),
            "SHUT today: sunscreen mineral"),
        row(Kind.COVER_OPEN_SPOTS, ready(ReadyStep.BARRIER), "Each open spot."),
        row(Kind.COVER_OPEN_SPOTS, CareLimitsTest::trolley, "each open spot too"),
        row(Kind.TELL_TINGLING, CareLimitsTest::sheet, "a lip that tingles"),
        row(Kind.VENTILATE, ready(ReadyStep.FAN_TISSUE), "Ventilate the room."),
        row(Kind.VENTILATE, CareLimitsTest::trolley, "ventilate the room too"),
        row(Kind.NO_LIDOCAINE, against(after("NUMB")), "SHUT today: nothing with lidocaine"),
        row(Kind.COMPRESS_LIFT, day -> day.plan().takeOff().name(), "COMPRESS"),
        row(Kind.GUARDIAN, ready(ReadyStep.CONSENT), "The guardian's too."),
        row(Kind.GUARDIAN_PRESENT, ready(ReadyStep.CONSENT), "The guardian signed too."),
        row(Kind.GUARDIAN_PRESENT, day -> ReadyStep.of(day.plan()).toString(), "GUARDIAN"));
  }

  @ParameterizedTest(name = "{0}: {2}")
  @MethodSource("table")
  void changesTheDay(Kind kind, Function<Day, String> seen, String with) {
    assertThat(seen.apply(Day.of())).as("without it").doesNotContain(with);
    assertThat(seen.apply(Day.of(kind))).as("with it").contains(with);
  }

  @Test
  void eachLimitHasItsRow() {
    assertThat(table().map(row -> row.get()[0]).distinct())
        .containsExactlyInAnyOrder((Object[]) Kind.values());
  }
}
