package ivesk.server;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Pattern;

/// Gives what is in a file new ids, the same one wherever it stood.
final class FreshIds {
  static final Pattern ID = Pattern.compile("\"([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\"");

  private final Map<String, String> fresh = new HashMap<>();
  private final Random random;

  FreshIds(Random random) {
    this.random = random;
  }

  String in(String file) {
    return ID.matcher(file).replaceAll(found -> "\"" + of(found.group(1)) + "\"");
  }

  private String of(String id) {
    return fresh.computeIfAbsent(
        id, _ -> new UUID(random.nextLong(), random.nextLong()).toString());
  }
}
