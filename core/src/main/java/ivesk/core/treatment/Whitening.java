package ivesk.core.treatment;

/// Whitening of a zone. Frost levels after Rubin 1995, from memory.
public enum Whitening {
  NONE("none"),
  /// Salicylate left by the alcohol: harmless, wipes off.
  CRYSTALS("crystals"),
  F1("F1, speckled or thin on pink"),
  F2("F2, even white, pink shows through"),
  F3("F3, solid white"),
  F4("F4, grey or yellowish");

  private final String label;

  Whitening(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  public boolean atLeast(Whitening other) {
    return compareTo(other) >= 0;
  }

  public boolean frost() {
    return atLeast(F1);
  }
}
