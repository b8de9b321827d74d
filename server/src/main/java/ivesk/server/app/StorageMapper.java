package ivesk.server.app;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// How documents are kept: `{type, v, ...}`, apart from the wire's shapes and from core's. A shape
/// that changes gets one more upcaster, which lifts what was kept before; so its version is counted
/// and cannot be forgotten. The files under `src/test/resources/golden` hold one of each type and
/// version ever kept.
@Component
public final class StorageMapper {
  private final JsonMapper json;

  StorageMapper() {
    JsonMapper.Builder builder = JsonMapper.builder();
    Quantities.into(builder::addMixIn);
    json =
        builder
            .changeDefaultPropertyInclusion(
                all -> all.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
            .build();
  }

  /// Lifts what was kept in one version to the next.
  public interface Upcaster extends UnaryOperator<ObjectNode> {
    /// Nothing but the version was added.
    Upcaster SAME = kept -> kept;
  }

  /// One kind of document.
  ///
  /// @param type its name in what is kept
  /// @param shape the record that it is read into
  /// @param upcasters from version 0, which had none, on; as many as its version says
  public record Shape<T>(String type, Class<T> shape, List<Upcaster> upcasters) {
    @SafeVarargs
    public static <T> Shape<T> of(String type, Class<T> shape, Upcaster... upcasters) {
      return new Shape<>(type, shape, List.of(upcasters));
    }

    public int version() {
      return upcasters.size();
    }
  }

  /// What was kept is of a type or version that this Ivesk does not know.
  public static class Unreadable extends RuntimeException {
    Unreadable(String type, int version, String why) {
      super(
          "This record holds "
              + type
              + ", version "
              + version
              + why
              + ". It is kept as it is; nothing was changed. Start the Ivesk that wrote it, or a"
              + " newer one.");
    }
  }

  public <T> byte[] write(Shape<T> shape, T value) {
    return json.writeValueAsBytes(tree(shape, value));
  }

  private <T> ObjectNode tree(Shape<T> shape, T value) {
    ObjectNode kept = json.createObjectNode();
    kept.put("type", shape.type());
    kept.put("v", shape.version());
    kept.setAll((ObjectNode) json.valueToTree(value));
    return kept;
  }

  /// Reads the one shape that there can be; what was kept before versions names no type.
  ///
  /// @throws Unreadable for another type, or a newer version
  public <T> T read(byte[] kept, Shape<T> shape) {
    ObjectNode document = (ObjectNode) json.readTree(kept);
    if (!document.has("type")) document.put("type", shape.type());
    return shape.shape().cast(read(document, Map.of(shape.type(), shape)));
  }

  /// @param shapes by type
  /// @throws Unreadable for an unknown type or a newer version
  public Object read(byte[] kept, Map<String, Shape<?>> shapes) {
    return read((ObjectNode) json.readTree(kept), shapes);
  }

  private Object read(ObjectNode document, Map<String, ? extends Shape<?>> shapes) {
    String type = document.path("type").asString("nothing");
    int version = document.path("v").asInt(0);
    Shape<?> shape = shapes.get(type);
    if (shape == null) throw new Unreadable(type, version, ", which this Ivesk does not know");
    if (version > shape.version()) {
      throw new Unreadable(type, version, "; this Ivesk knows it up to version " + shape.version());
    }
    ObjectNode lifted = document;
    for (Upcaster upcaster : shape.upcasters().subList(version, shape.version())) {
      lifted = upcaster.apply(lifted);
    }
    lifted.remove(List.of("type", "v"));
    try {
      return json.treeToValue((JsonNode) lifted, shape.shape());
    } catch (JacksonException e) {
      throw new Unreadable(type, version, ", which cannot be read: " + e.getOriginalMessage());
    }
  }

  public static Map<String, Shape<?>> byType(List<Shape<?>> shapes) {
    return shapes.stream().collect(Collectors.toMap(Shape::type, Function.identity()));
  }
}
