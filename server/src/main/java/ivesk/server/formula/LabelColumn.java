package ivesk.server.formula;

import static ivesk.server.formula.LabelColumn.Group.DOES;
import static ivesk.server.formula.LabelColumn.Group.HOLDS;
import static ivesk.server.formula.LabelColumn.Group.IS;
import static ivesk.server.formula.LabelColumn.Group.USED;
import static ivesk.server.formula.LabelColumn.Kind.CODE;
import static ivesk.server.formula.LabelColumn.Kind.COMPONENTS;
import static ivesk.server.formula.LabelColumn.Kind.DECIMAL;
import static ivesk.server.formula.LabelColumn.Kind.FLAG;
import static ivesk.server.formula.LabelColumn.Kind.MINUTES;
import static ivesk.server.formula.LabelColumn.Kind.NUMBER;
import static ivesk.server.formula.LabelColumn.Kind.REGIONS;
import static ivesk.server.formula.LabelColumn.Kind.SHIPPED;
import static ivesk.server.formula.LabelColumn.Kind.TEXT;
import static ivesk.server.formula.LabelColumn.Kind.WHOLE;

import ivesk.core.formula.Component;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import ivesk.server.app.CsvSheet.Row;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/// One field of a label. The list of them is what tables in and out, the form and the words of the
/// Shelf go by; a field of [Product] that has no line here fails a test.
///
/// @param field of [Product], as on the wire
/// @param column head in a table
/// @param unit in the form; MINUTES are kept in seconds and shown in minutes
/// @param help under the field of the form
/// @param initial in the form of a new product
/// @param options of a choice, those that a label may have
public record LabelColumn(
    String field,
    String column,
    Group group,
    Kind kind,
    String label,
    String unit,
    String help,
    boolean needed,
    String initial,
    List<ColumnOption> options,
    Optional<Function<Row, Object>> reader) {

  public enum Group {
    IS("What it is"),
    HOLDS("What is in it"),
    USED("How it is used"),
    DOES("What it does");

    private final String label;

    Group(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public enum Kind {
    TEXT,
    CODE,
    WHOLE,
    DECIMAL,
    MINUTES,
    CHOICE,
    FLAG,
    /// Code of a shipped formula of the same family.
    SHIPPED,
    REGIONS,
    COMPONENTS,
    /// Any decimal number.
    NUMBER,
    /// Any of the options.
    CHOICES,
    /// Words, as many as there are.
    WORDS,
    /// Options, each with its percent where the label says.
    ACTIVES,
    /// A number for some of the regions.
    BY_REGION
  }

  public record ColumnOption(String id, String label) {}

  static final List<LabelColumn> ALL =
      List.of(
          of("code", "code", IS, CODE, "Code").must("").help("2 to 12 capitals, digits, dashes"),
          of("name", "name", IS, TEXT, "Name").must(""),
          of("maker", "maker", IS, TEXT, "Maker"),
          choice("family", "family", IS, "Family", Family.class, Family::label, "LACTIC"),
          of("rung", "rung", IS, WHOLE, "Rung").must("1").help("place on the ladder, 1 lowest"),
          of("replaces", "replaces", IS, SHIPPED, "Stands in place of")
              .help("takes that one off the rack"),
          of("components", "components", HOLDS, COMPONENTS, "Substances").must("LACTIC"),
          of("ph", "ph", HOLDS, DECIMAL, "pH").help("empty where none is printed"),
          choice(
              "vehicle",
              "vehicle",
              HOLDS,
              "Vehicle",
              Formula.Vehicle.class,
              Formula.Vehicle::label,
              "GEL"),
          choice("use", "use", USED, "Use", Formula.Use.class, Formula.Use::label, "TIMED"),
          of("regions", "regions", USED, REGIONS, "Made for").must("FACE"),
          of("firstSeconds", "first_s", USED, MINUTES, "First visit").in("min"),
          of("mostSeconds", "most_s", USED, MINUTES, "Never beyond").in("min"),
          of("leastSeconds", "least_s", USED, MINUTES, "At least").in("min"),
          of("staysHours", "stays_h", USED, WHOLE, "Stays").in("h").help("empty: 6"),
          of("layersFirst", "layers_first", USED, WHOLE, "Layers, first visit").must("1"),
          of("layersMost", "layers_most", USED, WHOLE, "Layers, at most").must("1"),
          of("dwellSeconds", "dwell_s", USED, MINUTES, "Between layers").in("min").must("0"),
          of("lastSeconds", "last_s", USED, MINUTES, "Last layer stays")
              .in("min")
              .help("empty: as long as between layers"),
          choice(
              "depth",
              "depth",
              DOES,
              "Depth at one layer",
              DepthClass.class,
              DepthClass::label,
              "VERY_SUPERFICIAL"),
          of("bandLow", "band_low", DOES, WHOLE, "Feels, from").must("0").help("0 to 10"),
          of("bandHigh", "band_high", DOES, WHOLE, "Feels, to").must("3").help("0 to 10"),
          of("bandSeconds", "band_s", DOES, WHOLE, "Within").in("s").help("empty: all the time"),
          of("thenFalling", "then_falling", DOES, FLAG, "then falling"),
          choice(
              "ending",
              "ending",
              USED,
              "Ended by",
              Formula.Ending.class,
              Formula.Ending::label,
              "RINSE"),
          of("intervalDays", "interval_days", DOES, WHOLE, "Days to the next").must("14"),
          of("seriesLeast", "series_least", DOES, WHOLE, "Series, least").must("6"),
          of("seriesMost", "series_most", DOES, WHOLE, "Series, most").must("6"),
          of("peelingFirst", "peeling_first", DOES, WHOLE, "Flaking from day")
              .must("0")
              .help("0: none"),
          of("peelingLast", "peeling_last", DOES, WHOLE, "Flaking to day")
              .must("0")
              .help("0: none"),
          of("doneWhen", "done_when", USED, TEXT, "Done when").help("the maker’s sign"),
          of("bufferedInWater", "buffered_in_water", HOLDS, FLAG, "buffered in water"),
          of("warms", "warms", HOLDS, FLAG, "holds a warming agent"),
          of("measure", "measure", USED, TEXT, "One layer is").help("as the maker measures it"),
          of("unitMl", "unit_ml", USED, NUMBER, "One measure holds").in("mL"));

  /// The heads of a table of products.
  static List<String> heads() {
    return ALL.stream().map(LabelColumn::column).toList();
  }

  public static LabelColumn of(String field, String column, Group group, Kind kind, String label) {
    return new LabelColumn(
        field, column, group, kind, label, "", "", false, "", List.of(), Optional.empty());
  }

  public static <E extends Enum<E>> LabelColumn choice(
      String field,
      String column,
      Group group,
      String label,
      Class<E> type,
      Function<E, String> words,
      String initial) {
    List<ColumnOption> options = options(type, words);
    return new LabelColumn(
        field,
        column,
        group,
        Kind.CHOICE,
        label,
        "",
        "",
        true,
        initial,
        options,
        Optional.of(row -> row.one(column, type)));
  }

  private static <E extends Enum<E>> List<ColumnOption> options(
      Class<E> type, Function<E, String> words) {
    return Arrays.stream(type.getEnumConstants())
        .filter(constant -> constant != Formula.Use.OUT_OF_SCOPE)
        .filter(constant -> constant != Formula.Ending.NONE)
        .map(constant -> new ColumnOption(constant.name(), words.apply(constant)))
        .toList();
  }

  /// One or several of some options.
  public <E extends Enum<E>> LabelColumn from(Class<E> type, Function<E, String> words) {
    return new LabelColumn(
        field,
        column,
        group,
        kind,
        label,
        unit,
        help,
        needed,
        initial,
        options(type, words),
        Optional.of(row -> row.one(column, type)));
  }

  public LabelColumn must(String first) {
    return new LabelColumn(
        field, column, group, kind, label, unit, help, true, first, options, reader);
  }

  public LabelColumn help(String words) {
    return new LabelColumn(
        field, column, group, kind, label, unit, words, needed, initial, options, reader);
  }

  public LabelColumn in(String measure) {
    return new LabelColumn(
        field, column, group, kind, label, measure, help, needed, initial, options, reader);
  }

  /// What a line of a table has here, as [Product] takes it; empty where it has nothing.
  public Optional<Object> read(Row row) {
    return switch (kind) {
      case TEXT, CODE -> Optional.of(row.text(column));
      case SHIPPED -> row.maybe(column).map(Object.class::cast);
      case WHOLE, MINUTES ->
          needed ? Optional.of(row.number(column)) : row.whole(column).map(Object.class::cast);
      case DECIMAL -> row.decimal(column).map(value -> Ph.of(value).value());
      case FLAG -> Optional.of(row.yes(column));
      case NUMBER ->
          needed ? Optional.of(row.amount(column)) : row.decimal(column).map(Object.class::cast);
      case CHOICE ->
          needed
              ? Optional.of(reader.orElseThrow().apply(row))
              : row.maybe(column).map(_ -> reader.orElseThrow().apply(row));
      case CHOICES -> Optional.of(parts(row).stream().map(this::option).toList());
      case WORDS -> Optional.of(parts(row));
      case ACTIVES -> Optional.of(parts(row).stream().map(this::active).toList());
      case BY_REGION ->
          Optional.of(
              parts(row).stream()
                  .map(this::figure)
                  .collect(Collectors.toMap(Named::name, part -> part.figure().orElse(1.0))));
      case REGIONS -> Optional.of(regions(row));
      case COMPONENTS -> Optional.of(components(row));
    };
  }

  /// The cell of a table.
  ///
  /// @param value as on the wire
  public Object cell(JsonNode value) {
    if (value.isMissingNode() || value.isNull()) return "";
    return switch (kind) {
      case TEXT, CODE, SHIPPED -> value.asString();
      case WHOLE, MINUTES -> value.asInt();
      case DECIMAL -> value.asDouble();
      case FLAG -> value.asBoolean();
      case NUMBER -> value.asDouble();
      case CHOICE -> value.asString().toLowerCase(Locale.ROOT);
      case CHOICES -> joined(value.valueStream().map(JsonNode::asString).map(LabelColumn::small));
      case WORDS -> joined(value.valueStream().map(JsonNode::asString));
      case ACTIVES ->
          joined(
              value
                  .valueStream()
                  .map(part ->
                      small(part.get("active").asString())
                          + (part.path("percent").isMissingNode()
                              ? ""
                              : " " + percent(part.get("percent").asDouble()))));
      case BY_REGION ->
          joined(
              value.properties().stream()
                  .map(part -> small(part.getKey()) + " " + percent(part.getValue().asDouble())));
      case REGIONS ->
          value
              .valueStream()
              .map(region -> Region.valueOf(region.asString()))
              .sorted()
              .map(region -> region.name().toLowerCase(Locale.ROOT))
              .collect(Collectors.joining(" + "));
      case COMPONENTS ->
          value
              .valueStream()
              .map(part ->
                  part.get("substance").asString().toLowerCase(Locale.ROOT)
                      + " "
                      + percent(part.get("percentWv").asDouble()))
              .collect(Collectors.joining(" + "));
    };
  }

  private List<String> parts(Row row) {
    return Arrays.stream(row.text(column).split("\\+"))
        .map(String::strip)
        .filter(part -> !part.isEmpty())
        .toList();
  }

  private static String small(String id) {
    return id.toLowerCase(Locale.ROOT);
  }

  private static String joined(Stream<String> parts) {
    return parts.sorted().collect(Collectors.joining(" + "));
  }

  private record Named(String name, Optional<Double> figure) {}

  /// "lactic 3", or "lactic" alone.
  private Named figure(String part) {
    int gap = part.lastIndexOf(' ');
    if (gap < 0) return new Named(option(part), Optional.empty());
    try {
      double figure = Double.parseDouble(part.substring(gap + 1).replace(',', '.'));
      return new Named(option(part.substring(0, gap)), Optional.of(figure));
    } catch (NumberFormatException e) {
      return new Named(option(part), Optional.empty());
    }
  }

  private Map<String, Object> active(String part) {
    Named named = figure(part);
    return named
        .figure()
        .<Map<String, Object>>map(percent -> Map.of("active", named.name(), "percent", percent))
        .orElse(Map.of("active", named.name()));
  }

  private String option(String word) {
    String id = word.strip().toUpperCase(Locale.ROOT).replace(' ', '_').replace('-', '_');
    return options.stream()
        .map(ColumnOption::id)
        .filter(id::equals)
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                column
                    + " has '"
                    + word
                    + "'; allowed are "
                    + options.stream()
                        .map(option -> small(option.id()))
                        .collect(Collectors.joining(", "))));
  }

  private List<Region> regions(Row row) {
    return parts(row).stream().map(word -> Row.one(column, Region.class, word)).toList();
  }

  /// "salicylic 15 + lactic 15", % w/v.
  private List<Map<String, Object>> components(Row row) {
    return parts(row).stream().map(this::component).toList();
  }

  private Map<String, Object> component(String part) {
    int gap = part.lastIndexOf(' ');
    String name = gap < 0 ? part : part.substring(0, gap);
    String percent = gap < 0 ? "0" : part.substring(gap + 1).replace(',', '.');
    try {
      Component read =
          Component.of(Row.one(column, Substance.class, name), Double.parseDouble(percent));
      return Map.of("substance", read.substance(), "percentWv", read.strength().percent());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          column + " has '" + part + "'; it looks like glycolic 35", e);
    }
  }

  private static String percent(double percent) {
    return percent == Math.rint(percent) ? String.valueOf((long) percent) : String.valueOf(percent);
  }
}
