package ivesk.server.product;

import ivesk.core.formula.ScannedLabel;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.product.ProductLot;
import ivesk.core.skin.Region;
import ivesk.server.app.BadInput;
import ivesk.server.app.CsvTable;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.formula.ColumnView;
import ivesk.server.formula.LabelScanner;
import ivesk.server.product.CatalogueStore.KeptLot;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/products")
class CatalogueController {
  private final CatalogueService catalogue;
  private final CatalogueCsv csv;
  private final LabelScanner scanner;
  private final Clock clock;

  CatalogueController(
      CatalogueService catalogue, CatalogueCsv csv, LabelScanner scanner, Clock clock) {
    this.catalogue = catalogue;
    this.csv = csv;
    this.scanner = scanner;
    this.clock = clock;
  }

  /// @param lastDay on which it may be used
  /// @param fault why it may not be used today
  record PackView(
      UUID id,
      int version,
      String number,
      LocalDate expires,
      Optional<LocalDate> opened,
      Optional<Integer> monthsAfterOpening,
      double units,
      double left,
      LocalDate lastDay,
      Optional<ProductLot.Fault> fault) {
    static PackView of(KeptLot kept, LocalDate today) {
      ProductLot lot = kept.lot();
      return new PackView(
          kept.id(),
          kept.version(),
          lot.number(),
          lot.expires(),
          lot.opened(),
          lot.monthsAfterOpening(),
          lot.units(),
          lot.left(),
          lot.lastDay(),
          lot.fault(today));
    }
  }

  /// @param version 0 for a shipped product, which is read-only
  /// @param acidStep timed, counted and gated as an acid
  /// @param acids that make it so
  /// @param usual of it on the face, or where it is made for
  /// @param noPack why no pack serves today
  record CareProductView(
      ProductLabel label,
      int version,
      String roleLabel,
      boolean acidStep,
      List<String> acids,
      String usual,
      Optional<ProductLot.Fault> noPack,
      List<PackView> packs) {}

  record RegionOption(Region id, String label) {}

  record CatalogueView(
      LocalDate today,
      List<CareProductView> products,
      List<RegionOption> regions,
      List<ColumnView> columns) {}

  @May(Right.RECORD)
  @GetMapping
  CatalogueView view() {
    LocalDate today = LocalDate.now(clock);
    Catalogue now = catalogue.catalogue();
    List<KeptLot> lots = catalogue.lots();
    return new CatalogueView(
        today,
        now.products().stream().map(product -> view(product, now, lots, today)).toList(),
        Arrays.stream(Region.values())
            .map(region -> new RegionOption(region, region.label()))
            .toList(),
        ProductColumns.ALL.stream().map(ColumnView::of).toList());
  }

  private static CareProductView view(
      CareProduct product, Catalogue now, List<KeptLot> lots, LocalDate today) {
    Region region =
        product.regions().contains(Region.FACE)
            ? Region.FACE
            : product.regions().stream().sorted().findFirst().orElseThrow();
    return new CareProductView(
        ProductLabel.of(product),
        product.version(),
        product.role().label(),
        product.acidStep(),
        product.acids().map(ActiveIngredient::label).toList(),
        product.dose().words(product.usual(region)),
        now.nothingLeft(product.code(), today),
        lots.stream()
            .filter(kept -> kept.lot().code().equals(product.code()))
            .map(kept -> PackView.of(kept, today))
            .toList());
  }

  /// @param over the version that was looked at; 0 for a new product
  record CareProductKept(ProductLabel label, int over) {}

  @May(Right.SHELF)
  @PutMapping
  CatalogueView save(@RequestBody CareProductKept body, Principal who) {
    catalogue.save(body.label(), body.over(), who.getName());
    return view();
  }

  @May(Right.SHELF)
  @DeleteMapping("/{code}")
  CatalogueView retire(@PathVariable String code, Principal who) {
    catalogue.retire(code, who.getName());
    return view();
  }

  /// A pack as it is entered, counted in the product's units.
  ///
  /// @param over the version that was looked at; 0 for a new pack
  /// @param units when full, 1 to 100,000
  record PackKept(
      String code,
      String number,
      LocalDate expires,
      Optional<LocalDate> opened,
      Optional<Integer> monthsAfterOpening,
      double units,
      double left,
      int over) {
    private ProductLot lot() {
      return new ProductLot(code, number.strip(), expires, opened, monthsAfterOpening, units, left);
    }
  }

  @May(Right.SHELF)
  @PutMapping("/packs/{id}")
  CatalogueView saveLot(@PathVariable UUID id, @RequestBody PackKept body, Principal who) {
    catalogue.saveLot(id, BadInput.in("lot", body::lot), body.over(), who.getName());
    return view();
  }

  /// Holds a pack before the scanner, and reads what it types.
  @StatelessQuestion
  @May(Right.SHELF)
  @PostMapping("/scanner/{code}")
  ScannedLabel scanner(@PathVariable String code) {
    String known = BadInput.in("code", () -> catalogue.catalogue().get(code)).code();
    return ScannedLabel.of(scanner.scan(known));
  }

  @May(Right.RECORD)
  @GetMapping(value = "/csv/{table}", produces = "text/csv")
  String csv(@PathVariable CatalogueCsv.Table table) {
    return csv.write(table);
  }

  record ProductTable(String text) {}

  /// Says what a table would do; writes nothing.
  @May(Right.SHELF)
  @PostMapping("/csv/{table}/preview")
  CsvTable.Preview preview(@PathVariable CatalogueCsv.Table table, @RequestBody ProductTable body) {
    return csv.preview(table, body.text());
  }

  @May(Right.SHELF)
  @PostMapping("/csv/{table}")
  CsvTable.Preview take(
      @PathVariable CatalogueCsv.Table table, @RequestBody ProductTable body, Principal who) {
    return csv.take(table, body.text(), who.getName());
  }
}
