package ivesk.core.formula;

import ivesk.core.Require;
import java.util.List;
import java.util.OptionalInt;

/// When skin may flake after all that went on in one visit.
///
/// @param first day on which it may start, 0 when none is expected
/// @param last day of it, 0 when none is expected
public record Flaking(int first, int last) {
  public Flaking {
    Require.range("last day of flaking", last, 0, 1000);
    Require.range("first day of flaking", first, 0, last);
  }

  /// From the acids' first day to their last, with the days that a retinoid adds; its own first day
  /// where the acids bring none.
  public static Flaking of(List<Formula> formulas) {
    List<Formula> acids = formulas.stream().filter(Formula::peels).toList();
    OptionalInt ofAcids = first(acids);
    return new Flaking(
        ofAcids.isPresent() ? ofAcids.getAsInt() : first(formulas).orElse(0),
        acids.stream().mapToInt(Formula::peelingLast).max().orElse(0)
            + formulas.stream()
                .filter(formula -> formula.use() == Formula.Use.STAYS)
                .mapToInt(Formula::peelingLast)
                .sum());
  }

  private static OptionalInt first(List<Formula> formulas) {
    return formulas.stream()
        .filter(formula -> formula.peelingLast() > 0)
        .mapToInt(Formula::peelingFirst)
        .min();
  }

  /// Frost brings the first day forward by one and the last back by two. Common practice.
  public Flaking frosted(boolean frost) {
    return frost && expected() ? new Flaking(Math.max(1, first - 1), last + 2) : this;
  }

  public boolean expected() {
    return last > 0;
  }
}
