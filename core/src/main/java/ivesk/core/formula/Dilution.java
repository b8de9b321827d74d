package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.quantity.Volume;
import java.util.ArrayList;
import java.util.List;

/// What to measure out for a weaker solution, within one convention. The rest is made up to the
/// final volume, never added to it; always acid into water. Pharmacy arithmetic.
public final class Dilution {
  private Dilution() {}

  /// @param volume of the stock, made up to `made`
  /// @param strength of what is made
  public record Measure(Strength stock, Volume volume, Volume made, Strength strength) {}

  /// C1 V1 = C2 V2.
  ///
  /// @param stock above 0 to 100 %
  /// @param target above 0, at most the stock's
  /// @param made final volume, 0.1 to 10,000 mL
  public static Measure dilute(Strength stock, Strength target, Volume made) {
    requireSome("strength of the stock", stock);
    requireSome("strength wanted", target);
    Require.range("final volume, mL", made.ml(), 0.1, 10_000);
    if (target.above(stock)) {
      throw new IllegalArgumentException(
          "strength wanted is "
              + target.percent()
              + " %, above the stock's "
              + stock.percent()
              + " %; diluting only makes weaker. Take a stronger stock");
    }
    return new Measure(stock, made.times(target.percent() / stock.percent()), made, target);
  }

  /// The same in several steps, each diluting the one before by the same factor.
  ///
  /// @param factor of each step, above 1 to 100
  /// @param steps 1 to 10
  public static List<Measure> serial(Strength stock, double factor, int steps, Volume made) {
    Require.range("factor of a step", factor, 1.01, 100);
    Require.range("number of steps", steps, 1, 10);
    List<Measure> measures = new ArrayList<>();
    Strength strength = stock;
    for (int step = 0; step < steps; step++) {
      Measure measure = dilute(strength, strength.times(1 / factor), made);
      measures.add(measure);
      strength = measure.strength();
    }
    return List.copyOf(measures);
  }

  /// Strength of what two solutions were mixed to; to check a label by.
  ///
  /// @param other 0 % for plain solvent
  /// @param oneVolume with `otherVolume`, each to 10,000 mL, together above 0
  public static Strength mixed(Strength one, Volume oneVolume, Strength other, Volume otherVolume) {
    requireStrength("strength of the first", one);
    requireStrength("strength of the second", other);
    Require.range("volume of the first, mL", oneVolume.ml(), 0, 10_000);
    Require.range("volume of the second, mL", otherVolume.ml(), 0, 10_000);
    Volume all = oneVolume.plus(otherVolume);
    if (all.ml() == 0) {
      throw new IllegalArgumentException("both volumes are 0 mL; allowed is above 0 together");
    }
    return one.times(oneVolume.ml() / all.ml()).plus(other.times(otherVolume.ml() / all.ml()));
  }

  /// @param strong of the stronger and `weak` of the weaker solution
  public record Mix(Volume strong, Volume weak) {}

  /// Alligation: how much of two strengths gives one between them. Volumes are taken as adding up,
  /// which is near enough for dilute solutions.
  ///
  /// @param weak 0 % for plain solvent
  /// @param target between the two
  public static Mix alligate(Strength strong, Strength weak, Strength target, Volume made) {
    requireSome("the stronger", strong);
    requireStrength("the weaker", weak);
    Require.range("final volume, mL", made.ml(), 0.1, 10_000);
    if (!strong.above(weak)) {
      throw new IllegalArgumentException(
          "the weaker is "
              + weak.percent()
              + " %; it must lie below the stronger, "
              + strong.percent()
              + " %");
    }
    if (weak.above(target) || target.above(strong)) {
      throw new IllegalArgumentException(
          "strength wanted is "
              + target.percent()
              + " %; allowed is "
              + weak.percent()
              + " to "
              + strong.percent()
              + " %, between the two");
    }
    double share = (target.percent() - weak.percent()) / (strong.percent() - weak.percent());
    Volume ofStrong = made.times(share);
    return new Mix(ofStrong, made.less(ofStrong));
  }

  private static void requireStrength(String field, Strength strength) {
    Require.range(field + ", %", strength.percent(), 0, 100);
  }

  private static void requireSome(String field, Strength strength) {
    requireStrength(field, strength);
    if (strength.isNone()) {
      throw new IllegalArgumentException(field + ", % is 0.0; allowed is above 0 to 100");
    }
  }
}
