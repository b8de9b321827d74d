package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static ivesk.core.screening.Clients.peel;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Component;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// A mixture is judged by what is in it, domain/03; a peel that went badly by what was in it,
/// domain/02 SCR-ADVERSE. Common practice, no source.
class ContentsDecideTest {

  /// A practice's own mixture, filed where it is mildest.
  private enum Mixture {
    LACTIC_TCA("LAC-30", Substance.LACTIC, 20, Substance.TCA, 5),
    LACTIC_PYRUVIC("LAC-30", Substance.LACTIC, 10, Substance.PYRUVIC, 30),
    LACTIC_GLYCOLIC("LAC-10", Substance.LACTIC, 5, Substance.GLYCOLIC, 50),
    MANDELIC_SALICYLIC("MAN-20", Substance.MANDELIC, 15, Substance.SALICYLIC, 15),
    EYE_TCA("EYE-L", Substance.TCA, 3.75, Substance.LACTIC, 1);

    private final Formula formula;

    Mixture(String like, Substance one, double percent, Substance other, double otherPercent) {
      Formula f = Library.get(like);
      formula =
          new Formula(
              "MIX-" + ordinal(),
              "A mixture",
              f.family(),
              f.rung(),
              f.entry(),
              List.of(Component.of(one, percent), Component.of(other, otherPercent)),
              f.ph(),
              f.vehicle(),
              f.use(),
              f.firstContact(),
              f.mostContact(),
              f.layersFirst(),
              f.layersMost(),
              f.dwell(),
              f.libraryDepth(),
              f.band(),
              f.ending(),
              f.intervalDays(),
              f.seriesLeast(),
              f.seriesMost(),
              f.peelingFirst(),
              f.peelingLast(),
              f.label());
    }
  }

  private static boolean shut(Clients client, Formula formula) {
    Screening screening = client.screened();
    DepthClass depth =
        screening
            .limits()
            .depth(formula, formula.firstContact(), formula.layersFirst(), Region.FACE);
    return !screening.shuts(formula, depth, client.facts().entryRung(formula.family())).isEmpty();
  }

  /// None of the five is for a fifteen-year-old: TCA, pyruvic acid, glycolic acid and salicylic
  /// acid above entry or deeper than very superficial.
  @ParameterizedTest
  @EnumSource
  void noneIsOpenForATeenager(Mixture mixture) {
    assertThat(shut(easy().aged(15), mixture.formula)).isTrue();
  }

  @ParameterizedTest
  @EnumSource
  void norForRosacea(Mixture mixture) {
    assertThat(shut(easy().shows(Map.of(Condition.ROSACEA_PAPULES, 2)), mixture.formula)).isTrue();
  }

  @ParameterizedTest
  @EnumSource
  void norInDiabetes(Mixture mixture) {
    assertThat(shut(easy().answering(Question.DIABETES, "controlled"), mixture.formula)).isTrue();
  }

  @ParameterizedTest
  @CsvSource({"LACTIC_TCA", "LACTIC_PYRUVIC", "LACTIC_GLYCOLIC", "EYE_TCA"})
  void norForThinSkin(Mixture mixture) {
    assertThat(shut(easy().aged(72), mixture.formula)).isTrue();
  }

  @ParameterizedTest
  @CsvSource({"LACTIC_TCA, V", "LACTIC_TCA, VI", "EYE_TCA, V", "EYE_TCA, VI"})
  void noTcaInFiveAndSix(Mixture mixture, Phototype type) {
    assertThat(shut(easy().type(type), mixture.formula)).isTrue();
  }

  @ParameterizedTest
  @CsvSource({
    "LACTIC_TCA, TCA, 5",
    "LACTIC_PYRUVIC, PYRUVIC, 4",
    "LACTIC_GLYCOLIC, GLYCOLIC, 2",
    "MANDELIC_SALICYLIC, SALICYLIC, 3",
    "EYE_TCA, TCA, 5"
  })
  void theHighestLevelOfWhatIsInItCounts(Mixture mixture, Family holds, int level) {
    assertThat(mixture.formula.families()).contains(holds);
    assertThat(mixture.formula.level()).isEqualTo(level);
    assertThat(mixture.formula.strong()).isEqualTo(level >= 4);
  }

  /// domain/03: each part as if it were alone.
  @Test
  void theDeepestPartDecidesItsDepth() {
    assertThat(Depth.of(Mixture.LACTIC_GLYCOLIC.formula, Optional.of(Duration.ofMinutes(5)), 1))
        .isEqualTo(DepthClass.SUPERFICIAL);
    assertThat(Depth.of(Mixture.LACTIC_PYRUVIC.formula, Optional.of(Duration.ofMinutes(2)), 1))
        .as("pyruvic 30 has no library strength at or below it")
        .isEqualTo(DepthClass.VERY_SUPERFICIAL);
  }

  @Test
  void whatHasThePartsOfJessnerIsJessner() {
    assertThat(Library.get("JES").jessner()).isTrue();
    assertThat(Library.get("JES-RF").families()).isEqualTo(Set.of(Family.JESSNER));
    assertThat(Library.get("SLA-15").jessner()).isFalse();
  }

  @Test
  void traceAmountsOfMildAcidsDoNotCount() {
    assertThat(Mixture.EYE_TCA.formula.families()).contains(Family.TCA, Family.LACTIC);
    assertThat(Library.get("GLY-20").families()).isEqualTo(Set.of(Family.GLYCOLIC));
    assertThat(Library.get("ENZ-A").families()).isEqualTo(Set.of(Family.ENZYME, Family.GLYCOLIC));
  }

  /// GLY-20 on the first rung: no glycolic acid is left, on any region, and only milder families.
  @ParameterizedTest
  @CsvSource({
    "GLY-20, true",
    "GLY-35, true",
    "ENZ-A, true",
    "SAL-10, true",
    "LAC-30, false",
    "MAN-20, false"
  })
  void anAdversePeelIsNotForgotten(String code, boolean shut) {
    Clients client = easy().after(peel("GLY-20", 30, PeelOutcome.ADVERSE, Region.BACK));
    assertThat(shut(client, Library.get(code))).isEqualTo(shut);
  }

  @Test
  void twoRungsLowerStayOpenUntilAWellTakenPeelHasFollowed() {
    PastPeel adverse = peel("GLY-50", 60, PeelOutcome.ADVERSE, Region.FACE);
    Clients client = easy().after(adverse);
    assertThat(shut(client, Library.get("GLY-20"))).isFalse();
    assertThat(shut(client, Library.get("GLY-35"))).isTrue();
    assertThat(shut(client, Library.get("SAL-10"))).as("no milder family").isTrue();
    Clients followed =
        easy().after(adverse, peel("GLY-20", 30, PeelOutcome.WELL_TAKEN, Region.FACE));
    assertThat(shut(followed, Library.get("SAL-10"))).isFalse();
  }

  @Test
  void onlyTheClinicianLiftsIt() {
    Screening screening =
        easy().after(peel("GLY-20", 30, PeelOutcome.ADVERSE, Region.FACE)).screened();
    assertThat(screening.findings())
        .filteredOn(finding -> finding.ruleId().equals("SCR-ADVERSE"))
        .singleElement()
        .matches(Finding::firm);
  }

  /// GLY-20 with wheals: no glycolic acid in any amount, and no other limit. SLA-15: the mixture
  /// and both of its acids, lactic acid until a new test of it alone was read.
  @ParameterizedTest
  @CsvSource({
    "GLY-20, GLY-20, true",
    "GLY-20, ENZ-A, true",
    "GLY-20, SAL-10, false",
    "GLY-20, LAC-30, false",
    "SLA-15, SLA-15, true",
    "SLA-15, SAL-10, true",
    "SLA-15, LAC-30, true",
    "SLA-15, EYE-L, true",
    "SLA-15, GLY-20, false",
    "JES, RES-20, true"
  })
  void anAllergicSignOnTheRecordShutsTheAcid(String peeled, String code, boolean shut) {
    Clients client = reactedTo(peeled, Optional.empty());
    assertThat(shut(client, Library.get(code))).isEqualTo(shut);
    assertThat(client.screened().findings())
        .filteredOn(finding -> finding.ruleId().equals("SCR-REACTION"))
        .singleElement()
        .matches(Finding::firm);
  }

  @ParameterizedTest
  @CsvSource({
    "SLA-15, LACTIC, LAC-30, false",
    "SLA-15, LACTIC, SAL-10, true",
    "SLA-15, LACTIC, SLA-15, true",
    "GLY-20, GLYCOLIC, GLY-20, true"
  })
  void anAcidOfAMixtureOpensAgainByATestOfItAlone(
      String peeled, Family tested, String code, boolean shut) {
    Clients client = reactedTo(peeled, Optional.of(tested));
    assertThat(shut(client, Library.get(code))).isEqualTo(shut);
  }

  /// 30 days ago, every family tested before that, one again since.
  private static Clients reactedTo(String code, Optional<Family> testedSince) {
    return easy()
        .after(peel(code, 30, PeelOutcome.ADVERSE, Region.BACK).allergic(true))
        .patched(
            Arrays.stream(Family.values())
                .map(family ->
                    read(family, T.minusDays(testedSince.equals(Optional.of(family)) ? 10 : 40)))
                .toArray(PatchTest[]::new));
  }

  @Test
  void aReactionToResorcinolShutsIt() {
    Clients client = easy().answering(Question.REACTION, Answer.to("reacted", Family.RESORCINOL));
    assertThat(shut(client, Library.get("RES-20"))).isTrue();
    assertThat(shut(client, Library.get("JES"))).isTrue();
    assertThat(client.screened().limits().excluded()).contains(Substance.RESORCINOL);
  }

  private static PatchTest read(Family family, LocalDate placed) {
    return new PatchTest(
        family,
        placed.atTime(10, 0).toInstant(ZoneOffset.UTC),
        placed,
        Map.of(PatchTest.Read.AT_24_H, PatchTest.Result.NOTHING));
  }

  @ParameterizedTest
  @CsvSource({"12, NORMAL, false", "13, NORMAL, true", "6, SENSITIVE, false", "7, SENSITIVE, true"})
  void aPatchTestGoesOutOfDate(int months, Sensitivity sensitivity, boolean shut) {
    Clients client =
        easy().sensitivity(sensitivity).patched(read(Family.LACTIC, T.minusMonths(months)));
    boolean waits =
        client.screened().findings().stream()
            .filter(finding -> finding.ruleId().equals("SCR-PATCH"))
            .anyMatch(
                finding -> finding.naming().contains(Family.LACTIC) || finding.naming().isEmpty());
    assertThat(waits).isEqualTo(shut);
  }

  @Test
  void aTestThatShouldHaveBeenReadIsPlacedAnew() {
    PatchTest unread =
        new PatchTest(
            Family.LACTIC,
            T.minusDays(20).atTime(10, 0).toInstant(ZoneOffset.UTC),
            T.minusDays(20),
            Map.of());
    assertThat(easy().patched(unread).screened().findings())
        .filteredOn(finding -> finding.ruleId().equals("SCR-PATCH"))
        .extracting(Finding::clearedBy)
        .containsOnly(Clearing.PATCH_TEST);
  }

  /// A burn that should have healed by the peel is asked again.
  @Test
  void aBurnOfTwentyDaysAgoIsAskedAgain() {
    Screening screening =
        easy().answering(Question.SUN, Answer.on("burnt", T.minusDays(20))).screened();
    assertThat(screening.verdict()).isEqualTo(Verdict.WAIT);
    assertThat(screening.until()).isEmpty();
    assertThat(screening.unasked()).isEqualTo(1);
  }

  /// What is known stands beside what was not asked.
  @Test
  void anAnswerThatIsMissingHidesNoOther() {
    Screening five = easy().type(Phototype.V).notAsked(Question.PIH_EVER).screened();
    assertThat(five.limits().layerCap()).isEqualTo(2);
    assertThat(five.limits().excluded()).contains(Substance.TCA, Substance.RESORCINOL);
    Screening inhibitor = easy().type(Phototype.V).notAsked(Question.INHIBITOR).screened();
    assertThat(inhibitor.limits().layerCap()).isEqualTo(2);
    Screening rosacea =
        easy()
            .shows(Map.of(Condition.ROSACEA_PAPULES, 1))
            .notAsked(Question.ROSACEA_FLARE)
            .screened();
    assertThat(rosacea.limits().onlyFamilies()).isPresent();
  }
}
