package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.formula.Formula.Component;
import java.util.List;

/// Base for what was put on: HA + NaHCO3 -> NaA + H2O + CO2, every titratable proton of every acid
/// counted, base already in it taken off only where the label says buffered in water; arginine
/// takes one proton a molecule and gives no gas. Stoichiometry.
///
/// @param protonsMmol acid protons in the volume applied
/// @param baseG of the base that meets them
/// @param volumeMl of the solution that holds it
/// @param gasL carbon dioxide at 20 C
/// @param layOutMl twice the stoichiometric volume; Ivesk's own default
public record Neutraliser(
    double protonsMmol, double baseG, double volumeMl, double gasL, double layOutMl) {

  private static final double GAS_L_PER_MOL = 24.06;

  /// What takes the protons.
  public enum Base {
    /// 10 % is about its solubility: shake.
    BICARBONATE("sodium bicarbonate", 84.007, 10, true),
    ARGININE("arginine", 174.20, 15, false);

    private final String label;
    private final double molarMass;
    private final double mostPercentWv;
    private final boolean gas;

    Base(String label, double molarMass, double mostPercentWv, boolean gas) {
      this.label = label;
      this.molarMass = molarMass;
      this.mostPercentWv = mostPercentWv;
      this.gas = gas;
    }

    public String label() {
      return label;
    }

    /// g/mol.
    public double molarMass() {
      return molarMass;
    }
  }

  /// By bicarbonate.
  ///
  /// @param volumeMl of formula over all layers, 0 to 500
  /// @param bicarbonatePercentWv 1 to 10
  public static Neutraliser forVolume(
      Formula formula, double volumeMl, double bicarbonatePercentWv) {
    return forVolume(formula, volumeMl, Base.BICARBONATE, bicarbonatePercentWv);
  }

  public static Neutraliser forVolume(
      Formula formula, double volumeMl, Base base, double basePercentWv) {
    return forAcids(formula.components(), inItAlready(formula), volumeMl, base, basePercentWv);
  }

  /// mol/L of base in a product that its label calls buffered in water, by its pH; 0 for any other,
  /// since a pH tells nothing in a gel or alcohol.
  private static double inItAlready(Formula formula) {
    if (!formula.label().bufferedInWater()) return 0;
    return ChargeBalance.baseMolar(
        ChargeBalance.acids(formula.components()), formula.ph().orElseThrow());
  }

  /// @param baseMolar mol/L of base already in it, 0 where it is not buffered in water
  /// @param volumeMl of formula over all layers, 0 to 500
  /// @param basePercentWv strength of the neutraliser, 1 to 10 for bicarbonate, to 15 for arginine
  public static Neutraliser forAcids(
      List<Component> components,
      double baseMolar,
      double volumeMl,
      Base base,
      double basePercentWv) {
    Require.range("volume, mL", volumeMl, 0, 500);
    Require.range("strength of the neutraliser, % w/v", basePercentWv, 1, base.mostPercentWv);
    double acid =
        components.stream()
            .filter(c -> c.substance().acid())
            .mapToDouble(c ->
                c.percentWv()
                    / 100
                    * volumeMl
                    / c.substance().molarMass()
                    * c.substance().pKas().size())
            .sum();
    double moles = Math.max(0, acid - baseMolar * volumeMl / 1000);
    double grams = moles * base.molarMass;
    double ml = grams / basePercentWv * 100;
    return new Neutraliser(moles * 1000, grams, ml, base.gas ? moles * GAS_L_PER_MOL : 0, ml * 2);
  }

  /// Whether a formula is ended by neutralising at all. It does not undo a frost, and is never
  /// offered for TCA, salicylic or Jessner.
  public static boolean ends(Formula formula) {
    return formula.ending() == Formula.Ending.NEUTRALISE
        || formula.ending() == Formula.Ending.LIFT_THEN_NEUTRALISE;
  }
}
