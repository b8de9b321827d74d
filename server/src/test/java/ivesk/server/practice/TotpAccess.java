package ivesk.server.practice;

import java.time.Instant;

/// An authenticator application, for the tests.
public final class TotpAccess {
  private static long used;

  private TotpAccess() {}

  /// The code of this moment's step, or of the next where this one was given before.
  public static String now(String key) {
    long step = Instant.now().getEpochSecond() / 30;
    used = Math.max(step, used + 1);
    return Totp.code(Totp.bytes(key), used);
  }
}
