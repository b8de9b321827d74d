package ivesk.server.practice;

/// Who must not be signed out now. The treatment room knows it; this room only asks.
public interface AcidOn {
  /// Whether somebody has acid, or an alarm, on a client now.
  boolean by(String username);
}
