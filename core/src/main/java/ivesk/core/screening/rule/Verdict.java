package ivesk.core.screening.rule;

/// Mildest to most severe.
public enum Verdict {
  PROCEED,
  /// Go on within restrictions.
  ADAPT,
  /// Not before a date, or until something is done.
  WAIT,
  /// Only with a named clinician's clearance.
  REFER,
  /// No peel.
  STOP;

  public Verdict moreSevere(Verdict other) {
    return compareTo(other) >= 0 ? this : other;
  }
}
