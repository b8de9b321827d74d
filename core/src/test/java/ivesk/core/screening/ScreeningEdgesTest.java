package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.PatchRules;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/// The edges of the screening rules, and their words: each test here notices a change of a rule
/// that the tests of the chapters let pass (`./ivesk mutate screening` makes such changes). Common
/// practice, no source.
class ScreeningEdgesTest {
  private static List<Finding> of(Clients client, String rule) {
    return client.screened().findings().stream().filter(f -> f.ruleId().equals(rule)).toList();
  }

  private static List<String> said(Clients client, String rule) {
    return of(client, rule).stream().map(Finding::said).toList();
  }

  private static PastPeel peel(String code, int daysAgo, PeelOutcome outcome) {
    return Clients.peel(code, daysAgo, outcome, Region.FACE);
  }

  private static PastPeel elsewhere(String code, int daysAgo, PeelOutcome outcome) {
    return PastPeel.elsewhere(
        Library.get(code),
        Region.FACE,
        T.minusDays(daysAgo),
        outcome,
        new PastPeel.Outside(true, Optional.empty()));
  }

  @Nested
  class Patch {

    /// A first visit tests every family; a practice may leave the very superficial out.
    @Test
    void isOwedUntilItWasReadAndByPolicyOnlyForWhatGoesDeeper() {
      Formula glycolic = Library.get("GLY-20");
      ScreeningFacts untested = easy().patched().facts();
      assertThat(PatchRules.patchTestOwed(untested, glycolic)).isTrue();
      assertThat(PatchRules.patchTested(untested, glycolic, DepthClass.VERY_SUPERFICIAL)).isTrue();
      ScreeningFacts tested = easy().facts();
      assertThat(PatchRules.patchTestOwed(tested, glycolic)).isFalse();
      assertThat(PatchRules.patchTested(tested, glycolic, DepthClass.SUPERFICIAL))
          .as("it was tested, since it is a first peel")
          .isTrue();
      Policies deeper = Policies.defaults().with(Choice.PATCH_TEST_SUPERFICIAL_ONLY);
      ScreeningFacts spared = easy().patched().under(deeper).facts();
      assertThat(PatchRules.patchTested(spared, glycolic, DepthClass.VERY_SUPERFICIAL)).isFalse();
      assertThat(PatchRules.patchTested(spared, glycolic, DepthClass.SUPERFICIAL)).isTrue();
    }

    @Test
    void ofAFamilyThatWasPeeledHereIsNotAskedUnlessTheSkinIsSensitive() {
      Formula glycolic = Library.get("GLY-20");
      Clients peeled = easy().patched().after(peel("GLY-20", 60, PeelOutcome.WELL_TAKEN));
      assertThat(PatchRules.patchTestOwed(peeled.facts(), glycolic)).isFalse();
      assertThat(PatchRules.patchTestOwed(peeled.facts(), Library.get("TCA-10"))).isTrue();
      assertThat(said(peeled, "SCR-PATCH"))
          .hasSize(1)
          .allMatch(words -> words.startsWith("no patch test for ") && !words.contains("glycolic"));
      peeled.sensitivity(Sensitivity.SENSITIVE);
      assertThat(PatchRules.patchTestOwed(peeled.facts(), glycolic)).isTrue();
      assertThat(said(peeled, "SCR-PATCH")).containsExactly("no patch test");
    }

    /// It is read from the day after; three days later nobody knows what it showed.
    @ParameterizedTest
    @CsvSource({"0, true, 1", "1, true, 0", "3, true, 0", "4, false, 0"})
    void placedAndNotRead(int daysAgo, boolean waitsForTheRead, int earliestInDays) {
      PatchTest unread =
          new PatchTest(
              Family.GLYCOLIC,
              T.minusDays(daysAgo).atTime(10, 0).toInstant(ZoneOffset.UTC),
              T.minusDays(daysAgo),
              Map.of());
      List<Finding> found =
          of(
              easy()
                  .patched(
                      Stream.concat(
                              Stream.of(unread),
                              Arrays.stream(Family.values())
                                  .filter(family -> family != Family.GLYCOLIC)
                                  .map(f -> Clients.patched(f, PatchTest.Result.NOTHING)))
                          .toArray(PatchTest[]::new)),
              "SCR-PATCH");
      assertThat(found).hasSize(1);
      assertThat(found.getFirst().said())
          .isEqualTo(
              waitsForTheRead
                  ? "patch test placed, not yet read: glycolic"
                  : "no patch test for glycolic");
      assertThat(found.getFirst().until())
          .isEqualTo(
              earliestInDays > 0 ? Optional.of(T.plusDays(earliestInDays)) : Optional.empty());
    }

    @Test
    void thatReactedShutsTheFamilyAndItsAcid() {
      List<Finding> found =
          of(
              easy().patched(Clients.patched(Family.GLYCOLIC, PatchTest.Result.REACTION)),
              "SCR-PATCH");
      assertThat(found)
          .anySatisfy(one -> {
            assertThat(one.said()).isEqualTo("reaction to the patch test");
            assertThat(one.firm()).isTrue();
            assertThat(one.restrictions())
                .contains(new Restriction.ExcludeFamilies(Set.of(Family.GLYCOLIC)));
          });
    }
  }

  @Nested
  class EarlierPeels {

    /// It halves no more once the same acid was well taken after it.
    @Test
    void anAdverseOneLimitsItsAcidUntilOneWithItWasWellTaken() {
      PastPeel adverse = peel("GLY-35", 90, PeelOutcome.ADVERSE);
      String rule = rule(easy().after(adverse), "was adverse");
      assertThat(said(easy().after(adverse), rule)).anyMatch(w -> w.endsWith("was adverse"));
      assertThat(limits(easy().after(adverse), rule))
          .anyMatch(limit -> limit.contains("glycolic"))
          .anyMatch(limit -> limit.startsWith("milder families only"));
      Clients otherAcid = easy().after(adverse, peel("SAL-20", 40, PeelOutcome.WELL_TAKEN));
      assertThat(limits(otherAcid, rule))
          .as("another acid was well taken: its level is open, glycolic is not")
          .anyMatch(limit -> limit.contains("glycolic"))
          .noneMatch(limit -> limit.startsWith("milder families only"));
      Clients same = easy().after(adverse, peel("GLY-20", 40, PeelOutcome.WELL_TAKEN));
      assertThat(limits(same, rule)).isEmpty();
      Clients before = easy().after(peel("GLY-20", 120, PeelOutcome.WELL_TAKEN), adverse);
      assertThat(limits(before, rule)).as("a good one before it").isNotEmpty();
    }

    @Test
    void doneElsewhereIsSaid() {
      Clients client = easy().after(elsewhere("GLY-35", 90, PeelOutcome.ADVERSE));
      String rule = rule(client, "was adverse");
      assertThat(said(client, rule)).anyMatch(words -> words.endsWith("was adverse, elsewhere"));
      Clients lately = easy().after(elsewhere("GLY-35", 3, PeelOutcome.WELL_TAKEN));
      assertThat(said(lately, "SCR-INTERVAL")).allMatch(words -> words.endsWith(", elsewhere"));
      Clients here = easy().after(peel("GLY-35", 3, PeelOutcome.WELL_TAKEN));
      assertThat(said(here, "SCR-INTERVAL"))
          .isNotEmpty()
          .noneMatch(words -> words.contains("elsewhere"));
    }

    /// Two peels of one day and one formula on two regions are two findings, with ids of their own.
    @Test
    void twoOfThemAreTwoFindings() {
      PastPeel face = peel("GLY-35", 90, PeelOutcome.ADVERSE);
      PastPeel eyes = Clients.peel("GLY-35", 90, PeelOutcome.ADVERSE, Region.EYE_CONTOUR);
      List<Finding> both = of(easy().after(face, eyes), rule(easy().after(face), "was adverse"));
      assertThat(both).extracting(Finding::id).doesNotHaveDuplicates().hasSize(2);
    }

    @Test
    void anAllergicOneShutsItsFormulaAndItsAcid() {
      Clients one = easy().after(peel("GLY-35", 200, PeelOutcome.ADVERSE).allergic(true));
      String rule = rule(one, "allergic reaction");
      Finding found = of(one, rule).getFirst();
      assertThat(found.said())
          .startsWith("allergic reaction to GLY-35 on ")
          .doesNotContain("elsewhere");
      assertThat(found.restrictions())
          .contains(new Restriction.ExcludeFormulas(Set.of("GLY-35")))
          .contains(new Restriction.Exclude(Set.of(Substance.GLYCOLIC)));
      Clients there = easy().after(elsewhere("GLY-35", 200, PeelOutcome.ADVERSE).allergic(true));
      assertThat(said(there, rule)).allMatch(words -> words.endsWith(", elsewhere"));
    }

    private String rule(Clients client, String words) {
      return client.screened().findings().stream()
          .filter(finding -> finding.said().contains(words))
          .map(Finding::ruleId)
          .findFirst()
          .orElseThrow();
    }

    private List<String> limits(Clients client, String rule) {
      return of(client, rule).stream()
          .filter(finding -> finding.said().contains("was adverse"))
          .flatMap(finding -> finding.restrictions().stream())
          .map(Restriction::words)
          .toList();
    }
  }

  /// Settlements of coming visits are kept under these ids: each part of them is of use.
  @Nested
  class Ids {

    @Test
    void nameTheAnswerItsDayItsPlacesAndItsFamilies() {
      Clients waxed = easy().answering(Question.HAIR, "done", T.minusDays(1));
      assertThat(ids(waxed)).anyMatch(id -> id.contains("HAIR=done@" + T.minusDays(1)));
      Clients marked =
          easy()
              .answering(
                  Question.MARK,
                  new Answer(
                      "seen",
                      Optional.empty(),
                      Optional.empty(),
                      Set.of(Zone.NOSE, Zone.CHIN),
                      Set.of()));
      assertThat(ids(marked)).anyMatch(id -> id.contains("MARK=seen[CHIN, NOSE]"));
    }

    @Test
    void nameTheQuestionThatWaits() {
      Clients unasked = easy().notAsked(Question.PREGNANT);
      Finding finding =
          unasked.screened().findings().stream().filter(Finding::unasked).findFirst().orElseThrow();
      assertThat(finding.asks()).contains(Question.PREGNANT);
      assertThat(finding.clears()).isTrue();
      assertThat(of(easy().type(null), finding.ruleId())).allMatch(f -> f.asks().isEmpty());
      assertThat(easy().screened().findings()).allMatch(f -> f.asks().isEmpty());
    }

    private List<String> ids(Clients client) {
      return client.screened().findings().stream().map(Finding::id).toList();
    }
  }

  @Nested
  class WordsOfAFinding {

    /// Of several families that it names, a formula is told its own.
    @Test
    void tellAFormulaItsOwnFamily() {
      Finding patch =
          of(easy().patched().after(peel("PHA-15", 60, PeelOutcome.WELL_TAKEN)), "SCR-PATCH")
              .getFirst();
      assertThat(patch.saidOf(Library.get("GLY-20"))).isEqualTo("no patch test for glycolic");
      assertThat(patch.saidOf(Library.get("JES-RF"))).startsWith("no patch test for ");
      Finding wait = of(easy().answering(Question.UNWELL, "yes"), "SCR-UNWELL").getFirst();
      assertThat(wait.saidOf(Library.get("GLY-20"))).isEqualTo(wait.said());
    }

    @Test
    void tellWhyAgeConsentAndTypeCount() {
      assertThat(words(easy().aged(75))).anyMatch(said -> said.contains("75"));
      assertThat(words(easy().aged(69))).noneMatch(said -> said.contains("69 years"));
      assertThat(words(easy().type(Phototype.V).answering(Question.PIH_EVER, "yes")))
          .anyMatch(said -> said.equals("type V with marks after spots"));
      assertThat(words(easy().type(Phototype.V).answering(Question.PIH_EVER, "no")))
          .contains("type V")
          .noneMatch(said -> said.contains("marks after spots"));
      assertThat(words(easy().shows(Map.of(Condition.MELASMA, 2)))).anyMatch("melasma"::equals);
    }

    @Test
    void tellAConsentThatWasWithdrawnFromOneThatWasNeverSigned() {
      assertThat(words(easy().consenting())).anyMatch(said -> said.contains("consent"));
      Consent withdrawn =
          new Consent(
              Family.GLYCOLIC,
              T.minusDays(30),
              "Client",
              Optional.empty(),
              Optional.of(T.minusDays(10)));
      assertThat(words(easy().consenting(withdrawn))).anyMatch(said -> said.contains("withdrawn"));
      assertThat(words(easy().consenting())).noneMatch(said -> said.contains("withdrawn"));
    }

    private List<String> words(Clients client) {
      return client.screened().findings().stream().map(Finding::said).toList();
    }
  }

  static Stream<Arguments> limits() {
    return Stream.of(
        Arguments.of(
            new Restriction.OnlyFamilies(Set.of(Family.LACTIC, Family.PHA)), "only PHA, lactic"),
        Arguments.of(new Restriction.ExcludeFamilies(Set.of(Family.TCA)), "no TCA"),
        Arguments.of(new Restriction.OnlyFormulas(Set.of("B-2", "A-1")), "only A-1, B-2"),
        Arguments.of(new Restriction.ExcludeFormulas(Set.of("B-2", "A-1")), "no A-1, B-2"),
        Arguments.of(new Restriction.NoWarming(), "nothing that warms"),
        Arguments.of(
            new Restriction.ExcludeZones(Set.of(Zone.NOSE, Zone.CHIN), true),
            "leave out nose, chin"),
        Arguments.of(
            new Restriction.CapDepth(DepthClass.VERY_SUPERFICIAL), "at most very superficial"),
        Arguments.of(new Restriction.KeepToRung(true), "first rungs"),
        Arguments.of(new Restriction.KeepToRung(false), "entry rungs"),
        Arguments.of(new Restriction.OneRungDown(), "one rung down"),
        Arguments.of(new Restriction.CountDeeper(), "counts one class deeper"),
        Arguments.of(new Restriction.CapLayers(2), "layers ≤ 2"),
        Arguments.of(new Restriction.OneLayerOff(), "one layer fewer"),
        Arguments.of(new Restriction.ShortenContact(0.75), "contact ×0.75"),
        Arguments.of(new Restriction.TcaAtMost(Strength.wv(15)), "TCA at most 15 %"),
        Arguments.of(
            new Restriction.AtMostOf(Substance.GLYCOLIC, Strength.wv(20)), "glycolic at most 20 %"),
        Arguments.of(new Restriction.BelowLevel(3), "milder families only (level below 3)"),
        Arguments.of(new Restriction.IntervalAtLeast(28), "next after 28 days or more"),
        Arguments.of(new Restriction.DoubleInterval(), "interval doubled"),
        Arguments.of(
            new Restriction.Care(Restriction.Care.Kind.LENSES_OUT), "contact lenses out first"));
  }

  @ParameterizedTest
  @MethodSource("limits")
  void everyLimitIsToldInWords(Restriction limit, String words) {
    assertThat(limit.words()).isEqualTo(words);
  }

  /// What only counts days may be overridden, a referral is cleared, a STOP is neither.
  @Test
  void aStopNeverClears() {
    Screening stopped = easy().answering(Question.PREGNANT, "yes").screened();
    assertThat(stopped.findings()).isNotEmpty();
    assertThat(stopped.findings().stream().filter(f -> f.verdict() == Verdict.STOP))
        .isNotEmpty()
        .noneMatch(Finding::clears);
  }
}
