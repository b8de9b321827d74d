package ivesk.core.product;

/// What a product is for, in the order of a visit. Common practice, no source.
public enum Role {
  MAKE_UP_REMOVER("make-up remover"),
  CLEANSER("cleanser"),
  ACID_WASH("acid wash"),
  SOLVENT_WIPE("solvent wipe"),
  ACID_PREP("acid prep"),
  BARRIER("barrier"),
  NEUTRALISER("neutraliser"),
  COMPRESS("compress"),
  TONER("toner"),
  SERUM("serum"),
  MASK("mask"),
  MOISTURISER("moisturiser"),
  EYE_CARE("eye care"),
  LIP_CARE("lip care"),
  SUNSCREEN("sunscreen"),
  FINISHER("finisher"),
  HOME_CARE("home care");

  private final String label;

  Role(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
