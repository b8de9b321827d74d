package ivesk.core.formula;

import ivesk.core.Require;

/// Strength of a solution in the conventions that labels use. Mishaps come from mixing them:
/// Bridenstine and Dolezal 1994, from memory.
public final class Strength {
  private Strength() {}

  /// How a label means its percent.
  public enum Convention {
    /// g per 100 mL.
    WV("% w/v"),
    /// g per 100 g.
    WW("% w/w"),
    /// mL per 100 mL.
    VV("% v/v");

    private final String label;

    Convention(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// % w/v of a label's percent. Arithmetic.
  ///
  /// @param percent 0 to 100
  /// @param convention of the label
  /// @param solutionGPerMl density of the solution, 0.5 to 3; used for w/w
  /// @param soluteGPerMl density of the pure substance, 0.5 to 3; used for v/v
  public static double toWv(
      double percent, Convention convention, double solutionGPerMl, double soluteGPerMl) {
    Require.range("strength, %", percent, 0, 100);
    return switch (convention) {
      case WV -> percent;
      case WW -> percent * Require.range("density, g/mL", solutionGPerMl, 0.5, 3);
      case VV -> percent * Require.range("density of the substance, g/mL", soluteGPerMl, 0.5, 3);
    };
  }

  /// mol/L: 10 times % w/v over the molar mass. Arithmetic.
  ///
  /// @param percentWv g per 100 mL, 0 to 300
  public static double molar(double percentWv, double molarMass) {
    Require.range("strength, % w/v", percentWv, 0, 300);
    Require.range("molar mass, g/mol", molarMass, 1, 2000);
    return 10 * percentWv / molarMass;
  }
}
