package ivesk.core.treatment.fact;

/// One step of taking an acid off. A record keeps the step, never its words. Common practice.
public enum EndingStep {
  SAY_STING("Say it first: a short sting is normal"),
  BLOT("Blot the excess"),
  NEUTRALISE("Neutraliser on hot spots first, then in the order applied, from each zone's edge"),
  REPEAT_TO_NO_FIZZ("Repeat until no fizz"),
  RINSE_COOL("Rinse cool"),
  LIFT_GEL("Lift the gel with dry gauze, light strokes away from centre and eyes"),
  NEUTRALISE_LIFTED("Neutraliser on hot spots first, then in the order applied"),
  PRESS_HOT_SPOTS("Press hot spots again, repeat until no fizz"),
  WIPE_PASTE("Wipe the paste off with dry gauze"),
  COOL_RINSE("Cool rinse, a clean face of the pad for each stroke"),
  FAN("Fan until it falls"),
  PADS_FROM_THE_NOSE("Lids stay closed: cool damp pads, outwards from the nose"),
  FRESH_PADS("A fresh pad each stroke"),
  COOL_WATER("Cool water, a clean face of the pad for each stroke"),
  PAT_DRY("Pat dry"),
  COMPRESS("Cool wet compress over all of it, one minute"),
  LIFT_WITH_COMPRESS("Lift with the compress, a clean face of it for each stroke"),
  WIPE_THEN_RINSE("Wipe, then cool rinse with mild cleanser"),
  FAN_AND_COMPRESS("Fan, cool wet compress"),
  SAY_IT_RUNS_ITS_COURSE("What has been absorbed runs its course: say so"),
  LEAVE_AS_IT_IS("Leave it as it is; loose crystals may be dusted off"),
  COLD_COMPRESSES("Cold wet compresses, changed often; no ice on skin"),
  SAY_IT_UNDOES_NOTHING("They dilute what is left and undo nothing: say so");

  private final String words;

  EndingStep(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
