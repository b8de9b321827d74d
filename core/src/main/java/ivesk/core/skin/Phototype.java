package ivesk.core.skin;

/// Fitzpatrick phototype. Type IV and darker carry the risk of dark marks after inflammation.
public enum Phototype {
  I,
  II,
  III,
  IV,
  V,
  VI;

  public boolean atLeast(Phototype other) {
    return compareTo(other) >= 0;
  }

  /// The darker of two, which rules the safety limits.
  public Phototype darker(Phototype other) {
    return atLeast(other) ? this : other;
  }
}
