package ivesk.core.screening.rule;

/// What would lift a finding or open a gate. Common practice.
public enum Clearing {
  ASKING("asking"),
  FLAG_CLOSED("closing the red flag in the chart, with a note"),
  SETTLING("asking again, and correcting the chart or the answer"),
  WAITING("waiting"),
  REASON("a written reason lifts it"),
  CLINICIANS_REASON("the supervising clinician's own sign-in, with a reason"),
  CLEARANCE("clearance by a named clinician"),
  NOTHING_TODAY("nothing today"),
  SIGNATURE("a signature"),
  GUARDIANS_SIGNATURE("a signature, the guardian's too"),
  SIX_MONTHS("six months"),
  STOPPED_AND_SIX_MONTHS("stopped, and six months"),
  HEALED_AND_14_DAYS("healed skin, and 14 days"),
  HEALED_AND_7_DAYS("healed, and 7 days"),
  CLOSED_SKIN("closed skin"),
  CLEAR_SKIN("clear skin"),
  CALM_SKIN("calm skin"),
  BLAND_CARE("14 days of bland care, then looked at again"),
  PATCH_READ("a read after 24 hours"),
  PATCH_TEST("a patch test, read after 24 to 48 hours"),
  INHIBITOR("14 days of an inhibitor"),
  WELL_AGAIN("being well again"),
  PHYSICIAN("a physician"),
  EYE_FORMULA("an eye formula"),
  SCREEN("Screen"),
  OTHER_REGION("another region"),
  MILDER_PEELS("milder peels"),
  WIDER_LICENCE("a wider licence"),
  CLINICIAN_OPENS("the clinician, once for the practice; the local law decides"),
  POLICY("the policy"),
  BOTTLE("a bottle in date, on the Shelf"),
  FULL_SERIES("a full series below"),
  FREE_DAYS("more days without plans"),
  AFTER_THE_EVENT("after the event"),
  LONGER_APPOINTMENT("a longer appointment"),
  LESS_OF_IT("a smaller area or fewer layers"),
  ONE_STAGE("one stage"),
  WEAKER("a weaker strength"),
  LONGER_TIME("a longer time"),
  SHORTER_TIME("a shorter time"),
  FEWER_LAYERS("fewer layers"),
  OTHER_ORDER("another order"),
  ACID_BEFORE_IT("an acid before it"),
  ZONES_OF_THEIR_OWN("zones of their own, or the policy"),
  /// There is nothing that could be done about it.
  NONE("");

  private final String words;

  Clearing(String words) {
    this.words = words;
  }

  /// Somebody could do something about it.
  public boolean possible() {
    return this != NONE && this != NOTHING_TODAY;
  }

  /// Empty where there is nothing to say.
  public String words() {
    return words;
  }
}
