package ivesk.core.screening.rule;

import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;

/// A condition of a rule, which knows the questions that it reads: a rule asks what its conditions
/// need, and nothing else.
///
/// @param asks the questions that must be answered before it can be judged
public record When(Function<ScreeningFacts, List<Question>> asks, Predicate<ScreeningFacts> holds)
    implements Predicate<ScreeningFacts> {

  @Override
  public boolean test(ScreeningFacts facts) {
    return holds.test(facts);
  }

  /// Needs no answer.
  static When that(Predicate<ScreeningFacts> holds) {
    return new When(facts -> List.of(), holds);
  }

  static When always() {
    return that(facts -> true);
  }

  /// Holds whatever the answer is, once there is one.
  static When known(Question question) {
    return new When(facts -> List.of(question), facts -> true);
  }

  /// @throws IllegalArgumentException for a choice that the question does not have
  static When is(Question question, String choice) {
    question.requireOption(choice);
    return new When(facts -> List.of(question), facts -> facts.is(question, choice));
  }

  /// Reads the other only where this holds.
  When and(When other) {
    return new When(
        facts -> holds.test(facts) ? both(facts, other) : asks.apply(facts),
        facts -> holds.test(facts) && other.holds.test(facts));
  }

  /// Reads the other only where this does not hold.
  When or(When other) {
    return new When(
        facts -> holds.test(facts) ? asks.apply(facts) : both(facts, other),
        facts -> holds.test(facts) || other.holds.test(facts));
  }

  When not() {
    return new When(asks, holds.negate());
  }

  private List<Question> both(ScreeningFacts facts, When other) {
    List<Question> all = new ArrayList<>(asks.apply(facts));
    all.addAll(other.asks.apply(facts));
    return all;
  }
}
