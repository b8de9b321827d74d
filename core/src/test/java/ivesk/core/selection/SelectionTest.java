package ivesk.core.selection;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.Family;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Clients;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.skin.Areas;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SelectionTest {

  private static SelectionFacts facts(Clients client) {
    return SelectionFacts.of(client.facts(), client.screened(), Ladders.FIRST_VISIT);
  }

  private static Selection choose(Clients client) {
    return Selection.choose(facts(client));
  }

  private static Selection choose(Clients client, Ladders ladders) {
    return Selection.choose(SelectionFacts.of(client.facts(), client.screened(), ladders));
  }

  private static Ladders onRung(Family family, int rung, String lastCode) {
    return new Ladders(
        Map.of(family, rung),
        Map.of(family, "so far"),
        Map.of(lastCode, 1),
        Set.of(family),
        Set.of(),
        Map.of(),
        Optional.of(family),
        new Ladders.Milder(6, 6));
  }

  /// Issue 10, 3.8: the score that ranks, why a higher one does not compete, a scale that is kept.
  @Nested
  class WhatIsSaidOfAScore {

    private final Selection rack = choose(oily(), onRung(Family.GLYCOLIC, 3, "GLY-50"));

    private static Clients oily() {
      return easy().shows(Map.of(Condition.SUN_DAMAGE, 2), Condition.SUN_DAMAGE);
    }

    @Test
    void theFirstOfThoseThatCompeteSaysWhyItIsFirst() {
      Tile first = rack.tile(rack.first().orElseThrow());
      assertThat(first.formula().code()).isEqualTo("GLY-50");
      assertThat(first.reasons().standing()).startsWith("First: ");
      assertThat(rack.tile(rack.ranked().get(1)).reasons().standing())
          .startsWith("Place 2 of " + rack.ranked().size());
    }

    @Test
    void aHigherScoreThatDoesNotCompeteSaysWhy() {
      Tile lower = rack.tile("GLY-20");
      assertThat(lower.open()).isTrue();
      assertThat(lower.score().total()).isGreaterThan(rack.tile("GLY-50").score().total());
      assertThat(lower.competes()).isFalse();
      assertThat(lower.reasons().standing()).contains("of its family GLY-50 does");
    }

    /// A grade is called severity, and what a milder one reaches is called its benefit, which is no
    /// score.
    @Test
    void theNumbersInTheWordsSayWhatTheyAre() {
      Tile tile = rack.tile("GLY-50");
      assertThat(tile.reasons().fits()).contains("sun spots (severity 2 of 3). Benefit ");
      assertThat(tile.reasons().notWeaker())
          .containsPattern("is milder(; its benefit is \\d+ of 100| and its benefit is as great)");
    }

    @Test
    void isKeptWithin0And100() {
      Score over = new Score(100, 1, 0, 0, 0, 12);
      assertThat(over.total()).isEqualTo(110);
      assertThat(over.shown()).isEqualTo(100);
      assertThat(over.terms()).contains("110 in all, shown as 100");
      Score under = new Score(20, 5, 2, 8, 7, 0);
      assertThat(under.shown()).isZero();
      assertThat(new Score(60, 1, 0, 0, 0, 0).terms())
          .noneSatisfy(term -> assertThat(term).contains("shown as"));
    }

    @Test
    void aPlateauTakesTheTwelveOff() {
      Ladders ladders = onRung(Family.GLYCOLIC, 3, "GLY-50");
      assertThat(choose(oily(), ladders).tile("GLY-50").score().series()).isEqualTo(12);
      assertThat(choose(oily(), ladders.atPlateau()).tile("GLY-50").score().series()).isZero();
    }
  }

  private static SelectionFacts withEvent(Clients client, LocalDate event) {
    SelectionFacts plain = facts(client);
    return new SelectionFacts(
        plain.client(),
        plain.screening(),
        plain.ladders(),
        Optional.of(10),
        Optional.of(event),
        plain.areas(),
        Optional.empty(),
        Optional.empty());
  }

  /// What an expert would take first; expert judgement, made-up clients.
  @Nested
  class ExpectedFirstChoices {

    /// Oily as it shows on such a skin, in comedones and pores: by the weights alone, PIH without
    /// them puts mandelic four points ahead.
    @Test
    void typeFiveWithMarksOilyFirstVisit() {
      Selection rack =
          choose(
              easy()
                  .type(Phototype.V)
                  .oil(Oil.OILY)
                  .primed(20)
                  .answering(Question.PIH_EVER, "yes")
                  .shows(
                      Map.of(Condition.PIH, 2, Condition.COMEDONES, 3, Condition.PORES, 2),
                      Condition.PIH,
                      Condition.COMEDONES,
                      Condition.PORES));
      assertThat(rack.first()).contains("SAL-10");
      assertThat(rack.ranked().get(1)).as("mandelic close").isEqualTo("MAN-20");
    }

    @Test
    void rosaceaWithPapulesSensitive() {
      assertThat(
              choose(
                      easy()
                          .sensitivity(Sensitivity.SENSITIVE)
                          .shows(Map.of(Condition.ROSACEA_PAPULES, 2), Condition.ROSACEA_PAPULES))
                  .first())
          .contains("AZM-15");
    }

    @Test
    void fifteenWithComedonesAndSpots() {
      assertThat(
              choose(
                      easy()
                          .aged(15)
                          .oil(Oil.OILY)
                          .shows(
                              Map.of(Condition.COMEDONES, 3, Condition.INFLAMED_SPOTS, 2),
                              Condition.COMEDONES,
                              Condition.INFLAMED_SPOTS))
                  .first())
          .contains("SAL-10");
    }

    @Test
    void typeTwoSunDamageWithAnEventInNineDays() {
      Clients client =
          easy()
              .type(Phototype.II)
              .shows(
                  Map.of(Condition.SUN_DAMAGE, 3, Condition.FINE_LINES, 2),
                  Condition.SUN_DAMAGE,
                  Condition.FINE_LINES);
      Selection before = Selection.choose(withEvent(client, T.plusDays(9)));
      assertThat(before.ranked()).as("none before the event").isEmpty();
      assertThat(before.advice()).isPresent();
      assertThat(choose(client).first()).as("without it").contains("GLY-20");
    }

    @Test
    void typeFourMelasmaMixedPrimed() {
      assertThat(
              choose(
                      easy()
                          .type(Phototype.IV)
                          .primed(20)
                          .shows(Map.of(Condition.MELASMA, 3), Condition.MELASMA))
                  .first()
                  .orElseThrow())
          .isIn("MAN-20", "AZM-15", "GLY-20");
    }

    @Test
    void dryAndDull() {
      assertThat(
              choose(
                      easy()
                          .oil(Oil.DRY)
                          .shows(
                              Map.of(Condition.DRYNESS, 3, Condition.DULLNESS, 2),
                              Condition.DRYNESS,
                              Condition.DULLNESS))
                  .first()
                  .orElseThrow())
          .startsWith("LAC");
    }

    @Test
    void keratosisPilaris() {
      assertThat(
              choose(
                      easy()
                          .shows(
                              Map.of(Condition.KERATOSIS_PILARIS, 2), Condition.KERATOSIS_PILARIS))
                  .first()
                  .orElseThrow())
          .isIn("LAC-30", "GLY-20");
    }

    @Test
    void typeTwoOnGlycolicRungThree() {
      assertThat(
              choose(
                      easy()
                          .shows(
                              Map.of(Condition.SUN_DAMAGE, 3, Condition.FINE_LINES, 2),
                              Condition.SUN_DAMAGE),
                      onRung(Family.GLYCOLIC, 3, "GLY-35"))
                  .first())
          .contains("GLY-50");
    }

    @Test
    void typeTwoShallowScarsFirstVisit() {
      assertThat(
              choose(easy().shows(Map.of(Condition.SCARS_SHALLOW, 2), Condition.SCARS_SHALLOW))
                  .first())
          .contains("GLY-20");
    }

    @Test
    void typeSixOnSalicylicRungTwoPrimed() {
      assertThat(
              choose(
                      easy()
                          .type(Phototype.VI)
                          .oil(Oil.OILY)
                          .primed(60)
                          .shows(
                              Map.of(Condition.PIH, 3, Condition.INFLAMED_SPOTS, 2), Condition.PIH),
                      onRung(Family.SALICYLIC, 2, "SAL-10"))
                  .first())
          .contains("SAL-20");
    }

    @Test
    void whatDoesNothingForTheGoalsIsNotRanked() {
      Selection rack =
          choose(
              easy()
                  .type(Phototype.II)
                  .shows(Map.of(Condition.SCARS_ICEPICK, 3), Condition.SCARS_ICEPICK));
      assertThat(rack.ranked()).isEmpty();
      assertThat(rack.tiles()).anyMatch(Tile::open);
      Counsel counsel = rack.advice().orElseThrow();
      assertThat(counsel.said()).startsWith("A peel alone does little for");
      assertThat(counsel.refer().orElseThrow()).startsWith("a dermatologist");
    }

    @Test
    void dermalMelasmaOnlySaysAPeelDoesLittle() {
      Selection rack =
          choose(
              easy()
                  .type(Phototype.III)
                  .primed(20)
                  .shows(Map.of(Condition.MELASMA_DERMAL, 3), Condition.MELASMA_DERMAL));
      assertThat(rack.advice().orElseThrow().said())
          .contains("does little")
          .contains("melasma, dermal");
      assertThat(rack.advice().orElseThrow().refer().orElseThrow()).contains("dermatologist");
    }
  }

  @Nested
  class Scores {

    /// Worked by hand: PIH 3 as first goal weighs 9, dullness 1 weighs 1; mandelic serves them 3
    /// and 2: 100 * (27 + 2) / 30 = 96.7. Level 1: -2. Marks before, very superficial: -2. Two
    /// days: -2.
    @Test
    void everyTermOfOneFormula() {
      Tile tile =
          choose(
                  easy()
                      .primed(20)
                      .shows(Map.of(Condition.PIH, 3, Condition.DULLNESS, 1), Condition.PIH))
              .tile("MAN-20");
      Score score = tile.score();
      assertThat(score.benefit()).isCloseTo(96.667, within(0.001));
      assertThat(score.level()).isEqualTo(1);
      assertThat(score.overTolerance()).isZero();
      assertThat(score.pihRisk()).isEqualTo(2);
      assertThat(score.downtimeDays()).isEqualTo(2);
      assertThat(score.series()).isZero();
      assertThat(score.total()).isCloseTo(96.667 - 2 - 2 - 2, within(0.001));
      assertThat(score.terms()).anyMatch(term -> term.contains("97 of 100"));
    }

    /// Level is the family's and half a point for each rung above the entry; tolerance by
    /// sensitivity 5, 4, 1.5, 0.
    @ParameterizedTest
    @CsvSource({"RESILIENT, 0", "NORMAL, 0", "SENSITIVE, 1"})
    void overTolerance(Sensitivity sensitivity, double over) {
      Tile gly35 = choose(easy().sensitivity(sensitivity)).tile("GLY-35");
      assertThat(gly35.score().level()).isEqualTo(2.5);
      assertThat(gly35.score().overTolerance()).isEqualTo(over);
    }

    @Test
    void aNamedGoalCountsAtLeastOne() {
      assertThat(Score.wishes(easy().shows(Map.of(), Condition.PORES).facts()))
          .containsExactly(Map.entry(Condition.PORES, 3.0));
    }

    @ParameterizedTest
    @CsvSource({"OILY, 3.0", "BALANCED, 3.0", "DRY, 2.5"})
    void oilShiftsSalicylicWithinItsBounds(Oil oil, double affinity) {
      assertThat(Affinity.of(Family.SALICYLIC, Condition.PORES, oil)).isEqualTo(affinity);
    }

    @Test
    void oilShiftsNothingThatIsNotThere() {
      assertThat(Affinity.of(Family.SALICYLIC, Condition.DRYNESS, Oil.OILY)).isZero();
      assertThat(Affinity.of(Family.MANDELIC, Condition.PORES, Oil.OILY)).isEqualTo(2.5);
    }

    @Test
    void theRunningSeriesWinsTwelve() {
      Clients client = easy().shows(Map.of(Condition.DULLNESS, 2), Condition.DULLNESS);
      Selection rack = choose(client, onRung(Family.MANDELIC, 1, "MAN-20"));
      assertThat(rack.tile("MAN-20").score().series()).isEqualTo(12);
      assertThat(rack.tile("GLY-20").score().series()).isZero();
    }
  }

  @Nested
  class Gates {

    private String reasons(Selection rack, String code) {
      return String.join("; ", rack.tile(code).shut().stream().map(s -> s.words()).toList());
    }

    @Test
    void mediumDepthIsShown_shutWithItsReason() {
      Selection rack = choose(easy());
      assertThat(reasons(rack, "GLY-70")).contains("outside a therapist's scope");
      assertThat(reasons(rack, "TCA-35")).contains("outside a therapist's scope");
    }

    @Test
    void theLicenceMayStopAtVerySuperficial() {
      Policies usual = Policies.defaults();
      Policies narrow =
          new Policies(
              usual.thresholds(),
              Policies.LicenceScope.VERY_SUPERFICIAL,
              4,
              1,
              8,
              7,
              Set.of(),
              Set.of());
      assertThat(reasons(choose(easy().under(narrow)), "GLY-35"))
          .contains("deeper than the licence");
    }

    @Test
    void tcaAndResorcinolNeedTheClinician() {
      Selection rack = choose(easy().under(Policies.defaults()));
      assertThat(reasons(rack, "TCA-10")).contains("supervising clinician");
      assertThat(reasons(rack, "JES")).contains("supervising clinician");
      assertThat(reasons(rack, "JES-RF")).doesNotContain("supervising clinician");
    }

    @Test
    void theStrongFamiliesComeAfterThreeMilderPeels() {
      assertThat(reasons(choose(easy()), "TCA-10")).contains("three well-taken peels");
      Ladders two =
          new Ladders(
              Map.of(),
              Map.of(),
              Map.of(),
              Set.of(),
              Set.of(),
              Map.of(),
              Optional.empty(),
              new Ladders.Milder(2, 1));
      Ladders three =
          new Ladders(
              Map.of(),
              Map.of(),
              Map.of(),
              Set.of(),
              Set.of(),
              Map.of(),
              Optional.empty(),
              new Ladders.Milder(3, 1));
      assertThat(reasons(choose(easy(), two), "JES-RF")).contains("so far 2");
      assertThat(choose(easy(), three).tile("TCA-10").open()).isTrue();
    }

    @Test
    void theLadderShutsWhatIsAboveIt() {
      assertThat(reasons(choose(easy()), "GLY-35")).contains("rung 2");
      assertThat(choose(easy(), onRung(Family.GLYCOLIC, 2, "GLY-20")).tile("GLY-35").open())
          .isTrue();
    }

    @Test
    void downtimeMustFitTheClientsLife() {
      SelectionFacts plain = facts(easy());
      SelectionFacts busy =
          new SelectionFacts(
              plain.client(),
              plain.screening(),
              plain.ladders(),
              Optional.of(0),
              Optional.empty(),
              plain.areas(),
              Optional.empty(),
              Optional.empty());
      Selection rack = Selection.choose(busy);
      assertThat(reasons(rack, "SAL-10")).contains("may flake to day 2");
      assertThat(rack.tile("GLY-20").open()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"13, false", "14, true"})
    void aFirstPeelKeepsFourteenDaysFromAnEvent(int days, boolean open) {
      assertThat(Selection.choose(withEvent(easy(), T.plusDays(days))).tile("GLY-20").open())
          .isEqualTo(open);
    }

    @Test
    void aLargeAreaOfSalicylicIsShutByItsYardstick() {
      SelectionFacts plain = facts(easy());
      SelectionFacts small =
          new SelectionFacts(
              plain.client(),
              plain.screening(),
              plain.ladders(),
              Optional.empty(),
              Optional.empty(),
              new Areas(1.75, 35, Map.of(Region.FACE, 4000.0)),
              Optional.of(50.0),
              Optional.empty());
      assertThat(reasons(Selection.choose(small), "SAL-10")).contains("yardstick");
    }
  }

  @Nested
  class Reasons {

    private final Clients client =
        easy().shows(Map.of(Condition.SUN_DAMAGE, 3, Condition.DULLNESS, 1), Condition.SUN_DAMAGE);

    @Test
    void sayWhatFitsAndWhyNotStronger() {
      Tile gly = choose(client).tile("GLY-20");
      assertThat(gly.reasons().fits()).contains("sun spots (severity 3 of 3)");
      assertThat(gly.reasons().notStronger()).startsWith("GLY-35 is shut: rung 2");
      assertThat(gly.reasons().notWeaker()).contains("milder");
      assertThat(gly.reasons().watch()).contains("whitening");
    }

    @Test
    void whatToWatchGoesByTheRegion() {
      assertThat(choose(easy()).tile("GLY-20").reasons().watch()).contains("Nostril folds");
      assertThat(choose(easy().at(Region.BACK)).tile("GLY-20").reasons().watch())
          .doesNotContain("Nostril", "Thin");
      assertThat(choose(easy().at(Region.NECK_DECOLLETAGE)).tile("LAC-10").reasons().watch())
          .contains("Thin skin: it takes up more.");
    }

    @Test
    void aShutFormulaNamesItsOwnFamilyOfSeveral() {
      Selection rack =
          choose(
              easy()
                  .patched(
                      Clients.patched(Family.PHA, PatchTest.Result.NOTHING),
                      Clients.patched(Family.ENZYME, PatchTest.Result.NOTHING)));
      assertThat(rack.tile("GLY-35").shut())
          .extracting(Shut::words)
          .contains("WAIT: no patch test for glycolic");
    }

    @Test
    void askWhenNothingIsWished() {
      Selection rack = choose(easy().shows(Map.of()));
      assertThat(rack.ranked()).isEmpty();
      assertThat(rack.advice().orElseThrow().instead().getFirst())
          .contains("Ask what the client wants");
    }

    @Test
    void nothingRanksThatIsShut() {
      Clients pregnant = easy().answering(Question.PREGNANT, "yes");
      Selection rack = choose(pregnant);
      assertThat(rack.ranked()).isEmpty();
      assertThat(rack.tiles()).noneMatch(Tile::open);
      assertThat(rack.advice().orElseThrow().said()).contains("pregnant");
      assertThat(rack.advice().orElseThrow().instead())
          .singleElement()
          .asString()
          .contains("bland");
    }
  }

  @Nested
  class Layers {

    @Test
    void firstVisitNumbersAndOneInDarkerTypes() {
      Ladders ready =
          new Ladders(
              Map.of(),
              Map.of(),
              Map.of(),
              Set.of(),
              Set.of(),
              Map.of(),
              Optional.empty(),
              new Ladders.Milder(3, 1));
      assertThat(choose(easy().type(Phototype.III), ready).tile("JES-RF").layers()).isEqualTo(2);
      assertThat(choose(easy().type(Phototype.IV).primed(20), ready).tile("JES-RF").layers())
          .isEqualTo(1);
    }

    @Test
    void atMostOneMoreThanLastTimeWithinThePhototypeCap() {
      Ladders had =
          new Ladders(
              Map.of(Family.JESSNER, 1),
              Map.of(),
              Map.of("JES-RF", 2),
              Set.of(Family.JESSNER),
              Set.of(),
              Map.of(),
              Optional.empty(),
              new Ladders.Milder(3, 0));
      ScreeningFacts three = easy().type(Phototype.III).facts();
      SelectionFacts facts = SelectionFacts.of(three, easy().type(Phototype.III).screened(), had);
      assertThat(Amounts.plannedLayers(ivesk.core.formula.Library.get("JES-RF"), facts))
          .isEqualTo(2);
      assertThat(Amounts.mostLayers(ivesk.core.formula.Library.get("JES-RF"), facts)).isEqualTo(3);
      Clients five = easy().type(Phototype.V).primed(20);
      assertThat(
              Amounts.mostLayers(
                  ivesk.core.formula.Library.get("JES-RF"),
                  SelectionFacts.of(five.facts(), five.screened(), had)))
          .isEqualTo(2);
    }
  }
}
