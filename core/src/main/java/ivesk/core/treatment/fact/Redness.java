package ivesk.core.treatment.fact;

/// Grades of redness in words, 0 to 3. Common practice, no source.
public enum Redness {
  NONE("none"),
  PINK("pink"),
  RED("red, even"),
  DEEP("deep red or patchy");

  private final String label;

  Redness(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
