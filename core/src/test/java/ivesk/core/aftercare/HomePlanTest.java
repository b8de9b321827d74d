package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sheets.client;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import ivesk.core.Language;
import ivesk.core.aftercare.HomePlan.Item;
import ivesk.core.aftercare.HomePlan.Standing;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.Conflict;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// Home plan and conflicts of domain/08; common practice, no source.
class HomePlanTest {
  private static final LocalDate DAY = Sheets.ENDED.toLocalDate();

  private static HomePlan plan(
      Condition goal, boolean first, boolean sensitive, Policies policies, HomeProduct... own) {
    return HomePlan.of(
        sheet(first, policies), KeptOff.NOTHING, List.of(goal), List.of(own), sensitive, policies);
  }

  private static Aftercare sheet(boolean first, Policies policies) {
    return Sheets.of(
        Library.get("MAN-20"), DepthClass.VERY_SUPERFICIAL, client(first, false), policies);
  }

  private static HomePlan plan(Condition goal, KeptOff keptOff, HomeProduct... own) {
    Policies policies = Policies.defaults();
    return HomePlan.of(
        sheet(false, policies), keptOff, List.of(goal), List.of(own), false, policies);
  }

  /// domain/02: neither tweens nor teenagers get a retinoid; at home as little as after a peel.
  @ParameterizedTest
  @CsvSource({"11, true", "15, true", "30, false"})
  void aMinorGetsNoRetinolAtHome(int age, boolean keptOff) {
    KeptOff off =
        KeptOff.of(ivesk.core.screening.Clients.easy().aged(age).facts(), Set.of(), "", false);
    assertThat(off.excluded().contains(ivesk.core.formula.Substance.RETINOL)).isEqualTo(keptOff);
  }

  private static HomePlan plan(Condition goal, HomeProduct... own) {
    return plan(goal, false, false, Policies.defaults(), own);
  }

  private static HomeProduct product(String name, Active... actives) {
    return new HomeProduct(name, Set.of(actives), Optional.empty(), Optional.empty());
  }

  private static Item item(HomePlan plan, HomeItem item) {
    return plan.items().stream().filter(one -> one.item() == item).findFirst().orElseThrow();
  }

  private static Set<HomeItem> items(HomePlan plan) {
    return plan.items().stream().map(Item::item).collect(Collectors.toSet());
  }

  @ParameterizedTest
  @EnumSource(Condition.class)
  void everyGoalHasAPlanWithTheBlandThings(Condition goal) {
    assertThat(items(plan(goal)))
        .contains(HomeItem.CLEANSER, HomeItem.CREAM, HomeItem.SUNSCREEN)
        .hasSizeGreaterThan(3);
  }

  @ParameterizedTest
  @CsvSource({
    // goal, item, days after a peel that is not the first
    "MELASMA, VITAMIN_C, 0",
    "MELASMA, INHIBITOR, 3",
    "MELASMA, AZELAIC, 7",
    "FINE_LINES, RETINOL, 5",
    "INFLAMED_SPOTS, PEROXIDE, 7",
    "INFLAMED_SPOTS, NIACINAMIDE, 3",
    "DRYNESS, CERAMIDES, 0"
  })
  void whatReturnsWhen(Condition goal, HomeItem item, int days) {
    assertThat(item(plan(goal), item).from()).isEqualTo(DAY.plusDays(days));
  }

  @Test
  void acidsWaitOrStayWeakInTheFirstWeeksByPolicy() {
    Policies usual = Policies.defaults();
    Item none = item(plan(Condition.PORES, true, false, usual), HomeItem.SALICYLIC);
    assertThat(none.from()).isEqualTo(DAY.plusDays(28));
    assertThat(none.capPercent()).isEmpty();
    Item weak =
        item(
            plan(Condition.PORES, true, false, usual.with(Choice.MILD_HOME_ACIDS_FIRST_WEEKS)),
            HomeItem.SALICYLIC);
    assertThat(weak.from()).isEqualTo(DAY.plusDays(7));
    assertThat(weak.told(DAY).in(Language.EN))
        .isEqualTo("salicylic acid, up to 5 %, on alternate nights, from Wed 2 Dec");
  }

  @Test
  void theInhibitorFollowsItsPolicy() {
    Policies same = Policies.defaults().with(Choice.INHIBITOR_THE_SAME_DAY);
    assertThat(item(plan(Condition.PIH, false, false, same), HomeItem.INHIBITOR).from())
        .isEqualTo(DAY);
  }

  @Test
  void sensitiveSkinGetsNeitherRetinolNorPeroxide() {
    assertThat(items(plan(Condition.FINE_LINES, false, true, Policies.defaults())))
        .doesNotContain(HomeItem.RETINOL);
    assertThat(items(plan(Condition.INFLAMED_SPOTS, false, true, Policies.defaults())))
        .doesNotContain(HomeItem.PEROXIDE);
  }

  /// What domain/02 excludes for this client is not given at home either; who is pregnant gets no
  /// retinoid, salicylic acid or inhibitor; nobody what they told to be allergic to.
  @ParameterizedTest
  @CsvSource({
    "PORES, SALICYLIC, SALICYLIC, false, ''",
    "FINE_LINES, RETINOL, RETINOL, false, ''",
    "MELASMA, AZELAIC, AZELAIC, false, ''",
    "PORES, SALICYLIC, , true, ''",
    "FINE_LINES, RETINOL, , true, ''",
    "MELASMA, INHIBITOR, , true, ''",
    "INFLAMED_SPOTS, PEROXIDE, , false, 'nickel; Benzoyl peroxide!'",
    "MELASMA, VITAMIN_C, , false, 'vitamin c'",
    "PORES, NIACINAMIDE, , false, 'niacinamide, latex'",
    "PORES, SALICYLIC, , false, 'Aspirin'",
  })
  void whatTheClientMayNotHaveIsLeftOut(
      Condition goal, HomeItem item, Substance excluded, boolean pregnant, String allergies) {
    Set<Substance> none = excluded == null ? Set.of() : Set.of(excluded);
    HomePlan plan = plan(goal, new KeptOff(none, pregnant, allergies, false));
    assertThat(items(plan)).doesNotContain(item);
    assertThat(plan.leftOut()).extracting(HomePlan.LeftOut::item).contains(item);
    assertThat(items(plan(goal))).contains(item);
  }

  /// After an alarm nothing active is given, whatever the goal; what is prescribed is the doctor's.
  @ParameterizedTest
  @EnumSource(Condition.class)
  void afterAnIncidentOnlyBlandThingsAreGiven(Condition goal) {
    HomePlan plan =
        plan(
            goal,
            new KeptOff(Set.of(), false, "", true),
            product("Toner", Active.ACID),
            product("Night", Active.PRESCRIBED_RETINOID),
            product("Soap"));
    assertThat(items(plan)).allMatch(item -> !item.active());
    assertThat(plan.own())
        .extracting(HomePlan.Own::name, HomePlan.Own::standing)
        .containsExactly(tuple("Toner", Standing.HELD), tuple("Night", Standing.AS_PRESCRIBED));
  }

  /// Which acid an own product holds nobody has said; a prescribed retinoid is the doctor's to
  /// stop.
  @ParameterizedTest
  @CsvSource({
    "RETINOL, RETINOL, DROP",
    "PRESCRIBED_RETINOID, RETINOL, AS_PRESCRIBED",
    "ACID, SALICYLIC, DROP",
    "ACID, RETINOL, RETURNS",
    "ACID, TCA, RETURNS",
    "ACID, PYRUVIC, RETURNS",
    "SCRUB, SALICYLIC, RETURNS",
  })
  void ownProductsWithWhatIsExcluded(Active own, Substance excluded, Standing standing) {
    KeptOff keptOff = new KeptOff(Set.of(excluded), false, "", false);
    assertThat(plan(Condition.DRYNESS, keptOff, product("own", own)).own())
        .extracting(HomePlan.Own::standing)
        .containsExactly(standing);
  }

  @Test
  void allergiesAreReadInWholeWords() {
    KeptOff salicin = new KeptOff(Set.of(), false, "a salicylin, niacinamides", false);
    assertThat(plan(Condition.PORES, salicin).leftOut()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "RETINOL, RETURNS, 5", "PRESCRIBED_RETINOID, RETURNS, 5", "ACID, RETURNS, 7",
    "SCRUB, RETURNS, 7", "BENZOYL_PEROXIDE, RETURNS, 7", "ASCORBIC_ACID, RETURNS, 7",
    "ALCOHOL_OR_FRAGRANCE, RETURNS, 7", "CHEMICAL_FILTER, RETURNS, 1", "INHIBITOR, RETURNS, 3",
    "STEROID, AS_PRESCRIBED,", "CYTOSTATIC, AS_PRESCRIBED,"
  })
  void ownProductsRestUntilTheirDate(Active active, Standing standing, Integer days) {
    HomePlan plan = plan(Condition.DRYNESS, product("own", active));
    assertThat(plan.own())
        .singleElement()
        .satisfies(own -> {
          assertThat(own.standing()).isEqualTo(standing);
          assertThat(own.from()).isEqualTo(Optional.ofNullable(days).map(DAY::plusDays));
        });
  }

  @Test
  void whatIsBlandGoesOn() {
    assertThat(plan(Condition.DRYNESS, product("day cream")).own()).isEmpty();
    assertThat(plan(Condition.DRYNESS, product("copper serum", Active.COPPER)).own()).isEmpty();
  }

  @Test
  void sensitiveSkinLeavesScrubsOut() {
    HomePlan plan =
        plan(Condition.DRYNESS, false, true, Policies.defaults(), product("s", Active.SCRUB));
    assertThat(plan.own().getFirst().standing()).isEqualTo(Standing.DROP);
  }

  /// The two pairs of domain/08, each with what may be used instead, and no other.
  @Test
  void pairsThatDoNotGoTogetherAreNamedWithASwap() {
    HomePlan copper =
        plan(
            Condition.DRYNESS,
            product("Copper serum", Active.COPPER),
            product("Bright C", Active.ASCORBIC_ACID));
    assertThat(copper.clashes())
        .singleElement()
        .satisfies(clash -> {
          assertThat(clash.why()).isEqualTo(Conflict.COPPER_AND_ASCORBIC);
          assertThat(Told.all(clash.told(), Language.EN))
              .isEqualTo(
                  "Copper serum and Bright C do not go together: they undo each other. Instead:"
                      + " vitamin C, neutral form.");
        });
    HomePlan stain = plan(Condition.INFLAMED_SPOTS, product("Night cream", Active.INHIBITOR));
    assertThat(stain.clashes())
        .singleElement()
        .satisfies(clash -> {
          assertThat(clash.why()).isEqualTo(Conflict.HYDROQUINONE_AND_PEROXIDE);
          assertThat(clash.instead()).contains(HomeItem.AZELAIC);
        });
    for (Condition goal : Condition.values()) {
      assertThat(plan(goal).clashes()).as("a plan of ours never clashes: " + goal).isEmpty();
    }
  }

  @Test
  void everyConflictHasItsWords() {
    assertThat(Arrays.stream(Conflict.values()).map(HomePlan::inWords).toList())
        .doesNotHaveDuplicates()
        .hasSize(Conflict.values().length);
  }
}
