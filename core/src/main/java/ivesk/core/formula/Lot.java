package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.quantity.Volume;
import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Stream;

/// One bottle, or a box of bottles bought together, of a formula.
///
/// @param formulaCode of what is in it
/// @param number as printed by the maker
/// @param expires last day by the maker
/// @param opened empty while it is sealed
/// @param monthsAfterOpening period after opening, 1 to 60; empty where none is printed
/// @param volume when full, 1 to 5,000 mL
/// @param left 0 to the volume
public record Lot(
    String formulaCode,
    String number,
    LocalDate received,
    LocalDate expires,
    Optional<LocalDate> opened,
    Optional<Integer> monthsAfterOpening,
    Volume volume,
    Volume left) {

  /// Low from this share of the full volume down; Ivesk's own default.
  private static final double LOW = 0.2;

  /// How a lot stands on a day.
  public enum State {
    GOOD("in date", true),
    LOW("low", true),
    EMPTY("empty", false),
    EXPIRED("expired", false),
    OPEN_TOO_LONG("open too long", false);

    private final String label;
    private final boolean usable;

    State(String label, boolean usable) {
      this.label = label;
      this.usable = usable;
    }

    public String label() {
      return label;
    }

    public boolean usable() {
      return usable;
    }
  }

  public Lot {
    Require.text("lot number", number, 40);
    monthsAfterOpening.ifPresent(months -> Require.range("months after opening", months, 1, 60));
    Require.range("volume, mL", volume.ml(), 1, 5_000);
    Require.range("volume left, mL", left.ml(), 0, volume.ml());
    if (expires.isBefore(received)) {
      throw new IllegalArgumentException(
          "expiry is " + expires + "; it must not lie before the day of receipt, " + received);
    }
    opened
        .filter(day -> day.isBefore(received))
        .ifPresent(day -> {
          throw new IllegalArgumentException(
              "opened is " + day + "; it must not lie before the day of receipt, " + received);
        });
  }

  /// As its fields are filled in.
  ///
  /// @throws IllegalArgumentException naming the field
  public static Lot of(
      String formulaCode,
      String number,
      LocalDate received,
      LocalDate expires,
      Optional<LocalDate> opened,
      Optional<Integer> monthsAfterOpening,
      double volumeMl,
      double leftMl) {
    return new Lot(
        formulaCode,
        number,
        received,
        expires,
        opened,
        monthsAfterOpening,
        Volume.ml("volume", volumeMl),
        Volume.ml("volume left", leftMl));
  }

  /// The last day on which it may be used: its expiry, or the end of its period after opening.
  public LocalDate lastDay() {
    return Stream.concat(
            Stream.of(expires),
            opened.stream()
                .flatMap(day -> monthsAfterOpening.stream().map(months -> day.plusMonths(months))))
        .min(LocalDate::compareTo)
        .orElseThrow();
  }

  public State state(LocalDate day) {
    if (left.ml() == 0) return State.EMPTY;
    if (day.isAfter(expires)) return State.EXPIRED;
    if (day.isAfter(lastDay())) return State.OPEN_TOO_LONG;
    return low() ? State.LOW : State.GOOD;
  }

  /// A fifth of it or less is left.
  public boolean low() {
    return left.compareTo(volume.times(LOW)) <= 0;
  }

  /// "lot A12: expired Sat 28 Nov".
  String fault(LocalDate day) {
    State state = state(day);
    return "lot "
        + number
        + ": "
        + state.label()
        + (state == State.EMPTY ? "" : ", last day " + Words.day(lastDay()));
  }
}
