package ivesk.server.app;

import ivesk.core.Words;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/// Dates and decimals in sentences go by the language that the browser asks for.
@Component
class ReaderFilter extends OncePerRequestFilter {
  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    // What is sent by the chain may fail in two ways, and a scope has one.
    ServletException failed =
        Words.readBy(
            request.getLocale(),
            () -> {
              try {
                chain.doFilter(request, response);
                return null;
              } catch (ServletException e) {
                return e;
              }
            });
    if (failed != null) throw failed;
  }
}
