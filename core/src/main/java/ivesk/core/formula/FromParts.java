package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.formula.Strength.Convention;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import java.util.List;

/// Making a formula from weighed parts, made up to a volume.
public final class FromParts {
  private FromParts() {}

  /// @param weighed 0 to 10,000 g
  /// @param purity of what is weighed, % w/w, 0.1 to 100; lactic acid often comes as 85 %
  public record Part(Substance substance, Mass weighed, Strength purity) {
    public Part {
      Require.range(substance.label() + ", g", weighed.g(), 0, 10_000);
      Require.range("purity of " + substance.label() + ", %", purity.percent(), 0.1, 100);
      if (purity.convention() != Convention.WW) {
        throw new IllegalArgumentException(
            "purity of " + substance.label() + " is in another convention than % w/w");
      }
    }

    /// @param purityPercent % w/w
    public static Part of(Substance substance, double grams, double purityPercent) {
      return new Part(
          substance,
          Mass.g(substance.label(), grams),
          Strength.of("purity of " + substance.label(), purityPercent, Convention.WW));
    }

    /// What acts; the arithmetic goes on with this.
    public Mass pure() {
      return weighed.times(purity.percent() / 100);
    }
  }

  /// @param printed as a label that counts what was weighed would have it
  public record Made(Substance substance, Strength strength, Strength printed) {}

  /// Classic Jessner per 100 mL: resorcinol 14 g, salicylic acid 14 g, lactic acid 85 % 14 g,
  /// ethanol 95 % to 100 mL. Monheit 1989, from memory.
  public static final List<Part> JESSNER =
      List.of(
          Part.of(Substance.RESORCINOL, 14, 100),
          Part.of(Substance.SALICYLIC, 14, 100),
          Part.of(Substance.LACTIC, 14, 85));

  /// @param volume to which it is made up, 1 to 10,000 mL
  /// @throws IllegalArgumentException when more is weighed than the volume can hold
  public static List<Made> make(List<Part> parts, Volume volume) {
    Require.range("final volume, mL", volume.ml(), 1, 10_000);
    if (parts.isEmpty()) throw new IllegalArgumentException("no part is weighed; name one");
    double sum = parts.stream().mapToDouble(part -> part.weighed().g()).sum() / volume.ml() * 100;
    if (sum > 100) {
      throw new IllegalArgumentException(
          "the parts add up to " + Math.round(sum) + " % w/v; at most 100 fit in the volume");
    }
    return parts.stream()
        .map(part ->
            new Made(
                part.substance(),
                Strength.of(part.pure(), volume),
                Strength.of(part.weighed(), volume)))
        .toList();
  }
}
