package ivesk.core.skin;

/// Ageing by the sun, after Glogau 1996, from memory.
public enum Glogau {
  I(1, "no wrinkles"),
  II(2, "wrinkles in motion"),
  III(3, "wrinkles at rest"),
  IV(4, "only wrinkles");

  private final int number;
  private final String label;

  Glogau(int number, String label) {
    this.number = number;
    this.label = label;
  }

  /// 1 to 4.
  public int number() {
    return number;
  }

  public String label() {
    return label;
  }

  /// What it comes to as a grade of deeper wrinkles, 0 to 3: none while the face rests smooth.
  /// Ivesk's own default.
  public int deepWrinkles() {
    return switch (this) {
      case I, II -> 0;
      case III -> 2;
      case IV -> 3;
    };
  }
}
