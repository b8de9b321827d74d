package ivesk.core.screening;

import ivesk.core.Require;
import ivesk.core.formula.Formula;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;

/// A peel that was done and signed, as later decisions read it.
///
/// @param contact from the first touch to the ending, never above the limit of its plan
/// @param worstSensation 0 to 10; empty when nobody was asked
/// @param next what was signed for the next time
public record PastPeel(
    Formula formula,
    Region region,
    LocalDate on,
    int layers,
    Duration contact,
    PeelOutcome outcome,
    Optional<Integer> worstSensation,
    Optional<NextTime> next) {

  /// What the next visit proposes.
  ///
  /// @param formula by its code
  /// @param contact empty for formulas without minutes
  public record NextTime(String formula, Optional<Duration> contact, int layers) {
    public NextTime {
      Require.text("formula", formula, 12);
      contact.ifPresent(time -> Require.range("contact, s", (int) time.toSeconds(), 30, 7200));
      Require.range("layers", layers, 1, 9);
    }
  }

  /// Without a plan for the next time.
  public PastPeel(
      Formula formula,
      Region region,
      LocalDate on,
      int layers,
      Duration contact,
      PeelOutcome outcome,
      Optional<Integer> worstSensation) {
    this(formula, region, on, layers, contact, outcome, worstSensation, Optional.empty());
  }

  public PastPeel planning(Optional<NextTime> time) {
    return new PastPeel(formula, region, on, layers, contact, outcome, worstSensation, time);
  }

  public boolean wellTaken() {
    return outcome == PeelOutcome.WELL_TAKEN;
  }
}
