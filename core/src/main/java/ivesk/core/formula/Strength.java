package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.quantity.Density;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Molarity;
import ivesk.core.quantity.Volume;

/// Strength of a solution with the convention that a label means by its percent. Mishaps come from
/// mixing them: Bridenstine and Dolezal 1994, from memory.
///
/// @param percent 0 to 100; to 300 in w/v, where a dense solution holds more
public record Strength(double percent, Convention convention) implements Comparable<Strength> {
  public static final Strength NONE = wv(0);

  /// How a label means its percent.
  public enum Convention {
    /// g per 100 mL.
    WV("% w/v", 300),
    /// g per 100 g.
    WW("% w/w", 100),
    /// mL per 100 mL.
    VV("% v/v", 100);

    private final String label;
    private final double most;

    Convention(String label, double most) {
      this.label = label;
      this.most = most;
    }

    public String label() {
      return label;
    }
  }

  public Strength {
    Require.range("strength, " + convention.label, percent, 0, convention.most);
  }

  public static Strength wv(double percent) {
    return new Strength(percent, Convention.WV);
  }

  /// Of a field that a user filled in.
  ///
  /// @param percent 0 to 100
  /// @throws IllegalArgumentException naming the field
  public static Strength of(String field, double percent, Convention convention) {
    return new Strength(
        Require.range(field + ", " + convention.label, percent, 0, 100), convention);
  }

  /// What some mass in some volume of solution is.
  ///
  /// @param volume above 0
  public static Strength of(Mass mass, Volume volume) {
    return wv(mass.g() / volume.ml() * 100);
  }

  /// The same strength in % w/v. Arithmetic.
  ///
  /// @param density of the solution for % w/w, of the pure substance for % v/v; not used for % w/v
  public Strength toWv(Density density) {
    return switch (convention) {
      case WV -> this;
      case WW, VV -> wv(percent * density.gPerMl());
    };
  }

  public boolean isNone() {
    return percent == 0;
  }

  public Strength plus(Strength other) {
    return new Strength(percent + sameAs(other).percent, convention);
  }

  public Strength times(double factor) {
    return new Strength(percent * factor, convention);
  }

  /// The substance in some volume; for % w/v.
  public Mass in(Volume volume) {
    return new Mass(inWv() / 100 * volume.ml());
  }

  /// The volume of solution that holds some mass; for % w/v above 0.
  public Volume holding(Mass mass) {
    return new Volume(mass.g() / inWv() * 100);
  }

  /// 10 times % w/v over the molar mass; for % w/v. Arithmetic.
  public Molarity molarity(MolarMass molarMass) {
    return new Molarity(10 * inWv() / molarMass.gPerMol());
  }

  /// By percent, within one convention.
  @Override
  public int compareTo(Strength other) {
    return Double.compare(percent, sameAs(other).percent);
  }

  public boolean above(Strength other) {
    return compareTo(other) > 0;
  }

  private double inWv() {
    if (convention != Convention.WV) {
      throw new IllegalArgumentException(
          "strength is in " + convention.label + "; turn it into % w/v by its density first");
    }
    return percent;
  }

  private Strength sameAs(Strength other) {
    if (other.convention != convention) {
      throw new IllegalArgumentException(
          "strengths are in "
              + convention.label
              + " and "
              + other.convention.label
              + "; give both in one convention");
    }
    return other;
  }
}
