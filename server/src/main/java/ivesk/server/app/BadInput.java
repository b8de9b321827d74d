package ivesk.server.app;

import java.util.List;
import java.util.function.Supplier;

/// What was sent cannot be: which field, and what is allowed. The one way to a 400; any other
/// [IllegalArgumentException] is a fault of the server's own.
public final class BadInput extends RuntimeException {

  /// @param detail with its value and what is allowed
  public record Field(String field, String detail) {}

  private final transient List<Field> fields;

  public BadInput(String field, String detail) {
    super(detail);
    fields = List.of(new Field(field, detail));
  }

  private BadInput(String field, IllegalArgumentException cause) {
    super(cause.getMessage(), cause);
    fields = List.of(new Field(field, cause.getMessage()));
  }

  public List<Field> fields() {
    return fields;
  }

  /// Makes something of what was sent; what core calls impossible is then the input's fault.
  public static <T> T in(String field, Supplier<T> reading) {
    try {
      return reading.get();
    } catch (IllegalArgumentException e) {
      throw new BadInput(field, e);
    }
  }

  /// As [#in(String, Supplier)], where nothing is made of it.
  public static void check(String field, Runnable reading) {
    in(
        field,
        () -> {
          reading.run();
          return field;
        });
  }
}
