package ivesk.server.app;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;

/// Dates and times as they are sent: of the years 1 to 9999. Beyond them lies arithmetic that
/// fails; what is likely at all, each rule says itself.
final class NearDates extends SimpleModule {
  static final int FIRST_YEAR = 1;
  static final int LAST_YEAR = 9999;

  NearDates() {
    addDeserializer(
        Instant.class,
        new Near<>(
            Instant.class,
            Instant::parse,
            at -> Math.toIntExact(Math.floorDiv(at.getEpochSecond(), 31_556_952L) + 1970)));
    addDeserializer(
        LocalDate.class, new Near<>(LocalDate.class, LocalDate::parse, LocalDate::getYear));
  }

  static boolean near(int year) {
    return year >= FIRST_YEAR && year <= LAST_YEAR;
  }

  private static final class Near<T> extends StdDeserializer<T> {
    private final transient Function<String, T> parse;
    private final transient ToIntFunction<T> year;

    Near(Class<T> type, Function<String, T> parse, ToIntFunction<T> year) {
      super(type);
      this.parse = parse;
      this.year = year;
    }

    @Override
    @SuppressWarnings("unchecked")
    public T deserialize(JsonParser from, DeserializationContext context) {
      String words = from.getValueAsString("");
      try {
        T read = parse.apply(words);
        if (near(year.applyAsInt(read))) return read;
      } catch (DateTimeException unreadable) {
        // Said below.
      }
      return (T)
          context.handleWeirdStringValue(handledType(), words, "give one of the years 1 to 9999");
    }
  }
}
