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
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.Restriction.CapDepth;
import ivesk.core.screening.rule.Restriction.CapLayers;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.Restriction.OneLayerOff;
import ivesk.core.screening.rule.Restriction.OnlyFamilies;
import ivesk.core.screening.rule.Restriction.ShortenContact;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LimitsTest {
  private static String idOf(Screening screening, String rule) {
    return screening.findings().stream()
        .filter(finding -> finding.ruleId().equals(rule))
        .findFirst()
        .orElseThrow()
        .id();
  }

  @Nested
  class Combined {

    @Test
    void exclusionsUniteAndOnlyFamiliesMeet() {
      Limits limits =
          Limits.combine(
              List.of(
                  new Exclude(EnumSet.of(Substance.SALICYLIC)),
                  new Exclude(EnumSet.of(Substance.TCA)),
                  new OnlyFamilies(EnumSet.of(Family.LACTIC, Family.MANDELIC)),
                  new OnlyFamilies(EnumSet.of(Family.MANDELIC, Family.PHA))));
      assertThat(limits.excluded()).containsExactlyInAnyOrder(Substance.SALICYLIC, Substance.TCA);
      assertThat(limits.onlyFamilies().orElseThrow()).containsExactly(Family.MANDELIC);
    }

    @Test
    void theShallowestCapCounts() {
      Limits limits =
          Limits.combine(
              List.of(
                  new CapDepth(DepthClass.SUPERFICIAL), new CapDepth(DepthClass.VERY_SUPERFICIAL)));
      assertThat(limits.depthCap()).contains(DepthClass.VERY_SUPERFICIAL);
    }

    @ParameterizedTest
    @CsvSource({
      "4, 2, true, 1",
      "4, 2, false, 2",
      "1, 2, true, 1",
      "4, 9, true, 3",
      "1, 1, true, 1"
    })
    void layersAreTheSmallestCapThenAtMostOneOffNeverBelowOne(
        int base, int cap, boolean off, int expected) {
      List<Restriction> restrictions =
          off
              ? List.of(new CapLayers(cap), new OneLayerOff(), new OneLayerOff())
              : List.of(new CapLayers(cap), new CapLayers(cap + 1));
      assertThat(Limits.combine(restrictions).layers(base)).isEqualTo(expected);
    }

    @Test
    void factorsDoNotMultiply() {
      Limits limits = Limits.combine(List.of(new ShortenContact(0.75), new ShortenContact(0.5)));
      assertThat(limits.contact(Duration.ofMinutes(4))).contains(Duration.ofMinutes(2));
    }

    @Test
    void contactIsRoundedDownToFiveSeconds() {
      Limits limits = Limits.combine(List.of(new ShortenContact(0.75)));
      assertThat(limits.contact(Duration.ofSeconds(125))).contains(Duration.ofSeconds(90));
    }

    @Test
    void underAMinuteShutsTheFormula() {
      Limits limits = Limits.combine(List.of(new ShortenContact(0.75)));
      assertThat(limits.contact(Duration.ofSeconds(80))).contains(Duration.ofSeconds(60));
      assertThat(limits.contact(Duration.ofSeconds(79))).isEmpty();
      assertThat(limits.objections(Library.get("GLY-50"), DepthClass.SUPERFICIAL, 1))
          .containsExactly("contact would fall under 60 s");
    }

    @Test
    void aVeryShallowCapShutsTheStrongFamiliesAtAnyNumberOfLayers() {
      Limits limits = Limits.combine(List.of(new CapDepth(DepthClass.VERY_SUPERFICIAL)));
      for (String code : List.of("JES", "JES-RF", "PYR-40", "TCA-10")) {
        assertThat(limits.objections(Library.get(code), DepthClass.VERY_SUPERFICIAL, 1))
            .as(code)
            .isNotEmpty();
      }
      assertThat(limits.objections(Library.get("GLY-20"), DepthClass.VERY_SUPERFICIAL, 1))
          .isEmpty();
    }
  }

  @Nested
  class Lifted {

    private final Clients waxed = easy().answering(Question.HAIR, "done", T.minusDays(6));

    private Settlement override(Screening screening, String rule) {
      return new Settlement.Override(idOf(screening, rule), "seen on the skin: calm", "ines");
    }

    @Test
    void aWaitThatOnlyCountsDaysMayBeOverriddenWithAReason() {
      Screening screening = waxed.screened(override(waxed.screened(), "SCR-HAIR"));
      assertThat(screening.verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(screening.findings())
          .anySatisfy(f ->
              assertThat(f.settled())
                  .hasValueSatisfying(s -> assertThat(s.words()).contains("calm")));
    }

    @Test
    void anAdaptOverriddenLosesItsRestriction() {
      Clients sensitive = easy().sensitivity(Sensitivity.SENSITIVE);
      Screening screening = sensitive.screened(override(sensitive.screened(), "SCR-SENSITIVE"));
      assertThat(screening.limits().contactFactor()).isEqualTo(1);
    }

    @Test
    void anotherAnswerNeedsAnotherOverride() {
      Settlement given = override(waxed.screened(), "SCR-HAIR");
      assertThat(waxed.answering(Question.HAIR, "done", T.minusDays(2)).screened(given).verdict())
          .isEqualTo(Verdict.WAIT);
    }

    @ParameterizedTest
    @CsvSource({
      "COLD_SORE_NOW, now, SCR-HSV-NOW",
      "OPEN_SPOTS, many, SCR-WOUND",
      "UNWELL, yes, SCR-UNWELL",
      "PREGNANT, yes, SCR-PREG",
      "ISOTRETINOIN, taking, SCR-ISO"
    })
    void aPresentCauseAndAStopMayNot(Question question, String choice, String rule) {
      Clients client = easy().answering(question, choice);
      Screening before = client.screened();
      Screening after = client.screened(override(before, rule));
      assertThat(after.verdict()).isEqualTo(before.verdict());
    }

    @Test
    void aReferNeedsANamedClearanceAndKeepsItsRestrictions() {
      Clients often = easy().answering(Question.COLD_SORES_EVER, "often");
      Screening before = often.screened();
      String id = before.findings().getFirst().id();
      assertThat(often.screened(override(before, "SCR-HSV-PAST")).verdict())
          .isEqualTo(Verdict.REFER);
      Screening cleared =
          often.screened(new Settlement.Clearance(id, "Dr Thea Lund", LocalDate.of(2026, 11, 27)));
      assertThat(cleared.verdict()).as("on, within what is left").isEqualTo(Verdict.ADAPT);
      assertThat(cleared.limits().care()).contains(Restriction.Care.Kind.TELL_TINGLING);
    }

    @Test
    void aReasonIsNotEmpty() {
      assertThatThrownBy(() -> new Settlement.Override("SCR-HAIR:x", " ", "ines"))
          .hasMessageContaining("reason is empty");
    }
  }

  @Nested
  class OpensTheMost {

    @Test
    void isFoundByTrying() {
      Screening screening = easy().notAsked(Question.SUN).screened();
      assertThat(screening.opensMost()).isPresent();
      assertThat(screening.opensMost().orElseThrow().finding().said()).contains("Sunburn");
      assertThat(screening.opensMost().orElseThrow().open()).isGreaterThan(10);
    }

    @Test
    void isNeverAStop() {
      Screening pregnant = easy().answering(Question.PREGNANT, "yes").screened();
      assertThat(pregnant.verdict()).isEqualTo(Verdict.STOP);
      assertThat(pregnant.opensMost()).as("a pregnancy is not cleared").isEmpty();
      assertThat(easy().notAsked(Question.PREGNANT).screened().opensMost())
          .as("an answer that is missing is")
          .isPresent();
    }

    @Test
    void isEmptyWhenNoSingleOneOpensAnything() {
      assertThat(
              easy()
                  .answering(Question.UNWELL, "yes")
                  .answering(Question.PREGNANT, "yes")
                  .screened()
                  .opensMost())
          .isEmpty();
    }
  }

  @Nested
  class Answers {

    @Test
    void refuseAWaxNextWeekAndAnUnknownChoice() {
      assertThatThrownBy(() -> Question.HAIR.check(Answer.on("done", T.plusDays(7)), T))
          .hasMessageContaining("must not lie after");
      assertThatThrownBy(() -> Question.HAIR.check(Answer.of("maybe"), T))
          .hasMessageContaining("does not belong to");
      assertThatThrownBy(() -> Question.SUN_PLANNED.check(Answer.on("planned", T.minusDays(1)), T))
          .hasMessageContaining("must not lie before");
      assertThatThrownBy(() -> Question.HAIR.check(Answer.on("done", T.minusYears(200)), T))
          .hasMessageContaining("check the year");
    }
  }

  @Test
  void questionsArePutOnlyToWhomTheyConcern() {
    assertThat(Screening.questions(easy().facts()))
        .doesNotContain(Question.INHIBITOR, Question.ROSACEA_FLARE)
        .contains(Question.PREGNANT, Question.HAIR, Question.FLAKING, Question.PEELS_ELSEWHERE);
    assertThat(Screening.questions(easy().type(ivesk.core.skin.Phototype.V).facts()))
        .contains(Question.INHIBITOR);
  }

  @Nested
  class NewLimits {

    private boolean shut(Clients client, String code) {
      Screening screening = client.screened();
      Formula formula = Library.get(code);
      return !screening
          .shuts(
              formula,
              screening
                  .limits()
                  .depth(formula, formula.firstContact(), formula.layersFirst(), Region.FACE),
              client.facts().entryRung(formula.family()))
          .isEmpty();
    }

    private Clients planed(Clients client) {
      return client
          .under(Policies.defaults().with(Policies.Choice.PEEL_AFTER_DERMAPLANING))
          .answering(Question.DERMAPLANING, "done", Clients.T.minusDays(1));
    }

    @Test
    void dermaplaningPairedGoesOneRungDownOneLayerOffShorterAndCountsDeeper() {
      Screening screening = planed(easy()).screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.ADAPT);
      Limits limits = screening.limits();
      assertThat(limits.rung(2)).isEqualTo(1);
      assertThat(limits.rung(1)).isEqualTo(1);
      assertThat(limits.layers(2)).isEqualTo(1);
      assertThat(limits.layers(1)).isEqualTo(1);
      assertThat(limits.contactFactor()).isEqualTo(0.75);
      Formula lactic = Library.get("LAC-10");
      assertThat(limits.depth(lactic, lactic.firstContact(), 1, Region.FACE))
          .isEqualTo(DepthClass.SUPERFICIAL);
    }

    @Test
    void dermaplaningPairedWaitsInSensitiveSkinAndAfterTwoDays() {
      assertThat(planed(easy().sensitivity(Sensitivity.SENSITIVE)).screened().verdict())
          .isEqualTo(Verdict.WAIT);
      assertThat(
              planed(easy())
                  .answering(Question.DERMAPLANING, "done", Clients.T.minusDays(2))
                  .screened()
                  .verdict())
          .isEqualTo(Verdict.WAIT);
    }

    @Test
    void zonesAreLeftOutAndAClearanceOpensOnlyTheMarks() {
      Clients client =
          easy()
              .answering(Question.MARK, Question.Answer.at("seen", Zone.NOSE))
              .answering(
                  Question.PERMANENT_MAKE_UP,
                  Question.Answer.on("done", Clients.T.minusDays(3)).at(Set.of(Zone.UPPER_LIP)));
      assertThat(client.screened().limits().excludedZones())
          .containsExactlyInAnyOrder(Zone.NOSE, Zone.UPPER_LIP);
      Screening cleared =
          client.screened(
              new Settlement.Clearance(
                  idOf(client.screened(), "SCR-LESION"), "Dr Harbour", Clients.T));
      assertThat(cleared.verdict()).isEqualTo(Verdict.ADAPT);
      assertThat(cleared.limits().excludedZones()).containsExactly(Zone.UPPER_LIP);
    }

    @Test
    void kidneyDiseaseShutsSalicylicOnlyAwayFromTheFace() {
      Clients client = easy().answering(Question.ORGAN, "kidney");
      assertThat(shut(client, "SAL-10")).isFalse();
      assertThat(shut(client.at(Region.BACK), "SAL-10")).isTrue();
      assertThat(shut(easy().answering(Question.ORGAN, "heart").at(Region.BACK), "SAL-10"))
          .isFalse();
    }

    @Test
    void superficialInOrganDiseaseIsReferredAndKeloidStopsMedium() {
      assertThat(shut(easy().answering(Question.ORGAN, "heart"), "GLY-35")).isTrue();
      assertThat(shut(easy().answering(Question.ORGAN, "heart"), "LAC-10")).isFalse();
      assertThat(easy().answering(Question.KELOID, "yes").screened().findings())
          .anySatisfy(finding -> {
            assertThat(finding.verdict()).isEqualTo(Verdict.STOP);
            assertThat(finding.scope().client()).isFalse();
          });
    }

    @Test
    void thinSkinTakesLacticFirstAndNeverTcaOrJessner() {
      Clients hands = easy().at(Region.HANDS);
      assertThat(hands.screened().verdict()).as("a zone's matter").isEqualTo(Verdict.PROCEED);
      assertThat(shut(hands, "LAC-10")).isFalse();
      assertThat(shut(hands, "MAN-20")).isTrue();
      Clients again =
          easy()
              .at(Region.HANDS)
              .after(
                  new PastPeel(
                      Library.get("LAC-10"),
                      Region.HANDS,
                      Clients.T.minusDays(60),
                      1,
                      Duration.ofMinutes(3),
                      PeelOutcome.WELL_TAKEN,
                      Optional.of(2)));
      assertThat(shut(again, "MAN-20")).isFalse();
      assertThat(shut(again, "TCA-10")).isTrue();
      assertThat(shut(again, "JES-RF")).isTrue();
    }

    @Test
    void severeRosaceaFeverAndReactionsShutWhatTheyName() {
      Clients fever =
          easy().aged(16).answering(Question.FEVER_LATELY, "had", Clients.T.minusDays(13));
      assertThat(shut(fever, "SLA-15")).isTrue();
      assertThat(shut(fever, "MAN-20")).isFalse();
      Clients reacted =
          easy().answering(Question.REACTION, Question.Answer.to("reacted", Family.GLYCOLIC));
      assertThat(shut(reacted, "GLY-20")).isTrue();
      assertThat(shut(reacted, "LAC-10")).isFalse();
    }

    @Test
    void productsAtHomeAnswerTheirQuestions() {
      HomeProduct retinol =
          new HomeProduct(
              "Night cream",
              Set.of(HomeProduct.Active.RETINOL),
              Optional.empty(),
              Optional.of(Clients.T.minusDays(2)));
      Clients client = easy().notAsked(Question.RETINOL).using(retinol);
      assertThat(client.facts().answeredBy(Question.RETINOL)).containsExactly("Night cream");
      assertThat(client.screened().until()).contains(Clients.T.plusDays(1));
      assertThat(client.answering(Question.RETINOL, "none").screened().verdict())
          .as("a product that is there outweighs a none")
          .isEqualTo(Verdict.WAIT);
      HomeProduct undated =
          new HomeProduct("Serum", retinol.actives(), Optional.empty(), Optional.empty());
      assertThat(easy().using(undated).screened().unasked()).isEqualTo(1);
      HomeProduct inhibitor =
          new HomeProduct(
              "Azelaic lotion",
              Set.of(HomeProduct.Active.INHIBITOR),
              Optional.of(Clients.T.minusDays(14)),
              Optional.empty());
      assertThat(easy().using(inhibitor).notAsked(Question.INHIBITOR).facts().primed()).isTrue();
      assertThat(easy().using(inhibitor).facts().primed())
          .as("none, said now, outweighs a product of before")
          .isFalse();
      assertThat(
              easy()
                  .using(inhibitor)
                  .answering(Question.INHIBITOR, "since", Clients.T.minusDays(5))
                  .facts()
                  .primed())
          .as("of two starts the later counts")
          .isFalse();
    }

    @Test
    void twoReadingsOfThePhototypeTooFarApartWait() {
      Screening screening = easy().disputed("type II by answers, V by instrument").screened();
      assertThat(screening.verdict()).isEqualTo(Verdict.WAIT);
      assertThat(screening.findings()).anyMatch(Finding::unasked);
    }
  }

  @Nested
  class PatchTests {
    private final Instant placed = Instant.parse("2026-11-26T10:00:00Z");

    private PatchTest test(Map<PatchTest.Read, PatchTest.Result> results) {
      return new PatchTest(Family.GLYCOLIC, placed, Clients.T.minusDays(2), results);
    }

    @Test
    void nothingIsReadFromTwentyFourHoursOnAReactionAtAnyTime() {
      Instant early = placed.plus(Duration.ofHours(24)).minusSeconds(1);
      assertThat(test(Map.of()).refuse(PatchTest.Result.NOTHING, early)).isPresent();
      assertThat(test(Map.of()).refuse(PatchTest.Result.REACTION, early)).isEmpty();
      assertThat(test(Map.of()).refuse(PatchTest.Result.NOTHING, early.plusSeconds(1))).isEmpty();
    }

    @Test
    void theSecondReadIsDueAtFortyEightHoursAndOvertakesAMissedFirst() {
      PatchTest once = test(Map.of(PatchTest.Read.AT_24_H, PatchTest.Result.NOTHING));
      assertThat(once.next(placed.plus(Duration.ofHours(30)))).contains(PatchTest.Read.AT_48_H);
      assertThat(test(Map.of()).next(placed.plus(Duration.ofHours(49))))
          .contains(PatchTest.Read.AT_48_H);
      assertThat(
              test(Map.of(PatchTest.Read.AT_48_H, PatchTest.Result.NOTHING))
                  .next(placed.plus(Duration.ofHours(50))))
          .isEmpty();
    }

    private Set<String> shutFor(Clients client) {
      return client.screened().findings().stream()
          .filter(f -> f.ruleId().equals("SCR-PATCH"))
          .map(f -> f.verdict() + " " + f.said())
          .collect(Collectors.toSet());
    }

    @Test
    void aFamilyWaitsUntilReadAndIsOutAfterAReaction() {
      assertThat(shutFor(easy().patched())).containsExactly("WAIT no patch test");
      assertThat(shutFor(easy().patched(test(Map.of()))))
          .anyMatch(said -> said.startsWith("WAIT patch test placed, not yet read: glycolic"))
          .anyMatch(said -> said.startsWith("WAIT no patch test for PHA"));
      Screening reacted =
          easy()
              .patched(test(Map.of(PatchTest.Read.AT_24_H, PatchTest.Result.REACTION)))
              .screened();
      assertThat(reacted.limits().excludedFamilies()).containsExactly(Family.GLYCOLIC);
      assertThat(reacted.findings())
          .filteredOn(f -> f.said().equals("reaction to the patch test"))
          .singleElement()
          .matches(Finding::firm);
    }

    @Test
    void aKnownFamilyNeedsNoneUnlessTheSkinIsSensitive() {
      PastPeel glycolic =
          new PastPeel(
              Library.get("GLY-20"),
              Region.FACE,
              Clients.T.minusDays(60),
              1,
              Duration.ofMinutes(3),
              PeelOutcome.WELL_TAKEN,
              Optional.of(3));
      assertThat(shutFor(easy().after(glycolic).patched()))
          .allMatch(said -> !said.contains("glycolic"));
      assertThat(shutFor(easy().sensitivity(Sensitivity.SENSITIVE).after(glycolic).patched()))
          .containsExactly("WAIT no patch test");
    }

    @Test
    void byPolicyOnlyWhatGoesSuperficialNeedsOne() {
      Clients client =
          easy()
              .patched()
              .under(Policies.defaults().with(Policies.Choice.PATCH_TEST_SUPERFICIAL_ONLY));
      Screening screening = client.screened();
      assertThat(screening.open()).isPositive();
      assertThat(easy().patched().screened().open()).isZero();
      assertThat(easy().patched().screened().opensMost().orElseThrow().finding().ruleId())
          .isEqualTo("SCR-PATCH");
    }
  }

  /// From peel to peel by formula, or at least what the practice has; sensitive skin half as much
  /// again. Domain 11.
  @ParameterizedTest
  @CsvSource({
    ", 7, 7",
    "INTERVAL_14_DAYS, 7, 14",
    "INTERVAL_14_DAYS, 21, 21",
    "INTERVAL_28_DAYS, 21, 28"
  })
  void theIntervalFollowsThePolicy(Choice choice, int ofTheFormula, int days) {
    Policies policies = choice == null ? Policies.defaults() : Policies.defaults().with(choice);
    assertThat(Clients.easy().under(policies).facts().intervalOfThisClient(ofTheFormula))
        .isEqualTo(days);
    assertThat(
            Clients.easy()
                .under(policies)
                .sensitivity(Sensitivity.SENSITIVE)
                .facts()
                .intervalOfThisClient(ofTheFormula))
        .isEqualTo((int) Math.ceil(days * 1.5));
  }

  /// Who has no record at all starts at the first rung where the practice has it so.
  @Test
  void adultsWithoutARecordEnterByPolicy() {
    assertThat(Clients.easy().facts().entryRung(Family.LACTIC)).isEqualTo(2);
    assertThat(
            Clients.easy()
                .under(Policies.defaults().with(Choice.FIRST_RUNG_WITHOUT_RECORD))
                .facts()
                .entryRung(Family.LACTIC))
        .isEqualTo(1);
  }
}
