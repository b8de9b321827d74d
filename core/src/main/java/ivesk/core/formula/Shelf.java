package ivesk.core.formula;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// What a practice has: the shipped formulas but for those that a product of its own replaces, its
/// own products, and the bottles of both.
///
/// @param formulas in the order of the rack
/// @param gone that charts may name, though they are not on the rack any more: replaced, or retired
/// @param lots by the code of what is in them; a formula without lots is not counted by bottle
public record Shelf(List<Formula> formulas, List<Formula> gone, Map<String, List<Lot>> lots) {

  /// The library alone, no bottle counted.
  public static final Shelf SHIPPED = new Shelf(Library.FORMULAS, List.of(), Map.of());

  public Shelf {
    formulas = List.copyOf(formulas);
    gone = List.copyOf(gone);
    lots = Map.copyOf(lots);
  }

  /// The library with a practice's own products put in, none retired.
  public static Shelf with(List<Formula> own, List<Lot> lots) {
    return with(own, List.of(), lots);
  }

  /// @param retired own products that were taken off the rack, each as it was last
  public static Shelf with(List<Formula> own, List<Formula> retired, List<Lot> lots) {
    List<String> replaced =
        own.stream().flatMap(formula -> formula.label().replaces().stream()).toList();
    List<Formula> all =
        Stream.concat(
                Library.FORMULAS.stream().filter(formula -> !replaced.contains(formula.code())),
                own.stream())
            .sorted(Comparator.comparing(Formula::family).thenComparingInt(Formula::rung))
            .toList();
    List<Formula> gone =
        Stream.concat(
                retired.stream(),
                Library.FORMULAS.stream().filter(formula -> replaced.contains(formula.code())))
            .toList();
    return new Shelf(all, gone, lots.stream().collect(Collectors.groupingBy(Lot::formulaCode)));
  }

  /// On the rack.
  public Optional<Formula> find(String code) {
    return formulas.stream().filter(formula -> formula.code().equals(code)).findFirst();
  }

  /// What a chart names: on the rack, or not any more.
  ///
  /// @throws IllegalArgumentException when no formula ever had the code
  public Formula named(String code) {
    return Stream.concat(formulas.stream(), gone.stream())
        .filter(formula -> formula.code().equals(code))
        .findFirst()
        .orElseThrow(
            () -> new IllegalArgumentException("formula '" + code + "' was never on the shelf"));
  }

  /// What is to be used: on the rack.
  ///
  /// @throws IllegalArgumentException when no formula there has the code
  public Formula get(String code) {
    return find(code)
        .orElseThrow(
            () -> new IllegalArgumentException("formula '" + code + "' is not on the shelf"));
  }

  /// The bottle to take on a day: an open one before a sealed one, then the one that ends first.
  public Optional<Lot> toTake(String code, LocalDate day) {
    return lots.getOrDefault(code, List.of()).stream()
        .filter(lot -> lot.state(day).usable())
        .min(Comparator.comparing((Lot lot) -> lot.opened().isEmpty()).thenComparing(Lot::lastDay));
  }

  /// Why no bottle of a formula serves on a day; empty when one does, or none is counted.
  public Optional<String> nothingLeft(String code, LocalDate day) {
    List<Lot> own = lots.getOrDefault(code, List.of());
    if (own.isEmpty() || toTake(code, day).isPresent()) return Optional.empty();
    return Optional.of(own.stream().map(lot -> lot.fault(day)).collect(Collectors.joining("; ")));
  }
}
