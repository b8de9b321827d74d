package ivesk.core.formula;

import java.util.List;

/// A substance of a peel. Molar masses and pKa (25 C) after the CRC Handbook, from memory.
public enum Substance {
  GLYCOLIC("glycolic", 76.05, 3.83),
  LACTIC("lactic", 90.08, 3.86),
  MANDELIC("mandelic", 152.15, 3.41),
  /// Its phenol (pKa 13.6) is ignored.
  SALICYLIC("salicylic", 138.12, 2.97),
  TCA("trichloroacetic", 163.38, 0.66),
  PYRUVIC("pyruvic", 88.06, 2.39),
  CITRIC("citric", 192.12, 3.13, 4.76, 6.40),
  AZELAIC("azelaic", 188.22, 4.55, 5.41),
  /// Hydrolyses 1:1 to gluconic acid, whose pKa this is.
  GLUCONOLACTONE("gluconolactone", 178.14, 3.86),
  /// A phenol: pKa 9.32, no titratable proton here.
  RESORCINOL("resorcinol", 110.11),
  RETINOL("retinol", 286.45),
  PAPAYA("papaya enzyme", Double.NaN),
  PINEAPPLE("pineapple enzyme", Double.NaN),
  PUMPKIN("pumpkin enzyme", Double.NaN);

  private final String label;
  private final double molarMass;
  private final List<Double> pKas;

  Substance(String label, double molarMass, Double... pKas) {
    this.label = label;
    this.molarMass = molarMass;
    this.pKas = List.of(pKas);
  }

  public String label() {
    return label;
  }

  /// g/mol; NaN for enzymes.
  public double molarMass() {
    return molarMass;
  }

  /// Ascending; as many as protons that a base takes; empty for what is no acid.
  public List<Double> pKas() {
    return pKas;
  }

  public boolean acid() {
    return !pKas.isEmpty();
  }
}
