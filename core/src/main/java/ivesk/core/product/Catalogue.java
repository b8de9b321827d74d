package ivesk.core.product;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// The products of a practice, the shipped ones and its own, with their packs.
///
/// @param products its own before the shipped ones of a role
/// @param lots by the code of what is in them; a product without lots is not counted
public record Catalogue(List<CareProduct> products, Map<String, List<ProductLot>> lots) {

  public static final Catalogue SHIPPED = with(List.of(), List.of());

  public Catalogue {
    products = List.copyOf(products);
    lots = Map.copyOf(lots);
  }

  /// @param own of the practice; one with a shipped code stands in its place
  public static Catalogue with(List<CareProduct> own, List<ProductLot> lots) {
    Set<String> codes = new HashSet<>(own.stream().map(CareProduct::code).toList());
    List<CareProduct> all =
        Stream.concat(
                own.stream(),
                GenericProducts.ALL.stream().filter(shipped -> !codes.contains(shipped.code())))
            .sorted(Comparator.comparing(CareProduct::role))
            .toList();
    return new Catalogue(all, lots.stream().collect(Collectors.groupingBy(ProductLot::code)));
  }

  public Optional<CareProduct> find(String code) {
    return products.stream().filter(product -> product.code().equals(code)).findFirst();
  }

  /// @throws IllegalArgumentException when no product has the code
  public CareProduct get(String code) {
    return find(code)
        .orElseThrow(
            () -> new IllegalArgumentException("product '" + code + "' is not in the catalogue"));
  }

  /// The pack to take on a day: an open one before a sealed one, then the one that ends first.
  public Optional<ProductLot> toTake(String code, LocalDate day) {
    return lots.getOrDefault(code, List.of()).stream()
        .filter(lot -> lot.fault(day).isEmpty())
        .min(
            Comparator.comparing((ProductLot lot) -> lot.opened().isEmpty())
                .thenComparing(ProductLot::lastDay));
  }

  /// Why no pack of a product serves on a day; empty when one does, or none is counted.
  public Optional<ProductLot.Fault> nothingLeft(String code, LocalDate day) {
    List<ProductLot> own = lots.getOrDefault(code, List.of());
    if (own.isEmpty() || toTake(code, day).isPresent()) return Optional.empty();
    return own.stream()
        .max(Comparator.comparing(ProductLot::lastDay))
        .flatMap(lot -> lot.fault(day));
  }
}
