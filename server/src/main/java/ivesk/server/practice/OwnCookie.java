package ivesk.server.practice;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;

/// Cookies that scripts do not read and other sites do not send.
public final class OwnCookie {
  private OwnCookie() {}

  public static Optional<String> of(HttpServletRequest request, String name) {
    Cookie[] cookies = request.getCookies();
    if (cookies == null) return Optional.empty();
    return Arrays.stream(cookies)
        .filter(cookie -> cookie.getName().equals(name))
        .map(Cookie::getValue)
        .findFirst();
  }

  public static void set(
      HttpServletRequest request,
      HttpServletResponse response,
      String name,
      String value,
      Duration age) {
    response.addHeader(
        HttpHeaders.SET_COOKIE,
        ResponseCookie.from(name, value)
            .httpOnly(true)
            .secure(request.isSecure())
            .sameSite("Strict")
            .path("/")
            .maxAge(age)
            .build()
            .toString());
  }
}
