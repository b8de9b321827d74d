package ivesk.core.series;

import ivesk.core.formula.Flaking;
import ivesk.core.screening.answer.PastPeel;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/// What has become known since a peel, or lies ahead, that moves the date of the next.
///
/// @param flaked from which day to which, as the client told it
/// @param flakesSeen the last day after the peel on which a check-in told of flakes
/// @param redFlag since when one stands open
/// @param flagged one came after this peel that was not harmless, open or closed
/// @param allergic an allergic sign was told after it
/// @param events of the client's that want clear skin
public record Since(
    Optional<Flaking> flaked,
    Optional<Integer> flakesSeen,
    Optional<LocalDate> redFlag,
    boolean flagged,
    boolean allergic,
    List<LocalDate> events) {
  public static final Since NOTHING =
      new Since(Optional.empty(), Optional.empty(), Optional.empty(), false, false, List.of());

  public Since {
    events = events.stream().sorted().toList();
  }

  /// The peel with what was told after it.
  public PastPeel flagged(PastPeel peel) {
    return flagged ? peel.flagged(redFlag, allergic) : peel;
  }
}
