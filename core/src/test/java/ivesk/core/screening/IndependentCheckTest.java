package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// What an independent check of screening found, line by line; each failed before it was mended.
/// Common practice, no source.
class IndependentCheckTest {

  private static PastPeel peel(String code, Region region, int daysAgo, int layers) {
    return new PastPeel(
        Library.get(code),
        region,
        T.minusDays(daysAgo),
        layers,
        Duration.ofMinutes(3),
        PeelOutcome.WELL_TAKEN,
        Optional.of(3));
  }

  private static List<Finding> of(Screening screening, String id) {
    return screening.findings().stream().filter(f -> f.ruleId().equals(id)).toList();
  }

  private static boolean shut(Screening screening, String code) {
    return !screening.shuts(Library.get(code), DepthClass.VERY_SUPERFICIAL, 1).isEmpty();
  }

  @Nested
  class AnAllergyShutsEveryFormulaWithTheAcid {

    @ParameterizedTest
    @CsvSource({
      "MANDELIC, MAN-20",
      "MANDELIC, AZM-15",
      "LACTIC, LWC-8",
      "LACTIC, EYE-L",
      "LACTIC, SLA-15",
      "SALICYLIC, SPOT-S",
      "SALICYLIC, JES",
      "SALICYLIC, SLA-15",
      "GLYCOLIC, ENZ-A",
      "JESSNER, RES-20",
      "AZELAIC_MANDELIC, MAN-20"
    })
    void inWhateverFamilyItStands(Family family, String code) {
      Screening screening =
          easy().answering(Question.REACTION, Answer.to("reacted", family)).screened();
      assertThat(screening.limits().objections(Library.get(code), DepthClass.VERY_SUPERFICIAL, 1))
          .isNotEmpty();
    }

    @Test
    void aReactionToAPatchTestDoesTheSame() {
      Screening screening =
          easy().patched(Clients.patched(Family.MANDELIC, PatchTest.Result.REACTION)).screened();
      assertThat(screening.limits().excluded()).contains(Substance.MANDELIC);
      assertThat(shut(screening, "AZM-15")).isTrue();
    }
  }

  @Nested
  class OneOverrideOneFinding {

    @Test
    void itsNeighboursOfTheSameRuleStand() {
      Clients client = easy().type(Phototype.V);
      List<Finding> findings = of(client.screened(), "SCR-PHOTOTYPE");
      assertThat(findings).hasSizeGreaterThan(1);
      assertThat(findings).extracting(Finding::id).doesNotHaveDuplicates();
      Finding first = findings.stream().filter(Finding::overridable).findFirst().orElseThrow();
      Screening lifted =
          Screening.screen(
              client.facts(), List.of(new Settlement.Override(first.id(), "seen", "thea")));
      assertThat(of(lifted, "SCR-PHOTOTYPE"))
          .filteredOn(f -> !f.stands())
          .extracting(Finding::id)
          .containsExactly(first.id());
    }

    @ParameterizedTest
    @ValueSource(strings = {"SALICYLATE_ALLERGY", "FRUIT_ALLERGY", "RESORCINOL_RISK", "KELOID"})
    void firmLimitsAreTheClinicians(Question question) {
      assertThat(easy().answering(question, "yes").screened().findings())
          .filteredOn(f -> f.verdict() == Verdict.ADAPT)
          .isNotEmpty()
          .allMatch(Finding::firm);
    }

    @Test
    void agesAndDarkSkinAndThinZonesToo() {
      assertThat(of(easy().aged(16).screened(), "SCR-AGE-TEEN")).allMatch(Finding::firm);
      assertThat(of(easy().at(Region.HANDS).screened(), "SCR-THINZONE")).allMatch(Finding::firm);
      assertThat(of(easy().type(Phototype.V).screened(), "SCR-PHOTOTYPE"))
          .anyMatch(f -> f.firm() && f.restrictions().toString().contains("TCA"))
          .anyMatch(f -> !f.firm());
    }
  }

  @Nested
  class EveryIntervalThatStillRunsCounts {

    @Test
    void notOnlyTheLast() {
      Screening screening =
          easy()
              .after(peel("JES-RF", Region.FACE, 20, 4), peel("LAC-10", Region.FACE, 8, 1))
              .screened();
      assertThat(of(screening, "SCR-INTERVAL"))
          .extracting(finding -> finding.until().orElseThrow())
          .contains(T.plusDays(22));
    }

    @Test
    void byRegion() {
      assertThat(of(easy().after(peel("GLY-35", Region.BACK, 3, 1)).screened(), "SCR-INTERVAL"))
          .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"11, 7, 14", "16, 7, 14", "16, 21, 21", "11, 14, 28", "30, 7, 7"})
    void byAge(int age, int days, int then) {
      assertThat(easy().aged(age).facts().intervalOfThisClient(days)).isEqualTo(then);
    }

    @Test
    void jessnerByTheLayersThisClientMayHave() {
      PastPeel lactic = peel("LAC-10", Region.FACE, 15, 1);
      assertThat(free(easy().type(Phototype.V).primed(20).after(lactic), "JES-RF")).isTrue();
      assertThat(free(easy().type(Phototype.II).after(lactic), "JES-RF")).isFalse();
    }

    private boolean free(Clients client, String code) {
      return of(client.screened(), "SCR-INTERVAL").stream()
          .noneMatch(f -> f.scope().covers().test(Library.get(code), DepthClass.SUPERFICIAL));
    }
  }

  @Nested
  class WhatIsKnownIsNotHidden {

    @Test
    void aKnownReferStandsBesideAQuestionThatWasNotAsked() {
      LocalDate lately = T.minusMonths(2);
      Screening screening =
          easy()
              .answering(Question.FACE_SURGERY, "done", lately)
              .notAsked(Question.EYE_SURGERY)
              .screened();
      assertThat(of(screening, "SCR-SURGERY"))
          .extracting(Finding::verdict)
          .contains(Verdict.REFER, Verdict.WAIT);
      assertThat(screening.unasked()).isEqualTo(1);
    }

    @Test
    void aKnownDateToo() {
      Screening screening =
          easy()
              .answering(Question.FILLER, "done", T.minusDays(4))
              .notAsked(Question.TOXIN)
              .screened();
      assertThat(of(screening, "SCR-INJECT"))
          .anyMatch(f -> f.until().equals(Optional.of(T.plusDays(10))))
          .anyMatch(Finding::unasked);
    }
  }

  @Test
  void aNamedGoalIsAConditionOfOne() {
    Clients rosacea = easy().shows(Map.of(), Condition.ROSACEA_PAPULES);
    assertThat(of(rosacea.screened(), "SCR-ROSACEA")).isNotEmpty();
    Clients melasma = easy().shows(Map.of(), Condition.MELASMA);
    assertThat(of(melasma.screened(), "SCR-MELASMA")).isNotEmpty();
    assertThat(easy().shows(Map.of(), Condition.PIH).facts().pigmentProne()).isTrue();
  }

  @Test
  void aMarkOutsideTheAreaDoesNotRefer() {
    Answer seen = Answer.at("seen", Zone.CHIN);
    assertThat(easy().answering(Question.MARK, seen).screened().verdict()).isEqualTo(Verdict.REFER);
    assertThat(of(easy().at(Region.BACK).answering(Question.MARK, seen).screened(), "SCR-LESION"))
        .extracting(Finding::verdict)
        .containsExactly(Verdict.PROCEED);
  }

  @Test
  void laserAndAblativeLaserAreBothTaken() {
    Screening screening =
        easy()
            .answering(Question.ENERGY, "done", T.minusDays(10))
            .answering(Question.ABLATIVE_LASER, "done", T.minusMonths(3))
            .screened();
    assertThat(of(screening, "SCR-ENERGY")).hasSize(2);
    assertThat(screening.until()).contains(T.plusMonths(3));
    Screening creams =
        easy()
            .answering(Question.RETINOL, "used", T.minusDays(1))
            .answering(Question.RETINOID, "used", T.minusDays(2))
            .screened();
    assertThat(of(creams, "SCR-RETINOID")).hasSize(2);
  }

  @Test
  void whatIsChosenByHandStandsUnderTheRulesOfItsAcid() {
    Screening screening = easy().type(Phototype.V).screened();
    assertThat(waits(screening, "SPOT-S")).as("20 % salicylic, above its entry").isTrue();
    assertThat(waits(screening, "EYE-L")).as("20 % lactic, at its entry").isFalse();
    assertThat(waits(easy().type(Phototype.V).primed(20).screened(), "SPOT-S")).isFalse();
  }

  private static boolean waits(Screening screening, String code) {
    return of(screening, "SCR-PHOTOTYPE").stream()
        .filter(Finding::shuts)
        .anyMatch(f -> f.scope().covers().test(Library.get(code), DepthClass.VERY_SUPERFICIAL));
  }

  @Test
  void lidocaineIsAsked() {
    assertThat(Screening.questions(easy().facts())).contains(Question.LIDOCAINE_ALLERGY);
    assertThat(easy().answering(Question.LIDOCAINE_ALLERGY, "yes").screened().limits().care())
        .contains(Restriction.Care.Kind.NO_LIDOCAINE);
  }
}
