package ivesk.server.practice;

import ivesk.core.practice.PolicyQuestion;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import java.security.Principal;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// The choices of the practice where the schools differ. Everybody sees them; owner and supervising
/// clinician set them.
@RestController
@RequestMapping("/api/practice/policies")
class PolicyController {
  private final PracticeStore practice;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;

  PolicyController(PracticeStore practice, AccountStore accounts, Audit audit, Clock clock) {
    this.practice = practice;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  record OptionView(String id, String label) {}

  /// @param usual the default answer
  record PolicyView(
      PolicyQuestion id, String label, List<OptionView> options, String usual, String answer) {}

  /// @param maySet whether the account that asks may change them
  record PoliciesView(List<PolicyView> policies, boolean maySet) {}

  record PolicyAnswer(String answer) {}

  @May(Right.KNOW)
  @GetMapping
  PoliciesView policies(Principal who) {
    Map<PolicyQuestion, String> answers = practice.answers();
    return new PoliciesView(
        Arrays.stream(PolicyQuestion.values())
            .map(question ->
                new PolicyView(
                    question,
                    question.label(),
                    question.options().stream()
                        .map(option -> new OptionView(option.id(), option.label()))
                        .toList(),
                    question.usual(),
                    answers.getOrDefault(question, question.usual())))
            .toList(),
        accounts.may(who.getName(), Right.PRACTICE));
  }

  @May(Right.PRACTICE)
  @PutMapping("/{question}")
  @Transactional
  PoliciesView set(
      @PathVariable PolicyQuestion question, @RequestBody PolicyAnswer body, Principal who) {
    BadInput.check("answer", () -> question.option(body.answer()));
    practice.answer(question, body.answer(), who.getName(), clock.instant());
    audit.note(who.getName(), "set policy " + question, body.answer());
    return policies(who);
  }
}
