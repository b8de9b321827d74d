package ivesk.core.skin;

/// Ageing by the sun, after Glogau 1996, from memory.
public enum Glogau {
  I("no wrinkles"),
  II("wrinkles in motion"),
  III("wrinkles at rest"),
  IV("only wrinkles");

  private final String label;

  Glogau(String label) {
    this.label = label;
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
