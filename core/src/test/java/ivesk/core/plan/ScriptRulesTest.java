package ivesk.core.plan;

import static ivesk.core.plan.Scripts.CALM;
import static ivesk.core.plan.Scripts.calmBut;
import static ivesk.core.plan.Scripts.client;
import static ivesk.core.plan.Scripts.objections;
import static ivesk.core.plan.Scripts.practice;
import static ivesk.core.plan.Scripts.run;
import static ivesk.core.plan.Scripts.steps;
import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Library;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.objection.ScriptRules;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.Ledger;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.What;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.BaseIn;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.CareProduct.Ingredient;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.product.Catalogue;
import ivesk.core.product.ProductLot;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.Clients;
import ivesk.core.screening.question.Question;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Every rule on both sides: the line that is objected to, and the one next to it that is not.
/// Domain 13, objections. Common practice, no source.
class ScriptRulesTest {

  private static CareProduct own(
      String code, Role role, Filter filter, Thermal thermal, boolean wet, ActiveIngredient... in) {
    return new CareProduct(
        code,
        code.toLowerCase(java.util.Locale.ROOT),
        "",
        1,
        role,
        Arrays.stream(in).map(active -> new Ingredient(active, Optional.of(2.0))).toList(),
        Optional.empty(),
        UnitDose.BY_ML,
        Map.of(),
        Timing.NONE,
        "",
        EnumSet.of(Region.FACE, Region.EYE_CONTOUR),
        code.equals("NO-EYES") ? EnumSet.of(NeverOn.EYE_CONTOUR) : Set.of(),
        code.equals("ROSY") ? List.of("rose oil") : List.of(),
        code.equals("SCENT"),
        wet,
        filter,
        code.equals("BALM"),
        thermal,
        Optional.empty(),
        role == Role.NEUTRALISER ? Optional.of(BaseIn.bicarbonate(10)) : Optional.empty());
  }

  private static CareProduct serum(String code, ActiveIngredient... in) {
    return own(code, Role.SERUM, Filter.NONE, Thermal.NEITHER, false, in);
  }

  private static List<String> composed(Clients client, Catalogue catalogue, String allergies) {
    TreatmentPlan plan =
        Planning.plan(
            Library.get("LAC-30"), Optional.empty(), Scripts.facts(client), Planning.Wishes.NONE);
    return Composer.steps(plan, List.of(), Scripts.client(client, catalogue, allergies)).stream()
        .flatMap(
            step -> step.what() instanceof What.Use(var code) ? Stream.of(code) : Stream.empty())
        .toList();
  }

  /// A cleanser and a cream of the practice's own come first, but not where a rule shuts them: with
  /// salicylic acid for who is allergic to it, with retinol on a fresh peel.
  @Test
  void theComposerTakesNoProductThatARuleShuts() {
    CareProduct cleanser =
        own("FOAM", Role.CLEANSER, Filter.NONE, Thermal.NEITHER, false, ActiveIngredient.SALICYLIC);
    CareProduct cream =
        own(
            "NIGHT",
            Role.MOISTURISER,
            Filter.NONE,
            Thermal.NEITHER,
            false,
            ActiveIngredient.RETINOL);
    Catalogue catalogue = Catalogue.with(List.of(cleanser, cream), List.of());
    Clients allergic = easy().answering(Question.SALICYLATE_ALLERGY, "yes");
    assertThat(composed(allergic, catalogue, "aspirin")).doesNotContain("FOAM", "NIGHT");
    assertThat(composed(allergic, catalogue, "aspirin"))
        .as("others stand in their place")
        .hasSameSizeAs(composed(allergic, Catalogue.SHIPPED, ""));
    CareProduct plain = own("FOAM", Role.CLEANSER, Filter.NONE, Thermal.NEITHER, false);
    assertThat(composed(allergic, Catalogue.with(List.of(plain), List.of()), "")).contains("FOAM");
  }

  static final Catalogue CATALOGUE =
      Catalogue.with(
          List.of(
              serum("ROSY"),
              serum("SCENT"),
              serum("NO-EYES"),
              serum("RETINAL-1", ActiveIngredient.RETINAL),
              serum("COPPER", ActiveIngredient.COPPER_PEPTIDE),
              serum("ASCORB", ActiveIngredient.ASCORBIC_ACID),
              serum("GLUCO-C", ActiveIngredient.NEUTRAL_ASCORBATE),
              serum("HQ", ActiveIngredient.HYDROQUINONE),
              serum("PEROX", ActiveIngredient.BENZOYL_PEROXIDE),
              serum("NUMB", ActiveIngredient.LIDOCAINE),
              serum("GRAINS", ActiveIngredient.SCRUB_GRAINS),
              own(
                  "ACTIVE",
                  Role.MOISTURISER,
                  Filter.NONE,
                  Thermal.NEITHER,
                  false,
                  ActiveIngredient.GLYCOLIC),
              own("BALM", Role.MOISTURISER, Filter.NONE, Thermal.NEITHER, false),
              own("WARMER", Role.SERUM, Filter.NONE, Thermal.WARMS, false),
              own("WET-TONER", Role.TONER, Filter.NONE, Thermal.NEITHER, true),
              own("CHEM-50", Role.SUNSCREEN, Filter.CHEMICAL, Thermal.NEITHER, false),
              own(
                  "SAL-WASH",
                  Role.ACID_WASH,
                  Filter.NONE,
                  Thermal.NEITHER,
                  false,
                  ActiveIngredient.SALICYLIC)),
          List.of());

  private static final Setting BY_ITSELF = practice(Policies.defaults(), CATALOGUE);

  private static Setting chosen(Choice... choices) {
    Policies policies = Policies.defaults();
    for (Choice choice : choices) policies = policies.with(choice);
    return practice(policies, CATALOGUE);
  }

  private static Setting of(Clients client) {
    return client(client, CATALOGUE, "");
  }

  private static List<String> rules(List<String> lines, Setting setting) {
    return objections(lines, setting).stream().map(Objection::rule).distinct().toList();
  }

  @Test
  void nothingIsSaidToACalmSheet() {
    assertThat(objections(CALM, BY_ITSELF)).isEmpty();
    assertThat(rules(CALM, of(easy()))).isEmpty();
  }

  private static Arguments row(String rule, List<String> bad, List<String> good) {
    return row(rule, bad, BY_ITSELF, good, BY_ITSELF);
  }

  private static Arguments row(
      String rule, List<String> bad, Setting badIn, List<String> good, Setting goodIn) {
    return Arguments.of(rule, bad, badIn, good, goodIn);
  }

  static List<String> after(String... lines) {
    return Stream.concat(
            CALM.subList(0, 9).stream(),
            Stream.concat(Arrays.stream(lines), CALM.subList(9, CALM.size()).stream()))
        .toList();
  }

  private static final String ACID = "GLY-20 2:00 3 A";
  private static final String ENDED = "BICARB-10 14";

  static Stream<Arguments> table() {
    return Stream.of(
        row("PRO-GONE", after("NO-SUCH"), after("SERUM")),
        // The client's own rack: TCA comes after three milder peels.
        row("PRO-RACK", calmBut(ACID, "TCA-10 3 A"), of(easy()), CALM, of(easy())),
        row("PRO-ACID", calmBut("CLEANSER", "ACID-WASH"), calmBut("CLEANSER", "CLEANSER")),
        row("PRO-TIME", calmBut(ACID, "GLY-20 5:01 3 A"), calmBut(ACID, "GLY-20 5:00 3 A")),
        row("PRO-TIME", calmBut(ACID, "GLY-20 3 A"), CALM),
        row("PRO-TIME", calmBut(ACID, "GLY-20 2:00 3 A ~61"), calmBut(ACID, "GLY-20 2:00 3 A ~60")),
        row("PRO-TIME", calmBut("SOLVENT", "ACID-PREP 1:01"), calmBut("SOLVENT", "ACID-PREP 1:00")),
        row(
            "PRO-TIME",
            calmBut(ACID, "GLY-20 2:00 3 A CHIN<2:00"),
            calmBut(ACID, "GLY-20 2:00 3 A CHIN<1:59")),
        // A first visit takes the first time: 2:00.
        row("PRO-TIME", calmBut(ACID, "GLY-20 2:05 3 A"), of(easy()), CALM, of(easy())),
        row("PRO-GATE-A", calmBut(ACID, "GLY-20 2:00 3"), CALM),
        row("PRO-GATE-A", calmBut(ACID, "GLY-20 2:00 3"), calmBut(ACID, "DRY A", "GLY-20 2:00 3")),
        row(
            "PRO-GATE-B",
            after("LAC-10 2:00 3", "COOL_RINSE", "ASK_TO_REST"),
            after("LAC-10 2:00 3 B", "COOL_RINSE", "ASK_TO_REST")),
        row(
            "PRO-GATE-B",
            calmBut(ACID, "GLY-20 2:00 3 A @NOSE", ENDED, "LAC-10 2:00 3 @NOSE"),
            calmBut(ACID, "GLY-20 2:00 3 A @NOSE", ENDED, "LAC-10 2:00 3 @CHIN")),
        row("PRO-GATE-C", after("MASK"), after("MASK C")),
        row("PRO-GATE-C", after("HIGH_FREQUENCY"), after("DRY C", "HIGH_FREQUENCY")),
        row(
            "PRO-DEPTH",
            calmBut(ACID, "GLY-50 2:00 2 A", ENDED, "ASK_TO_REST", "MAN-40 3:00 2 B"),
            calmBut(ACID, "GLY-50 1:00 2 A", ENDED, "ASK_TO_REST", "LAC-10 2:00 2 B")),
        row("PRO-ORDER", CALM.subList(1, CALM.size()), CALM),
        row("PRO-ORDER", calmBut("BARRIER"), CALM),
        row("PRO-ORDER", calmBut("EYE_PADS"), calmBut("EYE_PADS", "EYE_SHIELDS")),
        row("PRO-ORDER", calmBut(ENDED, ENDED, "CREAM"), calmBut(ENDED, ENDED, "COMPRESS")),
        row("PRO-ORDER", calmBut("SUNSCREEN"), CALM),
        row(
            "PRO-ORDER",
            calmBut("CREAM", "SUNSCREEN", "CREAM").stream()
                .filter(l -> true)
                .collect(
                    Collectors.collectingAndThen(
                        Collectors.toList(),
                        l -> {
                          List<String> m = new ArrayList<>(l);
                          m.remove(m.lastIndexOf("SUNSCREEN"));
                          return m;
                        })),
            calmBut("LEAVING_CHECK", "FINISHER", "LEAVING_CHECK")),
        row("PRO-BASE", calmBut(ENDED, "COOL_RINSE"), CALM),
        // 3 mL of glycolic 20 % w/v are 7.89 mmol; a mL of bicarbonate 10 % takes 1.190.
        row("PRO-BASE", calmBut(ENDED, "BICARB-10 6.6"), calmBut(ENDED, "BICARB-10 6.7")),
        row("PRO-BASE", calmBut(ENDED, "ARGI-WIPE 3"), calmBut(ENDED, "ARGI-WIPE 4")),
        row(
            "PRO-BASE",
            calmBut(ENDED, "COOL_RINSE"),
            BY_ITSELF,
            calmBut(ENDED, "COOL_RINSE"),
            chosen(Choice.COOL_WATER_ENDS_MILD_AHA)),
        row(
            "PRO-BASE",
            calmBut(ENDED, "COOL_RINSE"),
            BY_ITSELF,
            calmBut(ENDED, "COOL_RINSE"),
            chosen(Choice.WATER_NEUTRALISES)),
        row(
            "PRO-UNDO",
            calmBut(ACID, "SAL-20 3:00 3 A"),
            calmBut(ACID, "SAL-20 3:00 3 A").stream()
                .map(l -> l.equals(ENDED) ? "COOL_RINSE" : l)
                .toList()),
        row("PRO-HEAT", calmBut("CLEANSER", "STEAM", "CLEANSER"), CALM),
        row("PRO-HEAT", after("MASK-SET C"), after("MASK C")),
        row(
            "PRO-HEAT",
            after("MASK-SET C"),
            BY_ITSELF,
            after("MASK-SET C"),
            chosen(Choice.SETTING_MASK_MAY_WARM)),
        row("PRO-SCRUB", after("BRUSH"), calmBut("CLEANSER", "CLEANSER", "BRUSH")),
        row("PRO-SCRUB", calmBut("CLEANSER", "SCRUB", "CLEANSER"), CALM),
        row("PRO-SCRUB", after("GRAINS"), after("SERUM")),
        row("PRO-MASSAGE", after("MASSAGE"), calmBut("CLEANSER", "CLEANSER", "MASSAGE")),
        row(
            "PRO-MASSAGE",
            after("MASSAGE"),
            chosen(Choice.FEATHER_LIGHT_MASSAGE),
            after("SERUM", "MASSAGE"),
            chosen(Choice.FEATHER_LIGHT_MASSAGE)),
        row(
            "PRO-SPARK",
            calmBut("SOLVENT", "SOLVENT", "HIGH_FREQUENCY"),
            calmBut("SOLVENT", "SOLVENT", "DRY", "HIGH_FREQUENCY")),
        row(
            "PRO-SECOND",
            after("GLY-20 2:00 3 B", ENDED, "ASK_TO_REST"),
            after("LAC-10 2:00 3 B", "COOL_RINSE", "ASK_TO_REST")),
        // Enzyme, mask, enzyme is a sandwich of the trade.
        row(
            "PRO-SECOND",
            after("GLY-20 2:00 3 B", ENDED, "ASK_TO_REST"),
            after("ENZ-P 8:00 3 B", "COOL_RINSE", "MASK C", "ENZ-P 8:00 3 B", "COOL_RINSE")),
        row(
            "PRO-SECOND",
            calmBut("CLEANSER", "SAL-WASH 0:30"),
            of(easy().answering(Question.SALICYLATE_ALLERGY, "yes")),
            calmBut("CLEANSER", "SAL-WASH 0:30"),
            of(easy())),
        row(
            "PRO-POLICY",
            after("LAC-10 2:00 3 B", "COOL_RINSE", "ASK_TO_REST"),
            BY_ITSELF,
            after("LAC-10 2:00 3 B", "COOL_RINSE", "ASK_TO_REST"),
            chosen(Choice.STRENGTH_STEPS)),
        row(
            "PRO-POLICY",
            calmBut(ACID, "GLY-20 2:00 3 A @NOSE", ENDED, "LAC-10 2:00 3 B @NOSE"),
            calmBut(ACID, "GLY-20 2:00 3 A @NOSE", ENDED, "LAC-10 2:00 3 B @CHIN")),
        row("PRO-RETINOID", after("RETINAL-1 @EYE_LEFT"), after("RETINAL-1 @NOSE")),
        row(
            "PRO-RETINOID",
            List.of("LOOK_1", "TCA-10 3 A", "COLD_COMPRESSES", "ASK_TO_REST", "RETINAL-1"),
            after("RETINAL-1")),
        row("PRO-PAIR", after("COPPER", "ASCORB"), after("COPPER", "GLUCO-C")),
        row("PRO-PAIR", after("HQ", "PEROX"), after("SERUM")),
        row("PRO-PAIR", after("ACTIVE"), after("CREAM")),
        row("PRO-PAIR", after("SCENT"), after("SERUM")),
        row("PRO-PAIR", after("WET-TONER"), after("TONER")),
        row("PRO-PAIR", calmBut("SUNSCREEN", "CHEM-50"), CALM),
        row(
            "PRO-PAIR",
            calmBut("SUNSCREEN", "CHEM-50"),
            BY_ITSELF,
            calmBut("SUNSCREEN", "CHEM-50"),
            chosen(Choice.ANY_SUNSCREEN)),
        row(
            "PRO-PAIR",
            List.of("JES-RF 3 A", "LEFT_AS_IT_IS", "BALM"),
            BY_ITSELF,
            List.of("JES-RF 3 A", "LEFT_AS_IT_IS", "BALM"),
            chosen(Choice.OCCLUSIVE_AT_ONCE)),
        row("PRO-PAIR", after("BALM"), chosen(Choice.NEVER_OCCLUSIVE), after("BALM"), BY_ITSELF),
        row("PRO-PAIR", after("HQ"), BY_ITSELF, after("HQ"), chosen(Choice.INHIBITOR_THE_SAME_DAY)),
        row("PRO-WHERE", calmBut(ACID, "EYE-L 2:00 1 A"), CALM),
        row("PRO-WHERE", after("NO-EYES @EYE_LEFT"), after("NO-EYES @NOSE")),
        row(
            "PRO-CARE",
            CALM,
            of(easy().aged(72)),
            calmBut("SOLVENT", "PLAIN_WIPE"),
            of(easy().aged(72))),
        row(
            "PRO-CARE",
            after("HIGH_FREQUENCY C"),
            of(easy().answering(Question.IMPLANT, "yes")),
            after("HIGH_FREQUENCY C"),
            of(easy())),
        row(
            "PRO-CARE",
            after("EXTRACTION C"),
            BY_ITSELF,
            after("EXTRACTION C"),
            chosen(Choice.EXTRACTION_AFTER_PEEL)),
        row(
            "PRO-ALLERGY",
            after("ROSY"),
            client(easy(), CATALOGUE, "Latex; rose-oil."),
            after("ROSY"),
            client(easy(), CATALOGUE, "rosemary, olive oil")),
        row(
            "PRO-COMFORT",
            after("MASK C"),
            comforted(Comfort.CLOSED_IN),
            after("MASK C @FOREHEAD+CHIN"),
            comforted(Comfort.CLOSED_IN)),
        row(
            "PRO-COMFORT",
            calmBut("EYE_PADS", "EYE_SHIELDS"),
            comforted(Comfort.CLOSED_IN),
            calmBut("EYE_PADS", "EYE_SHIELDS"),
            comforted(Comfort.BRIGHT_LIGHT)),
        row("PRO-STOCK", CALM, stocked(0), CALM, stocked(10)),
        row("PRO-STOCK", CALM, bottled(0), CALM, bottled(10)),
        row("PRO-TIME", calmBut(ACID, "GLY-20 2:00 3 A x9"), CALM),
        row(
            "PRO-CARE",
            calmBut(ACID, "LAC-10 1:00 3 A"),
            of(compromised()),
            calmBut(ACID, "LAC-10 1:00 3 A", "COMPRESS_LIFT"),
            BY_ITSELF));
  }

  /// A barrier that is not whole, where the practice takes mild lactic acid all the same.
  private static Clients compromised() {
    return easy()
        .sensitivity(Sensitivity.COMPROMISED)
        .under(Policies.defaults().with(Choice.MILD_LACTIC_AT_BARRIER));
  }

  /// One bottle of the acid of the calm sheet.
  private static Setting bottled(double left) {
    Lot lot =
        new Lot(
            "GLY-20",
            "A1",
            T.minusDays(30),
            T.plusDays(90),
            Optional.empty(),
            Optional.empty(),
            Volume.ml(100),
            Volume.ml(left));
    return Setting.of(Policies.defaults(), CATALOGUE, Shelf.with(List.of(), List.of(lot)), T);
  }

  private static Setting comforted(Comfort comfort) {
    return Setting.of(Scripts.facts(easy()), CATALOGUE, "", Set.of(comfort));
  }

  private static Setting stocked(double left) {
    return practice(
        Policies.defaults(),
        Catalogue.with(
            List.of(),
            List.of(
                new ProductLot(
                    "CREAM",
                    "A1",
                    T.plusDays(90),
                    Optional.empty(),
                    Optional.empty(),
                    100,
                    left))));
  }

  @ParameterizedTest(name = "{0} {index}")
  @MethodSource("table")
  void isSaidToTheOneAndNotToTheOther(
      String rule, List<String> bad, Setting badIn, List<String> good, Setting goodIn) {
    assertThat(rules(bad, badIn)).contains(rule);
    assertThat(rules(good, goodIn)).doesNotContain(rule);
  }

  @Test
  void everyRuleStandsInTheTable() {
    Set<String> tested =
        Stream.concat(table().map(row -> (String) row.get()[0]), Stream.of("PRO-SLOT"))
            .collect(Collectors.toSet());
    assertThat(ScriptRules.ALL).extracting(ScriptRules.ScriptRule::id).doesNotHaveDuplicates();
    assertThat(tested)
        .containsExactlyInAnyOrderElementsOf(
            ScriptRules.ALL.stream().map(ScriptRules.ScriptRule::id).toList());
  }

  /// What each clause objects to stands in the table above, or here.
  @Test
  void everyClauseIsReached() {
    Set<String> reached =
        table()
            .flatMap(
                row -> objections((List<String>) row.get()[1], (Setting) row.get()[2]).stream())
            .map(one -> one.rule() + "." + one.clause())
            .collect(Collectors.toSet());
    assertThat(
            ScriptRules.ALL.stream()
                // The appointment is no part of a sheet: the slot has a test of its own.
                .filter(one -> !one.id().equals("PRO-SLOT"))
                .flatMap(one -> one.clauseIds().stream().map(clause -> one.id() + "." + clause)))
        .allMatch(reached::contains);
  }

  /// A swap settles what it was offered for, and leaves no shut line that was not there.
  @ParameterizedTest(name = "{0} {index}")
  @MethodSource("table")
  void theSwapSettlesIt(String rule, List<String> bad, Setting setting) {
    List<Step> steps = steps(bad, setting.catalogue());
    List<Objection> before = judge(steps, setting);
    for (Objection objection : before) {
      if (!objection.rule().equals(rule) || objection.swap().isEmpty()) continue;
      List<Step> swapped = Edit.apply(objection.swap().get().edits(), steps);
      if (swapped.isEmpty()) continue;
      assertThat(judge(swapped, setting))
          .as(objection.words() + " -> " + objection.swap().get().words())
          .noneMatch(o ->
              o.rule().equals(rule)
                  && o.step().equals(objection.step())
                  && o.words().equals(objection.words()));
    }
  }

  private static List<Objection> judge(List<Step> steps, Setting setting) {
    return Objections.of(
        List.of(new Run(setting.script(Region.FACE, steps), setting)), Optional.empty());
  }

  @Nested
  class TheWholeVisit {

    /// Two superficial stages in one visit are medium, in whatever regions they are.
    @Test
    void depthCountsOverTheRuns() {
      List<String> back = List.of("LOOK_1", "GLY-35 3:00 20 A", "BICARB-10 200", "SUNSCREEN");
      List<Objection> said =
          Objections.of(
              List.of(
                  run(Region.FACE, calmBut(ACID, "GLY-35 3:00 3 A"), BY_ITSELF),
                  run(Region.BACK, back, BY_ITSELF)),
              Optional.empty());
      assertThat(said)
          .filteredOn(o -> o.rule().equals("PRO-DEPTH"))
          .singleElement()
          .satisfies(o -> assertThat(o.run()).isEqualTo(1));
    }

    @Test
    void theSlotIsHeldAgainstAllOfIt() {
      Run run = run(Region.FACE, CALM, BY_ITSELF);
      long minutes = Run.minutes(List.of(run));
      assertThat(Objections.of(List.of(run), Optional.of(Duration.ofMinutes(minutes)))).isEmpty();
      assertThat(Objections.of(List.of(run), Optional.of(Duration.ofMinutes(minutes - 1))))
          .singleElement()
          .satisfies(o -> {
            assertThat(o.rule()).isEqualTo("PRO-SLOT");
            assertThat(o.severity()).isEqualTo(Severity.NOTE);
          });
    }

    @Test
    void aShutLineKeepsThePlanFromBeingKept() {
      assertThat(Objections.mayBeKept(objections(CALM, BY_ITSELF))).isTrue();
      assertThat(Objections.mayBeKept(objections(calmBut(ENDED), BY_ITSELF))).isFalse();
    }

    @Test
    void salicylateAndResorcinolAddUp() {
      Script face = run(Region.FACE, List.of("SAL-30 3:00 3 A"), BY_ITSELF).script();
      Ledger one = Ledger.of(List.of(face), Optional.of(65.0));
      // 3 mL of 30 % on 65 kg: 18.1 %. Chyka et al. 2007 for the limits; arithmetic.
      assertThat(one.salicylate()).isCloseTo(0.181, org.assertj.core.api.Assertions.within(0.0005));
      assertThat(Ledger.of(List.of(face, face), Optional.of(65.0)).salicylate())
          .isCloseTo(2 * one.salicylate(), org.assertj.core.api.Assertions.within(1e-9));
    }
  }

  @Test
  void theAcidOfAProductIsKnownByItsPh() {
    CareProduct neutral =
        new CareProduct(
            "NEUTRAL",
            "neutral wash",
            "",
            1,
            Role.ACID_WASH,
            List.of(new Ingredient(ActiveIngredient.LACTIC, Optional.of(2.0))),
            Optional.of(Ph.of(5.5)),
            UnitDose.BY_ML,
            Map.of(),
            Timing.NONE,
            "",
            EnumSet.of(Region.FACE),
            Set.of(),
            List.of(),
            false,
            false,
            Filter.NONE,
            false,
            Thermal.NEITHER,
            Optional.empty(),
            Optional.empty());
    Setting setting = practice(Policies.defaults(), Catalogue.with(List.of(neutral), List.of()));
    assertThat(rules(calmBut("CLEANSER", "NEUTRAL"), setting)).isEmpty();
  }
}
