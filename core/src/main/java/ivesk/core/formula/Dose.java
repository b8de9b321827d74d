package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import java.util.Optional;

/// How much goes on an area of skin. Layers add dose; concentration does not add.
///
/// @param mgPerCm2 milligrams of substance per square centimetre, 0 and up
public record Dose(double mgPerCm2) {
  /// Per cm2 and layer; Ivesk's own default: about 3 mL for a face of 600 cm2.
  private static final Volume PER_CM2 = Volume.microlitres(5);

  /// Salicylate counted as aspirin. Ratio of molar masses, g/g.
  private static final double AS_ASPIRIN = 180.16 / 138.12;

  public Dose {
    Require.notNegative("dose, mg/cm2", mgPerCm2);
  }

  /// Of one layer.
  ///
  /// @param area 1 to 20,000 cm2
  public static Dose of(Strength strength, Volume volume, Area area) {
    return new Dose(strength.in(volume).mg() / covered(area).cm2());
  }

  public Dose times(int layers) {
    return new Dose(mgPerCm2 * layers);
  }

  /// Volume of one layer.
  ///
  /// @param area 1 to 20,000 cm2
  public static Volume layer(Area area) {
    return PER_CM2.times(covered(area).cm2());
  }

  /// A substance that some volume of a formula carries.
  public static Mass carried(Formula formula, Substance substance, Volume volume) {
    return formula.strengthOf(substance).in(volume);
  }

  /// Salicylate carried by all layers, as a share of the ingested dose at which poison centres
  /// refer: min(150 mg/kg, 6.5 g) as aspirin. A yardstick only. Chyka et al. 2007, from memory.
  ///
  /// @param volume of all layers
  /// @param weightKg 65 kg when unknown
  public static double salicylateShare(Formula formula, Volume volume, Optional<Double> weightKg) {
    double aspirinG = carried(formula, Substance.SALICYLIC, volume).g() * AS_ASPIRIN;
    return aspirinG / Math.min(0.150 * weightKg.orElse(65.0), 6.5);
  }

  private static Area covered(Area area) {
    Require.range("area, cm2", area.cm2(), 1, 20_000);
    return area;
  }
}
