package ivesk.server.app;

import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdScalarDeserializer;
import tools.jackson.databind.module.SimpleModule;

/// Text as it is sent: of whole letters. Half of one that UTF-16 writes in two (an unpaired
/// surrogate) could be kept, and never be written out again.
public final class WholeLetters extends SimpleModule {
  WholeLetters() {
    addDeserializer(String.class, new Whole());
  }

  /// @throws IllegalArgumentException where half a letter stands in it
  public static String require(String words) {
    for (int i = 0; i < words.length(); i++) {
      char here = words.charAt(i);
      if (!Character.isSurrogate(here)) continue;
      boolean pair =
          Character.isHighSurrogate(here)
              && i + 1 < words.length()
              && Character.isLowSurrogate(words.charAt(i + 1));
      if (!pair) {
        throw new IllegalArgumentException("letter " + (i + 1) + " is half a letter");
      }
      i++;
    }
    return words;
  }

  private static final class Whole extends StdScalarDeserializer<String> {
    Whole() {
      super(String.class);
    }

    @Override
    public String deserialize(JsonParser from, DeserializationContext context) {
      String words = StringDeserializer.instance.deserialize(from, context);
      return words == null ? null : require(words);
    }
  }
}
