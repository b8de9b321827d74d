package ivesk.core.product;

import ivesk.core.Require;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Strength;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Volume;
import java.util.Optional;

/// What a neutraliser holds: a base that takes one proton a molecule, or water only.
///
/// @param kind of base
/// @param molarMass of the base; empty for water
/// @param strength % w/v; none for water
/// @param perUnit fixed dose of a wipe, as its label has it
public record BaseIn(
    Kind kind, Optional<MolarMass> molarMass, Strength strength, Optional<Amount> perUnit) {

  public enum Kind {
    BICARBONATE("sodium bicarbonate"),
    ARGININE("arginine"),
    OTHER_AMINO_ACID("another amino acid"),
    WATER_ONLY("water only");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public static final BaseIn WATER =
      new BaseIn(Kind.WATER_ONLY, Optional.empty(), Strength.NONE, Optional.empty());

  public BaseIn {
    Require.range("strength of the base, % w/v", strength.percent(), 0, 30);
    perUnit.ifPresent(amount -> Require.range("base in a unit, mmol", amount.mmol(), 0, 1000));
    boolean water = kind == Kind.WATER_ONLY;
    if (water != molarMass.isEmpty()) {
      throw new IllegalArgumentException(
          "the base is "
              + kind.label()
              + "; "
              + (water ? "water has no" : "name its")
              + " molar mass");
    }
    if (!water && strength.isNone() && perUnit.isEmpty()) {
      throw new IllegalArgumentException(
          "strength of the base is 0; name its % w/v or the mmol of a unit");
    }
  }

  /// Of a base whose name says it; empty for the others.
  public static Optional<MolarMass> molarMassOf(Kind kind) {
    return switch (kind) {
      case BICARBONATE -> Optional.of(Neutraliser.Base.BICARBONATE.molarMass());
      case ARGININE -> Optional.of(Neutraliser.Base.ARGININE.molarMass());
      case OTHER_AMINO_ACID, WATER_ONLY -> Optional.empty();
    };
  }

  /// @param percentWv 1 to 10, about its solubility
  public static BaseIn bicarbonate(double percentWv) {
    return of(Kind.BICARBONATE, molarMassOf(Kind.BICARBONATE), percentWv);
  }

  public static BaseIn arginine(double percentWv) {
    return of(Kind.ARGININE, molarMassOf(Kind.ARGININE), percentWv);
  }

  public static BaseIn aminoAcid(MolarMass molarMass, double percentWv) {
    return of(Kind.OTHER_AMINO_ACID, Optional.of(molarMass), percentWv);
  }

  private static BaseIn of(Kind kind, Optional<MolarMass> molarMass, double percentWv) {
    return new BaseIn(kind, molarMass, Strength.wv(percentWv), Optional.empty());
  }

  /// Protons that some units take up.
  ///
  /// @param units of the product, 0 and up
  public Amount in(double units, UnitDose dose) {
    if (perUnit.isPresent()) return perUnit.get().times(units);
    Volume volume = dose.volume(units).orElse(Volume.NONE);
    return molarMass.map(mass -> mass.in(strength.in(volume))).orElse(Amount.NONE);
  }

  /// Units that take up an amount; whole ones where they are counted.
  ///
  /// @return empty for water
  public Optional<Double> unitsFor(Amount protons, UnitDose dose) {
    double one = in(1, dose).mmol();
    if (one == 0) return Optional.empty();
    return Optional.of(
        dose.unit() == UnitDose.Unit.ML
            ? protons.mmol() / one
            : Math.ceil(protons.mmol() / one - 1e-9));
  }
}
