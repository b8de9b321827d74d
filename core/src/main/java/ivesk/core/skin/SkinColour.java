package ivesk.core.skin;

import ivesk.core.Require;

/// A reading of the skin's colour in CIELAB (D65).
///
/// @param l L*, 0 to 100
/// @param a a*, -128 to 127
/// @param b b*, above 0 to 127; a reading with b* of 0 or less is not skin and is refused
public record SkinColour(double l, double a, double b) {

  /// Class of skin colour by ITA, lightest first. Chardon et al. 1991, the two darkest after Del
  /// Bino and Bernerd 2013, from memory.
  public enum ItaClass {
    VERY_LIGHT("very light", 55, Phototype.I),
    LIGHT("light", 41, Phototype.II),
    INTERMEDIATE("intermediate", 28, Phototype.III),
    TAN("tan", 10, Phototype.IV),
    BROWN("brown", -30, Phototype.V),
    DARK("dark", Double.NEGATIVE_INFINITY, Phototype.VI);

    private final String label;
    private final double above;
    private final Phototype phototype;

    ItaClass(String label, double aboveDegrees, Phototype phototype) {
      this.label = label;
      this.above = aboveDegrees;
      this.phototype = phototype;
    }

    public String label() {
      return label;
    }

    /// The phototype it stands beside: very light I to dark VI.
    public Phototype phototype() {
      return phototype;
    }

    /// @param ita degrees
    public static ItaClass of(double ita) {
      for (ItaClass each : values()) {
        if (ita > each.above) return each;
      }
      return DARK;
    }
  }

  public SkinColour {
    Require.range("L*", l, 0, 100);
    Require.range("a*", a, -128, 127);
    Require.range("b*", b, -128, 127);
    if (b <= 0) {
      throw new IllegalArgumentException(
          "b* is " + b + "; skin reads above 0. Clean the head of the instrument and read again");
    }
  }

  /// Individual typology angle, degrees, -90 to 90: atan2(L* - 50, b*). Chardon et al. 1991, from
  /// memory.
  public double ita() {
    return Math.toDegrees(Math.atan2(l - 50, b));
  }

  public ItaClass itaClass() {
    return ItaClass.of(ita());
  }
}
