package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// Each rule with its dates on both sides of the limit. The limits are common practice, no source,
/// unless a test says otherwise.
class ScreeningRulesTest {

  private static List<Finding> of(Screening screening, String rule) {
    return screening.findings().stream()
        .filter(finding -> finding.ruleId().equals(rule))
        .filter(finding -> finding.verdict() != Verdict.PROCEED)
        .toList();
  }

  private static Finding only(Screening screening, String rule) {
    List<Finding> found = of(screening, rule);
    assertThat(found).as(rule).hasSize(1);
    return found.getFirst();
  }

  private static boolean shut(Screening screening, String code) {
    Formula formula = Library.get(code);
    return !screening
        .shuts(
            formula,
            ivesk.core.formula.Depth.of(formula, formula.firstContact(), formula.layersFirst()),
            2)
        .isEmpty();
  }

  @Test
  void nothingInTheWayProceeds() {
    Screening screening = easy().screened();
    assertThat(screening.verdict()).isEqualTo(Verdict.PROCEED);
    assertThat(screening.unasked()).isZero();
    assertThat(screening.limits().words()).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(
      value = Question.class,
      names = {"INHIBITOR", "ROSACEA_FLARE", "FLAKING", "FEVER_LATELY"},
      mode = EnumSource.Mode.EXCLUDE)
  void notAskedWaitsAndMayNotBeOverridden(Question question) {
    Screening screening = easy().notAsked(question).screened();
    assertThat(screening.verdict()).isEqualTo(Verdict.WAIT);
    assertThat(screening.unasked()).isPositive();
    assertThat(screening.findings())
        .filteredOn(Finding::unasked)
        .allMatch(f -> !f.overridable() && f.verdict() == Verdict.WAIT);
  }

  @Test
  void aDateThatIsMissingCountsAsNotAsked() {
    Screening screening = easy().answering(Question.HAIR, "done").screened();
    assertThat(only(screening, "SCR-HAIR").unasked()).isTrue();
  }

  @Nested
  class Dated {

    @ParameterizedTest
    @CsvSource({
      "HAIR, done, 7, SCR-HAIR",
      "HOME_ACID, used, 3, SCR-EXFOLIANT",
      "RETINOL, used, 3, SCR-RETINOID",
      "RETINOID, used, 7, SCR-RETINOID",
      "SUN, sun, 14, SCR-SUN",
      "COLD_SORE_NOW, healed, 7, SCR-HSV-NOW"
    })
    void waitsUntilTheDaysAreOver(Question question, String choice, int days, String rule) {
      LocalDate on = T.minusDays(days - 1L);
      Screening inside = easy().answering(question, choice, on).screened();
      assertThat(inside.verdict()).isEqualTo(Verdict.WAIT);
      assertThat(only(inside, rule).until()).contains(T.plusDays(1));
      assertThat(inside.until()).contains(T.plusDays(1));

      Screening outside = easy().answering(question, choice, T.minusDays(days)).screened();
      assertThat(outside.verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(of(outside, rule)).isEmpty();
    }

    @Test
    void movingThePeelByOneDayClearsTheWax() {
      Clients waxed = easy().answering(Question.HAIR, "done", T.minusDays(6));
      assertThat(waxed.screened().verdict()).isEqualTo(Verdict.WAIT);
      assertThat(waxed.on(T.plusDays(1)).screened().verdict()).isEqualTo(Verdict.PROCEED);
    }

    @Test
    void retinolInDarkerTypesKeepsSuperficialShutForAWeek() {
      Clients client =
          easy().type(Phototype.V).primed(20).answering(Question.RETINOL, "used", T.minusDays(5));
      Screening five = client.screened();
      assertThat(five.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(shut(five, "SAL-20")).isTrue();
      assertThat(shut(five, "SAL-10")).isFalse();
      Screening seven = client.answering(Question.RETINOL, "used", T.minusDays(7)).screened();
      assertThat(shut(seven, "SAL-20")).isFalse();
    }

    @Test
    void sunPlannedInTheStrictDaysAsksForAnotherDate() {
      Screening soon = sun(13, 20);
      assertThat(soon.verdict()).isEqualTo(Verdict.WAIT);
      assertThat(soon.until()).as("clear of the whole stay").contains(T.plusDays(34));
      Screening later = sun(14, 20);
      assertThat(later.verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(shut(later, "GLY-35")).as("strict days after superficial are 28").isTrue();
      assertThat(shut(later, "GLY-20")).isFalse();
      assertThat(shut(sun(28, 35), "GLY-35")).isFalse();
      Screening over = sun(-30, -14);
      assertThat(over.verdict()).as("two weeks after its last day").isEqualTo(Verdict.PROCEED);
      assertThat(sun(-30, -13).verdict()).isEqualTo(Verdict.WAIT);
    }

    private Screening sun(int from, int to) {
      return easy()
          .answering(
              Question.SUN_PLANNED, Answer.between("planned", T.plusDays(from), T.plusDays(to)))
          .screened();
    }

    @Test
    void sunburnNowWaitsForHealedSkinHoweverOldItIs() {
      Finding fresh =
          only(easy().answering(Question.SUN, "burnt", T.minusDays(2)).screened(), "SCR-SUNBURN");
      assertThat(fresh.until()).contains(T.plusDays(12));
      assertThat(fresh.overridable()).isFalse();
      Screening old = easy().answering(Question.SUN, "burnt", T.minusDays(20)).screened();
      assertThat(old.verdict()).isEqualTo(Verdict.WAIT);
    }

    @Test
    void theLatestOfTheDatesCounts() {
      Screening screening =
          easy()
              .answering(Question.HAIR, "done", T.minusDays(2))
              .answering(Question.SUN, "sun", T.minusDays(4))
              .screened();
      assertThat(screening.until()).contains(T.plusDays(10));
    }
  }

  @Nested
  class Isotretinoin {

    @Test
    void sixMonthsForAllByDefault() {
      Screening now = easy().answering(Question.ISOTRETINOIN, "taking").screened();
      assertThat(only(now, "SCR-ISO").verdict()).isEqualTo(Verdict.WAIT);
      assertThat(only(now, "SCR-ISO").overridable()).isFalse();

      Screening fiveMonths =
          easy().answering(Question.ISOTRETINOIN, "stopped", T.minusMonths(5)).screened();
      assertThat(fiveMonths.until()).contains(T.plusMonths(1));

      Screening dayBefore =
          easy()
              .answering(Question.ISOTRETINOIN, "stopped", T.minusMonths(6).plusDays(1))
              .screened();
      assertThat(dayBefore.verdict()).isEqualTo(Verdict.WAIT);
      Screening sixMonths =
          easy().answering(Question.ISOTRETINOIN, "stopped", T.minusMonths(6)).screened();
      assertThat(sixMonths.verdict()).isEqualTo(Verdict.PROCEED);
    }

    /// ASDS consensus 2017, from memory: superficial with clearance, medium waits.
    @Test
    void consensusRefersSuperficial() {
      Policies consensus = Policies.defaults().with(Choice.ISOTRETINOIN_BY_CONSENSUS);
      Screening screening =
          easy()
              .under(consensus)
              .answering(Question.ISOTRETINOIN, "stopped", T.minusMonths(5))
              .screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.REFER);
      assertThat(of(screening, "SCR-ISO"))
          .extracting(Finding::verdict)
          .containsExactlyInAnyOrder(Verdict.REFER, Verdict.WAIT);
    }
  }

  @Nested
  class Ages {

    @ParameterizedTest
    @CsvSource({
      "9, STOP",
      "10, REFER",
      "12, REFER",
      "13, ADAPT",
      "17, ADAPT",
      "18, PROCEED",
      "69, PROCEED",
      "70, ADAPT"
    })
    void verdictByAge(int age, Verdict verdict) {
      assertThat(easy().aged(age).screened().verdict()).isEqualTo(verdict);
    }

    @Test
    void theBirthdayItselfCounts() {
      assertThat(easy().born(T.minusYears(18)).screened().verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(easy().born(T.minusYears(18).plusDays(1)).screened().verdict())
          .isEqualTo(Verdict.ADAPT);
    }

    @Test
    void teenagersKeepToFirstRungsWithoutTheStrongFamilies() {
      Limits limits = easy().aged(16).screened().limits();
      assertThat(limits.depthCap()).contains(DepthClass.VERY_SUPERFICIAL);
      assertThat(limits.excludedFamilies()).contains(Family.TCA, Family.JESSNER, Family.PYRUVIC);
      assertThat(limits.excluded()).contains(Substance.RESORCINOL);
      assertThat(limits.intervalAtLeastDays()).isEqualTo(14);
      assertThat(easy().aged(16).facts().entryRung(Family.LACTIC)).isEqualTo(1);
      assertThat(easy().facts().entryRung(Family.LACTIC)).isEqualTo(2);
    }

    @Test
    void refusesADateOfBirthAfterThePeel() {
      assertThatThrownBy(() -> easy().born(T.plusDays(1)).facts())
          .hasMessageContaining("date of birth is 2026-11-29");
    }
  }

  @Nested
  class PregnancyAndMilk {

    @Test
    void pregnantStops() {
      Screening screening = easy().answering(Question.PREGNANT, "yes").screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.STOP);
      assertThat(only(screening, "SCR-PREG").overridable()).isFalse();
    }

    @Test
    void byPolicyThreeMildFormulasMayBeReferred() {
      Screening screening =
          easy()
              .under(Policies.defaults().with(Choice.MILD_PEEL_IN_PREGNANCY))
              .answering(Question.PREGNANT, "yes")
              .screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.REFER);
      assertThat(screening.limits().onlyFormulas().orElseThrow())
          .containsExactlyInAnyOrder("LAC-10", "LAC-30", "MAN-20");
    }

    @Test
    void bothAtOnceIsStillStop() {
      assertThat(
              easy()
                  .answering(Question.PREGNANT, "yes")
                  .answering(Question.BREASTFEEDING, "yes")
                  .screened()
                  .verdict())
          .isEqualTo(Verdict.STOP);
    }

    @Test
    void breastfeedingExcludesWhatPassesThrough() {
      Screening screening = easy().answering(Question.BREASTFEEDING, "yes").screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(shut(screening, "SAL-10")).isTrue();
      assertThat(shut(screening, "JES")).isTrue();
      assertThat(shut(screening, "TCA-10")).isTrue();
      assertThat(shut(screening, "LAC-30")).isFalse();
    }
  }

  @Nested
  class ColdSores {

    @Test
    void nowWaits() {
      Finding now = only(easy().answering(Question.COLD_SORE_NOW, "now").screened(), "SCR-HSV-NOW");
      assertThat(now.verdict()).isEqualTo(Verdict.WAIT);
      assertThat(now.overridable()).isFalse();
    }

    @Test
    void beforeRefersTheStrongOnesOnly() {
      Screening screening = easy().answering(Question.COLD_SORES_EVER, "some").screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(shut(screening, "TCA-15")).as("TCA at superficial").isTrue();
      assertThat(shut(screening, "TCA-10")).as("one layer is very superficial").isFalse();
      assertThat(shut(screening, "GLY-35")).isFalse();
    }

    @Test
    void threeAYearRefers() {
      assertThat(easy().answering(Question.COLD_SORES_EVER, "often").screened().verdict())
          .isEqualTo(Verdict.REFER);
    }
  }

  @Nested
  class OpenSkin {

    @Test
    void aFewAreCoveredManyWait() {
      Screening few = easy().answering(Question.OPEN_SPOTS, "few").screened();
      assertThat(few.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(few.limits().care()).contains(Kind.COVER_OPEN_SPOTS);
      Screening many = easy().answering(Question.OPEN_SPOTS, "many").screened();
      assertThat(many.verdict()).isEqualTo(Verdict.WAIT);
      assertThat(only(many, "SCR-WOUND").overridable()).isFalse();
    }
  }

  @Nested
  class RosaceaAndBarrier {

    private final Clients rosacea = easy().shows(Map.of(Condition.ROSACEA_PAPULES, 2));

    @Test
    void onlyMildFamiliesAtTheFirstRung() {
      Limits limits = rosacea.screened().limits();
      assertThat(limits.onlyFamilies().orElseThrow())
          .containsExactlyInAnyOrder(
              Family.LACTIC, Family.MANDELIC, Family.AZELAIC_MANDELIC, Family.PHA);
      assertThat(limits.firstRungOnly()).isTrue();
      assertThat(shut(rosacea.screened(), "LAC-30")).isTrue();
      assertThat(shut(rosacea.screened(), "LAC-10")).isFalse();
    }

    @Test
    void aFlareWaitsAndNotAskedWaits() {
      assertThat(rosacea.answering(Question.ROSACEA_FLARE, "yes").screened().verdict())
          .isEqualTo(Verdict.WAIT);
      assertThat(rosacea.notAsked(Question.ROSACEA_FLARE).screened().verdict())
          .isEqualTo(Verdict.WAIT);
    }

    @Test
    void withACompromisedBarrierItWaits() {
      assertThat(rosacea.sensitivity(Sensitivity.COMPROMISED).screened().verdict())
          .isEqualTo(Verdict.WAIT);
    }

    @Test
    void byPolicyMildLacticForHalfTheTime() {
      Screening screening =
          easy()
              .under(Policies.defaults().with(Choice.MILD_LACTIC_AT_BARRIER))
              .sensitivity(Sensitivity.COMPROMISED)
              .screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(shut(screening, "LAC-10")).isFalse();
      assertThat(shut(screening, "PHA-15")).isTrue();
      assertThat(screening.limits().contact(Duration.ofMinutes(2)))
          .contains(Duration.ofSeconds(60));
    }

    @Test
    void sensitiveShortensAndKeepsToTheFirstRung() {
      Limits limits = easy().sensitivity(Sensitivity.SENSITIVE).screened().limits();
      assertThat(limits.firstRungOnly()).isTrue();
      assertThat(limits.contactFactor()).isEqualTo(0.75);
      assertThat(easy().sensitivity(Sensitivity.NORMAL).screened().limits().contactFactor())
          .isEqualTo(1);
    }

    @Test
    void sensitivityNotAskedWaits() {
      assertThat(easy().sensitivity(null).screened().verdict()).isEqualTo(Verdict.WAIT);
    }
  }

  @Nested
  class Allergies {

    @Test
    void salicylateShutsEveryFormulaThatContainsIt() {
      Screening screening = easy().answering(Question.SALICYLATE_ALLERGY, "yes").screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.ADAPT);
      for (String code : List.of("SAL-10", "SAL-20", "SAL-30", "SLA-15", "JES", "JES-RF")) {
        assertThat(shut(screening, code)).as(code).isTrue();
      }
      assertThat(shut(screening, "GLY-20")).isFalse();
    }

    @Test
    void resorcinolFruitAndFumes() {
      Screening resorcinol = easy().answering(Question.RESORCINOL_RISK, "yes").screened();
      assertThat(shut(resorcinol, "JES")).isTrue();
      assertThat(shut(resorcinol, "JES-RF")).isFalse();
      Screening fruit = easy().answering(Question.FRUIT_ALLERGY, "yes").screened();
      assertThat(shut(fruit, "ENZ-P")).isTrue();
      assertThat(shut(fruit, "ENZ-A")).isTrue();
      Screening fumes = easy().answering(Question.ASTHMA, "yes").screened();
      assertThat(shut(fumes, "PYR-40")).isTrue();
      assertThat(fumes.limits().care()).contains(Kind.VENTILATE);
    }
  }

  @Nested
  class DarkerTypes {

    @Test
    void typeFourPihDayElevenOfFourteen() {
      Screening screening =
          easy().type(Phototype.IV).answering(Question.PIH_EVER, "yes").primed(11).screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(screening.limits().layers(4)).isEqualTo(2);
      assertThat(screening.limits().care()).contains(Kind.MINERAL_SUNSCREEN);
      assertThat(shut(screening, "SAL-20")).as("superficial waits").isTrue();
      assertThat(shut(screening, "TCA-10")).as("TCA waits at any depth").isTrue();
      assertThat(shut(screening, "SAL-10")).isFalse();
      assertThat(of(screening, "SCR-PHOTOTYPE"))
          .anySatisfy(f -> assertThat(f.until()).contains(T.plusDays(3)));
    }

    /// Grimes 1999, from memory: after two weeks of priming salicylic 20-30 % is not excluded in
    /// V-VI; ladder and interval still apply.
    @Test
    void primedFourteenDaysOpensSalicylicInTypeSix() {
      assertThat(shut(easy().type(Phototype.VI).primed(14).screened(), "SAL-20")).isFalse();
      assertThat(shut(easy().type(Phototype.VI).primed(13).screened(), "SAL-20")).isTrue();
    }

    @Test
    void tcaToFifteenInFourAndNoneInFiveAndSix() {
      Screening four = easy().type(Phototype.IV).primed(20).screened();
      assertThat(shut(four, "TCA-15")).isFalse();
      assertThat(shut(four, "TCA-20")).isTrue();
      Screening five = easy().type(Phototype.V).primed(20).screened();
      assertThat(shut(five, "TCA-10")).isTrue();
      assertThat(shut(five, "JES")).isTrue();
      Screening three = easy().type(Phototype.III).screened();
      assertThat(shut(three, "TCA-10")).isFalse();
      assertThat(of(three, "SCR-PHOTOTYPE")).isEmpty();
    }

    @Test
    void melasmaIsPrimedAndKeptFromHeatInAnyType() {
      Screening screening =
          easy().type(Phototype.II).shows(Map.of(Condition.MELASMA, 2)).screened();
      assertThat(shut(screening, "ENZ-A")).isTrue();
      assertThat(shut(screening, "GLY-35")).as("no inhibitor yet").isTrue();
      assertThat(screening.limits().layers(4)).isEqualTo(2);
    }

    @Test
    void anInhibitorNotAskedWaits() {
      assertThat(easy().type(Phototype.IV).notAsked(Question.INHIBITOR).screened().verdict())
          .isEqualTo(Verdict.WAIT);
      assertThat(easy().type(Phototype.III).notAsked(Question.INHIBITOR).screened().verdict())
          .isEqualTo(Verdict.PROCEED);
    }

    @Test
    void anIncompletePhototypeWaits() {
      assertThat(easy().type(null).screened().verdict()).isEqualTo(Verdict.WAIT);
    }
  }

  @Nested
  class Intervals {

    private PastPeel peel(String code, int daysAgo, int layers) {
      return new PastPeel(
          Library.get(code),
          Region.FACE,
          T.minusDays(daysAgo),
          layers,
          Duration.ofMinutes(3),
          PeelOutcome.WELL_TAKEN,
          Optional.of(3));
    }

    @Test
    void theLargerOfThePeelDoneAndThePeelPlannedCounts() {
      Screening six = easy().after(peel("MAN-20", 6, 1)).screened();
      assertThat(six.verdict()).as("nothing is open").isEqualTo(Verdict.WAIT);
      assertThat(shut(six, "MAN-20")).isTrue();
      Screening seven = easy().after(peel("MAN-20", 7, 1)).screened();
      assertThat(shut(seven, "MAN-20")).isFalse();
      assertThat(shut(seven, "MAN-40")).as("14 days are asked by the one planned").isTrue();
      Screening thirteen = easy().after(peel("GLY-35", 13, 1)).screened();
      assertThat(shut(thirteen, "MAN-20")).as("14 days by the one done").isTrue();
      assertThat(shut(easy().after(peel("GLY-35", 14, 1)).screened(), "MAN-20")).isFalse();
    }

    @Test
    void halfAsMuchAgainForSensitiveSkin() {
      Clients sensitive = easy().sensitivity(Sensitivity.SENSITIVE);
      assertThat(shut(sensitive.after(peel("MAN-20", 10, 1)).screened(), "MAN-20")).isTrue();
      assertThat(shut(sensitive.after(peel("MAN-20", 11, 1)).screened(), "MAN-20")).isFalse();
    }

    @Test
    void fourteenDaysUnderEighteen() {
      assertThat(shut(easy().aged(16).after(peel("MAN-20", 13, 1)).screened(), "MAN-20")).isTrue();
      assertThat(shut(easy().aged(16).after(peel("MAN-20", 14, 1)).screened(), "MAN-20")).isFalse();
    }

    @Test
    void jessnerCountsItsLayers() {
      assertThat(shut(easy().after(peel("JES-RF", 41, 4)).screened(), "MAN-20")).isTrue();
      assertThat(shut(easy().after(peel("JES-RF", 42, 4)).screened(), "MAN-20")).isFalse();
    }

    @Test
    void stillFlakingWaits() {
      Clients back = easy().after(peel("MAN-20", 30, 1));
      assertThat(back.answering(Question.FLAKING, "yes").screened().verdict())
          .isEqualTo(Verdict.WAIT);
      assertThat(back.notAsked(Question.FLAKING).screened().verdict()).isEqualTo(Verdict.WAIT);
      assertThat(easy().notAsked(Question.FLAKING).screened().verdict())
          .as("a new client is asked too")
          .isEqualTo(Verdict.WAIT);
    }
  }

  @Nested
  class Consents {

    private Consent signed(Family family, LocalDate on, String guardian) {
      return new Consent(family, on, "Client", Optional.ofNullable(guardian));
    }

    @Test
    void noneAtAllWaits() {
      Finding missing = only(easy().consenting().screened(), "SCR-CONSENT");
      assertThat(missing.verdict()).isEqualTo(Verdict.WAIT);
      assertThat(missing.overridable()).isFalse();
    }

    @Test
    void anotherFamilysConsentDoesNotOpenThisOne() {
      Screening screening = easy().consenting(signed(Family.MANDELIC, T, null)).screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(shut(screening, "MAN-20")).isFalse();
      assertThat(shut(screening, "GLY-20")).isTrue();
    }

    @Test
    void twelveMonthsToTheDay() {
      assertThat(
              shut(
                  easy().consenting(signed(Family.MANDELIC, T.minusMonths(12), null)).screened(),
                  "MAN-20"))
          .isFalse();
      assertThat(
              shut(
                  easy()
                      .consenting(signed(Family.MANDELIC, T.minusMonths(12).minusDays(1), null))
                      .screened(),
                  "MAN-20"))
          .isTrue();
    }

    @Test
    void withdrawnItShutsFromThatDayOnAndNotWhatWasDoneBefore() {
      Consent withdrawn =
          new Consent(Family.MANDELIC, T.minusDays(40), "Client", Optional.empty(), Optional.of(T));
      Clients client = easy().consenting(withdrawn);
      assertThat(shut(client.screened(), "MAN-20")).isTrue();
      assertThat(only(client.screened(), "SCR-CONSENT").said()).startsWith("consent withdrawn");
      assertThat(shut(client.on(T.minusDays(1)).screened(), "MAN-20")).isFalse();
    }

    @Test
    void aMinorsNeedsTheGuardian() {
      assertThat(
              shut(
                  easy().aged(16).consenting(signed(Family.MANDELIC, T, null)).screened(),
                  "MAN-20"))
          .isTrue();
      assertThat(
              shut(
                  easy().aged(16).consenting(signed(Family.MANDELIC, T, "Hanne")).screened(),
                  "MAN-20"))
          .isFalse();
    }
  }

  @Test
  void unwellWaits() {
    assertThat(easy().answering(Question.UNWELL, "yes").screened().verdict())
        .isEqualTo(Verdict.WAIT);
  }
}
