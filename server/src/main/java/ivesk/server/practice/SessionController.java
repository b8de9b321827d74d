package ivesk.server.practice;

import io.swagger.v3.oas.annotations.Parameter;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.practice.AccountStore.Account;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/session")
class SessionController {
  private final AccountStore accounts;
  private final SignIns signIns;
  private final PracticeStore practice;
  private final Clock clock;

  SessionController(AccountStore accounts, SignIns signIns, PracticeStore practice, Clock clock) {
    this.accounts = accounts;
    this.signIns = signIns;
    this.practice = practice;
    this.clock = clock;
  }

  /// Somebody who comes in here by a PIN.
  record PinHolder(String username, String name) {}

  /// @param account who is signed in; empty when nobody is
  /// @param rights what that account may do
  /// @param byPin who may take this device over by a PIN
  /// @param zone the practice's, in which every hour and day is said
  /// @param practice its name; empty until its first start
  /// @param started whether anybody can sign in at all
  record Session(
      Optional<Account> account,
      List<Right> rights,
      List<PinHolder> byPin,
      String zone,
      Optional<String> practice,
      boolean started) {}

  /// Also sets the CSRF cookie that a page needs before its first write.
  @May(Right.ANYBODY)
  @GetMapping
  Session session(
      @Nullable Principal who,
      @Parameter(hidden = true) CsrfToken token,
      HttpServletRequest request,
      HttpServletResponse response) {
    token.getToken();
    Optional<Account> account =
        Optional.ofNullable(who).flatMap(p -> accounts.account(p.getName()));
    List<Right> rights =
        account.stream()
            .flatMap(a -> Arrays.stream(Right.values()).filter(right -> right.allows(a.role())))
            .toList();
    return new Session(
        account,
        rights,
        signIns.byPin(SignInCookie.from(request, response)).stream()
            .map(other -> new PinHolder(other.username(), other.name()))
            .toList(),
        clock.getZone().getId(),
        practice.details().map(PracticeStore.Details::name),
        account.isPresent() || !accounts.accounts().isEmpty());
  }
}
