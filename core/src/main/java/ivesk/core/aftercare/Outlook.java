package ivesk.core.aftercare;

import ivesk.core.formula.Formula.Band;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/// What clients ask beyond the sheet's own days: how it feels, how many there will be, what comes
/// next, and their own dates.
///
/// @param feel empty where nobody was asked
/// @param peelNumber this one, in its series
/// @param seriesLeast peels of a series
/// @param intervalDays least days to the next
/// @param stronger empty while nothing is known of it
/// @param events of the client's, from the day of the peel on
public record Outlook(
    Optional<Feel> feel,
    int peelNumber,
    int seriesLeast,
    int seriesMost,
    int intervalDays,
    Optional<Stronger> stronger,
    List<Event> events) {

  public sealed interface Feel {
    /// By the formula.
    record Expected(Band band) implements Feel {}

    /// By this client's own earlier peels.
    ///
    /// @param most 0 to 10
    /// @param minute at which it was most
    record LikeBefore(int most, int minute) implements Feel {}

    /// In this very peel.
    ///
    /// @param most 0 to 10
    /// @param after from the first touch
    record Was(int most, Duration after) implements Feel {}
  }

  public enum Step {
    /// After so many more peels at this strength.
    AFTER_MORE,
    NEXT_TIME,
    ONE_LAYER,
    /// This is where it stays.
    TOP,
    NOT_YET,
    LESS,
    CLINICIAN
  }

  /// @param peels still to come at this strength; 0 unless [Step#AFTER_MORE]
  public record Stronger(Step step, int peels) {}

  /// A day that wants clear skin.
  public record Event(String name, LocalDate on) {}

  public Outlook {
    events = List.copyOf(events);
  }
}
