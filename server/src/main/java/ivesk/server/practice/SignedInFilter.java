package ivesk.server.practice;

import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.SignInStore.SignIn;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/// Knows by its cookie who asks.
class SignedInFilter extends OncePerRequestFilter {

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
            ? SignInCookie.of(request).flatMap(signIns::holds)
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
}
