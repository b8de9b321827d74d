package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Molarity;
import ivesk.core.quantity.Volume;
import java.util.List;

/// Base for what was put on: HA + NaHCO3 -> NaA + H2O + CO2, every titratable proton of every acid
/// counted, base already in it taken off only where the label says buffered in water; arginine
/// takes one proton a molecule and gives no gas. Stoichiometry.
///
/// @param protons of the acids in the volume applied
/// @param base that meets them
/// @param volume of the solution that holds it
/// @param gas carbon dioxide at 20 C
/// @param layOut twice the stoichiometric volume; Ivesk's own default
public record Neutraliser(Amount protons, Mass base, Volume volume, Volume gas, Volume layOut) {

  /// Of a gas at 20 C and 1 atm.
  private static final double L_PER_MOL = 24.06;

  /// What takes the protons.
  public enum Base {
    /// 10 % is about its solubility: shake.
    BICARBONATE("sodium bicarbonate", 84.007, 10, true),
    ARGININE("arginine", 174.20, 15, false);

    private final String label;
    private final MolarMass molarMass;
    private final double mostPercentWv;
    private final boolean gas;

    Base(String label, double gPerMol, double mostPercentWv, boolean gas) {
      this.label = label;
      this.molarMass = new MolarMass(gPerMol);
      this.mostPercentWv = mostPercentWv;
      this.gas = gas;
    }

    public String label() {
      return label;
    }

    public MolarMass molarMass() {
      return molarMass;
    }
  }

  /// @param volume of formula over all layers, 0 to 500 mL
  /// @param strength of the neutraliser, 1 to 10 % w/v for bicarbonate, to 15 for arginine
  public static Neutraliser of(Formula formula, Volume volume, Base base, Strength strength) {
    return of(formula.components(), inItAlready(formula), volume, base, strength);
  }

  /// Base in a product that its label calls buffered in water, by its pH; none in any other, since
  /// a pH tells nothing in a gel or alcohol.
  private static Molarity inItAlready(Formula formula) {
    if (!formula.label().bufferedInWater()) return Molarity.NONE;
    return ChargeBalance.base(
        ChargeBalance.acids(formula.components()), formula.ph().orElseThrow());
  }

  /// As [#of(Formula, Volume, Base, Strength)], of components that are no formula.
  ///
  /// @param inIt base already in it, none where it is not buffered in water
  public static Neutraliser of(
      List<Component> components, Molarity inIt, Volume volume, Base base, Strength strength) {
    Require.range("volume, mL", volume.ml(), 0, 500);
    Require.range("strength of the neutraliser, % w/v", strength.percent(), 1, base.mostPercentWv);
    Amount acid =
        components.stream()
            .filter(c -> c.substance().acid())
            .map(c -> protons(c, volume))
            .reduce(Amount.NONE, Amount::plus);
    Amount protons = acid.less(inIt.in(volume));
    Mass mass = base.molarMass.of(protons);
    Volume needed = strength.holding(mass);
    Volume gas = base.gas ? Volume.litres(protons.mol() * L_PER_MOL) : Volume.NONE;
    return new Neutraliser(protons, mass, needed, gas, needed.times(2));
  }

  private static Amount protons(Component component, Volume volume) {
    Substance substance = component.substance();
    Amount molecules = substance.molar().in(component.strength().in(volume));
    return molecules.times(substance.pKas().size());
  }

  /// Whether a formula is ended by neutralising at all. It does not undo a frost, and is never
  /// offered for TCA, salicylic or Jessner.
  public static boolean ends(Formula formula) {
    return formula.ending() == Formula.Ending.NEUTRALISE
        || formula.ending() == Formula.Ending.LIFT_THEN_NEUTRALISE;
  }
}
