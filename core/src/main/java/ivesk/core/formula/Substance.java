package ivesk.core.formula;

import ivesk.core.quantity.MolarMass;
import java.util.List;
import java.util.Optional;

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
  RETINOL("retinol", Optional.of(new MolarMass(286.45)), Optional.empty(), List.of()),
  FIG("fig enzyme"),
  PAPAYA("papaya enzyme"),
  PINEAPPLE("pineapple enzyme"),
  PUMPKIN("pumpkin enzyme");

  private final String label;
  private final Optional<MolarMass> molarMass;
  private final Optional<Double> logKow;
  private final List<Double> pKas;

  Substance(String label, double gPerMol, double logKow, Double... pKas) {
    this(label, Optional.of(new MolarMass(gPerMol)), Optional.of(logKow), List.of(pKas));
  }

  Substance(
      String label, Optional<MolarMass> molarMass, Optional<Double> logKow, List<Double> pKas) {
    this.label = label;
    this.molarMass = molarMass;
    this.logKow = logKow;
    this.pKas = pKas;
  }

  /// An enzyme: neither molar mass nor partition says what it does.
  Substance(String label) {
    this(label, Optional.empty(), Optional.empty(), List.of());
  }

  public String label() {
    return label;
  }

  /// Empty for enzymes.
  public Optional<MolarMass> molarMass() {
    return molarMass;
  }

  /// Of what reacts or dissolves by the mole.
  ///
  /// @throws IllegalArgumentException for an enzyme
  public MolarMass molar() {
    return molarMass.orElseThrow(
        () -> new IllegalArgumentException(label + " has no molar mass; name a substance"));
  }

  /// Octanol-water partition, log; empty where none is given.
  public Optional<Double> logKow() {
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
