package ivesk.core.treatment.state;

/// Where a treatment stands.
public enum Phase {
  READY,
  /// The timer is armed, no acid yet. An answer that does not pass the gate leads back to READY.
  ARMED,
  ACID,
  /// END was pressed: the acid comes off.
  ENDING,
  /// Asking to rest.
  SETTLING,
  AT_REST,
  /// The client may leave.
  CHECKED,
  SIGNED,
  /// Ended at the gate, before any acid.
  STOPPED;

  public boolean beforeAcid() {
    return this == READY || this == ARMED;
  }

  public boolean afterAcid() {
    return this == ENDING || this == SETTLING || this == AT_REST || this == CHECKED;
  }

  public boolean closed() {
    return this == SIGNED || this == STOPPED;
  }
}
