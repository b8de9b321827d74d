package ivesk.core.skin;

import java.util.Optional;
import java.util.Set;

/// What a Wood's lamp shows on one zone.
///
/// @param pigment whether its pigment darkened under the lamp
public record Lamp(Set<Colour> colours, Optional<Pigment> pigment) {

  /// Colours as therapists read them; common practice, no source.
  public enum Colour {
    BLUE_WHITE("blue-white", "healthy"),
    WHITE("white", "thick horny layer"),
    PALE_VIOLET("pale violet", "dehydrated"),
    DEEP_VIOLET("deep violet", "thin or sensitive"),
    YELLOW("yellow, orange or coral", "oil and comedones"),
    YELLOWISH_FILM("yellowish film", "uses vitamin A at home"),
    BROWN("brown", "pigment"),
    WHITE_SPECKS("white specks", "dead cells");

    private final String label;
    private final String reading;

    Colour(String label, String reading) {
      this.label = label;
      this.reading = reading;
    }

    public String label() {
      return label;
    }

    public String reading() {
      return reading;
    }
  }

  /// Epidermal pigment darkens under the lamp, dermal pigment does not. Gilchrest et al. 1977, from
  /// memory.
  public enum Pigment {
    EPIDERMAL("darkens", "epidermal", "lies where a superficial peel works, with priming"),
    DERMAL("does not darken", "dermal", "lies below a superficial peel, which does little; say so"),
    BOTH("in parts", "mixed", "only its upper part answers a peel");

    private final String seen;
    private final String label;
    private final String meaning;

    Pigment(String seen, String label, String meaning) {
      this.seen = seen;
      this.label = label;
      this.meaning = meaning;
    }

    /// What the lamp shows.
    public String seen() {
      return seen;
    }

    public String label() {
      return label;
    }

    /// What it means for a peel.
    public String meaning() {
      return meaning;
    }
  }

  public Lamp {
    colours = Set.copyOf(colours);
  }
}
