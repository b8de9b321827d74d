package ivesk.core.screening.answer;

import ivesk.core.Require;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;

/// A peel that was done, as later decisions read it: on record here, or entered from elsewhere.
///
/// @param contact from the first touch to the ending, never above the limit of its plan
/// @param worstSensation 0 to 10; empty when nobody was asked
/// @param next what was signed for the next time
/// @param outside empty for a peel of this practice
/// @param flaked from which day to which, as the client told it; empty until it is told
/// @param redFlag since when one stands open after it
/// @param allergic an allergic sign was seen under it or told after it: wheals, swelling, rash,
///   breathless
public record PastPeel(
    Formula formula,
    Region region,
    LocalDate on,
    int layers,
    Duration contact,
    PeelOutcome outcome,
    Optional<Integer> worstSensation,
    Optional<NextTime> next,
    Optional<Outside> outside,
    Optional<Flaking> flaked,
    Optional<LocalDate> redFlag,
    boolean allergic) {

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

  /// A peel done elsewhere. It counts for intervals, and against the ladder where it went badly; it
  /// is no part of a series here.
  ///
  /// @param seen its record was seen; otherwise it was told
  /// @param higherBecause why this client may enter the family one rung higher
  public record Outside(boolean seen, Optional<String> higherBecause) {
    public Outside {
      higherBecause.ifPresent(why -> Require.text("why one rung higher", why, 200));
    }
  }

  /// On record here, without a plan for the next time.
  public PastPeel(
      Formula formula,
      Region region,
      LocalDate on,
      int layers,
      Duration contact,
      PeelOutcome outcome,
      Optional<Integer> worstSensation) {
    this(
        formula,
        region,
        on,
        layers,
        contact,
        outcome,
        worstSensation,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        false);
  }

  public PastPeel planning(Optional<NextTime> time) {
    return new PastPeel(
        formula,
        region,
        on,
        layers,
        contact,
        outcome,
        worstSensation,
        time,
        outside,
        flaked,
        redFlag,
        allergic);
  }

  public PastPeel flaking(Optional<Flaking> told) {
    return new PastPeel(
        formula,
        region,
        on,
        layers,
        contact,
        outcome,
        worstSensation,
        next,
        outside,
        told,
        redFlag,
        allergic);
  }

  /// @param sign an allergic one was seen under it
  public PastPeel allergic(boolean sign) {
    return new PastPeel(
        formula,
        region,
        on,
        layers,
        contact,
        outcome,
        worstSensation,
        next,
        outside,
        flaked,
        redFlag,
        allergic || sign);
  }

  /// A red flag came after it: it was adverse, however well it was taken.
  ///
  /// @param open since when it stands open; empty once it is closed
  /// @param sign an allergic one was told
  public PastPeel flagged(Optional<LocalDate> open, boolean sign) {
    return new PastPeel(
        formula,
        region,
        on,
        layers,
        contact,
        PeelOutcome.ADVERSE,
        worstSensation,
        next,
        outside,
        flaked,
        open,
        allergic || sign);
  }

  /// Entered from elsewhere: one layer for the formula's first time, as far as anybody knows.
  public static PastPeel elsewhere(
      Formula formula, Region region, LocalDate on, PeelOutcome outcome, Outside outside) {
    return new PastPeel(
        formula,
        region,
        on,
        1,
        formula.firstContact().orElse(Duration.ZERO),
        outcome,
        Optional.empty(),
        Optional.empty(),
        Optional.of(outside),
        Optional.empty(),
        Optional.empty(),
        false);
  }

  public boolean here() {
    return outside.isEmpty();
  }

  public boolean wellTaken() {
    return outcome == PeelOutcome.WELL_TAKEN;
  }
}
