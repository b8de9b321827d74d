package ivesk.core.plan;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import java.util.List;
import java.util.Optional;

/// Where a stage stands in its visit, and what comes after it. The stages of a visit hang one on
/// the other, so that the couch can go on without a server.
///
/// @param number 1 for the first
/// @param of how many, this one counted
/// @param base laid out to end it; empty where nothing is neutralised
/// @param weightKg of the client, for the salicylate yardstick
/// @param after what is done on calm skin before the next acid, or before the client leaves
/// @param next the stage after it; empty at the last
public record Staging(
    int number,
    int of,
    Optional<Base> base,
    Optional<Double> weightKg,
    List<CareStep> after,
    Optional<TreatmentPlan> next) {

  /// Neutraliser that is laid out.
  ///
  /// @param all of it
  /// @param unit how it is counted, and what one holds
  public record Base(Amount all, UnitDose.Unit unit, Amount one) {
    /// "2 pads, 4.6 mmol".
    public String words(int units) {
      return unit.words(units) + ", " + Words.number(one.times(units).mmol(), 1) + " mmol";
    }
  }

  /// The only stage of a visit, with nothing written after it.
  public static final Staging ALONE =
      new Staging(1, 1, Optional.empty(), Optional.empty(), List.of(), Optional.empty());

  public Staging {
    Require.range("stages", of, 1, 20);
    Require.range("number of the stage", number, 1, of);
    after = List.copyOf(after);
    if (next.isPresent() == (number == of)) {
      throw new IllegalArgumentException(
          "stage " + number + " of " + of + (next.isPresent() ? " has" : " has no") + " next one");
    }
  }
}
