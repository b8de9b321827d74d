package ivesk.server.practice;

import io.swagger.v3.oas.annotations.Parameter;
import ivesk.server.practice.PracticeStore.Account;
import java.security.Principal;
import java.time.Clock;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/session")
class SessionController {
  private final PracticeStore practice;
  private final Clock clock;

  SessionController(PracticeStore practice, Clock clock) {
    this.practice = practice;
    this.clock = clock;
  }

  /// @param account who is signed in; empty when nobody is
  /// @param zone the practice's, in which every hour and day is said
  record Session(Optional<Account> account, String zone) {}

  /// Also sets the CSRF cookie that a page needs before its first write.
  @GetMapping
  Session session(@Nullable Principal who, @Parameter(hidden = true) CsrfToken token) {
    token.getToken();
    return new Session(
        Optional.ofNullable(who).flatMap(p -> practice.account(p.getName())),
        clock.getZone().getId());
  }
}
