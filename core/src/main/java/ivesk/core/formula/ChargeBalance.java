package ivesk.core.formula;

import ivesk.core.quantity.Molarity;
import ivesk.core.quantity.Ph;
import java.util.List;

/// pH of acids in water by exact charge balance, with and without added base. Ideal solution, 25 C:
/// above 0.1 mol/L trust a meter.
public final class ChargeBalance {
  private static final double WATER = 1e-14;

  private ChargeBalance() {}

  /// @param molarity of the acid with all its protons
  /// @param pKas ascending
  public record Acid(Molarity molarity, List<Double> pKas) {
    public Acid {
      pKas = List.copyOf(pKas);
    }

    /// @param strength in % w/v
    public static Acid of(Substance substance, Strength strength) {
      return new Acid(strength.molarity(substance.molar()), substance.pKas());
    }

    /// Mean negative charge per molecule at a concentration of hydrogen ions.
    private double charge(double hydrogen) {
      double term = 1;
      double series = 1;
      double charged = 0;
      double beta = 1;
      for (int i = 0; i < pKas.size(); i++) {
        beta *= Math.pow(10, -pKas.get(i));
        term = beta / Math.pow(hydrogen, i + 1.0);
        series += term;
        charged += (i + 1) * term;
      }
      return charged / series;
    }
  }

  /// The acids among some components.
  public static List<Acid> acids(List<Component> components) {
    return components.stream()
        .filter(c -> c.substance().acid())
        .map(c -> Acid.of(c.substance(), c.strength()))
        .toList();
  }

  /// Strong base that is in a solution of this pH, 0 mol/L and up.
  public static Molarity base(List<Acid> acids, Ph ph) {
    return new Molarity(Math.max(0, -excess(acids, Molarity.NONE, ph)));
  }

  /// The pH at which the charges balance, -2 to 16; found by bisection to 1e-9.
  ///
  /// @param base strong, as sodium
  public static Ph ph(List<Acid> acids, Molarity base) {
    double low = -2;
    double high = 16;
    while (high - low > 1e-10) {
      double middle = (low + high) / 2;
      if (excess(acids, base, new Ph(middle)) > 0) low = middle;
      else high = middle;
    }
    return new Ph((low + high) / 2);
  }

  /// Positive less negative charges, mol/L; falls as the pH rises.
  private static double excess(List<Acid> acids, Molarity base, Ph ph) {
    double hydrogen = ph.hydrogen();
    double negative = WATER / hydrogen;
    for (Acid acid : acids) negative += acid.molarity().molPerL() * acid.charge(hydrogen);
    return hydrogen + base.molPerL() - negative;
  }
}
