package ivesk.server.practice;

import ivesk.server.app.Sha256;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;

/// Random words that nobody guesses, and how they are kept: as hashes.
public final class Tokens {
  /// Without those that are taken for another: 0 and O, 1 and I and L.
  private static final String LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

  private static final int LETTERS_ONLY = LETTERS.indexOf('2');
  private static final SecureRandom RANDOM = new SecureRandom();

  private Tokens() {}

  /// 256 bits in hexadecimal.
  public static String fresh() {
    return HexFormat.of().formatHex(bytes(32));
  }

  static byte[] bytes(int count) {
    byte[] bytes = new byte[count];
    RANDOM.nextBytes(bytes);
    return bytes;
  }

  /// So many letters and digits to read aloud, in groups of four: 5 bits each, nearly.
  static String code(int letters) {
    StringBuilder code = new StringBuilder();
    for (int i = 0; i < letters; i++) {
      if (i > 0 && i % 4 == 0) code.append('-');
      code.append(LETTERS.charAt(RANDOM.nextInt(LETTERS.length())));
    }
    return code.toString();
  }

  /// So many letters alone, to be typed on a phone.
  public static String letters(int count) {
    StringBuilder code = new StringBuilder();
    for (int i = 0; i < count; i++) code.append(LETTERS.charAt(RANDOM.nextInt(LETTERS_ONLY)));
    return code.toString();
  }

  /// A code as it is compared: in capitals, whatever stands between.
  public static String bare(String code) {
    return code.toUpperCase(java.util.Locale.ROOT).replaceAll("[^A-Z0-9]", "");
  }

  /// SHA-256, for what is long and random; passwords go through the password encoder.
  public static String hash(String token) {
    return Sha256.of(token);
  }

  /// Compares in a time that tells nothing.
  static boolean same(String one, String other) {
    return MessageDigest.isEqual(
        one.getBytes(StandardCharsets.UTF_8), other.getBytes(StandardCharsets.UTF_8));
  }
}
