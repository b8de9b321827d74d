package ivesk.server.practice;

import ivesk.server.app.May;
import ivesk.server.app.Right;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// In by password, by PIN where the password was given lately, by a one-time code; and out.
@RestController
@RequestMapping("/api")
class SignInController {
  private final SignIns signIns;

  SignInController(SignIns signIns) {
    this.signIns = signIns;
  }

  /// @param code of the second factor, six digits, or a recovery code
  record ByPassword(String username, String password, Optional<String> code) {}

  record ByPin(String username, String pin) {}

  /// @param code the one-time code
  /// @param password one's own from now on
  record ByCode(String username, String code, String password) {}

  @May(Right.ANYBODY)
  @PostMapping("/sign-in")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void password(
      @RequestBody ByPassword body, HttpServletRequest request, HttpServletResponse response) {
    From from = SignInCookie.from(request, response);
    SignInCookie.keep(
        request,
        response,
        signIns.password(body.username().strip(), body.password(), body.code(), from));
  }

  /// The one who was signed in here before is signed out.
  @May(Right.ANYBODY)
  @PostMapping("/sign-in/pin")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void pin(
      @RequestBody ByPin body,
      HttpServletRequest request,
      HttpServletResponse response,
      @Nullable Authentication before) {
    From from = SignInCookie.from(request, response);
    String fresh = signIns.pin(body.username(), body.pin(), from);
    if (before != null && before.getDetails() instanceof UUID id) {
      signIns.end(id, before.getName(), "gave place to " + body.username());
    }
    SignInCookie.keep(request, response, fresh);
  }

  @May(Right.ANYBODY)
  @PostMapping("/sign-in/code")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void code(@RequestBody ByCode body, HttpServletRequest request, HttpServletResponse response) {
    From from = SignInCookie.from(request, response);
    SignInCookie.keep(
        request,
        response,
        signIns.code(body.username().strip(), body.code(), body.password(), from));
  }

  @May(Right.SELF)
  @PostMapping("/sign-out")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void out(HttpServletRequest request, HttpServletResponse response, Authentication who) {
    if (who.getDetails() instanceof UUID id) signIns.end(id, who.getName(), "");
    SignInCookie.forget(request, response);
  }
}
