package ivesk.core.product;

import ivesk.core.Require;
import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Stream;

/// One pack of a product, or a box of packs bought together, counted in the product's own units.
///
/// @param code of the product
/// @param number as printed by the maker
/// @param expires last day by the maker
/// @param opened empty while it is sealed
/// @param monthsAfterOpening 1 to 60; empty where none is printed
/// @param units when full, 1 to 100,000
/// @param left 0 to what it held
public record ProductLot(
    String code,
    String number,
    LocalDate expires,
    Optional<LocalDate> opened,
    Optional<Integer> monthsAfterOpening,
    double units,
    double left) {

  public ProductLot {
    Require.text("lot number", number, 40);
    monthsAfterOpening.ifPresent(months -> Require.range("months after opening", months, 1, 60));
    Require.range("units", units, 1, 100_000);
    Require.range("units left", left, 0, units);
  }

  /// The last day on which it may be used.
  public LocalDate lastDay() {
    return Stream.concat(
            Stream.of(expires),
            opened.stream()
                .flatMap(day -> monthsAfterOpening.stream().map(months -> day.plusMonths(months))))
        .min(LocalDate::compareTo)
        .orElseThrow();
  }

  /// Why it may not be used on a day; empty when it may.
  public Optional<Fault> fault(LocalDate day) {
    if (left == 0) return Optional.of(Fault.EMPTY);
    if (day.isAfter(expires)) return Optional.of(Fault.OUT_OF_DATE);
    return day.isAfter(lastDay()) ? Optional.of(Fault.OPEN_TOO_LONG) : Optional.empty();
  }

  public enum Fault {
    EMPTY("not in stock"),
    OUT_OF_DATE("out of date"),
    OPEN_TOO_LONG("open too long");

    private final String label;

    Fault(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }
}
