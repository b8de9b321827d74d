package ivesk.server.formula;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.server.app.BadInput;
import ivesk.server.app.CsvSheet;
import ivesk.server.app.CsvSheet.Row;
import ivesk.server.app.CsvTable;
import ivesk.server.app.CsvTable.Effect;
import ivesk.server.app.CsvTable.Line;
import ivesk.server.app.CsvTable.Plan;
import ivesk.server.app.CsvTable.Preview;
import ivesk.server.formula.ShelfStore.KeptLot;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Own products and bottles as tables, out and in. A table comes in whole or not at all, and says
/// what it would do before it does it.
@Service
class ShelfCsv {
  static final List<String> LOT_COLUMNS =
      List.of(
          "code",
          "lot",
          "received",
          "expires",
          "opened",
          "months_after_opening",
          "volume_ml",
          "left_ml");

  private final ShelfService shelf;
  private final ShelfStore store;
  private final JsonMapper json;

  ShelfCsv(ShelfService shelf, ShelfStore store, JsonMapper json) {
    this.shelf = shelf;
    this.store = store;
    this.json = json;
  }

  enum Table {
    PRODUCTS,
    LOTS
  }

  String products() {
    return CsvSheet.write(LabelColumn.heads(), store.products().stream().map(this::cells).toList());
  }

  String lots() {
    return CsvSheet.write(
        LOT_COLUMNS,
        store.lots().stream()
            .map(KeptLot::lot)
            .map(lot ->
                List.<Object>of(
                    lot.formulaCode(),
                    lot.number(),
                    lot.received(),
                    lot.expires(),
                    lot.opened(),
                    lot.monthsAfterOpening(),
                    lot.volume().ml(),
                    lot.left().ml()))
            .toList());
  }

  Preview preview(Table table, String text) {
    return switch (table) {
      case PRODUCTS -> readProducts(text).preview();
      case LOTS -> readLots(text, knownLots()).preview();
    };
  }

  /// Writes all lines in one transaction.
  ///
  /// @throws BadInput when any line has a fault; nothing is then written
  @Transactional
  public Preview take(Table table, String text, String who) {
    return switch (table) {
      case PRODUCTS -> {
        Plan<Product> plan = readProducts(text);
        plan.requireWhole();
        plan.writing().forEach(product -> shelf.save(product, store.current(product.code()), who));
        yield plan.preview();
      }
      case LOTS -> {
        Map<String, KeptLot> known = knownLots();
        Plan<Lot> plan = readLots(text, known);
        plan.requireWhole();
        plan.writing()
            .forEach(lot -> {
              KeptLot kept = known.get(key(lot));
              shelf.saveLot(
                  kept == null ? UUID.randomUUID() : kept.id(),
                  lot,
                  kept == null ? 0 : kept.version(),
                  who);
            });
        yield plan.preview();
      }
    };
  }

  private Plan<Product> readProducts(String text) {
    Map<String, Product> known =
        store.products().stream().map(Product::of).collect(Collectors.toMap(Product::code, p -> p));
    return CsvTable.plan(
        BadInput.in("table", () -> CsvSheet.read(text, LabelColumn.heads(), this::product)),
        Product::code,
        product -> CsvTable.effect(known.get(product.code()), product),
        product -> new Line(0, product.code(), product.name(), Effect.SAME));
  }

  private Plan<Lot> readLots(String text, Map<String, KeptLot> known) {
    return CsvTable.plan(
        BadInput.in("table", () -> CsvSheet.read(text, LOT_COLUMNS, this::lot)),
        ShelfCsv::key,
        lot -> CsvTable.effect(known.containsKey(key(lot)) ? known.get(key(lot)).lot() : null, lot),
        lot -> new Line(0, lot.formulaCode(), "lot " + lot.number(), Effect.SAME));
  }

  private Map<String, KeptLot> knownLots() {
    return store.lots().stream().collect(Collectors.toMap(kept -> key(kept.lot()), kept -> kept));
  }

  private static String key(Lot lot) {
    return lot.formulaCode() + " " + lot.number();
  }

  private Lot lot(Row row) {
    return Lot.of(
        shelf.shelf().get(row.text("code")).code(),
        row.text("lot"),
        row.date("received"),
        row.date("expires"),
        row.day("opened"),
        row.whole("months_after_opening"),
        row.amount("volume_ml"),
        row.amount("left_ml"));
  }

  private Product product(Row row) {
    Map<String, Object> fields = new HashMap<>();
    for (LabelColumn column : LabelColumn.ALL) {
      column.read(row).ifPresent(value -> fields.put(column.field(), value));
    }
    // Its ranges are the formula's; what it makes of itself is what is kept.
    return Product.of(json.convertValue(fields, Product.class).formula(1));
  }

  private List<Object> cells(Formula formula) {
    JsonNode label = json.valueToTree(Product.of(formula));
    return LabelColumn.ALL.stream().map(column -> column.cell(label.path(column.field()))).toList();
  }
}
