package ivesk.core.product;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import java.util.Optional;

/// What one unit of a product gives, as its label has it.
///
/// @param each mL or g of one unit, 0.01 to 500
public record UnitDose(Unit unit, double each, Measure measure) {

  /// How it is counted.
  public enum Unit {
    PUMP("pump"),
    DROP("drop"),
    PAD("pad"),
    AMPOULE("ampoule"),
    SCOOP("scoop"),
    ML("mL"),
    GRAM("g");

    private final String label;

    Unit(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }

    /// Counted in parts, and not one by one.
    public boolean measured() {
      return this == ML || this == GRAM;
    }

    /// "2 pumps", "3.5 g".
    public String words(double units) {
      String figure = units == Math.rint(units) ? Words.number(units, 0) : Words.number(units, 1);
      return figure + " " + label + (measured() || units == 1 ? "" : "s");
    }
  }

  public enum Measure {
    ML("mL"),
    G("g");

    private final String label;

    Measure(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// Counted in mL.
  public static final UnitDose BY_ML = new UnitDose(Unit.ML, 1, Measure.ML);

  /// Counted in g.
  public static final UnitDose BY_G = new UnitDose(Unit.GRAM, 1, Measure.G);

  public UnitDose {
    Require.range("unit dose, " + measure.label(), each, 0.01, 500);
    if (unit.measured() && (each != 1 || (unit == Unit.ML) != (measure == Measure.ML))) {
      throw new IllegalArgumentException(
          "unit dose is "
              + each
              + " "
              + measure.label()
              + " for each "
              + unit.label()
              + "; what is counted in mL or g has 1 of the same");
    }
  }

  /// @param each mL of one unit
  public static UnitDose ml(Unit unit, double each) {
    return new UnitDose(unit, each, Measure.ML);
  }

  /// @param each g of one unit
  public static UnitDose g(Unit unit, double each) {
    return new UnitDose(unit, each, Measure.G);
  }

  /// Of some units; empty where they are weighed.
  ///
  /// @param units 0 and up
  public Optional<Volume> volume(double units) {
    return measure == Measure.ML ? Optional.of(Volume.ml(units * each)) : Optional.empty();
  }

  /// Of some units; empty where they are poured.
  ///
  /// @param units 0 and up
  public Optional<Mass> mass(double units) {
    return measure == Measure.G ? Optional.of(Mass.g(units * each)) : Optional.empty();
  }

  /// Whole units that hold at least a volume; parts of a unit where it is measured.
  public double unitsFor(Volume volume) {
    double units = volume.ml() / each;
    return unit.measured() ? units : Math.ceil(units - 1e-9);
  }

  /// "2 pumps", "3.5 g".
  public String words(double units) {
    return unit.words(units);
  }
}
