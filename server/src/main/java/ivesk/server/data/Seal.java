package ivesk.server.data;

import ivesk.server.app.Sha256;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;

/// A quick proof that the database's file is as it was closed: its length and SHA-256, kept beside
/// it while nobody has it open. A seal that does not fit proves nothing: then the file is read.
final class Seal {
  private Seal() {}

  /// Whether there is a seal and the file is what was closed last.
  static boolean holds(DataFolder data) throws IOException {
    return Files.exists(data.seal())
        && Files.exists(data.database())
        && Files.readString(data.seal()).equals(sum(data.database()));
  }

  /// Seals a file that is closed.
  static void write(DataFolder data) throws IOException {
    data.writeOwn(data.seal(), sum(data.database()));
  }

  /// Takes the seal off before the file is opened.
  static void remove(DataFolder data) throws IOException {
    Files.deleteIfExists(data.seal());
  }

  private static String sum(Path file) throws IOException {
    MessageDigest digest = Sha256.digest();
    try (var in = Files.newInputStream(file)) {
      byte[] buffer = new byte[1 << 16];
      for (int read = in.read(buffer); read > 0; read = in.read(buffer)) {
        digest.update(buffer, 0, read);
      }
    }
    return Files.size(file) + " " + Sha256.hex(digest);
  }
}
