package ivesk.server.product;

import static ivesk.server.formula.LabelColumn.Group.DOES;
import static ivesk.server.formula.LabelColumn.Group.HOLDS;
import static ivesk.server.formula.LabelColumn.Group.IS;
import static ivesk.server.formula.LabelColumn.Group.USED;
import static ivesk.server.formula.LabelColumn.Kind.ACTIVES;
import static ivesk.server.formula.LabelColumn.Kind.BY_REGION;
import static ivesk.server.formula.LabelColumn.Kind.CHOICE;
import static ivesk.server.formula.LabelColumn.Kind.CHOICES;
import static ivesk.server.formula.LabelColumn.Kind.CODE;
import static ivesk.server.formula.LabelColumn.Kind.DECIMAL;
import static ivesk.server.formula.LabelColumn.Kind.FLAG;
import static ivesk.server.formula.LabelColumn.Kind.MINUTES;
import static ivesk.server.formula.LabelColumn.Kind.NUMBER;
import static ivesk.server.formula.LabelColumn.Kind.REGIONS;
import static ivesk.server.formula.LabelColumn.Kind.TEXT;
import static ivesk.server.formula.LabelColumn.Kind.WORDS;
import static ivesk.server.formula.LabelColumn.choice;
import static ivesk.server.formula.LabelColumn.of;

import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.BaseIn;
import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.product.Role;
import ivesk.core.product.UnitDose;
import ivesk.core.skin.Region;
import ivesk.server.formula.LabelColumn;
import java.util.List;

/// The fields of a product's label: what tables in and out, the form and its words go by.
final class ProductColumns {
  static final List<LabelColumn> ALL =
      List.of(
          of("code", "code", IS, CODE, "Code").must("").help("2 to 12 capitals, digits, dashes"),
          of("name", "name", IS, TEXT, "Name").must(""),
          of("maker", "maker", IS, TEXT, "Maker"),
          choice("role", "role", IS, "Role", Role.class, Role::label, "SERUM"),
          of("actives", "actives", HOLDS, ACTIVES, "Actives")
              .from(ActiveIngredient.class, ActiveIngredient::label),
          of("ph", "ph", HOLDS, DECIMAL, "pH").help("empty where none is printed"),
          of("allergens", "allergens", HOLDS, WORDS, "Allergens")
              .help("as printed; checked against the client’s words"),
          of("fragrance", "fragrance", HOLDS, FLAG, "fragrance"),
          of("alcoholWet", "alcohol_wet", HOLDS, FLAG, "wet with alcohol"),
          choice("filter", "filter", HOLDS, "Filter", Filter.class, Filter::label, "NONE"),
          choice(
              "unit",
              "unit",
              USED,
              "Counted in",
              UnitDose.Unit.class,
              UnitDose.Unit::label,
              "PUMP"),
          of("unitAmount", "unit_amount", USED, NUMBER, "One gives")
              .must("1")
              .help("of the measure beside it"),
          choice(
              "measure",
              "measure",
              USED,
              "Measure",
              UnitDose.Measure.class,
              UnitDose.Measure::label,
              "ML"),
          of("usualUnits", "usual_units", USED, BY_REGION, "Usual number")
              .from(Region.class, Region::label),
          of("leastSeconds", "least_s", USED, MINUTES, "At least").in("min"),
          of("plannedSeconds", "planned_s", USED, MINUTES, "Stays").in("min"),
          of("mostSeconds", "most_s", USED, MINUTES, "Never beyond").in("min"),
          of("doneSign", "done_sign", USED, TEXT, "Done when").help("the maker’s sign"),
          of("regions", "regions", USED, REGIONS, "Made for").must("FACE"),
          of("neverOn", "never_on", USED, CHOICES, "Never on").from(NeverOn.class, NeverOn::label),
          of("occlusive", "occlusive", DOES, FLAG, "occlusive"),
          choice(
              "thermal",
              "thermal",
              DOES,
              "Warms or cools",
              Thermal.class,
              Thermal::label,
              "NEITHER"),
          of("powderG", "powder_g", DOES, NUMBER, "Mask powder").in("g"),
          of("waterG", "water_g", DOES, NUMBER, "to water").in("g"),
          of("waterC", "water_c", DOES, NUMBER, "of").in("°C"),
          of("setsSeconds", "sets_s", DOES, MINUTES, "Sets after").in("min"),
          of("liftSeconds", "lift_s", DOES, MINUTES, "Lifted after").in("min"),
          of("base", "base", DOES, CHOICE, "Base")
              .from(BaseIn.Kind.class, BaseIn.Kind::label)
              .help("of a neutraliser"),
          of("basePercentWv", "base_percent_wv", DOES, NUMBER, "Strength of it").in("% w/v"),
          of("baseMolarMass", "base_g_per_mol", DOES, NUMBER, "Its molar mass")
              .in("g/mol")
              .help("of another amino acid"),
          of("baseMmolPerUnit", "base_mmol", DOES, NUMBER, "or in a unit").in("mmol"));

  private ProductColumns() {}

  static List<String> heads() {
    return ALL.stream().map(LabelColumn::column).toList();
  }
}
