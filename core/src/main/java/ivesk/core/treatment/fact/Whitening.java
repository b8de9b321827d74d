package ivesk.core.treatment.fact;

/// Whitening of a zone. Frost levels after Rubin 1995, from memory.
public enum Whitening {
  NONE("none", "no white"),
  /// Salicylate left by the alcohol: harmless, wipes off.
  CRYSTALS("crystals", "powdery, wipes off"),
  F1("F1", "speckled or thin on pink"),
  F2("F2", "even white, pink shows through"),
  F3("F3", "solid white"),
  F4("F4", "grey or yellowish");

  private final String brief;
  private final String looks;

  Whitening(String brief, String looks) {
    this.brief = brief;
    this.looks = looks;
  }

  /// In a word, as on the ribbon.
  public String brief() {
    return brief;
  }

  /// What it looks like.
  public String looks() {
    return looks;
  }

  public String label() {
    return frost() ? brief + ", " + looks : brief;
  }

  public boolean atLeast(Whitening other) {
    return compareTo(other) >= 0;
  }

  public boolean frost() {
    return atLeast(F1);
  }
}
