package ivesk.core.skin;

/// Fitzpatrick phototype. Type IV and darker carry the risk of dark marks after inflammation.
public enum Phototype {
  I(1),
  II(2),
  III(3),
  IV(4),
  V(5),
  VI(6);

  private final int number;

  Phototype(int number) {
    this.number = number;
  }

  /// 1 to 6.
  public int number() {
    return number;
  }

  /// How many classes lie between two types, 0 to 5.
  public int classesFrom(Phototype other) {
    return Math.abs(number - other.number);
  }

  public boolean atLeast(Phototype other) {
    return compareTo(other) >= 0;
  }

  /// The darker of two, which rules the safety limits.
  public Phototype darker(Phototype other) {
    return atLeast(other) ? this : other;
  }
}
