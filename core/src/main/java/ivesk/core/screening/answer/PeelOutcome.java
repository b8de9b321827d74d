package ivesk.core.screening.answer;

/// How a peel was taken, for the ladder. Common practice.
public enum PeelOutcome {
  /// Time, planned layers or endpoint reached, the feel below hold, no red flag. Counts toward the
  /// series.
  WELL_TAKEN("well taken"),
  /// Ended by hand before that, and calm. Stays; does not count, does no harm.
  CUT_SHORT("calm, cut short"),
  /// Ended at the stop line or twice at hold, or left on too long, without injury. Stays, at three
  /// quarters of the time; twice running at a rung one rung down.
  TOO_STRONG("too strong"),
  /// An emergency, an eye, an injury, an incident. Two rungs down, or another family.
  ADVERSE("adverse");

  private final String label;

  PeelOutcome(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  /// Starts the series and the contact time anew.
  public boolean harsh() {
    return this == TOO_STRONG || this == ADVERSE;
  }
}
