package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Verdict.ADAPT;
import static ivesk.core.screening.rule.Verdict.REFER;
import static ivesk.core.screening.rule.Verdict.STOP;
import static ivesk.core.screening.rule.Verdict.WAIT;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Family;
import ivesk.core.formula.Library;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.ScreeningRule;
import ivesk.core.screening.rule.ScreeningRules;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/// Each of the 57 rules with a case on either side of its limit and one for "not asked". The limits
/// are common practice, no source, or Ivesk's own defaults, as the rule's own mark says.
class EveryRuleTest {

  /// @param inside where the rule finds what `expected` says
  /// @param outside just past its limit, where it finds nothing
  /// @param asked the question without whose answer it waits; empty where it asks none
  record Case(
      String id,
      Verdict expected,
      Supplier<Clients> inside,
      Supplier<Clients> outside,
      Optional<Question> asked) {
    @Override
    public String toString() {
      return id + " " + expected;
    }
  }

  private static Case of(
      String id, Verdict expected, Supplier<Clients> inside, Supplier<Clients> outside) {
    return new Case(id, expected, inside, outside, Optional.empty());
  }

  private static Case answer(
      String id, Verdict expected, Question question, Answer inside, Answer outside) {
    return new Case(
        id,
        expected,
        () -> easy().answering(question, inside),
        () -> easy().answering(question, outside),
        Optional.of(question));
  }

  private static Case choice(String id, Verdict expected, Question question, String inside) {
    return answer(id, expected, question, Answer.of(inside), question.harmless());
  }

  /// The rule holds up to the day before `days` are over.
  private static Case days(String id, Question question, String option, int days) {
    return answer(
        id,
        WAIT,
        question,
        Answer.on(option, T.minusDays(days - 1L)),
        Answer.on(option, T.minusDays(days)));
  }

  private static Case months(
      String id, Verdict expected, Question question, String option, int months) {
    return answer(
        id,
        expected,
        question,
        Answer.on(option, T.minusMonths(months).plusDays(1)),
        Answer.on(option, T.minusMonths(months)));
  }

  private static PastPeel peel(int daysAgo) {
    return new PastPeel(
        Library.get("MAN-20"),
        Region.FACE,
        T.minusDays(daysAgo),
        1,
        Duration.ofMinutes(3),
        PeelOutcome.WELL_TAKEN,
        Optional.of(3));
  }

  private static Clients back() {
    return easy().after(peel(60));
  }

  static Stream<Case> cases() {
    LocalDate now = T;
    return Stream.of(
        of(
            "SCR-CONSENT",
            WAIT,
            () ->
                easy()
                    .consenting(
                        new Consent(
                            Family.LACTIC,
                            now.minusMonths(12).minusDays(1),
                            "Client",
                            Optional.empty())),
            () -> easy()),
        of("SCR-AGE-CHILD", STOP, () -> easy().aged(9), () -> easy().aged(10)),
        of("SCR-AGE-TWEEN", REFER, () -> easy().aged(12), () -> easy().aged(13)),
        of("SCR-AGE-TEEN", ADAPT, () -> easy().aged(17), () -> easy().aged(18)),
        new Case(
            "SCR-REYE",
            WAIT,
            () -> easy().aged(16).answering(FEVER_LATELY, "had", now.minusDays(13)),
            () -> easy().aged(16).answering(FEVER_LATELY, "had", now.minusDays(14)),
            Optional.empty()),
        choice("SCR-AGE-THIN", ADAPT, SKIN_TEARS, "yes"),
        of("SCR-AGE-THIN", ADAPT, () -> easy().aged(70), () -> easy().aged(69)),
        choice("SCR-PREG", STOP, PREGNANT, "yes"),
        choice("SCR-LACT", ADAPT, BREASTFEEDING, "yes"),
        choice("SCR-ISO", WAIT, ISOTRETINOIN, "taking"),
        months("SCR-ISO", WAIT, ISOTRETINOIN, "stopped", 6),
        days("SCR-RETINOID", RETINOID, "used", 7),
        days("SCR-RETINOID", RETINOL, "used", 3),
        days("SCR-EXFOLIANT", HOME_ACID, "used", 3),
        answer(
            "SCR-TOPICAL",
            REFER,
            TOPICAL_CYTOSTATIC,
            Answer.on("used", now.minusDays(55)),
            Answer.on("used", now.minusDays(56))),
        choice("SCR-TOPICAL", ADAPT, TOPICAL_STEROID, "yes"),
        days("SCR-HAIR", HAIR, "done", 7),
        days("SCR-SHAVE", SHAVE, "done", 1),
        days("SCR-DERMAPLANE", DERMAPLANING, "done", 7),
        days("SCR-ABRASION", ABRASION, "done", 7),
        days("SCR-ENERGY", ENERGY, "done", 28),
        months("SCR-ENERGY", WAIT, ABLATIVE_LASER, "done", 6),
        days("SCR-INJECT", TOXIN, "done", 7),
        days("SCR-INJECT", FILLER, "done", 14),
        months("SCR-SURGERY", REFER, FACE_SURGERY, "done", 6),
        months("SCR-SURGERY", REFER, EYE_SURGERY, "done", 3),
        answer(
            "SCR-TATTOO",
            ADAPT,
            PERMANENT_MAKE_UP,
            Answer.on("done", now.minusDays(27)).at(java.util.Set.of(Zone.UPPER_LIP)),
            Answer.on("done", now.minusDays(28)).at(java.util.Set.of(Zone.UPPER_LIP))),
        choice("SCR-RADIO", REFER, RADIOTHERAPY, "yes"),
        answer(
            "SCR-SUNBURN",
            WAIT,
            SUN,
            Answer.on("burnt", now.minusDays(13)),
            Answer.on("sun", now.minusDays(30))),
        days("SCR-SUN", SUN, "sun", 14),
        answer(
            "SCR-SUN",
            WAIT,
            SUN_PLANNED,
            Answer.between("planned", now.plusDays(13), now.plusDays(20)),
            Answer.between("planned", now.plusDays(28), now.plusDays(40))),
        choice("SCR-HSV-NOW", WAIT, COLD_SORE_NOW, "now"),
        days("SCR-HSV-NOW", COLD_SORE_NOW, "healed", 7),
        choice("SCR-HSV-PAST", ADAPT, COLD_SORES_EVER, "some"),
        choice("SCR-HSV-PAST", REFER, COLD_SORES_EVER, "often"),
        choice("SCR-WOUND", ADAPT, OPEN_SPOTS, "few"),
        choice("SCR-WOUND", WAIT, OPEN_SPOTS, "many"),
        choice("SCR-INFECTION", REFER, INFECTION, "yes"),
        answer("SCR-LESION", REFER, MARK, Answer.at("seen", Zone.NOSE), Answer.of("no")),
        choice("SCR-ACNE-SEVERE", REFER, NODULES, "yes"),
        of(
            "SCR-ACNE-SEVERE",
            REFER,
            () -> easy().shows(Map.of(Condition.INFLAMED_SPOTS, 3, Condition.SCARS_BOXCAR, 1)),
            () -> easy().shows(Map.of(Condition.INFLAMED_SPOTS, 2, Condition.SCARS_BOXCAR, 3))),
        choice("SCR-DERMATITIS", ADAPT, DERMATITIS, "before"),
        choice("SCR-DERMATITIS", WAIT, DERMATITIS, "now"),
        of(
            "SCR-ROSACEA",
            ADAPT,
            () -> easy().shows(Map.of(Condition.ROSACEA_FLUSHING, 1)),
            () -> easy().shows(Map.of(Condition.ROSACEA_FLUSHING, 0))),
        of(
            "SCR-MELASMA",
            ADAPT,
            () -> easy().shows(Map.of(Condition.MELASMA_MIXED, 1)),
            () -> easy().shows(Map.of(Condition.MELASMA_MIXED, 0))),
        of(
            "SCR-BARRIER",
            WAIT,
            () -> easy().sensitivity(Sensitivity.COMPROMISED),
            () -> easy().sensitivity(Sensitivity.SENSITIVE)),
        of(
            "SCR-SENSITIVE",
            ADAPT,
            () -> easy().sensitivity(Sensitivity.SENSITIVE),
            () -> easy().sensitivity(Sensitivity.NORMAL)),
        choice("SCR-SALICYLATE", ADAPT, SALICYLATE_ALLERGY, "yes"),
        choice("SCR-RESORCINOL", ADAPT, RESORCINOL_RISK, "yes"),
        choice("SCR-FRUIT", ADAPT, FRUIT_ALLERGY, "yes"),
        choice("SCR-LATEX", ADAPT, LATEX_ALLERGY, "yes"),
        choice("SCR-LIDOCAINE", ADAPT, LIDOCAINE_ALLERGY, "yes"),
        choice("SCR-KELOID", ADAPT, KELOID, "yes"),
        choice("SCR-PHOTOTYPE", ADAPT, PIH_EVER, "yes"),
        of(
            "SCR-PHOTOTYPE",
            ADAPT,
            () -> easy().type(Phototype.IV),
            () -> easy().type(Phototype.III)),
        choice("SCR-DIABETES", ADAPT, DIABETES, "controlled"),
        choice("SCR-DIABETES", REFER, DIABETES, "uncontrolled"),
        choice("SCR-IMMUNE", REFER, IMMUNE, "now"),
        months("SCR-IMMUNE", REFER, IMMUNE, "chemo", 6),
        choice("SCR-AUTOIMMUNE", REFER, AUTOIMMUNE, "yes"),
        choice("SCR-BLOOD", ADAPT, BLOOD_THINNER, "yes"),
        choice("SCR-PHOTOSENS", ADAPT, PHOTOSENSITISING, "yes"),
        choice("SCR-ORGAN", ADAPT, ORGAN, "heart"),
        choice("SCR-ORGAN", ADAPT, ORGAN, "kidney"),
        choice("SCR-HF", ADAPT, IMPLANT, "yes"),
        choice("SCR-SMOKER", ADAPT, SMOKER, "yes"),
        choice("SCR-PICKING", ADAPT, PICKING, "yes"),
        of("SCR-PATCH", WAIT, () -> easy().patched(), () -> easy()),
        choice("SCR-UNWELL", WAIT, UNWELL, "yes"),
        new Case(
            "SCR-FLAKING",
            WAIT,
            () -> back().answering(FLAKING, "yes"),
            () -> back().answering(FLAKING, "no"),
            Optional.empty()),
        of("SCR-INTERVAL", WAIT, () -> easy().after(peel(6)), () -> easy().after(peel(60))),
        of(
            "SCR-FLAG",
            WAIT,
            () -> easy().after(peel(60).flagged(Optional.of(T.minusDays(50)), false)),
            () -> easy().after(peel(60).flagged(Optional.empty(), false))),
        answer(
            "SCR-REACTION",
            ADAPT,
            REACTION,
            Answer.to("reacted", Family.GLYCOLIC),
            Answer.of("none")),
        answer(
            "SCR-REACTION",
            REFER,
            REACTION,
            Answer.to("scarred", Family.GLYCOLIC),
            Answer.of("none")),
        of(
            "SCR-REACTION",
            ADAPT,
            () -> easy().after(adverse("GLY-35", 60).allergic(true)),
            () -> easy().after(adverse("GLY-35", 60))),
        of(
            "SCR-ADVERSE",
            ADAPT,
            () -> easy().after(adverse("GLY-35", 60)),
            () -> easy().after(peel(60))),
        choice("SCR-ASTHMA", ADAPT, ASTHMA, "yes"),
        choice("SCR-CONTACTS", ADAPT, CONTACT_LENSES, "yes"),
        of("SCR-THINZONE", ADAPT, () -> easy().at(Region.HANDS), () -> easy().at(Region.BACK)));
  }

  private static List<Finding> found(Clients client, String id) {
    return client.screened().findings().stream()
        .filter(finding -> finding.ruleId().equals(id))
        .filter(finding -> finding.verdict() != Verdict.PROCEED)
        .toList();
  }

  private static PastPeel adverse(String code, int daysAgo) {
    return new PastPeel(
        Library.get(code),
        Region.FACE,
        T.minusDays(daysAgo),
        1,
        Duration.ofMinutes(2),
        PeelOutcome.ADVERSE,
        Optional.of(6));
  }

  @ParameterizedTest
  @MethodSource("cases")
  void holdsUpToItsLimitAndNoFurther(Case rule) {
    assertThat(found(rule.inside.get(), rule.id))
        .as("inside")
        .extracting(Finding::verdict)
        .contains(rule.expected)
        .allMatch(verdict ->
            verdict == rule.expected || rule.id.equals("SCR-INFECTION") || scopedToo(rule));
    assertThat(found(rule.outside.get(), rule.id)).as("outside").isEmpty();
    for (Finding finding : found(rule.inside.get(), rule.id)) {
      assertThat(finding.said()).isNotBlank();
      assertThat(finding.why()).isNotBlank();
      assertThat(finding.clearedBy().words()).isNotBlank();
      assertThat(finding.unasked()).isFalse();
    }
  }

  /// Rules that say something more of a depth, besides what they say of the client.
  private static boolean scopedToo(Case rule) {
    return List.of("SCR-HSV-PAST", "SCR-KELOID", "SCR-PHOTOTYPE", "SCR-PHOTOSENS", "SCR-ORGAN")
        .contains(rule.id);
  }

  @ParameterizedTest
  @MethodSource("cases")
  void notAskedWaitsInItsPlace(Case rule) {
    if (rule.asked.isEmpty()) return;
    Screening screening = easy().notAsked(rule.asked.get()).screened();
    assertThat(screening.verdict()).isEqualTo(WAIT);
    assertThat(screening.findings())
        .filteredOn(Finding::unasked)
        .singleElement()
        .satisfies(finding -> {
          assertThat(finding.said()).isEqualTo(rule.asked.get().text() + ": not asked");
          assertThat(finding.overridable()).isFalse();
        });
  }

  @Test
  void notAskedOfMinorsAndReturningClientsWaitsToo() {
    assertThat(easy().aged(16).notAsked(FEVER_LATELY).screened().verdict()).isEqualTo(WAIT);
    assertThat(easy().notAsked(FEVER_LATELY).screened().unasked()).as("an adult").isZero();
    assertThat(back().notAsked(FLAKING).screened().verdict()).isEqualTo(WAIT);
    assertThat(easy().notAsked(FLAKING).screened().verdict()).as("a new client").isEqualTo(WAIT);
    assertThat(easy().notAsked(PEELS_ELSEWHERE).screened().verdict()).isEqualTo(WAIT);
    assertThat(easy().answering(PEELS_ELSEWHERE, "had").screened().verdict())
        .as("none is entered")
        .isEqualTo(WAIT);
    assertThat(
            easy()
                .shows(Map.of(Condition.ROSACEA_PAPULES, 1))
                .notAsked(ROSACEA_FLARE)
                .screened()
                .verdict())
        .isEqualTo(WAIT);
    assertThat(easy().type(Phototype.IV).notAsked(INHIBITOR).screened().verdict()).isEqualTo(WAIT);
    assertThat(easy().sensitivity(null).screened().verdict()).isEqualTo(WAIT);
    assertThat(easy().type(null).screened().verdict()).isEqualTo(WAIT);
    assertThat(easy().consenting().screened().verdict()).isEqualTo(WAIT);
  }

  @Test
  void theTablesOwn58LidocaineAndTheRedFlagEachHaveTheirCases() {
    List<String> ids = ScreeningRules.ALL.stream().map(ScreeningRule::id).toList();
    assertThat(ids).hasSize(60).doesNotHaveDuplicates();
    assertThat(cases().map(Case::id).distinct().toList()).containsExactlyInAnyOrderElementsOf(ids);
  }

  @Test
  void everyQuestionBelongsToARule() {
    for (Question question : Question.values()) {
      Clients asked =
          easy()
              .aged(16)
              .after(peel(60))
              .type(Phototype.V)
              .shows(Map.of(Condition.ROSACEA_PAPULES, 1));
      assertThat(Screening.questions(asked.facts())).as(question.name()).contains(question);
    }
  }
}
