package ivesk.core.skin;

/// A part of the body that is treated at one time; regions are treated one after the other.
public enum Region {
  FACE("face", "the face", false),
  EYE_CONTOUR("eye contour", "the eye contour", true),
  NECK_DECOLLETAGE("neck and decolletage", "neck or decolletage", true),
  HANDS("hands", "the hands", true),
  BACK("back", "the back", false),
  CHEST("chest", "the chest", false),
  UPPER_ARMS("upper arms", "the upper arms", false),
  THIGHS("thighs", "the thighs", false);

  private final String label;
  private final String withArticle;
  private final boolean thin;

  Region(String label, String withArticle, boolean thin) {
    this.label = label;
    this.withArticle = withArticle;
    this.thin = thin;
  }

  public String label() {
    return label;
  }

  /// "the face", as a question names it.
  public String withArticle() {
    return withArticle;
  }

  /// Whether zones of both may share a run, where the formula is made for both: face and eye
  /// contour, which are one figure.
  public boolean besides(Region other) {
    return this != other
        && (this == FACE || this == EYE_CONTOUR)
        && (other == FACE || other == EYE_CONTOUR);
  }

  /// Thin skin, which takes up more: eye contour, neck, decolletage, backs of the hands.
  public boolean thin() {
    return thin;
  }
}
