package ivesk.core.formula;

import ivesk.core.Require;
import java.util.Optional;

/// How much formula goes on, and how much acid that is.
public final class Dose {
  /// uL per cm2 and layer; Ivesk's own default: about 3 mL for a face of 600 cm2.
  public static final double MICROLITRES_PER_CM2 = 5;

  /// Salicylate counted as aspirin. Ratio of molar masses, g/g.
  private static final double AS_ASPIRIN = 180.16 / 138.12;

  private Dose() {}

  /// mL for one layer.
  ///
  /// @param areaCm2 above 0 to 20 000
  public static double layerVolumeMl(double areaCm2) {
    Require.range("areaCm2", areaCm2, 1, 20_000);
    return areaCm2 * MICROLITRES_PER_CM2 / 1000;
  }

  /// mg/cm2 of one layer. Layers add mg/cm2; concentration does not add.
  ///
  /// @param percentWv g per 100 mL
  public static double mgPerCm2(double percentWv, double volumeMl, double areaCm2) {
    Require.range("percentWv", percentWv, 0, 100);
    Require.range("areaCm2", areaCm2, 1, 20_000);
    return percentWv * volumeMl * 10 / areaCm2;
  }

  /// Resorcinol carried by all layers, mg; on the face only, never on neck or decolletage. Common
  /// practice.
  public static double resorcinolMg(Formula formula, double volumePerLayerMl, int layers) {
    return formula.percentOf(Substance.RESORCINOL) * 10 * volumePerLayerMl * layers;
  }

  /// Salicylate carried by all layers, as a share of the ingested dose at which poison centres
  /// refer: min(150 mg/kg, 6.5 g) as aspirin. A yardstick only. Chyka et al. 2007, from memory.
  ///
  /// @param weightKg 65 kg when unknown
  public static double salicylateShare(
      Formula formula, double volumePerLayerMl, int layers, Optional<Double> weightKg) {
    double grams =
        formula.percentOf(Substance.SALICYLIC) / 100 * volumePerLayerMl * layers * AS_ASPIRIN;
    double limit = Math.min(0.150 * weightKg.orElse(65.0), 6.5);
    return grams / limit;
  }
}
