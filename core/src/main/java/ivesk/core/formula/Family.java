package ivesk.core.formula;

/// A family of formulas with one ladder of strengths, in the order of the rack.
public enum Family {
  PHA("PHA", 0),
  ENZYME("enzyme", 0),
  LACTIC("lactic", 1),
  MANDELIC("mandelic", 1),
  AZELAIC_MANDELIC("azelaic-mandelic", 1),
  GLYCOLIC("glycolic", 2),
  SALICYLIC("salicylic", 3),
  JESSNER("Jessner", 4),
  PYRUVIC("pyruvic", 4),
  TCA("TCA", 5);

  private final String label;
  private final int level;

  Family(String label, int level) {
    this.label = label;
    this.level = level;
  }

  public String label() {
    return label;
  }

  /// Irritation level, 0 mild to 5 strong. Common practice; among the AHAs it follows molar mass.
  public int level() {
    return level;
  }

  /// Taken only after three well-taken peels of a milder family, and never under a cap to very
  /// superficial.
  public boolean strong() {
    return this == JESSNER || this == PYRUVIC || this == TCA;
  }
}
