package ivesk.core.formula;

import ivesk.core.Require;
import java.util.List;

/// Making a formula from weighed parts, made up to a volume.
public final class FromParts {
  private FromParts() {}

  /// @param grams weighed, above 0 to 10,000
  /// @param purityPercent of what is weighed, above 0 to 100; lactic acid often comes as 85 %
  public record Part(Substance substance, double grams, double purityPercent) {
    public Part {
      Require.range(substance.label() + ", g", grams, 0, 10_000);
      Require.range("purity of " + substance.label() + ", %", purityPercent, 0.1, 100);
    }

    /// What acts, g; the arithmetic goes on with this.
    public double pureGrams() {
      return grams * purityPercent / 100;
    }
  }

  /// @param labelPercentWv as a label that counts what was weighed would print it
  public record Made(Substance substance, double percentWv, double labelPercentWv) {}

  /// Classic Jessner per 100 mL: resorcinol 14 g, salicylic acid 14 g, lactic acid 85 % 14 g,
  /// ethanol 95 % to 100 mL. Monheit 1989, from memory.
  public static final List<Part> JESSNER =
      List.of(
          new Part(Substance.RESORCINOL, 14, 100),
          new Part(Substance.SALICYLIC, 14, 100),
          new Part(Substance.LACTIC, 14, 85));

  /// @param finalMl to which it is made up, 1 to 10,000
  /// @throws IllegalArgumentException when more is weighed than the volume can hold
  public static List<Made> make(List<Part> parts, double finalMl) {
    Require.range("final volume, mL", finalMl, 1, 10_000);
    if (parts.isEmpty()) throw new IllegalArgumentException("no part is weighed; name one");
    List<Made> made =
        parts.stream()
            .map(part ->
                new Made(
                    part.substance(),
                    part.pureGrams() / finalMl * 100,
                    part.grams() / finalMl * 100))
            .toList();
    double sum = made.stream().mapToDouble(Made::labelPercentWv).sum();
    if (sum > 100) {
      throw new IllegalArgumentException(
          "the parts add up to " + Math.round(sum) + " % w/v; at most 100 fit in the volume");
    }
    return made;
  }
}
