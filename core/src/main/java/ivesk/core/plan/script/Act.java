package ivesk.core.plan.script;

/// What is done to the skin without a product. Common practice, no source.
public enum Act {
  LOOK_1("look 1", StepKind.LOOK),
  LOOK_2("look 2, lamp", StepKind.LOOK),
  PHOTOS("photos", StepKind.LOOK),
  PLAIN_WIPE("plain damp wipe", StepKind.PREP),
  DRY("blot until dry", StepKind.PREP),
  EYE_PADS("eye pads, damp", StepKind.GUARD),
  TRIMMED_EYE_PADS("eye pads, trimmed", StepKind.GUARD),
  EYE_SHIELDS("eye shields", StepKind.GUARD),
  BLOT("blot what is left", StepKind.ENDING),
  LIFT_GEL("lift the gel", StepKind.ENDING),
  WIPE_PASTE("wipe the paste off", StepKind.ENDING),
  COOL_RINSE("cool rinse", StepKind.ENDING),
  DAMP_PADS("damp pads", StepKind.ENDING),
  COMPRESS_LIFT("cool compress, lift with it", StepKind.ENDING),
  COLD_COMPRESSES("cold compresses", StepKind.ENDING),
  LEFT_AS_IT_IS("left as it is", StepKind.ENDING),
  ASK_TO_REST("ask each minute", StepKind.REST),
  FAN("fan", StepKind.REST),
  EXTRACTION("extraction", StepKind.TOOL),
  LANCET_EXTRACTION("extraction with lancet", StepKind.TOOL),
  HIGH_FREQUENCY("high frequency", StepKind.TOOL),
  STEAM("steam", StepKind.TOOL),
  HOT_TOWEL("hot towel", StepKind.TOOL),
  WARM_WATER("warm water", StepKind.CLEANSE),
  EXERCISE("exercise", StepKind.TOOL),
  SCRUB("scrub", StepKind.TOOL),
  BRUSH("brush", StepKind.TOOL),
  SHAVE("shave", StepKind.TOOL),
  BLADE("blade", StepKind.TOOL),
  MASSAGE("facial massage", StepKind.TOOL),
  LEAVING_CHECK("leaving check", StepKind.LEAVING_CHECK);

  private final String label;
  private final StepKind kind;

  Act(String label, StepKind kind) {
    this.label = label;
    this.kind = kind;
  }

  public String label() {
    return label;
  }

  /// Where it usually stands.
  public StepKind kind() {
    return kind;
  }

  /// Guards the eyes.
  public boolean guardsEyes() {
    return this == EYE_PADS || this == TRIMMED_EYE_PADS || this == EYE_SHIELDS;
  }

  /// Warms the skin.
  public boolean warms() {
    return switch (this) {
      case STEAM, HOT_TOWEL, WARM_WATER, EXERCISE -> true;
      default -> false;
    };
  }

  /// Rubs or cuts the skin.
  public boolean abrades() {
    return this == SCRUB || this == BRUSH || this == SHAVE || this == BLADE;
  }

  public boolean extracts() {
    return this == EXTRACTION || this == LANCET_EXTRACTION;
  }

  /// Leaves the skin without alcohol on it.
  public boolean dries() {
    return switch (this) {
      case DRY, PLAIN_WIPE, COOL_RINSE, DAMP_PADS, COMPRESS_LIFT, COLD_COMPRESSES -> true;
      default -> false;
    };
  }

  /// Water, base or cold: what may stand between the end of the acid and rest.
  public boolean endsOrCools() {
    return kind == StepKind.ENDING || kind == StepKind.REST || this == DRY;
  }
}
