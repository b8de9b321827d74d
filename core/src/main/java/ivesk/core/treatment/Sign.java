package ivesk.core.treatment;

/// Something seen or said that weighs more than any number.
public enum Sign {
  FAINT("faint", Weight.EMERGENCY),
  BREATHLESS("breathless", Weight.EMERGENCY),
  PALPITATION("palpitation", Weight.EMERGENCY),
  RINGING_EARS("ringing ears", Weight.EMERGENCY),
  WHEALS_BEYOND("wheals beyond the area", Weight.EMERGENCY),
  SWELLING_MOUTH("lip, tongue or throat swelling", Weight.EMERGENCY),
  EYE("product in the eye", Weight.EYE),
  BLISTER("blister", Weight.INJURY),
  SWELLING("local swelling", Weight.INJURY),
  WHEALS("wheals", Weight.INJURY),
  /// Follows from the whitening that was entered; nobody says it.
  DEEP_FROST("frost beyond any endpoint", Weight.INJURY),
  ASKS_TO_STOP("client asks to stop", Weight.WISH);

  public enum Weight {
    EMERGENCY("Emergency: call now"),
    EYE("Rinse the eye now, 15 minutes"),
    INJURY("Incident: cool, call"),
    WISH("End");

    private final String line;

    Weight(String line) {
      this.line = line;
    }

    public String line() {
      return line;
    }

    /// Stands until somebody says how it ended.
    public boolean alarm() {
      return this != WISH;
    }
  }

  private final String label;
  private final Weight weight;

  Sign(String label, Weight weight) {
    this.label = label;
    this.weight = weight;
  }

  public String label() {
    return label;
  }

  public Weight weight() {
    return weight;
  }
}
