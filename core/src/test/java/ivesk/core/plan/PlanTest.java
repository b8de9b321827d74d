package ivesk.core.plan;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Outline;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.practice.Policies;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.product.MaskMix;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Mass;
import ivesk.core.screening.Clients;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Areas;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlanTest {
  private static final Formula LAC_10 = Library.get("LAC-10");

  private static PastPeel past(String code, int daysAgo, int seconds, int layers) {
    return new PastPeel(
        Library.get(code),
        Region.FACE,
        T.minusDays(daysAgo),
        layers,
        Duration.ofSeconds(seconds),
        PeelOutcome.WELL_TAKEN,
        Optional.of(3));
  }

  private static TreatmentPlan plan(String code, Clients client, Wishes wishes) {
    Ladders ladders = LadderRules.of(client.facts().pastPeels(), T, Region.FACE);
    // A body whose face measures 600 cm2.
    Areas areas = new Areas(600 / 350.0, 35, Map.of());
    return Planning.plan(
        Library.get(code),
        Optional.empty(),
        new SelectionFacts(
            client.facts(),
            client.screened(),
            ladders,
            Optional.empty(),
            Optional.empty(),
            areas,
            Optional.empty(),
            Optional.empty()),
        wishes);
  }

  private static Wishes contact(int seconds) {
    return new Wishes(
        Optional.empty(),
        Optional.empty(),
        Optional.of(Duration.ofSeconds(seconds)),
        Optional.empty(),
        Map.of(),
        Optional.empty(),
        Optional.empty());
  }

  @Nested
  class ContactTime {

    /// Timed AHA: first visit shorter, never beyond its maximum. Common practice, no source.
    @Test
    void firstVisitTakesTheFirstTime() {
      assertThat(plan("MAN-20", easy(), Wishes.NONE).contactLimit())
          .contains(Duration.ofMinutes(3));
    }

    @ParameterizedTest
    @CsvSource({"180, 240", "170, 240", "540, 600", "600, 600"})
    void laterVisitsTakeAMinuteMoreUpToTheMost(int last, int limit) {
      assertThat(
              plan("MAN-20", easy().after(past("MAN-20", 14, last, 1)), Wishes.NONE).contactLimit())
          .contains(Duration.ofSeconds(limit));
    }

    @Test
    void aNewRungStartsAtItsFirstTime() {
      assertThat(
              plan("GLY-35", easy().after(past("GLY-20", 14, 300, 1)), Wishes.NONE).contactLimit())
          .contains(Duration.ofMinutes(2));
    }

    @Test
    void sensitiveSkinShortensIt() {
      assertThat(
              plan("LAC-10", easy().sensitivity(Sensitivity.SENSITIVE), Wishes.NONE).contactLimit())
          .contains(Duration.ofSeconds(90));
    }

    @Test
    void mayBeCutShortNeverLengthened() {
      assertThat(plan("MAN-20", easy(), contact(120)).contactLimit())
          .contains(Duration.ofMinutes(2));
      assertThatThrownBy(() -> plan("MAN-20", easy(), contact(185)))
          .hasMessage("contact is 185 s; at most 180 s today");
    }

    @Test
    void thereIsNoneForCoats() {
      assertThat(plan("TCA-10", easy(), Wishes.NONE).contactLimit()).isEmpty();
    }
  }

  @Nested
  class Layers {

    private Wishes layers(int planned, int atMost) {
      return new Wishes(
          Optional.of(planned),
          Optional.of(atMost),
          Optional.empty(),
          Optional.empty(),
          Map.of(),
          Optional.empty(),
          Optional.empty());
    }

    @Test
    void nAtMostMOnALaterVisit() {
      TreatmentPlan plan =
          plan(
              "JES-RF",
              easy()
                  .after(
                      past("JES-RF", 30, 400, 2),
                      past("MAN-20", 50, 200, 1),
                      past("MAN-20", 60, 200, 1),
                      past("MAN-20", 70, 200, 1)),
              Wishes.NONE);
      assertThat(plan.layersPlanned()).isEqualTo(2);
      assertThat(plan.layersAtMost()).isEqualTo(3);
    }

    @Test
    void moreThanTheDayAllowsIsRefused() {
      assertThatThrownBy(() -> plan("JES-RF", easy(), layers(3, 3)))
          .hasMessage("layers are 3; at most 2 today");
    }
  }

  @Nested
  class SensationLines {

    @ParameterizedTest
    @CsvSource({
      "COMFORT_LED, NORMAL, 4, 6",
      "BALANCED, NORMAL, 5, 8",
      "ENDPOINT_LED, NORMAL, 7, 9",
      "COMFORT_LED, SENSITIVE, 3, 5",
      "BALANCED, SENSITIVE, 3, 6",
      "ENDPOINT_LED, SENSITIVE, 5, 7"
    })
    void byPolicyAndTwoLowerOnSensitiveSkin(
        Policies.Thresholds thresholds, Sensitivity sensitivity, int hold, int stop) {
      TreatmentPlan plan =
          plan(
              "LAC-10",
              easy().under(Policies.defaults().with(thresholds)).sensitivity(sensitivity),
              Wishes.NONE);
      assertThat(plan.hold()).isEqualTo(hold);
      assertThat(plan.stop()).isEqualTo(stop);
    }
  }

  @Nested
  class Zones {

    @Test
    void theFaceLeavesTheEyesOut() {
      TreatmentPlan plan = plan("GLY-20", easy(), Wishes.NONE);
      assertThat(plan.zones()).doesNotContain(Zone.EYE_LEFT, Zone.EYE_RIGHT, Zone.NECK);
      assertThat(plan.area().cm2()).isCloseTo(552, within(0.1));
      assertThat(plan.layer().ml()).isCloseTo(2.76, within(0.01));
    }

    @Test
    void someZonesMakeASmallerArea() {
      TreatmentPlan plan =
          plan(
              "GLY-20",
              easy(),
              new Wishes(
                  Optional.empty(),
                  Optional.empty(),
                  Optional.empty(),
                  Optional.of(List.of(Zone.NOSE, Zone.CHIN)),
                  Map.of(),
                  Optional.empty(),
                  Optional.empty()));
      assertThat(plan.area().cm2()).isCloseTo(84, within(0.1));
      assertThat(plan.dosePerLayer().mgPerCm2()).isCloseTo(1.0, within(1e-6));
    }

    @Test
    void noneOrTwiceTheSameIsRefused() {
      assertThatThrownBy(() ->
              plan(
                  "GLY-20",
                  easy(),
                  new Wishes(
                      Optional.empty(),
                      Optional.empty(),
                      Optional.empty(),
                      Optional.of(List.of(Zone.NOSE, Zone.NOSE)),
                      Map.of(),
                      Optional.empty(),
                      Optional.empty())))
          .hasMessageContaining("twice");
    }
  }

  @Nested
  class Before {

    @Test
    void countsBackFromTheDate() {
      List<PrepCalendar.Step> steps =
          PrepCalendar.of(easy().facts(), LAC_10, DepthClass.VERY_SUPERFICIAL, T.minusDays(20));
      assertThat(steps).noneMatch(PrepCalendar.Step::late);
      assertThat(day(steps, "wax")).isEqualTo(T.minusDays(7));
      assertThat(day(steps, "strong sun")).isEqualTo(T.minusDays(14));
      assertThat(day(steps, "scrub")).isEqualTo(T.minusDays(3));
      assertThat(steps).noneMatch(step -> step.what().contains("inhibitor"));
    }

    @Test
    void movingTheDateMovesTheCalendar() {
      List<PrepCalendar.Step> steps =
          PrepCalendar.of(easy().on(T.plusDays(5)).facts(), LAC_10, DepthClass.SUPERFICIAL, T);
      assertThat(day(steps, "wax")).isEqualTo(T.minusDays(2));
    }

    /// 14 days of inhibitor in IV to VI, common practice, no source.
    @Test
    void darkerTypesStartAnInhibitor() {
      Clients client = easy().type(Phototype.IV);
      List<PrepCalendar.Step> steps =
          PrepCalendar.of(client.facts(), LAC_10, DepthClass.SUPERFICIAL, T.minusDays(10));
      PrepCalendar.Step inhibitor = step(steps, "inhibitor");
      assertThat(inhibitor.late()).isTrue();
      assertThat(inhibitor.earliest()).contains(T.plusDays(4));
      PrepCalendar.Step kept =
          step(
              PrepCalendar.of(
                  client.primed(20).facts(), LAC_10, DepthClass.SUPERFICIAL, T.minusDays(10)),
              "inhibitor");
      assertThat(kept.late()).isFalse();
      assertThat(kept.kept()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"retinol, II, 3", "prescribed, II, 7", "retinol, V, 7"})
    void theRetinoidStopsByKindAndType(String choice, Phototype type, int days) {
      Clients client =
          easy()
              .type(type)
              .primed(30)
              .answering(
                  choice.equals("retinol") ? Question.RETINOL : Question.RETINOID,
                  "used",
                  T.minusDays(30));
      List<PrepCalendar.Step> steps =
          PrepCalendar.of(client.facts(), LAC_10, DepthClass.SUPERFICIAL, T.minusDays(20));
      assertThat(day(steps, "last " + (choice.equals("retinol") ? "retinol" : "prescribed")))
          .isEqualTo(T.minusDays(days));
    }

    /// Domain 05, home prep: common practice, no source.
    @Test
    void whatWasDoneToTheSkinLatelyHasItsDays() {
      List<PrepCalendar.Step> steps =
          PrepCalendar.of(
              easy()
                  .answering(Question.ABRASION, "done", T.minusDays(3))
                  .answering(Question.TOXIN, "done", T.minusDays(9))
                  .answering(Question.FILLER, "done", T.minusDays(9))
                  .facts(),
              LAC_10,
              DepthClass.VERY_SUPERFICIAL,
              T.minusDays(2));
      assertThat(day(steps, "microdermabrasion")).isEqualTo(T.minusDays(7));
      assertThat(step(steps, "microdermabrasion").earliest()).contains(T.plusDays(5));
      assertThat(step(steps, "botulinum").kept()).isTrue();
      assertThat(day(steps, "filler")).isEqualTo(T.minusDays(14));
      assertThat(step(steps, "filler").late()).isTrue();
    }

    @Test
    void thePatchTestHasTimeToBeReadTwice() {
      Clients fresh = easy().patched();
      PrepCalendar.Step test =
          step(
              PrepCalendar.of(fresh.facts(), LAC_10, DepthClass.VERY_SUPERFICIAL, T.minusDays(1)),
              "patch test");
      assertThat(test.day()).isEqualTo(T.minusDays(2));
      assertThat(test.earliest()).contains(T.plusDays(1));
      assertThat(
              PrepCalendar.of(
                  fresh.after(past("LAC-10", 40, 120, 1)).facts(),
                  LAC_10,
                  DepthClass.VERY_SUPERFICIAL,
                  T.minusDays(9)))
          .as("had it here before")
          .noneMatch(step -> step.item() == PrepCalendar.Item.PATCH_TEST);
    }

    private LocalDate day(List<PrepCalendar.Step> steps, String word) {
      return step(steps, word).day();
    }

    private PrepCalendar.Step step(List<PrepCalendar.Step> steps, String word) {
      return steps.stream().filter(s -> s.what().contains(word)).findFirst().orElseThrow();
    }
  }

  @Nested
  class OnTheTrolley {

    private String quantity(Clients client, String code, boolean latex, String what) {
      return Trolley.of(List.of(composed(client, code)), latex).stream()
          .filter(thing -> thing.what().startsWith(what))
          .findFirst()
          .orElseThrow()
          .quantity();
    }

    @Test
    void formulaWithATenthOver() {
      assertThat(quantity(easy(), "GLY-20", false, "GLY-20")).isEqualTo("3.0 mL");
    }

    /// 30 g powder to 90 g water on the label, a scoop of 12 g, two scoops: 24 g to 72 g.
    @Test
    void powderByTheScoopIsWeighed() {
      CareProduct grams = Catalogue.SHIPPED.find("MASK-SET").orElseThrow();
      MaskMix label =
          new MaskMix(Mass.g(30), Mass.g(90), 20, Duration.ofMinutes(3), Duration.ofMinutes(12));
      CareProduct scoops =
          new CareProduct(
              "SCOOPS",
              "mask by the scoop",
              "",
              1,
              grams.role(),
              grams.actives(),
              grams.ph(),
              new UnitDose(UnitDose.Unit.SCOOP, 12, UnitDose.Measure.G),
              Map.of(),
              grams.timing(),
              "",
              grams.regions(),
              Set.of(),
              List.of(),
              false,
              false,
              grams.filter(),
              false,
              grams.thermal(),
              Optional.of(label),
              Optional.empty());
      Catalogue catalogue = Catalogue.with(List.of(scoops), List.of());
      List<String> lines = Scripts.calmBut("CREAM", "SCOOPS 2 C", "CREAM");
      Run run = Scripts.run(Region.FACE, lines, Scripts.practice(Policies.defaults(), catalogue));
      assertThat(Trolley.of(List.of(run), false))
          .filteredOn(thing -> thing.what().startsWith("mask by the scoop"))
          .singleElement()
          .extracting(Trolley.LaidOut::quantity)
          .isEqualTo("24 g + 72 g water");
    }

    /// 2.76 mL of 20 % glycolic: 7.26 mmol, 6.1 mL of bicarbonate 10 %, twice laid out and rounded
    /// up to whole mL. Stoichiometry.
    @Test
    void neutraliserToLayOut() {
      TreatmentPlan plan = plan("GLY-20", easy(), Wishes.NONE);
      assertThat(Trolley.neutraliser(plan).orElseThrow().volume().ml())
          .isCloseTo(6.10, within(0.01));
      assertThat(quantity(easy(), "GLY-20", false, "bicarbonate")).isEqualTo("13 mL");
    }

    @Test
    void compressesWhereNoNeutraliserEndsIt() {
      TreatmentPlan plan = plan("TCA-10", easy(), Wishes.NONE);
      assertThat(Trolley.neutraliser(plan)).isEmpty();
      assertThat(quantity(easy(), "TCA-10", false, "cold compresses")).isEqualTo("4");
    }

    @Test
    void glovesByAllergy() {
      assertThat(quantity(easy(), "GLY-20", true, "gloves, nitrile")).isEqualTo("2 pairs");
    }
  }

  private static Run composed(Clients client, String code) {
    Setting setting = Setting.of(Scripts.facts(client), Catalogue.SHIPPED, "", Set.of());
    return new Run(
        setting.script(
            Region.FACE, Composer.steps(plan(code, client, Wishes.NONE), List.of(), setting)),
        setting);
  }

  @Test
  void theOutlineAddsUpWithTenMinutesToSpareAndTheSlotsGap() {
    List<Run> runs = List.of(composed(easy(), "MAN-20"));
    List<Outline.Block> blocks = Outline.of(runs, Optional.of(Duration.ofMinutes(60))).blocks();
    Outline.Block spare = blocks.get(blocks.size() - 2);
    assertThat(spare.label()).isEqualTo("spare");
    assertThat(spare.seconds()).isEqualTo(600);
    assertThat((spare.startSeconds() + spare.seconds() + 59) / 60).isEqualTo(Run.minutes(runs));
    assertThat(blocks.getLast().kind()).isEqualTo(Outline.Kind.GAP);
    assertThat(blocks.getLast().startSeconds() + blocks.getLast().seconds()).isEqualTo(3600);
    for (int i = 1; i < blocks.size(); i++) {
      assertThat(blocks.get(i).startSeconds())
          .isEqualTo(blocks.get(i - 1).startSeconds() + blocks.get(i - 1).seconds());
    }
    assertThat(blocks)
        .filteredOn(block -> block.kind() == Outline.Kind.ACID)
        .singleElement()
        .satisfies(block -> assertThat(block.seconds()).isEqualTo(180));
    // A minute to spread and the dwell.
    assertThat(Outline.of(List.of(composed(easy(), "TCA-10")), Optional.empty()).blocks())
        .filteredOn(block -> block.kind() == Outline.Kind.ACID)
        .singleElement()
        .satisfies(block -> assertThat(block.seconds()).isEqualTo(240));
  }
}
