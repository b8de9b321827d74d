package ivesk.core.screening.rule;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/// Kept settlements name a rule and a clause: both are given by a person, for good.
class RuleIdsTest {
  @Test
  void everyRuleHasAnIdOfItsOwn() {
    assertThat(ScreeningRules.ALL).hasSizeGreaterThan(50);
    assertThat(ScreeningRules.ALL).extracting(Rule::id).doesNotHaveDuplicates();
  }

  @Test
  void everyClauseHasAnIdOfItsOwnInItsRule() {
    for (Rule rule : ScreeningRules.ALL) {
      assertThat(rule.clauseIds())
          .as(rule.id())
          .isNotEmpty()
          .doesNotHaveDuplicates()
          .allMatch(id -> id.matches("[A-Z0-9]+(-[A-Z0-9]+)*"));
    }
  }
}
