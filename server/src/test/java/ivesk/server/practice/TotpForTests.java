package ivesk.server.practice;

import java.time.Instant;

/// What an authenticator application does.
public final class TotpForTests {
  private TotpForTests() {}

  public static byte[] bytes(String key) {
    return Totp.bytes(key);
  }

  /// The six digits of this moment.
  public static String now(byte[] key) {
    return Totp.code(key, Instant.now().getEpochSecond() / 30);
  }
}
