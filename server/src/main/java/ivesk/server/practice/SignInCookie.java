package ivesk.server.practice;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Optional;
import org.springframework.http.HttpHeaders;

/// The cookies by which a sign-in and a device are known again.
final class SignInCookie {
  /// Whatever was asked for meanwhile, it ends.
  static final Duration ABSOLUTE = Duration.ofHours(14);

  private static final String COOKIE = "ivesk-signed-in";
  private static final String DEVICE = "ivesk-device";

  private SignInCookie() {}

  static Optional<String> of(HttpServletRequest request) {
    return OwnCookie.of(request, COOKIE);
  }

  /// Where a request comes from; a device without a mark gets one.
  static From from(HttpServletRequest request, HttpServletResponse response) {
    String device =
        OwnCookie.of(request, DEVICE)
            .filter(mark -> mark.length() == 64)
            .orElseGet(() -> {
              String fresh = Tokens.fresh();
              OwnCookie.set(request, response, DEVICE, fresh, Duration.ofDays(400));
              return fresh;
            });
    return new From(
        device,
        Optional.ofNullable(request.getHeader(HttpHeaders.USER_AGENT)).orElse(""),
        request.getRemoteAddr());
  }

  static void keep(HttpServletRequest request, HttpServletResponse response, String signIn) {
    OwnCookie.set(request, response, COOKIE, signIn, ABSOLUTE);
  }

  static void forget(HttpServletRequest request, HttpServletResponse response) {
    OwnCookie.set(request, response, COOKIE, "", Duration.ZERO);
  }
}
