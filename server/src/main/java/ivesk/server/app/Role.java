package ivesk.server.app;

/// What somebody is in the practice.
public enum Role {
  OWNER("owner"),
  SUPERVISOR("supervising clinician"),
  THERAPIST("therapist"),
  DESK("desk");

  private final String label;

  Role(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
