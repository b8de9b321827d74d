package ivesk.core.formula;

import java.util.List;

/// A substance of a peel. Molar masses, pKa (25 C) and log Kow after the CRC Handbook, from memory.
public enum Substance {
  GLYCOLIC("glycolic", 76.05, -1.11, 3.83),
  LACTIC("lactic", 90.08, -0.72, 3.86),
  MANDELIC("mandelic", 152.15, 0.62, 3.41),
  /// Its phenol (pKa 13.6) is ignored.
  SALICYLIC("salicylic", 138.12, 2.26, 2.97),
  TCA("trichloroacetic", 163.38, 1.33, 0.66),
  PYRUVIC("pyruvic", 88.06, -0.5, 2.39),
  CITRIC("citric", 192.12, -1.64, 3.13, 4.76, 6.40),
  MALIC("malic", 134.09, -1.26, 3.40, 5.11),
  TARTARIC("tartaric", 150.09, -1.0, 2.98, 4.34),
  AZELAIC("azelaic", 188.22, 1.57, 4.55, 5.41),
  /// Hydrolyses 1:1 to gluconic acid, whose pKa this is.
  GLUCONOLACTONE("gluconolactone", 178.14, -2, 3.86),
  /// A phenol: pKa 9.32, no titratable proton here.
  RESORCINOL("resorcinol", 110.11, 0.80),
  RETINOL("retinol", 286.45, Double.NaN),
  PAPAYA("papaya enzyme", Double.NaN, Double.NaN),
  PINEAPPLE("pineapple enzyme", Double.NaN, Double.NaN),
  PUMPKIN("pumpkin enzyme", Double.NaN, Double.NaN);

  private final String label;
  private final double molarMass;
  private final double logKow;
  private final List<Double> pKas;

  Substance(String label, double molarMass, double logKow, Double... pKas) {
    this.label = label;
    this.molarMass = molarMass;
    this.logKow = logKow;
    this.pKas = List.of(pKas);
  }

  public String label() {
    return label;
  }

  /// g/mol; NaN for enzymes.
  public double molarMass() {
    return molarMass;
  }

  /// Octanol-water partition, log; NaN where none is given.
  public double logKow() {
    return logKow;
  }

  /// Ascending; as many as protons that a base takes; empty for what is no acid.
  public List<Double> pKas() {
    return pKas;
  }

  public boolean acid() {
    return !pKas.isEmpty();
  }
}
