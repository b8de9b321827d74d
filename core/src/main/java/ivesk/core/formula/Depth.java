package ivesk.core.formula;

import java.time.Duration;
import java.util.Optional;

/// The depth class of one stage. Rubin 1995 for glycolic, TCA, Jessner and resorcinol, as quoted by
/// Khunger 2008, from memory; the library's class for the rest.
public final class Depth {
  private Depth() {}

  /// What a formula does in a plan: the deeper of the published rows and the library's class.
  ///
  /// @param contact planned contact time; the formula's longest when empty
  /// @param layers planned, 1 and up
  public static DepthClass of(Formula formula, Optional<Duration> contact, int layers) {
    Duration time = contact.or(formula::mostContact).orElse(Duration.ZERO);
    DepthClass published =
        switch (formula.family()) {
          case GLYCOLIC -> glycolic(formula.percentOf(Substance.GLYCOLIC), time);
          case TCA -> tca(formula.percentOf(Substance.TCA), layers);
          case JESSNER -> jessner(layers);
          case PHA, ENZYME, LACTIC, MANDELIC, AZELAIC_MANDELIC, SALICYLIC, PYRUVIC ->
              formula.libraryDepth();
        };
    return published.deeper(formula.libraryDepth());
  }

  /// Below 30 % VS; 30 to 50 % VS to 2 min, else S; above 50 to below 70 % S; from 70 % S under 3
  /// min, M from 3 min.
  public static DepthClass glycolic(double percentWv, Duration contact) {
    if (percentWv < 30) return DepthClass.VERY_SUPERFICIAL;
    if (percentWv <= 50) {
      return contact.compareTo(Duration.ofMinutes(2)) <= 0
          ? DepthClass.VERY_SUPERFICIAL
          : DepthClass.SUPERFICIAL;
    }
    return percentWv >= 70 && contact.compareTo(Duration.ofMinutes(3)) >= 0
        ? DepthClass.MEDIUM
        : DepthClass.SUPERFICIAL;
  }

  /// Up to 10 % one layer VS, more S; to 30 % S; above M.
  public static DepthClass tca(double percentWv, int layers) {
    if (percentWv > 30) return DepthClass.MEDIUM;
    return percentWv <= 10 && layers <= 1 ? DepthClass.VERY_SUPERFICIAL : DepthClass.SUPERFICIAL;
  }

  /// One to three layers VS, from four S.
  public static DepthClass jessner(int layers) {
    return layers <= 3 ? DepthClass.VERY_SUPERFICIAL : DepthClass.SUPERFICIAL;
  }

  /// Up to 30 % for up to 10 min VS, else S.
  public static DepthClass resorcinol(double percentWv, Duration contact) {
    return percentWv <= 30 && contact.compareTo(Duration.ofMinutes(10)) <= 0
        ? DepthClass.VERY_SUPERFICIAL
        : DepthClass.SUPERFICIAL;
  }
}
