package ivesk.core.formula;

import ivesk.core.Require;
import java.util.List;

/// pH of acids in water by exact charge balance, with and without added base. Ideal solution, 25 C:
/// above 0.1 mol/L trust a meter.
public final class ChargeBalance {
  private static final double WATER = 1e-14;

  private ChargeBalance() {}

  /// @param molar mol/L of the acid with all its protons, 0 to 30
  /// @param pKas ascending
  public record Acid(double molar, List<Double> pKas) {
    public Acid {
      Require.range("molarity, mol/L", molar, 0, 30);
      pKas = List.copyOf(pKas);
    }

    public static Acid of(Substance substance, double percentWv) {
      return new Acid(Strength.molar(percentWv, substance.molarMass()), substance.pKas());
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

  /// The acids among some components, from their % w/v.
  public static List<Acid> acids(List<Formula.Component> components) {
    return components.stream()
        .filter(c -> c.substance().acid())
        .map(c -> Acid.of(c.substance(), c.percentWv()))
        .toList();
  }

  /// mol/L of strong base that is in a solution of this pH, 0 and up.
  ///
  /// @param ph 0 to 14
  public static double baseMolar(List<Acid> acids, double ph) {
    Require.range("pH", ph, 0, 14);
    return Math.max(0, -excess(acids, 0, ph));
  }

  /// The pH at which the charges balance, -2 to 16; found by bisection to 1e-9.
  ///
  /// @param baseMolar mol/L of a strong base, as sodium, 0 to 30
  public static double ph(List<Acid> acids, double baseMolar) {
    Require.range("base, mol/L", baseMolar, 0, 30);
    double low = -2;
    double high = 16;
    while (high - low > 1e-10) {
      double middle = (low + high) / 2;
      if (excess(acids, baseMolar, middle) > 0) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }

  /// Positive less negative charges, mol/L; falls as the pH rises.
  private static double excess(List<Acid> acids, double baseMolar, double ph) {
    double hydrogen = Math.pow(10, -ph);
    double negative = WATER / hydrogen;
    for (Acid acid : acids) negative += acid.molar() * acid.charge(hydrogen);
    return hydrogen + baseMolar - negative;
  }
}
