package ivesk.server.treatment;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/// A value written out in full and always in the same order, whichever loader its classes came
/// from.
final class Digest {
  private Digest() {}

  static String of(Object value) {
    return switch (value) {
      case Optional<?> maybe -> maybe.map(Digest::of).orElse("-");
      case Enum<?> constant -> constant.name();
      case Map<?, ?> map ->
          map.entrySet().stream()
              .map(entry -> of(entry.getKey()) + ":" + of(entry.getValue()))
              .sorted()
              .collect(Collectors.joining(", ", "{", "}"));
      case Set<?> set ->
          set.stream().map(Digest::of).sorted().collect(Collectors.joining(", ", "{", "}"));
      case List<?> list -> list(list);
      case Record record ->
          Arrays.stream(record.getClass().getRecordComponents())
              .map(component -> component.getName() + "=" + of(read(record, component)))
              .collect(Collectors.joining(", ", record.getClass().getSimpleName() + "(", ")"));
      default -> value.toString();
    };
  }

  private static String list(Collection<?> values) {
    return values.stream().map(Digest::of).collect(Collectors.joining(", ", "[", "]"));
  }

  private static Object read(Record record, RecordComponent component) {
    try {
      component.getAccessor().setAccessible(true);
      return component.getAccessor().invoke(record);
    } catch (IllegalAccessException | InvocationTargetException e) {
      throw new IllegalStateException(e);
    }
  }
}
