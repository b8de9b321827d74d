package ivesk.server.app;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/// SHA-256 (FIPS 180-4), in hexadecimal.
public final class Sha256 {
  private Sha256() {}

  public static String of(String words) {
    return hex(digest(), words.getBytes(StandardCharsets.UTF_8));
  }

  /// For what is fed piece by piece.
  public static MessageDigest digest() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /// Ends a digest, with the last bytes.
  public static String hex(MessageDigest digest, byte... last) {
    return HexFormat.of().formatHex(digest.digest(last));
  }
}
