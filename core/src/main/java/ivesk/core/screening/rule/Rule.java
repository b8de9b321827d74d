package ivesk.core.screening.rule;

import ivesk.core.Source;
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

/// A screening rule as a value: whom it concerns, and clause by clause when it finds what. It asks
/// the questions that its conditions read.
public final class Rule {
  private final String id;
  private final Source source;
  private final String why;
  private final Predicate<ScreeningFacts> concerns;
  private final List<Lack> needs;
  private final List<Clause> clauses;

  private Rule(
      String id,
      Source source,
      String why,
      Predicate<ScreeningFacts> concerns,
      List<Lack> needs,
      List<Clause> clauses) {
    this.id = id;
    this.source = source;
    this.why = why;
    this.concerns = concerns;
    this.needs = needs;
    this.clauses = clauses;
  }

  /// One line of a rule: a condition and what is found where it holds.
  ///
  /// @param id given for good, unique in its rule: kept settlements name it
  record Clause(String id, When when, Function<ScreeningFacts, List<Draft>> finds) {}

  /// Something that must be known besides answers.
  ///
  /// @param id stands in the finding's basis
  /// @param missing why it is not known, in words; empty when it is
  record Lack(String id, Function<ScreeningFacts, Optional<String>> missing) {}

  static Rule rule(String id, Source source, String why, Clause... clauses) {
    return new Rule(id, source, why, facts -> true, List.of(), List.of(clauses));
  }

  static Clause when(String id, When when, Draft... finds) {
    List<Draft> drafts = List.of(finds);
    return new Clause(id, when, facts -> drafts);
  }

  static Clause when(String id, When when, Function<ScreeningFacts, Draft> finds) {
    return new Clause(id, when, facts -> List.of(finds.apply(facts)));
  }

  /// May find nothing, or several things.
  static Clause all(String id, When when, Function<ScreeningFacts, List<Draft>> finds) {
    return new Clause(id, when, finds);
  }

  /// Leaves the rule out for clients to whom its questions are not put.
  Rule concerning(Predicate<ScreeningFacts> whom) {
    return new Rule(id, source, why, whom, needs, clauses);
  }

  Rule needing(Lack... lacks) {
    return new Rule(id, source, why, concerns, List.of(lacks), clauses);
  }

  public String id() {
    return id;
  }

  public Source source() {
    return source;
  }

  /// The ids of its clauses, in their order.
  List<String> clauseIds() {
    return clauses.stream().map(Clause::id).toList();
  }

  /// The questions that it puts to this client.
  public List<Question> asks(ScreeningFacts facts) {
    return concerns.test(facts)
        ? clauses.stream()
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
    for (Clause clause : clauses) {
      boolean known = clause.when().asks().apply(facts).stream().allMatch(facts::answered);
      if (!known || !clause.when().holds().test(facts)) continue;
      String answers =
          clause.when().asks().apply(facts).stream()
              .map(question -> basis(question, facts))
              .collect(Collectors.joining(","));
      for (Draft draft : clause.finds().apply(facts)) {
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

  private static String basis(Clause clause, Draft draft, String answers) {
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
        id,
        basis,
        draft.said(),
        draft.naming(),
        draft.verdict(),
        draft.scope(),
        draft.restrictions(),
        why,
        source,
        draft.until(),
        draft.clearedBy(),
        draft.overridable(),
        draft.firm(),
        draft.unasked(),
        Optional.empty());
  }
}
