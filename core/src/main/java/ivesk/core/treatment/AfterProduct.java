package ivesk.core.treatment;

/// What goes on calm skin before the client leaves, in its order. A record keeps which it was,
/// never its words. Common practice.
public enum AfterProduct {
  CALMING_SERUM("Calming serum, pressed in"),
  BLAND_CREAM("Bland cream"),
  EYE_AND_LIP_CARE("Eye and lip care"),
  MINERAL_SUNSCREEN("Mineral sunscreen 50");

  private final String label;

  AfterProduct(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
