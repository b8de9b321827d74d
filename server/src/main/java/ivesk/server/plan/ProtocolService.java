package ivesk.server.plan;

import ivesk.core.plan.script.Protocol;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Problems.Stale;
import ivesk.server.data.ArchiveCheck;
import ivesk.server.plan.ProtocolStore.Kept;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The practice's written sheets, by version, and as files out and in.
@Service
public class ProtocolService implements ArchiveCheck {
  private static final String FORMAT = "ivesk-protocol";
  private static final int FILE_VERSION = 1;

  private final ProtocolStore store;
  private final Audit audit;
  private final JsonMapper json;

  ProtocolService(ProtocolStore store, Audit audit, JsonMapper json) {
    this.store = store;
    this.audit = audit;
    this.json = json;
  }

  /// By name.
  List<Kept> all() {
    return store.current().stream()
        .sorted(Comparator.comparing(kept -> kept.protocol().name().toLowerCase(Locale.ROOT)))
        .toList();
  }

  @Override
  public void practice() {
    store.current();
  }

  /// All versions, the newest first; those of a retired one too, since records name them.
  List<Kept> versions(UUID id) {
    List<Kept> versions = store.versions(id);
    if (versions.isEmpty()) throw new NotFound("protocol", id);
    return versions;
  }

  /// Keeps a sheet under the next version.
  ///
  /// @param over the version that was looked at; 0 for a new one
  /// @throws Stale when somebody else kept another version since
  @Transactional
  public void keep(UUID id, Protocol protocol, int over, String who) {
    Optional<Kept> newest = store.newest(id);
    int current = newest.filter(kept -> !kept.retired()).map(Kept::version).orElse(0);
    if (current != over) throw new Stale("“" + protocol.name() + "”");
    boolean taken =
        store.current().stream()
            .anyMatch(kept ->
                !kept.id().equals(id)
                    && kept.protocol().name().equalsIgnoreCase(protocol.name().strip()));
    if (taken) {
      throw new BadInput("name", "name is '" + protocol.name() + "'; another protocol has it");
    }
    int next = newest.map(Kept::version).orElse(0) + 1;
    try {
      store.add(id, next, protocol, false, who);
    } catch (DuplicateKeyException e) {
      throw new Stale("“" + protocol.name() + "”");
    }
    audit.note(who, "keep protocol", protocol.name() + " version " + next);
  }

  /// Out of the list; what was planned from it keeps the version that it used.
  @Transactional
  void retire(UUID id, String who) {
    Kept newest = store.newest(id).orElseThrow(() -> new NotFound("protocol", id));
    if (newest.retired()) return;
    store.add(id, newest.version() + 1, newest.protocol(), true, who);
    audit.note(who, "retire protocol", newest.protocol().name());
  }

  /// A protocol as a file.
  record ProtocolFile(
      String format, int version, String name, Region region, List<StepFacts> steps) {
    static ProtocolFile of(Protocol protocol) {
      return new ProtocolFile(
          FORMAT,
          FILE_VERSION,
          protocol.name(),
          protocol.region(),
          protocol.steps().stream().map(StepFacts::of).toList());
    }
  }

  byte[] file(UUID id) {
    Protocol protocol = versions(id).getFirst().protocol();
    return json.writerWithDefaultPrettyPrinter().writeValueAsBytes(ProtocolFile.of(protocol));
  }

  /// What a file holds; nothing is kept.
  ///
  /// @throws BadInput that says what is wrong with it, and where
  Protocol read(String text) {
    JsonNode tree;
    try {
      tree = json.readTree(text);
    } catch (JacksonException e) {
      throw new BadInput(
          "text",
          "The file is no JSON: "
              + e.getOriginalMessage()
              + ". Nothing was read; choose the file"
              + " of a protocol.");
    }
    String format = tree.path("format").asString("");
    if (!tree.isObject() || !format.equals(FORMAT)) {
      throw new BadInput(
          "text", "The file is not the file of a protocol. Nothing was read; choose another.");
    }
    int version = tree.path("version").asInt(0);
    if (version != FILE_VERSION) {
      throw new BadInput(
          "text",
          "The file is of version "
              + version
              + "; this Ivesk reads version "
              + FILE_VERSION
              + ". Nothing was read.");
    }
    ProtocolFile file;
    try {
      file = json.treeToValue(tree, ProtocolFile.class);
    } catch (JacksonException e) {
      throw new BadInput(
          "text", "The file cannot be read: " + e.getOriginalMessage() + ". Nothing was read.");
    }
    return BadInput.in(
        "text", () -> new Protocol(file.name(), file.region(), StepFacts.steps(file.steps())));
  }
}
