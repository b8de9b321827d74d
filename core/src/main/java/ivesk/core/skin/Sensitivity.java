package ivesk.core.skin;

/// How the barrier takes things, 0 to 3. Compromised: stings with water or bland cream, visibly
/// reactive, in a flare, or over-exfoliated.
public enum Sensitivity {
  RESILIENT,
  NORMAL,
  SENSITIVE,
  COMPROMISED;

  public boolean atLeast(Sensitivity other) {
    return compareTo(other) >= 0;
  }
}
