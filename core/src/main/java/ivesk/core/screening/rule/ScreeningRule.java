package ivesk.core.screening.rule;

import ivesk.core.Source;
import ivesk.core.rule.Rule;
import ivesk.core.rule.Rule.Clause;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/// A screening rule: whom it concerns, and clause by clause when it finds what. It asks the
/// questions that its conditions read.
///
/// @param needs what must be known besides answers
public record ScreeningRule(
    Rule<ScreeningFacts, When, Draft> rule, Predicate<ScreeningFacts> concerns, List<Lack> needs) {

  /// Something that must be known besides answers.
  ///
  /// @param id stands in the finding's basis
  /// @param missing why it is not known, in words; empty when it is
  record Lack(String id, Function<ScreeningFacts, Optional<String>> missing) {}

  @SafeVarargs
  @SuppressWarnings("varargs")
  static ScreeningRule rule(
      String id, Source source, String why, Clause<ScreeningFacts, When, Draft>... clauses) {
    return new ScreeningRule(
        new Rule<>(id, why, source, List.of(clauses)), facts -> true, List.of());
  }

  static Clause<ScreeningFacts, When, Draft> when(String id, When when, Draft... finds) {
    List<Draft> drafts = List.of(finds);
    return new Clause<>(id, when, facts -> drafts);
  }

  static Clause<ScreeningFacts, When, Draft> when(
      String id, When when, Function<ScreeningFacts, Draft> finds) {
    return new Clause<>(id, when, facts -> List.of(finds.apply(facts)));
  }

  /// May find nothing, or several things.
  static Clause<ScreeningFacts, When, Draft> all(
      String id, When when, Function<ScreeningFacts, List<Draft>> finds) {
    return new Clause<>(id, when, finds);
  }

  /// Leaves the rule out for clients to whom its questions are not put.
  ScreeningRule concerning(Predicate<ScreeningFacts> whom) {
    return new ScreeningRule(rule, whom, needs);
  }

  ScreeningRule needing(Lack... lacks) {
    return new ScreeningRule(rule, concerns, List.of(lacks));
  }

  public String id() {
    return rule.id();
  }

  public Source source() {
    return rule.source();
  }

  /// The ids of its clauses, in their order.
  public List<String> clauseIds() {
    return rule.clauseIds();
  }

  /// The questions that it puts to this client.
  public List<Question> asks(ScreeningFacts facts) {
    return concerns.test(facts)
        ? rule.clauses().stream()
            .flatMap(clause -> clause.when().asks().apply(facts).stream())
            .distinct()
            .toList()
        : List.of();
  }

  /// The rule's findings. It is taken question by question: a missing answer gives "WAIT: ask
  /// first" in place of what hangs on it, and what the other answers say stands beside it.
  public List<Finding> apply(ScreeningFacts facts) {
    if (!concerns.test(facts)) return List.of();
    List<Question> asked = asks(facts);
    List<Finding> found = new ArrayList<>();
    for (Question question : asked) {
      if (!facts.answered(question)) {
        found.add(finding(Draft.ask(question.text() + ": not asked"), question.name()));
      }
    }
    for (Lack lack : needs) {
      lack.missing()
          .apply(facts)
          .ifPresent(words -> found.add(finding(Draft.ask(words), lack.id())));
    }
    for (Clause<ScreeningFacts, When, Draft> clause : rule.clauses()) {
      boolean known = clause.when().asks().apply(facts).stream().allMatch(facts::answered);
      if (!known || !clause.when().test(facts)) continue;
      String answers =
          clause.when().asks().apply(facts).stream()
              .map(question -> basis(question, facts))
              .collect(Collectors.joining(","));
      for (Draft draft : clause.then().apply(facts)) {
        found.add(finding(draft, basis(clause, draft, answers)));
      }
    }
    return found;
  }

  private static String basis(Question question, ScreeningFacts facts) {
    Answer answer = facts.answers().get(question);
    String given =
        answer == null
            ? ""
            : answer.choice()
                + answer.on().map(on -> "@" + on).orElse("")
                + (answer.zones().isEmpty() ? "" : names(answer.zones()))
                + (answer.families().isEmpty() ? "" : names(answer.families()));
    String atHome =
        facts.atHome(question).stream()
            .sorted()
            .map(LocalDate::toString)
            .collect(Collectors.joining("+"));
    return question.name() + "=" + given + (atHome.isEmpty() ? "" : "+" + atHome);
  }

  private static String basis(Clause<?, ?, ?> clause, Draft draft, String answers) {
    return String.join(
        ";",
        clause.id(),
        draft.verdict().name(),
        answers,
        draft.until().map(LocalDate::toString).orElse(""),
        (draft.naming().isEmpty() ? "" : names(draft.naming())) + draft.key());
  }

  private static String names(Iterable<? extends Enum<?>> constants) {
    TreeSet<String> names = new TreeSet<>();
    constants.forEach(constant -> names.add(constant.name()));
    return names.toString();
  }

  private Finding finding(Draft draft, String basis) {
    return new Finding(
        rule.id(),
        basis,
        draft.said(),
        draft.naming(),
        draft.verdict(),
        draft.scope(),
        draft.restrictions(),
        rule.words(),
        rule.source(),
        draft.until(),
        draft.clearedBy(),
        draft.overridable(),
        draft.firm(),
        draft.unasked(),
        Optional.empty());
  }
}
