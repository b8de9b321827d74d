package ivesk.server.product;

import ivesk.core.product.CareProduct;
import ivesk.core.product.ProductLot;
import ivesk.server.app.BadInput;
import ivesk.server.app.CsvSheet;
import ivesk.server.app.CsvTable;
import ivesk.server.formula.LabelColumn;
import ivesk.server.product.CatalogueStore.KeptLot;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Own care products and packs as tables, out and in, as the shelf's are.
@Service
class CatalogueCsv {
  static final List<String> PACK_COLUMNS =
      List.of("code", "lot", "expires", "opened", "months_after_opening", "units", "left");

  private final CatalogueService catalogue;
  private final JsonMapper json;

  CatalogueCsv(CatalogueService catalogue, JsonMapper json) {
    this.catalogue = catalogue;
    this.json = json;
  }

  enum Table {
    PRODUCTS,
    PACKS
  }

  String write(Table table) {
    return switch (table) {
      case PRODUCTS ->
          CsvSheet.write(
              ProductColumns.heads(), catalogue.own().stream().map(this::cells).toList());
      case PACKS ->
          CsvSheet.write(
              PACK_COLUMNS,
              catalogue.lots().stream().map(KeptLot::lot).map(CatalogueCsv::cells).toList());
    };
  }

  private List<Object> cells(CareProduct product) {
    JsonNode label = json.valueToTree(ProductLabel.of(product));
    return ProductColumns.ALL.stream()
        .map(column -> column.cell(label.path(column.field())))
        .toList();
  }

  private static List<Object> cells(ProductLot lot) {
    return List.of(
        lot.code(),
        lot.number(),
        lot.expires(),
        lot.opened(),
        lot.monthsAfterOpening(),
        lot.units(),
        lot.left());
  }

  /// What a table would do; nothing is written.
  CsvTable.Preview preview(Table table, String text) {
    return switch (table) {
      case PRODUCTS -> products(text).preview();
      case PACKS -> packs(text, known()).preview();
    };
  }

  /// Writes all lines in one transaction.
  ///
  /// @throws BadInput when any line has a fault; nothing is then written
  @Transactional
  public CsvTable.Preview take(Table table, String text, String who) {
    return switch (table) {
      case PRODUCTS -> {
        CsvTable.Plan<ProductLabel> plan = products(text);
        plan.requireWhole();
        Map<String, Integer> current = catalogue.current();
        plan.writing()
            .forEach(label -> catalogue.save(label, current.getOrDefault(label.code(), 0), who));
        yield plan.preview();
      }
      case PACKS -> {
        Map<String, KeptLot> known = known();
        CsvTable.Plan<ProductLot> plan = packs(text, known);
        plan.requireWhole();
        plan.writing()
            .forEach(lot -> {
              KeptLot kept = known.get(key(lot));
              catalogue.saveLot(
                  kept == null ? UUID.randomUUID() : kept.id(),
                  lot,
                  kept == null ? 0 : kept.version(),
                  who);
            });
        yield plan.preview();
      }
    };
  }

  private CsvTable.Plan<ProductLabel> products(String text) {
    Map<String, ProductLabel> known =
        catalogue.own().stream()
            .map(ProductLabel::of)
            .collect(Collectors.toMap(ProductLabel::code, Function.identity()));
    return CsvTable.plan(
        BadInput.in("table", () -> CsvSheet.read(text, ProductColumns.heads(), this::label)),
        ProductLabel::code,
        label -> CsvTable.effect(known.get(label.code()), label),
        label -> new CsvTable.Line(0, label.code(), label.name(), CsvTable.Effect.SAME));
  }

  private ProductLabel label(CsvSheet.Row row) {
    Map<String, Object> fields = new HashMap<>();
    for (LabelColumn column : ProductColumns.ALL) {
      column.read(row).ifPresent(value -> fields.put(column.field(), value));
    }
    // Its ranges are the product's; what it makes of itself is what is kept.
    return ProductLabel.of(json.convertValue(fields, ProductLabel.class).product(1));
  }

  private CsvTable.Plan<ProductLot> packs(String text, Map<String, KeptLot> known) {
    return CsvTable.plan(
        BadInput.in("table", () -> CsvSheet.read(text, PACK_COLUMNS, this::pack)),
        CatalogueCsv::key,
        lot -> CsvTable.effect(known.containsKey(key(lot)) ? known.get(key(lot)).lot() : null, lot),
        lot -> new CsvTable.Line(0, lot.code(), "lot " + lot.number(), CsvTable.Effect.SAME));
  }

  private ProductLot pack(CsvSheet.Row row) {
    return new ProductLot(
        catalogue.catalogue().get(row.text("code")).code(),
        row.text("lot"),
        row.date("expires"),
        row.day("opened"),
        row.whole("months_after_opening"),
        row.amount("units"),
        row.amount("left"));
  }

  private Map<String, KeptLot> known() {
    return catalogue.lots().stream()
        .collect(Collectors.toMap(kept -> key(kept.lot()), Function.identity()));
  }

  private static String key(ProductLot lot) {
    return lot.code() + " " + lot.number();
  }
}
