package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Verdict.ADAPT;
import static ivesk.core.screening.rule.Verdict.PROCEED;
import static ivesk.core.screening.rule.Verdict.REFER;
import static ivesk.core.screening.rule.Verdict.STOP;
import static ivesk.core.screening.rule.Verdict.WAIT;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
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
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/// Clients that a cautious expert would argue about: made up, judged by the table of the trade;
/// common practice, no source.
class ArguableClientsTest {

  /// @param until WAIT's date
  /// @param limits some of the limits, in their words
  /// @param shut formulas that must be shut
  /// @param open formulas that screening must leave open
  record Argued(
      String who,
      Clients client,
      Verdict verdict,
      Optional<LocalDate> until,
      List<String> limits,
      List<String> shut,
      List<String> open) {
    @Override
    public String toString() {
      return who;
    }
  }

  private static Argued argued(
      String who,
      Clients client,
      Verdict verdict,
      LocalDate until,
      List<String> limits,
      List<String> shut,
      List<String> open) {
    return new Argued(who, client, verdict, Optional.ofNullable(until), limits, shut, open);
  }

  private static Clients waxedSixDaysAgo() {
    return easy().answering(HAIR, "done", T.minusDays(6));
  }

  private static Clients offIsotretinoinFiveMonths() {
    return easy().answering(ISOTRETINOIN, "stopped", T.minusMonths(5));
  }

  static Stream<Argued> clients() {
    List<String> none = List.of();
    return Stream.of(
        argued(
            "pregnant and breastfeeding at once",
            easy().answering(PREGNANT, "yes").answering(BREASTFEEDING, "yes"),
            STOP,
            null,
            List.of("no high frequency"),
            List.of("LAC-10", "MAN-20", "SAL-10", "PHA-15"),
            none),
        argued(
            "rosacea with a compromised barrier",
            easy().shows(Map.of(Condition.ROSACEA_PAPULES, 2)).sensitivity(Sensitivity.COMPROMISED),
            WAIT,
            null,
            List.of("first rungs", "no heat", "no scrub"),
            List.of("LAC-10", "AZM-15"),
            none),
        argued(
            "type V with PIH, inhibitor day 11 of 14",
            easy().type(Phototype.V).shows(Map.of(Condition.PIH, 2)).primed(11),
            ADAPT,
            null,
            List.of("layers ≤ 2", "sunscreen mineral", "no resorcinol, trichloroacetic"),
            List.of("SAL-20", "TCA-10", "JES", "GLY-35"),
            List.of("SAL-10", "MAN-20")),
        argued(
            "isotretinoin stopped five months ago, conservative",
            offIsotretinoinFiveMonths(),
            WAIT,
            T.plusMonths(1),
            none,
            List.of("PHA-15", "LAC-10"),
            none),
        argued(
            "isotretinoin stopped five months ago, by consensus",
            offIsotretinoinFiveMonths()
                .under(Policies.defaults().with(Choice.ISOTRETINOIN_BY_CONSENSUS)),
            REFER,
            null,
            none,
            List.of("PHA-15", "LAC-10"),
            none),
        argued(
            "sixteen, with a fever last week",
            easy().aged(16).answering(FEVER_LATELY, "had", T.minusDays(7)),
            ADAPT,
            null,
            List.of("guardian consents", "at most very superficial", "entry rungs"),
            List.of("SAL-10", "SLA-15", "JES-RF", "TCA-10", "PYR-40"),
            List.of("LAC-10", "MAN-20")),
        argued(
            "diabetic whose control nobody knows",
            easy().answering(DIABETES, "unknown"),
            REFER,
            null,
            none,
            List.of("PHA-15", "LAC-10"),
            none),
        argued(
            "allergic to latex, fruit not asked",
            easy().answering(LATEX_ALLERGY, "yes").notAsked(FRUIT_ALLERGY),
            WAIT,
            null,
            List.of("nitrile or vinyl gloves"),
            List.of("ENZ-P", "LAC-10"),
            none),
        argued(
            "allergic to latex, not to fruit",
            easy().answering(LATEX_ALLERGY, "yes"),
            ADAPT,
            null,
            List.of("nitrile or vinyl gloves"),
            none,
            List.of("ENZ-P", "TCA-15")),
        argued(
            "cold sores four times a year, wishes TCA",
            easy().answering(COLD_SORES_EVER, "often"),
            REFER,
            null,
            List.of("told on sheet"),
            List.of("TCA-10", "TCA-15", "LAC-10"),
            none),
        argued(
            "waxed six days ago",
            waxedSixDaysAgo(),
            WAIT,
            T.plusDays(1),
            none,
            List.of("LAC-10"),
            none),
        argued(
            "waxed six days ago, the date moved by one day",
            waxedSixDaysAgo().on(T.plusDays(1)),
            PROCEED,
            null,
            none,
            none,
            List.of("LAC-10", "GLY-35")),
        argued(
            "keloid before",
            easy().answering(KELOID, "yes"),
            ADAPT,
            null,
            List.of("no lancet", "at most superficial"),
            List.of("TCA-35"),
            List.of("GLY-35", "SAL-20")),
        argued(
            "still flaking from the last peel",
            easy()
                .after(
                    new PastPeel(
                        Library.get("SAL-20"),
                        Region.FACE,
                        T.minusDays(30),
                        2,
                        Duration.ofMinutes(5),
                        PeelOutcome.WELL_TAKEN,
                        Optional.of(4)))
                .answering(FLAKING, "yes"),
            WAIT,
            null,
            none,
            List.of("SAL-20", "PHA-15"),
            none),
        argued(
            "consent for another family only",
            easy().consenting(new Consent(Family.MANDELIC, T, "Client", Optional.empty())),
            PROCEED,
            null,
            none,
            List.of("GLY-20", "LAC-10"),
            List.of("MAN-20")));
  }

  @ParameterizedTest
  @MethodSource("clients")
  void isJudged(Argued argued) {
    Screening screening = argued.client.screened();
    assertThat(screening.verdict()).isEqualTo(argued.verdict);
    assertThat(screening.until()).isEqualTo(argued.until);
    assertThat(screening.limits().words()).containsAll(argued.limits);
    for (String code : argued.shut) assertThat(shuts(screening, argued, code)).as(code).isTrue();
    for (String code : argued.open) assertThat(shuts(screening, argued, code)).as(code).isFalse();
  }

  private static boolean shuts(Screening screening, Argued argued, String code) {
    Formula formula = Library.get(code);
    return !screening
        .shuts(
            formula,
            screening
                .limits()
                .depth(formula, formula.firstContact(), formula.layersFirst(), Region.FACE),
            argued.client.facts().entryRung(formula.family()))
        .isEmpty();
  }
}
