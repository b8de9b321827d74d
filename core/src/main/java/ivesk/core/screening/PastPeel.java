package ivesk.core.screening;

import ivesk.core.formula.Formula;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;

/// A peel that was done and signed, as later decisions read it.
///
/// @param contact from the first touch to the ending, never above the limit of its plan
/// @param worstSensation 0 to 10; empty when nobody was asked
public record PastPeel(
    Formula formula,
    Region region,
    LocalDate on,
    int layers,
    Duration contact,
    PeelOutcome outcome,
    Optional<Integer> worstSensation) {

  public boolean wellTaken() {
    return outcome == PeelOutcome.WELL_TAKEN;
  }
}
