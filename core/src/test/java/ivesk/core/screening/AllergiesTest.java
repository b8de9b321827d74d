package ivesk.core.screening;

import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.screening.answer.Allergies;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// What the chart tells of allergies, read for peels: domain/02, "Asked of everybody". The names in
/// other languages are common ones, from memory.
class AllergiesTest {
  private static boolean shut(Screening screening, String code) {
    var formula = Library.get(code);
    return !screening.shuts(formula, formula.libraryDepth(), formula.rung()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "aspirin, SALICYLIC",
    "Aspirina (urticaria), SALICYLIC",
    "acide acétylsalicylique, SALICYLIC",
    "Milchsäure, LACTIC",
    "ácido glicólico, GLYCOLIC",
    "piña, PINEAPPLE",
    "Feigen, FIG",
    "Resorcin, RESORCINOL",
    "TCA, TCA",
    "abóbora, PUMPKIN"
  })
  void aSubstanceIsKnownInEveryLanguage(String told, Substance substance) {
    assertThat(Allergies.of(told).substances()).containsExactly(substance);
  }

  /// "Aspirin" in the chart, its question answered with yes or not asked: nothing with salicylic
  /// acid.
  @ParameterizedTest
  @CsvSource({"SAL-10, true", "SLA-15, true", "JES, true", "LAC-30, false", "GLY-20, false"})
  void whatIsToldShutsWhatContainsIt(String code, boolean shut) {
    Clients client =
        easy().allergicTo("nuts; aspirin").answering(Question.SALICYLATE_ALLERGY, "yes");
    assertThat(shut(client.screened(), code)).isEqualTo(shut);
    Screening notAsked = client.notAsked(Question.SALICYLATE_ALLERGY).screened();
    assertThat(notAsked.limits().excluded()).contains(Substance.SALICYLIC);
  }

  @Test
  void onlyTheClinicianLiftsWhatTheChartTells() {
    assertThat(easy().allergicTo("azelaic acid").answering(Question.REACTION, "scarred").screened())
        .extracting(Screening::findings)
        .satisfies(findings ->
            assertThat(findings)
                .filteredOn(finding -> finding.said().contains("azelaic acid"))
                .first()
                .matches(Finding::firm));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "aspirin",
        "lactic acid",
        "latex",
        "papaya",
        "some fruit",
        "acids in creams",
        "not allergic to aspirin; aspirin"
      })
  void whatTheChartTellsAgainstAnAnswerIsSettledFirst(String told) {
    Screening screening = easy().allergicTo(told).screened();
    assertThat(screening.verdict()).isEqualTo(Verdict.WAIT);
    assertThat(screening.findings())
        .filteredOn(finding -> finding.clearedBy() == Clearing.SETTLING)
        .isNotEmpty()
        .noneMatch(Finding::overridable);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "none",
        "no known allergies",
        "not allergic to aspirin",
        "keine Allergie gegen Latex",
        "hyaluronic acid",
        "nuts, nickel; penicillin",
        "figure skating"
      })
  void whatNamesNothingShutsNothing(String told) {
    Screening screening = easy().allergicTo(told).screened();
    assertThat(screening.verdict()).isEqualTo(Verdict.PROCEED);
    assertThat(Allergies.of(told).latex()).isFalse();
  }

  @Test
  void whatIsDeniedIsNotTold() {
    assertThat(Allergies.of("not allergic to aspirin, nickel; niacinamide").told())
        .isEqualTo("nickel; niacinamide");
  }

  /// Another substance is another finding: a clearance of the one is none of the other.
  @Test
  void anotherAllergyIsAnotherFinding() {
    List<String> ids =
        List.of("lactic", "glycolic").stream()
            .map(told -> easy().allergicTo(told).notAsked(Question.REACTION).screened())
            .flatMap(screening -> screening.findings().stream())
            .filter(finding -> finding.said().startsWith("the chart tells"))
            .map(Finding::id)
            .toList();
    assertThat(ids).hasSize(2).doesNotHaveDuplicates();
  }

  /// Latex is told once, in the chart or by its question.
  @Test
  void latexInTheChartChangesTheGloves() {
    assertThat(easy().allergicTo("latex").notAsked(Question.LATEX_ALLERGY).screened().limits())
        .extracting(Limits::care)
        .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.ITERABLE)
        .contains(Restriction.Care.Kind.GLOVES_WITHOUT_LATEX);
  }
}
