package ivesk.core.formula;

import ivesk.core.Require;
import java.util.ArrayList;
import java.util.List;

/// What to measure out for a weaker solution, within one convention. The rest is made up to the
/// final volume, never added to it; always acid into water. Pharmacy arithmetic.
public final class Dilution {
  private Dilution() {}

  /// @param stockMl of the stronger solution
  /// @param finalMl to which the rest is made up
  public record Measure(double stockPercent, double stockMl, double finalMl, double percent) {}

  /// C1 V1 = C2 V2.
  ///
  /// @param stockPercent above 0 to 100
  /// @param targetPercent above 0, at most the stock's
  /// @param finalMl 0.1 to 10,000
  public static Measure dilute(double stockPercent, double targetPercent, double finalMl) {
    requireStrength("strength of the stock, %", stockPercent);
    requireStrength("strength wanted, %", targetPercent);
    Require.range("final volume, mL", finalMl, 0.1, 10_000);
    if (targetPercent > stockPercent) {
      throw new IllegalArgumentException(
          "strength wanted is "
              + targetPercent
              + " %, above the stock's "
              + stockPercent
              + " %; diluting only makes weaker. Take a stronger stock");
    }
    return new Measure(
        stockPercent, finalMl * targetPercent / stockPercent, finalMl, targetPercent);
  }

  /// The same in several steps, each diluting the one before by the same factor.
  ///
  /// @param factor of each step, above 1 to 100
  /// @param steps 1 to 10
  public static List<Measure> serial(
      double stockPercent, double factor, int steps, double finalMl) {
    Require.range("factor of a step", factor, 1.01, 100);
    Require.range("number of steps", steps, 1, 10);
    List<Measure> measures = new ArrayList<>();
    double strength = stockPercent;
    for (int step = 0; step < steps; step++) {
      Measure measure = dilute(strength, strength / factor, finalMl);
      measures.add(measure);
      strength = measure.percent();
    }
    return List.copyOf(measures);
  }

  /// Strength of what two solutions were mixed to, %; to check a label by.
  ///
  /// @param onePercent 0 to 100
  /// @param otherPercent 0 for plain solvent
  /// @param oneMl with `otherMl`, together above 0
  public static double mixed(double onePercent, double oneMl, double otherPercent, double otherMl) {
    Require.range("strength of the first, %", onePercent, 0, 100);
    Require.range("strength of the second, %", otherPercent, 0, 100);
    Require.range("volume of the first, mL", oneMl, 0, 10_000);
    Require.range("volume of the second, mL", otherMl, 0, 10_000);
    if (oneMl + otherMl == 0) {
      throw new IllegalArgumentException("both volumes are 0 mL; allowed is above 0 together");
    }
    return (onePercent * oneMl + otherPercent * otherMl) / (oneMl + otherMl);
  }

  /// @param strongMl of the stronger and `weakMl` of the weaker solution
  public record Mix(double strongMl, double weakMl) {}

  /// Alligation: how much of two strengths gives one between them. Volumes are taken as adding up,
  /// which is near enough for dilute solutions.
  ///
  /// @param weakPercent 0 for plain solvent
  /// @param targetPercent between the two
  public static Mix alligate(
      double strongPercent, double weakPercent, double targetPercent, double finalMl) {
    requireStrength("the stronger, %", strongPercent);
    Require.range("the weaker, %", weakPercent, 0, 100);
    Require.range("final volume, mL", finalMl, 0.1, 10_000);
    if (weakPercent >= strongPercent) {
      throw new IllegalArgumentException(
          "the weaker is "
              + weakPercent
              + " %; it must lie below the stronger, "
              + strongPercent
              + " %");
    }
    if (!(targetPercent >= weakPercent && targetPercent <= strongPercent)) {
      throw new IllegalArgumentException(
          "strength wanted is "
              + targetPercent
              + " %; allowed is "
              + weakPercent
              + " to "
              + strongPercent
              + " %, between the two");
    }
    double strongMl = finalMl * (targetPercent - weakPercent) / (strongPercent - weakPercent);
    return new Mix(strongMl, finalMl - strongMl);
  }

  private static void requireStrength(String field, double percent) {
    if (!(percent > 0 && percent <= 100)) {
      throw new IllegalArgumentException(field + " is " + percent + "; allowed is above 0 to 100");
    }
  }
}
