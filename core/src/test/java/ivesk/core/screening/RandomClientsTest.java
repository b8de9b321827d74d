package ivesk.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Seeds;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/// Random clients through screening.
class RandomClientsTest {

  @Test
  void theVerdictIsTheMostSevereOfTheClientsFindingsAndNoFormulaEscapes() {
    Seeds.tried(
        3000,
        seed -> {
          Random random = new Random(seed);
          ScreeningFacts facts = RandomClients.client(random).facts();
          Screening screening = Screening.screen(facts, List.of());
          assertThat(screening.findings()).extracting(Finding::id).doesNotHaveDuplicates();
          Verdict worst =
              screening.findings().stream()
                  .filter(finding -> finding.scope().client())
                  .map(Finding::verdict)
                  .reduce(Verdict.PROCEED, Verdict::moreSevere);
          if (screening.open() > 0 || worst.compareTo(Verdict.WAIT) >= 0) {
            assertThat(screening.verdict()).isEqualTo(worst);
          } else {
            assertThat(screening.verdict())
                .as("nothing open is never PROCEED or ADAPT")
                .isIn(Verdict.WAIT, Verdict.REFER);
          }
          assertThat(screening.limits().layers(1 + random.nextInt(6))).isPositive();
          assertThat(screening.limits().contactFactor()).isBetween(0.5, 1.0);
          int open = 0;
          for (Formula formula : Library.FORMULAS) {
            boolean shut =
                !screening
                    .shuts(
                        formula,
                        screening
                            .limits()
                            .depth(
                                formula,
                                formula.firstContact(),
                                formula.layersFirst(),
                                facts.region()),
                        facts.entryRung(formula.family()))
                    .isEmpty();
            if (worst.compareTo(Verdict.WAIT) >= 0) assertThat(shut).as(formula.code()).isTrue();
            boolean here = formula.peels() && formula.label().regions().contains(facts.region());
            if (!shut && here) open++;
          }
          assertThat(screening.open()).isEqualTo(open);
          if (open > 0) assertThat(screening.opensMost()).isEmpty();
          screening.opensMost().ifPresent(best -> assertThat(best.open()).isPositive());
        });
  }

  /// Answers stand from harmless to grave; among dates the nearer one is worse. Two exceptions.
  /// Under the policy that pairs dermaplaning with a peel, planing within 48 hours is adapted to,
  /// while planing three days ago is neither and waits. And where a product at home contains what
  /// was denied, the denial is no answer: it waits until a date is told.
  @Test
  void aWorseAnswerNeverMakesTheVerdictMilder() {
    Seeds.tried(
        3000,
        seed -> {
          Random random = new Random(seed);
          Clients client = RandomClients.client(random);
          Question question = RandomClients.pick(random, Question.values());
          if (question == Question.DERMAPLANING
              && client.facts().policies().chose(Choice.PEEL_AFTER_DERMAPLANING)) {
            return;
          }
          List<Answer> graded = RandomClients.fromHarmlessToGrave(question);
          List<Optional<Verdict>> verdicts = new ArrayList<>();
          for (Answer answer : graded) {
            client.answering(question, answer);
            verdicts.add(
                client.facts().answered(question)
                    ? Optional.of(client.screened().verdict())
                    : Optional.empty());
          }
          for (int worse = 1; worse < graded.size(); worse++) {
            for (int mild = 0; mild < worse; mild++) {
              if (verdicts.get(mild).isEmpty() || verdicts.get(worse).isEmpty()) continue;
              if (!nearer(question, graded.get(mild), graded.get(worse))) continue;
              assertThat(verdicts.get(worse).get())
                  .as(question + " from " + graded.get(mild) + " to " + graded.get(worse))
                  .isGreaterThanOrEqualTo(verdicts.get(mild).get());
            }
          }
        });
  }

  /// Of two dated answers the later in the list is worse only where its date is not farther away.
  private static boolean nearer(Question question, Answer mild, Answer worse) {
    if (mild.on().isEmpty() || worse.on().isEmpty()) return true;
    return question == Question.SUN_PLANNED
        ? !worse.on().get().isAfter(mild.on().get())
        : !worse.on().get().isBefore(mild.on().get());
  }

  @Test
  void takingAnAnswerBackNeverOpensTheWay() {
    Seeds.tried(
        500,
        seed -> {
          Random random = new Random(seed);
          Clients client = RandomClients.client(random);
          Question question = Question.values()[random.nextInt(Question.values().length)];
          boolean put = Screening.questions(client.facts()).contains(question);
          boolean byProducts = !client.facts().answeredBy(question).isEmpty();
          Verdict without = client.notAsked(question).screened().verdict();
          if (put && !byProducts) assertThat(without).isGreaterThanOrEqualTo(Verdict.WAIT);
        });
  }
}
