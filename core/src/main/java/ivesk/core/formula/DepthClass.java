package ivesk.core.formula;

import ivesk.core.practice.Policies.LicenceScope;

/// How deep a plan goes. Depth is of the plan (formula, time, layers, prep), not of the bottle.
public enum DepthClass {
  /// Stratum corneum.
  VERY_SUPERFICIAL("very superficial", "VS"),
  /// Epidermis.
  SUPERFICIAL("superficial", "S"),
  /// Upper dermis: outside a therapist's scope by default.
  MEDIUM("medium", "M");

  private final String label;
  private final String code;

  DepthClass(String label, String code) {
    this.label = label;
    this.code = code;
  }

  public String label() {
    return label;
  }

  public String code() {
    return code;
  }

  public boolean deeperThan(DepthClass other) {
    return compareTo(other) > 0;
  }

  public DepthClass deeper(DepthClass other) {
    return deeperThan(other) ? this : other;
  }

  /// The next class below, where there is one.
  public DepthClass oneDeeper() {
    return switch (this) {
      case VERY_SUPERFICIAL -> SUPERFICIAL;
      case SUPERFICIAL, MEDIUM -> MEDIUM;
    };
  }

  /// A licence covers it.
  public boolean within(LicenceScope licence) {
    return !deeperThan(
        switch (licence) {
          case VERY_SUPERFICIAL -> VERY_SUPERFICIAL;
          case SUPERFICIAL -> SUPERFICIAL;
          case MEDIUM_SUPERVISED -> MEDIUM;
        });
  }

  public DepthClass shallower(DepthClass other) {
    return deeperThan(other) ? other : this;
  }
}
