package ivesk.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.Source;
import ivesk.core.aftercare.ContactRules;
import ivesk.core.aftercare.ContactRules.ContactRule;
import ivesk.core.plan.objection.ScriptRules;
import ivesk.core.plan.objection.ScriptRules.ScriptRule;
import ivesk.core.rule.Rule.Clause;
import ivesk.core.rule.Rule.Outcome;
import ivesk.core.screening.rule.ScreeningRule;
import ivesk.core.screening.rule.ScreeningRules;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RuleTest {
  private static Clause<Integer, Predicate<Integer>, String> from(int least, String... finds) {
    return new Clause<>("FROM-" + least, number -> number >= least, number -> List.of(finds));
  }

  @SafeVarargs
  @SuppressWarnings("varargs")
  private static Rule<Integer, Predicate<Integer>, String> rule(
      Clause<Integer, Predicate<Integer>, String>... clauses) {
    return new Rule<>("SUM", "a number is large", Source.OWN_DEFAULT, List.of(clauses));
  }

  @Test
  void eachClauseThatHoldsSaysWhatItFinds() {
    var rule = rule(from(3, "three"), from(5), from(7, "seven", "many"));
    assertThat(rule.outcomes(2)).isEmpty();
    assertThat(rule.holds(2)).isFalse();
    assertThat(rule.outcomes(6)).containsExactly(new Outcome<>("FROM-3", "three"));
    assertThat(rule.outcomes(7))
        .containsExactly(
            new Outcome<>("FROM-3", "three"),
            new Outcome<>("FROM-7", "seven"),
            new Outcome<>("FROM-7", "many"));
  }

  /// A clause holds also where it finds nothing.
  @Test
  void holdsAndFindsNothing() {
    assertThat(rule(from(5)).holds(5)).isTrue();
    assertThat(rule(from(5)).outcomes(5)).isEmpty();
  }

  @Test
  void clausesHaveIdsOfTheirOwn() {
    assertThatThrownBy(() -> rule(from(3), from(3, "again")))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessage("SUM: two clauses with the id FROM-3");
    assertThatThrownBy(() -> rule())
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("at least 1");
  }

  record Ids(String rule, List<String> clauses) {}

  static Stream<List<Ids>> tables() {
    return Stream.of(
        ids(ScreeningRules.ALL, ScreeningRule::id, ScreeningRule::clauseIds),
        ids(ScriptRules.ALL, ScriptRule::id, ScriptRule::clauseIds),
        ids(ContactRules.ALL, ContactRule::id, ContactRule::clauseIds));
  }

  private static <R> List<Ids> ids(
      List<R> table, Function<R, String> rule, Function<R, List<String>> clauses) {
    return table.stream().map(one -> new Ids(rule.apply(one), clauses.apply(one))).toList();
  }

  /// Kept records name a rule and a clause: both are given by a person, for good.
  @ParameterizedTest
  @MethodSource("tables")
  void idsAreGivenAndUnique(List<Ids> table) {
    assertThat(table).hasSizeGreaterThan(10).extracting(Ids::rule).doesNotHaveDuplicates();
    assertThat(table).extracting(Ids::rule).allMatch(RuleTest::given);
    assertThat(table).flatExtracting(Ids::clauses).allMatch(RuleTest::given);
  }

  private static boolean given(Object id) {
    return id.toString().matches("[A-Z0-9]+(-[A-Z0-9]+)*");
  }
}
