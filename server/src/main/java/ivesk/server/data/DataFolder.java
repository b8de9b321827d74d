package ivesk.server.data;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;

/// Where a practice's data lie, and what opens them.
///
/// @param folder for nobody but the account that runs Ivesk
/// @param fileKey of the cipher, where the practice wanted one
public record DataFolder(Path folder, Optional<String> fileKey) {
  private static final byte[] PLAIN = "H:2".getBytes(StandardCharsets.US_ASCII);
  private static final byte[] CIPHER = "H2encrypt".getBytes(StandardCharsets.US_ASCII);
  private static final int BLOCK = 4096;

  Path database() {
    return folder.resolve("ivesk.mv.db");
  }

  /// The password of the database's own user: random, made with it.
  Path access() {
    return folder.resolve("access");
  }

  /// The same while a database of before is being given one.
  Path freshAccess() {
    return folder.resolve("access.new");
  }

  /// Length and SHA-256 of the database as it was closed.
  Path seal() {
    return folder.resolve("seal");
  }

  /// How far the audit trail had come, some seconds ago.
  Path watermark() {
    return folder.resolve("watermark");
  }

  Path lock() {
    return folder.resolve("lock");
  }

  Path backups() {
    return folder.resolve("backups");
  }

  /// What a file says of itself in its first two blocks.
  enum Kind {
    NONE,
    EMPTY,
    NO_DATABASE,
    PLAIN,
    CIPHER
  }

  Kind kind() throws IOException {
    if (!Files.exists(database())) return Kind.NONE;
    if (Files.size(database()) == 0) return Kind.EMPTY;
    byte[] head;
    try (var in = Files.newInputStream(database())) {
      head = in.readNBytes(2 * BLOCK);
    }
    if (begins(head, 0, CIPHER)) return Kind.CIPHER;
    return begins(head, 0, PLAIN) || begins(head, BLOCK, PLAIN) ? Kind.PLAIN : Kind.NO_DATABASE;
  }

  private static boolean begins(byte[] head, int at, byte[] mark) {
    return head.length >= at + mark.length
        && Arrays.equals(head, at, at + mark.length, mark, 0, mark.length);
  }

  String url() {
    return url(database());
  }

  String url(Path file) {
    String name = file.toAbsolutePath().toString().replaceFirst("\\.mv\\.db$", "");
    return "jdbc:h2:file:" + name + (fileKey.isPresent() ? ";CIPHER=AES" : "");
  }

  /// As H2 takes it: the file's, where there is one, before the user's.
  String password() throws IOException {
    return password(Files.exists(access()) ? Files.readString(access()).strip() : "");
  }

  String password(String own) {
    return fileKey.map(key -> key + " " + own).orElse(own);
  }

  void makeFolder() throws IOException {
    Files.createDirectories(folder);
    if (posix())
      Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
  }

  void makeAccess(Path file) throws IOException {
    byte[] random = new byte[24];
    new SecureRandom().nextBytes(random);
    writeOwn(file, HexFormat.of().formatHex(random));
  }

  /// Writes a file that only this account reads.
  void writeOwn(Path file, String words) throws IOException {
    Files.deleteIfExists(file);
    if (posix()) {
      Files.createFile(
          file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
    }
    Files.writeString(file, words, StandardOpenOption.CREATE, StandardOpenOption.SYNC);
  }

  /// Closes the database's file to everybody else.
  void closeToOthers(Path file) throws IOException {
    if (posix() && Files.exists(file)) {
      Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
    }
  }

  /// Whether nobody else can read it; where the system has no such rights, yes.
  boolean isOwn(Path file) throws IOException {
    return !posix()
        || Files.exists(file)
            && PosixFilePermissions.toString(Files.getPosixFilePermissions(file))
                .endsWith("------");
  }

  private boolean posix() throws IOException {
    return Files.getFileStore(folder).supportsFileAttributeView("posix");
  }
}
