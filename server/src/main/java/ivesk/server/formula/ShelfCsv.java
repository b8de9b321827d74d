package ivesk.server.formula;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Formula.Component;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import ivesk.server.app.BadInput;
import ivesk.server.formula.CsvSheet.Fault;
import ivesk.server.formula.CsvSheet.Reading;
import ivesk.server.formula.CsvSheet.Row;
import ivesk.server.formula.ShelfStore.KeptLot;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// Own products and bottles as tables, out and in. A table comes in whole or not at all, and says
/// what it would do before it does it.
@Service
class ShelfCsv {
  static final List<String> PRODUCT_COLUMNS =
      List.of(
          "code",
          "name",
          "maker",
          "family",
          "rung",
          "replaces",
          "components",
          "ph",
          "vehicle",
          "use",
          "regions",
          "first_s",
          "most_s",
          "least_s",
          "stays_h",
          "layers_first",
          "layers_most",
          "dwell_s",
          "depth",
          "band_low",
          "band_high",
          "band_s",
          "then_falling",
          "ending",
          "interval_days",
          "series_least",
          "series_most",
          "peeling_first",
          "peeling_last",
          "done_when",
          "buffered_in_water",
          "warms",
          "measure");
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
  private static final int SHOWN = 200;

  private final ShelfService shelf;
  private final ShelfStore store;

  ShelfCsv(ShelfService shelf, ShelfStore store) {
    this.shelf = shelf;
    this.store = store;
  }

  enum Table {
    PRODUCTS,
    LOTS
  }

  enum Effect {
    NEW,
    CHANGED,
    SAME
  }

  /// @param what a line would do, and to what
  record Line(long line, String code, String name, Effect effect) {}

  /// What a table would do; nothing is written.
  ///
  /// @param rows lines read, without the header
  /// @param shown the first of those that would write something
  /// @param faults by line; while there is one, nothing is taken
  record Preview(
      Table table,
      String separator,
      long rows,
      long fresh,
      long changed,
      long same,
      List<Line> shown,
      List<Fault> faults) {}

  String products() {
    return CsvSheet.write(
        PRODUCT_COLUMNS,
        store.products().stream().map(formula -> cells(Product.of(formula))).toList());
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

  /// A table read, with what each line would do.
  private record Plan<T>(Preview preview, List<T> writing) {
    void requireWhole() {
      if (preview.faults().isEmpty()) return;
      Fault first = preview.faults().getFirst();
      throw new BadInput(
          "table",
          Words.fill(
              "%d of %d lines cannot be taken; line %d: %s",
              preview.faults().size(), preview.rows(), first.line(), first.words()));
    }
  }

  private static <T> Plan<T> plan(
      Table table,
      Reading<T> read,
      Function<T, String> key,
      Function<T, Effect> effect,
      Function<T, Line> line) {
    List<Fault> faults = new ArrayList<>(read.faults());
    List<T> writing = new ArrayList<>();
    List<Line> shown = new ArrayList<>();
    Map<Effect, Long> counts = new HashMap<>();
    Set<String> seen = new HashSet<>();
    read.made()
        .forEach((at, made) -> {
          if (!seen.add(key.apply(made))) {
            faults.add(new Fault(at, key.apply(made) + " stands in the table twice"));
            return;
          }
          Effect does = effect.apply(made);
          counts.merge(does, 1L, Long::sum);
          if (does == Effect.SAME) return;
          writing.add(made);
          if (shown.size() < SHOWN) {
            Line words = line.apply(made);
            shown.add(new Line(at, words.code(), words.name(), does));
          }
        });
    return new Plan<>(
        new Preview(
            table,
            switch (read.separator()) {
              case ';' -> "semicolon";
              case '\t' -> "tab";
              case '|' -> "bar";
              default -> "comma";
            },
            read.lines(),
            counts.getOrDefault(Effect.NEW, 0L),
            counts.getOrDefault(Effect.CHANGED, 0L),
            counts.getOrDefault(Effect.SAME, 0L),
            shown,
            CsvSheet.sorted(faults)),
        writing);
  }

  private Plan<Product> readProducts(String text) {
    Map<String, Product> known =
        store.products().stream().map(Product::of).collect(Collectors.toMap(Product::code, p -> p));
    return plan(
        Table.PRODUCTS,
        BadInput.in("table", () -> CsvSheet.read(text, PRODUCT_COLUMNS, ShelfCsv::product)),
        Product::code,
        product -> effect(known.get(product.code()), product),
        product -> new Line(0, product.code(), product.name(), Effect.SAME));
  }

  private Plan<Lot> readLots(String text, Map<String, KeptLot> known) {
    return plan(
        Table.LOTS,
        BadInput.in("table", () -> CsvSheet.read(text, LOT_COLUMNS, this::lot)),
        ShelfCsv::key,
        lot -> effect(known.containsKey(key(lot)) ? known.get(key(lot)).lot() : null, lot),
        lot -> new Line(0, lot.formulaCode(), "lot " + lot.number(), Effect.SAME));
  }

  private static Effect effect(Object known, Object read) {
    return known == null ? Effect.NEW : Objects.equals(known, read) ? Effect.SAME : Effect.CHANGED;
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

  private static Product product(Row row) {
    Product product =
        new Product(
            row.text("code"),
            row.text("name"),
            row.text("maker"),
            row.one("family", Family.class),
            row.number("rung"),
            row.maybe("replaces"),
            components(row),
            row.decimal("ph").map(Ph::of),
            row.one("vehicle", Formula.Vehicle.class),
            row.one("use", Formula.Use.class),
            Arrays.stream(row.text("regions").split("\\+"))
                .filter(word -> !word.isBlank())
                .map(word -> Row.one("regions", Region.class, word))
                .collect(Collectors.toSet()),
            row.whole("first_s"),
            row.whole("most_s"),
            row.whole("least_s"),
            row.whole("stays_h"),
            row.number("layers_first"),
            row.number("layers_most"),
            row.number("dwell_s"),
            row.one("depth", DepthClass.class),
            row.number("band_low"),
            row.number("band_high"),
            row.whole("band_s"),
            row.yes("then_falling"),
            row.one("ending", Formula.Ending.class),
            row.number("interval_days"),
            row.number("series_least"),
            row.number("series_most"),
            row.number("peeling_first"),
            row.number("peeling_last"),
            row.text("done_when"),
            row.yes("buffered_in_water"),
            row.yes("warms"),
            row.text("measure"));
    // Its ranges are the formula's; what it makes of itself is what is kept.
    return Product.of(product.formula(1));
  }

  /// "salicylic 15 + lactic 15", % w/v.
  private static List<Component> components(Row row) {
    return Arrays.stream(row.text("components").split("\\+"))
        .map(String::strip)
        .filter(part -> !part.isEmpty())
        .map(part -> {
          int gap = part.lastIndexOf(' ');
          String name = gap < 0 ? part : part.substring(0, gap);
          String percent = gap < 0 ? "0" : part.substring(gap + 1).replace(',', '.');
          try {
            return Component.of(
                Row.one("components", Substance.class, name), Double.parseDouble(percent));
          } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                "components has '" + part + "'; it looks like glycolic 35", e);
          }
        })
        .toList();
  }

  private static String percent(double percent) {
    return percent == Math.rint(percent) ? String.valueOf((long) percent) : String.valueOf(percent);
  }

  private static List<Object> cells(Product p) {
    return List.of(
        p.code(),
        p.name(),
        p.maker(),
        p.family(),
        p.rung(),
        p.replaces(),
        p.components().stream()
            .map(c ->
                c.substance().name().toLowerCase(Locale.ROOT)
                    + " "
                    + percent(c.strength().percent()))
            .collect(Collectors.joining(" + ")),
        p.ph().map(Ph::value),
        p.vehicle(),
        p.use(),
        p.regions().stream()
            .sorted()
            .map(region -> region.name().toLowerCase(Locale.ROOT))
            .collect(Collectors.joining(" + ")),
        p.firstSeconds(),
        p.mostSeconds(),
        p.leastSeconds(),
        p.staysHours(),
        p.layersFirst(),
        p.layersMost(),
        p.dwellSeconds(),
        p.depth(),
        p.bandLow(),
        p.bandHigh(),
        p.bandSeconds(),
        p.thenFalling(),
        p.ending(),
        p.intervalDays(),
        p.seriesLeast(),
        p.seriesMost(),
        p.peelingFirst(),
        p.peelingLast(),
        p.doneWhen(),
        p.bufferedInWater(),
        p.warms(),
        p.measure());
  }
}
