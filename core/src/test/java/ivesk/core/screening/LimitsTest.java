package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.screening.Question.Answer;
import ivesk.core.screening.Restriction.CapDepth;
import ivesk.core.screening.Restriction.CapLayers;
import ivesk.core.screening.Restriction.Exclude;
import ivesk.core.screening.Restriction.OneLayerOff;
import ivesk.core.screening.Restriction.OnlyFamilies;
import ivesk.core.screening.Restriction.ShortenContact;
import ivesk.core.skin.Sensitivity;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LimitsTest {

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
      Finding finding =
          screening.findings().stream()
              .filter(f -> f.ruleId().equals(rule))
              .findFirst()
              .orElseThrow();
      return new Settlement.Override(rule, finding.said(), "seen on the skin: calm", "ines");
    }

    @Test
    void aWaitThatOnlyCountsDaysMayBeOverriddenWithAReason() {
      Screening screening = waxed.screened(override(waxed.screened(), "SCR-HAIR"));
      assertThat(screening.verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(screening.findings())
          .anySatisfy(f -> assertThat(f.settled()).hasValueSatisfying(w -> w.contains("calm")));
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
      String said = before.findings().getFirst().said();
      assertThat(often.screened(override(before, "SCR-HSV-PAST")).verdict())
          .isEqualTo(Verdict.REFER);
      Screening cleared =
          often.screened(
              new Settlement.Clearance("SCR-HSV-PAST", said, "Dr Thea Lund", "Fri 27 Nov"));
      assertThat(cleared.verdict()).isEqualTo(Verdict.PROCEED);
      assertThat(cleared.limits().care()).contains(Restriction.Care.Kind.TELL_TINGLING);
    }

    @Test
    void aReasonIsNotEmpty() {
      assertThatThrownBy(() -> new Settlement.Override("SCR-HAIR", "x", " ", "ines"))
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
          .hasMessageContaining("must not lie after today");
      assertThatThrownBy(() -> Question.HAIR.check(Answer.of("maybe"), T))
          .hasMessageContaining("does not belong to");
      assertThatThrownBy(() -> Question.SUN_PLANNED.check(Answer.on("planned", T.minusDays(1)), T))
          .hasMessageContaining("must not lie before today");
      assertThatThrownBy(() -> Question.HAIR.check(Answer.on("done", T.minusYears(200)), T))
          .hasMessageContaining("check the year");
    }
  }

  @Test
  void questionsArePutOnlyToWhomTheyConcern() {
    assertThat(Screening.questions(easy().facts()))
        .doesNotContain(Question.INHIBITOR, Question.ROSACEA_FLARE, Question.FLAKING)
        .contains(Question.PREGNANT, Question.HAIR);
    assertThat(Screening.questions(easy().type(ivesk.core.skin.Phototype.V).facts()))
        .contains(Question.INHIBITOR);
  }
}
