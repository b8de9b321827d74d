package ivesk.core.selection;

import ivesk.core.screening.Screening;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.skin.BodySurface;
import java.time.LocalDate;
import java.util.Optional;

/// All that selection reads.
///
/// @param flakingDaysThatFit last day of flaking that fits the client's life: 0, 3, 7 or 10; empty
///   when not asked
/// @param event a day on which the skin must be clear
/// @param areaCm2 area to be treated
/// @param weightKg for the salicylate yardstick
public record SelectionFacts(
    ScreeningFacts client,
    Screening screening,
    Ladders ladders,
    Optional<Integer> flakingDaysThatFit,
    Optional<LocalDate> event,
    double areaCm2,
    Optional<Double> weightKg) {

  /// A client without height and weight, an adult's face of 613 cm2.
  public static SelectionFacts of(ScreeningFacts client, Screening screening, Ladders ladders) {
    return new SelectionFacts(
        client,
        screening,
        ladders,
        Optional.empty(),
        Optional.empty(),
        BodySurface.faceCm2(BodySurface.UNKNOWN_M2, client.age()),
        Optional.empty());
  }
}
