package ivesk.server.practice;

import io.swagger.v3.oas.annotations.Parameter;
import ivesk.server.practice.PracticeStore.Account;
import java.security.Principal;
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

  SessionController(PracticeStore practice) {
    this.practice = practice;
  }

  /// @param account who is signed in; empty when nobody is
  record Session(Optional<Account> account) {}

  /// Also sets the CSRF cookie that a page needs before its first write.
  @GetMapping
  Session session(@Nullable Principal who, @Parameter(hidden = true) CsrfToken token) {
    token.getToken();
    return new Session(Optional.ofNullable(who).flatMap(p -> practice.account(p.getName())));
  }
}
