package ivesk.server.practice;

import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.SignInStore.SignIn;
import ivesk.server.practice.SignIns.From;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/// Knows by its cookie who asks.
class SignedInFilter extends OncePerRequestFilter {
  static final String COOKIE = "ivesk-signed-in";
  private static final String DEVICE = "ivesk-device";

  private final SignIns signIns;
  private final AccountStore accounts;

  SignedInFilter(SignIns signIns, AccountStore accounts) {
    this.signIns = signIns;
    this.accounts = accounts;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain rest)
      throws ServletException, IOException {
    Optional<SignIn> signIn =
        request.getRequestURI().startsWith("/api")
            ? OwnCookie.of(request, COOKIE).flatMap(signIns::holds)
            : Optional.empty();
    Optional<Account> account =
        signIn.flatMap(one -> accounts.account(one.username())).filter(a -> !a.locked());
    account.ifPresent(who -> {
      SecurityContext context = SecurityContextHolder.createEmptyContext();
      UsernamePasswordAuthenticationToken token =
          UsernamePasswordAuthenticationToken.authenticated(
              who.username(),
              null,
              List.of(new SimpleGrantedAuthority("ROLE_" + who.role().name())));
      token.setDetails(signIn.orElseThrow().id());
      context.setAuthentication(token);
      SecurityContextHolder.setContext(context);
    });
    rest.doFilter(request, response);
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
    OwnCookie.set(request, response, COOKIE, signIn, SignIns.ABSOLUTE);
  }

  static void forget(HttpServletRequest request, HttpServletResponse response) {
    OwnCookie.set(request, response, COOKIE, "", Duration.ZERO);
  }
}
