package ivesk.server.practice;

import java.net.URLEncoder;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Instant;
import java.util.OptionalLong;
import java.util.stream.LongStream;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/// Time-based one-time passwords, RFC 6238: HMAC-SHA-1, steps of 30 s, six digits, as every
/// authenticator application takes them.
final class Totp {
  private static final int STEP_SECONDS = 30;
  private static final String BASE_32 = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";

  private Totp() {}

  /// The step whose code this is: now's, the one before or the one after.
  static OptionalLong step(byte[] key, String code, Instant now) {
    long step = now.getEpochSecond() / STEP_SECONDS;
    return LongStream.of(step, step - 1, step + 1)
        .filter(near -> Tokens.same(code(key, near), code))
        .findFirst();
  }

  /// Six digits of a step, RFC 4226.
  static String code(byte[] key, long step) {
    try {
      Mac mac = Mac.getInstance("HmacSHA1");
      mac.init(new SecretKeySpec(key, "HmacSHA1"));
      ByteBuffer hash = ByteBuffer.wrap(mac.doFinal(ByteBuffer.allocate(8).putLong(step).array()));
      int number = hash.getInt(hash.get(hash.limit() - 1) & 0xF) & Integer.MAX_VALUE;
      return Integer.toString(1_000_000 + number % 1_000_000).substring(1);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  /// What an authenticator application reads from a QR code.
  static String uri(String practice, String username, String key) {
    return "otpauth://totp/"
        + encoded(practice + ":" + username)
        + "?secret="
        + key
        + "&issuer="
        + encoded(practice);
  }

  private static String encoded(String words) {
    return URLEncoder.encode(words, StandardCharsets.UTF_8).replace("+", "%20");
  }

  /// RFC 4648, without padding.
  static String base32(byte[] bytes) {
    StringBuilder out = new StringBuilder();
    int bits = 0;
    int held = 0;
    for (byte one : bytes) {
      held = held << 8 | one & 0xFF;
      bits += 8;
      while (bits >= 5) {
        bits -= 5;
        out.append(BASE_32.charAt(held >> bits & 31));
      }
    }
    if (bits > 0) out.append(BASE_32.charAt(held << 5 - bits & 31));
    return out.toString();
  }

  static byte[] bytes(String base32) {
    ByteBuffer out = ByteBuffer.allocate(base32.length() * 5 / 8);
    int bits = 0;
    int held = 0;
    for (char letter : base32.toCharArray()) {
      held = held << 5 | BASE_32.indexOf(letter);
      bits += 5;
      if (bits >= 8) {
        bits -= 8;
        out.put((byte) (held >> bits));
      }
    }
    return out.array();
  }
}
