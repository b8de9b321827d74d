package ivesk.server.practice;

import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.LicenceScope;
import ivesk.core.practice.PolicyQuestion;
import ivesk.server.app.Audit;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.app.Role;
import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.PracticeController.PracticeView;
import ivesk.server.practice.PracticeStore.NumberKind;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.time.Clock;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Makes the practice and its owner, by the address that the terminal shows.
@RestController
@RequestMapping("/api/first-start")
class FirstStartController {
  private final ObjectProvider<FirstStart> firstStart;
  private final AccountStore accounts;
  private final PracticeStore practice;
  private final PracticeController.Zone zone;
  private final SignIns signIns;
  private final TransactionTemplate transaction;
  private final Audit audit;
  private final Clock clock;

  FirstStartController(
      ObjectProvider<FirstStart> firstStart,
      AccountStore accounts,
      PracticeStore practice,
      PracticeController.Zone zone,
      SignIns signIns,
      TransactionTemplate transaction,
      Audit audit,
      Clock clock) {
    this.firstStart = firstStart;
    this.accounts = accounts;
    this.practice = practice;
    this.zone = zone;
    this.signIns = signIns;
    this.transaction = transaction;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param code of the address
  /// @param scope what the licence covers
  record Beginning(
      String code,
      String name,
      String username,
      String password,
      PracticeView practice,
      Optional<String> emergency,
      Optional<String> poisonCentre,
      LicenceScope scope) {}

  /// The owner is signed in then.
  @May(Right.ANYBODY)
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void begin(@RequestBody Beginning body, HttpServletRequest request, HttpServletResponse response)
      throws UnknownHostException {
    FirstStart first = firstStart.getIfAvailable();
    if (first == null
        || !InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress()
        || !first.take(body.code())) {
      throw new Refused(
          "This address was used, is over 30 minutes old, or was opened on another machine. Nothing"
              + " was made. Start Ivesk again: it shows a new one while nobody works here.");
    }
    From from = SignInCookie.from(request, response);
    String signedIn;
    try {
      signedIn = transaction.execute(tx -> make(body, from));
    } catch (RuntimeException e) {
      first.giveBack(body.code());
      throw e;
    }
    zone.follow(body.practice().details().zone());
    SignInCookie.keep(request, response, signedIn);
  }

  private String make(Beginning body, From from) {
    String username = body.username().strip();
    PeopleController.requireUsername(username);
    PeopleController.requireName(body.name());
    accounts.add(new Account(username, body.name().strip(), Role.OWNER), "");
    practice.setDetails(body.practice().details());
    practice.setClosedDays(body.practice().closedDays());
    body.emergency()
        .filter(number -> !number.isBlank())
        .ifPresent(number -> set(NumberKind.EMERGENCY, number, username));
    body.poisonCentre()
        .filter(number -> !number.isBlank())
        .ifPresent(number -> set(NumberKind.POISON_CENTRE, number, username));
    String scope =
        PolicyQuestion.LICENCE.options().stream()
            .filter(option -> option.change().apply(Policies.defaults()).scope() == body.scope())
            .findFirst()
            .orElseThrow()
            .id();
    practice.answer(PolicyQuestion.LICENCE, scope, username, clock.instant());
    audit.note(username, "first start", "practice");
    signIns.setPassword(username, body.password());
    return signIns.anew(username, from);
  }

  private void set(NumberKind kind, String number, String username) {
    practice.setNumber(kind, NumberController.checked(number), username, clock.instant());
  }
}
