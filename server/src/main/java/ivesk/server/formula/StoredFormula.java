package ivesk.server.formula;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.app.StorageMapper.Upcaster;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// A formula as it is kept, in plans and as a practice's own product. Strengths in % w/v.
public record StoredFormula(
    String code,
    String name,
    Family family,
    int rung,
    boolean entry,
    List<Component> components,
    Optional<Double> ph,
    Formula.Vehicle vehicle,
    Formula.Use use,
    Optional<Duration> firstContact,
    Optional<Duration> mostContact,
    int layersFirst,
    int layersMost,
    Duration dwell,
    DepthClass libraryDepth,
    Band band,
    Formula.Ending ending,
    int intervalDays,
    int seriesLeast,
    int seriesMost,
    int peelingFirst,
    int peelingLast,
    Label label) {

  /// The label of a practice's own product.
  static final Shape<StoredFormula> PRODUCT =
      Shape.of("Product", StoredFormula.class, Upcaster.SAME, Upcaster.SAME);

  public record Component(Substance substance, double percentWv) {}

  public record Band(int low, int high, Optional<Duration> window, boolean thenFalling) {}

  public record Label(
      int version,
      List<Region> regions,
      Optional<Duration> leastContact,
      String doneWhen,
      boolean bufferedInWater,
      boolean warms,
      String measure,
      Optional<Double> unitMl,
      Optional<Integer> staysHours,
      Optional<Duration> lastStays,
      String maker,
      Optional<String> replaces) {}

  /// Before labels were kept, every formula was one for the face.
  public static void addLabel(ObjectNode formula) {
    if (formula.has("label")) return;
    ObjectNode label = formula.putObject("label");
    label.put("version", 0);
    ArrayNode regions = label.putArray("regions");
    regions.add(Region.FACE.name());
    for (String words : List.of("doneWhen", "measure", "maker")) label.put(words, "");
    for (String flag : List.of("bufferedInWater", "warms")) label.put(flag, false);
  }

  public static StoredFormula of(Formula formula) {
    Formula.Label label = formula.label();
    Formula.Band band = formula.band();
    return new StoredFormula(
        formula.code(),
        formula.name(),
        formula.family(),
        formula.rung(),
        formula.entry(),
        formula.components().stream()
            .map(c -> new Component(c.substance(), c.strength().percent()))
            .toList(),
        formula.ph().map(Ph::value),
        formula.vehicle(),
        formula.use(),
        formula.firstContact(),
        formula.mostContact(),
        formula.layersFirst(),
        formula.layersMost(),
        formula.dwell(),
        formula.libraryDepth(),
        new Band(band.low(), band.high(), band.window(), band.thenFalling()),
        formula.ending(),
        formula.intervalDays(),
        formula.seriesLeast(),
        formula.seriesMost(),
        formula.peelingFirst(),
        formula.peelingLast(),
        new Label(
            label.version(),
            label.regions().stream().sorted().toList(),
            label.leastContact(),
            label.doneWhen(),
            label.bufferedInWater(),
            label.warms(),
            label.measure(),
            label.unitMl(),
            label.staysHours(),
            label.lastStays(),
            label.maker(),
            label.replaces()));
  }

  public Formula formula() {
    return new Formula(
        code,
        name,
        family,
        rung,
        entry,
        components.stream()
            .map(c -> ivesk.core.formula.Component.of(c.substance(), c.percentWv()))
            .toList(),
        ph.map(Ph::new),
        vehicle,
        use,
        firstContact,
        mostContact,
        layersFirst,
        layersMost,
        dwell,
        libraryDepth,
        new Formula.Band(band.low(), band.high(), band.window(), band.thenFalling()),
        ending,
        intervalDays,
        seriesLeast,
        seriesMost,
        peelingFirst,
        peelingLast,
        new Formula.Label(
            label.version(),
            Set.copyOf(label.regions()),
            label.leastContact(),
            label.doneWhen(),
            label.bufferedInWater(),
            label.warms(),
            label.measure(),
            label.unitMl(),
            label.staysHours(),
            label.lastStays(),
            label.maker(),
            label.replaces()));
  }
}
