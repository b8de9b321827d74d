package ivesk.server.practice;

import ivesk.core.Require;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.Role;
import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.PracticeStore.NumberKind;
import java.security.Principal;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Whom an alarm calls: emergency, poison centre, supervising clinician. Everybody sees them.
@RestController
@RequestMapping("/api/practice/numbers")
class NumberController {
  private final PracticeStore practice;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;

  NumberController(PracticeStore practice, AccountStore accounts, Audit audit, Clock clock) {
    this.practice = practice;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param emergency empty until somebody has set it
  /// @param poisonCentre empty until somebody has set it
  /// @param clinicians supervising clinicians by name
  /// @param maySet whether the account that asks may change them
  record NumbersView(
      Optional<String> emergency,
      Optional<String> poisonCentre,
      List<String> clinicians,
      boolean maySet) {}

  record NewNumber(String number) {}

  @May(Right.KNOW)
  @GetMapping
  NumbersView numbers(Principal who) {
    Map<NumberKind, String> numbers = practice.numbers();
    return new NumbersView(
        Optional.ofNullable(numbers.get(NumberKind.EMERGENCY)),
        Optional.ofNullable(numbers.get(NumberKind.POISON_CENTRE)),
        accounts.accounts().stream()
            .filter(account -> account.role() == Role.SUPERVISOR && !account.locked())
            .map(Account::name)
            .toList(),
        accounts.may(who.getName(), Right.PRACTICE));
  }

  @May(Right.PRACTICE)
  @PutMapping("/{kind}")
  @Transactional
  NumbersView set(@PathVariable NumberKind kind, @RequestBody NewNumber body, Principal who) {
    String number = checked(body.number());
    practice.setNumber(kind, number, who.getName(), clock.instant());
    audit.note(who.getName(), "set number " + kind, number);
    return numbers(who);
  }

  static String checked(String given) {
    String number = given.strip();
    BadInput.check("number", () -> Require.telephone("the number", number));
    return number;
  }
}
