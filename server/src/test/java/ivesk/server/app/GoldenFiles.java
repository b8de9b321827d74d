package ivesk.server.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/// What some version of Ivesk kept, one file of each type and version ever kept. None is changed
/// after it has been committed: `-Divesk.golden.write=true` only adds those that are missing.
public final class GoldenFiles {
  private static final Path FOLDER = Path.of("src/test/resources/golden");
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  private GoldenFiles() {}

  public static StorageMapper storage() {
    return new StorageMapper();
  }

  public static JsonNode json(String name) {
    try {
      return JSON.readTree(Files.readString(file(name)));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static byte[] bytes(String name) {
    return bytes(json(name));
  }

  public static byte[] bytes(JsonNode node) {
    return JSON.writeValueAsBytes(node);
  }

  public static JsonNode tree(byte[] json) {
    return JSON.readTree(json);
  }

  public static boolean has(String name) {
    return Files.exists(file(name));
  }

  /// Writes what is missing, where the build was asked to.
  public static void addMissing(String name, byte[] kept) {
    if (!Boolean.getBoolean("ivesk.golden.write") || has(name)) return;
    try {
      Files.writeString(file(name), JSON.writeValueAsString(JSON.readTree(kept)) + "\n");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Path file(String name) {
    return FOLDER.resolve(name + ".json");
  }
}
