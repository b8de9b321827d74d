package ivesk.core.rule;

import ivesk.core.Source;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// A rule of the trade as a value. A kind of rule (screening, objection, contact) adds what only it
/// needs in a record of its own around this one.
///
/// @param id given for good, unique in its table; kept records name it
/// @param words what it says, as a clinician would read it
/// @param source where it comes from
/// @param clauses in the order in which they are read
/// @param <F> the facts that it reads
/// @param <C> how its conditions are written
/// @param <O> what a clause comes to
public record Rule<F, C extends Predicate<F>, O>(
    String id, String words, Source source, List<Clause<F, C, O>> clauses) {

  /// @throws IllegalArgumentException without a clause, or with two of one id
  public Rule {
    clauses = List.copyOf(clauses);
    Set<String> ids = new HashSet<>();
    for (Clause<F, C, O> clause : clauses) {
      if (!ids.add(clause.id())) {
        throw new IllegalArgumentException(id + ": two clauses with the id " + clause.id());
      }
    }
    if (clauses.isEmpty()) throw new IllegalArgumentException(id + ": clauses: at least 1, was 0");
  }

  /// One line of a rule: a condition, and what it comes to where that holds.
  ///
  /// @param id given for good, unique in its rule; kept records name it
  /// @param then may come to nothing, or to several things
  public record Clause<F, C extends Predicate<F>, O>(
      String id, C when, Function<F, List<O>> then) {}

  /// What one clause came to.
  public record Outcome<O>(String clause, O of) {}

  /// The ids of its clauses, in their order.
  public List<String> clauseIds() {
    return clauses.stream().map(Clause::id).toList();
  }

  /// Whether any clause's condition holds.
  public boolean holds(F facts) {
    return clauses.stream().anyMatch(clause -> clause.when().test(facts));
  }

  /// What the clauses come to whose conditions hold, in their order.
  public Stream<Outcome<O>> outcomes(F facts) {
    return clauses.stream()
        .filter(clause -> clause.when().test(facts))
        .flatMap(clause ->
            clause.then().apply(facts).stream().map(of -> new Outcome<>(clause.id(), of)));
  }
}
