package ivesk.server.app;

import jakarta.servlet.http.HttpServletRequest;
import java.math.BigInteger;
import java.security.SecureRandom;

/// The word by which one answer's page may write its own styles, and nothing else may.
public final class PageNonce {
  private static final String ATTRIBUTE = PageNonce.class.getName();
  private static final SecureRandom RANDOM = new SecureRandom();

  private PageNonce() {}

  public static String of(HttpServletRequest request) {
    if (request.getAttribute(ATTRIBUTE) instanceof String made) return made;
    String fresh = new BigInteger(128, RANDOM).toString(36);
    request.setAttribute(ATTRIBUTE, fresh);
    return fresh;
  }
}
