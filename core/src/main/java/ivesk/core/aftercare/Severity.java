package ivesk.core.aftercare;

/// What a check-in comes to, mildest to most severe.
public enum Severity {
  AS_EXPECTED("as expected", Sentence.SAID_AS_EXPECTED),
  REASSURE("reassure and advise", Sentence.SAID_REASSURE),
  SEE("see in person", Sentence.SAID_SEE),
  CLINICIAN_TODAY("supervising clinician today", Sentence.SAID_CLINICIAN),
  EMERGENCY("emergency", Sentence.SAID_EMERGENCY);

  private final String label;
  private final Sentence toClient;

  Severity(String label, Sentence toClient) {
    this.label = label;
    this.toClient = toClient;
  }

  public String label() {
    return label;
  }

  /// What the client is told at once.
  public Sentence toClient() {
    return toClient;
  }

  /// Opens a red flag, which shuts the next plan until it is closed with a note.
  public boolean redFlag() {
    return compareTo(SEE) >= 0;
  }

  /// Closed by the supervising clinician alone.
  public boolean clinicians() {
    return compareTo(CLINICIAN_TODAY) >= 0;
  }
}
