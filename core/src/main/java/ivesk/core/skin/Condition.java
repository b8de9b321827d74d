package ivesk.core.skin;

import java.util.Optional;

/// What the skin shows and a client may wish to better; graded 0 none to 3 severe. Sub-kinds that
/// answer a peel differently stand by themselves under one group.
public enum Condition {
  COMEDONES("comedones", true),
  INFLAMED_SPOTS("inflamed spots", true),
  SCARS_SHALLOW("rolling scars, shallow", Group.SCARS, "rolling", true),
  SCARS_BOXCAR("boxcar scars", Group.SCARS, "boxcar", false),
  SCARS_ICEPICK("icepick scars", Group.SCARS, "icepick", false),
  PIH("marks after spots (PIH)", true),
  MELASMA("melasma", Group.MELASMA, "unknown", true),
  MELASMA_EPIDERMAL("melasma, epidermal", Group.MELASMA, "epidermal", true),
  MELASMA_MIXED("melasma, mixed", Group.MELASMA, "mixed", true),
  MELASMA_DERMAL("melasma, dermal", Group.MELASMA, "dermal", false),
  SUN_DAMAGE("sun spots", true),
  FINE_LINES("fine lines", true),
  DULLNESS("dull", true),
  ROUGHNESS("rough", true),
  PORES("enlarged pores", true),
  ROSACEA_PAPULES("rosacea with papules", Group.ROSACEA, "papulopustular", true),
  ROSACEA_FLUSHING("rosacea, flushing", Group.ROSACEA, "flushing", true),
  DRYNESS("dry", true),
  KERATOSIS_PILARIS("keratosis pilaris", true),
  WRINKLES_DEEP("deeper wrinkles", false);

  /// Conditions that are one line of the consult with kinds to it.
  public enum Group {
    SCARS("acne scars"),
    MELASMA("melasma"),
    ROSACEA("rosacea");

    private final String label;

    Group(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  private final String label;
  private final Optional<Group> group;
  private final String kind;
  private final boolean peelHelps;

  Condition(String label, boolean peelHelps) {
    this.label = label;
    this.group = Optional.empty();
    this.kind = "";
    this.peelHelps = peelHelps;
  }

  Condition(String label, Group group, String kind, boolean peelHelps) {
    this.label = label;
    this.group = Optional.of(group);
    this.kind = kind;
    this.peelHelps = peelHelps;
  }

  public String label() {
    return label;
  }

  public Optional<Group> group() {
    return group;
  }

  /// The sub-kind in a word; empty for a condition without kinds.
  public String kind() {
    return kind;
  }

  /// False where a superficial peel alone does little and the client is referred.
  public boolean peelHelps() {
    return peelHelps;
  }

  public boolean rosacea() {
    return group.filter(g -> g == Group.ROSACEA).isPresent();
  }

  public boolean melasma() {
    return group.filter(g -> g == Group.MELASMA).isPresent();
  }

  public boolean scars() {
    return group.filter(g -> g == Group.SCARS).isPresent();
  }
}
