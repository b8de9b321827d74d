package ivesk.core.formula;

import ivesk.core.Require;

/// Bicarbonate for what was put on: HA + NaHCO3 -> NaA + H2O + CO2, every titratable proton of
/// every acid counted, no buffer assumed. Stoichiometry.
///
/// @param protonsMmol acid protons in the volume applied
/// @param bicarbonateG sodium bicarbonate that meets them
/// @param volumeMl of the bicarbonate solution that holds it
/// @param gasL carbon dioxide at 20 C
/// @param layOutMl twice the stoichiometric volume; Ivesk's own default
public record Neutraliser(
    double protonsMmol, double bicarbonateG, double volumeMl, double gasL, double layOutMl) {

  private static final double BICARBONATE_G_PER_MOL = 84.007;
  private static final double GAS_L_PER_MOL = 24.06;

  /// @param volumeMl of formula over all layers, 0 to 500
  /// @param bicarbonatePercentWv 1 to 10; 10 % is about the solubility: shake
  public static Neutraliser forVolume(
      Formula formula, double volumeMl, double bicarbonatePercentWv) {
    Require.range("volumeMl", volumeMl, 0, 500);
    Require.range("bicarbonatePercentWv", bicarbonatePercentWv, 1, 10);
    double moles =
        formula.components().stream()
            .filter(c -> c.substance().acid())
            .mapToDouble(c ->
                c.percentWv()
                    / 100
                    * volumeMl
                    / c.substance().molarMass()
                    * c.substance().pKas().size())
            .sum();
    double grams = moles * BICARBONATE_G_PER_MOL;
    double ml = grams / bicarbonatePercentWv * 100;
    return new Neutraliser(moles * 1000, grams, ml, moles * GAS_L_PER_MOL, ml * 2);
  }

  /// Whether a formula is ended by neutralising at all. It does not undo a frost, and is never
  /// offered for TCA, salicylic or Jessner.
  public static boolean ends(Formula formula) {
    return formula.ending() == Formula.Ending.NEUTRALISE
        || formula.ending() == Formula.Ending.LIFT_THEN_NEUTRALISE;
  }
}
