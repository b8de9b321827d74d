package ivesk.core.skin;

/// What the skin shows and a client may wish to better; graded 0 none to 3 severe.
public enum Condition {
  COMEDONES("comedones", true),
  INFLAMED_SPOTS("inflamed spots", true),
  SCARS_SHALLOW("shallow scars", true),
  PIH("marks after spots (PIH)", true),
  MELASMA("melasma", true),
  MELASMA_DERMAL("melasma, dermal", false),
  SUN_DAMAGE("sun spots", true),
  FINE_LINES("fine lines", true),
  DULLNESS("dull", true),
  ROUGHNESS("rough", true),
  PORES("enlarged pores", true),
  ROSACEA_PAPULES("rosacea with papules", true),
  ROSACEA_FLUSHING("rosacea, flushing", true),
  DRYNESS("dry", true),
  KERATOSIS_PILARIS("keratosis pilaris", true),
  SCARS_DEEP("icepick or boxcar scars", false),
  WRINKLES_DEEP("deeper wrinkles", false);

  private final String label;
  private final boolean peelHelps;

  Condition(String label, boolean peelHelps) {
    this.label = label;
    this.peelHelps = peelHelps;
  }

  public String label() {
    return label;
  }

  /// False where a superficial peel alone does little and the client is referred.
  public boolean peelHelps() {
    return peelHelps;
  }

  public boolean rosacea() {
    return this == ROSACEA_PAPULES || this == ROSACEA_FLUSHING;
  }

  public boolean melasma() {
    return this == MELASMA || this == MELASMA_DERMAL;
  }
}
