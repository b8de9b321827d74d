package ivesk.server.formula;

import ivesk.core.Require;
import ivesk.core.formula.Component;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Formula.Band;
import ivesk.core.formula.Formula.Label;
import ivesk.core.formula.Library;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/// A label as it is entered: a formula in plain fields, seconds and percent.
///
/// @param code 2 to 12 capitals, digits and dashes
/// @param rung place on the family's ladder, 1 to 9
/// @param replaces shipped formula in whose place it stands on the rack
/// @param bandSeconds while the band may raise the lines
public record Product(
    String code,
    String name,
    String maker,
    Family family,
    int rung,
    Optional<String> replaces,
    List<Component> components,
    Optional<Ph> ph,
    Formula.Vehicle vehicle,
    Formula.Use use,
    Set<Region> regions,
    Optional<Integer> firstSeconds,
    Optional<Integer> mostSeconds,
    Optional<Integer> leastSeconds,
    Optional<Integer> staysHours,
    int layersFirst,
    int layersMost,
    int dwellSeconds,
    Optional<Integer> lastSeconds,
    DepthClass depth,
    int bandLow,
    int bandHigh,
    Optional<Integer> bandSeconds,
    boolean thenFalling,
    Formula.Ending ending,
    int intervalDays,
    int seriesLeast,
    int seriesMost,
    int peelingFirst,
    int peelingLast,
    String doneWhen,
    boolean bufferedInWater,
    boolean warms,
    String measure,
    Optional<Double> unitMl) {

  private static final Pattern CODE = Pattern.compile("[A-Z0-9][A-Z0-9-]{1,11}");

  public static Product of(Formula formula) {
    Label label = formula.label();
    return new Product(
        formula.code(),
        formula.name(),
        label.maker(),
        formula.family(),
        formula.rung(),
        label.replaces(),
        formula.components(),
        formula.ph(),
        formula.vehicle(),
        formula.use(),
        label.regions(),
        seconds(formula.firstContact()),
        seconds(formula.mostContact()),
        seconds(label.leastContact()),
        label.staysHours(),
        formula.layersFirst(),
        formula.layersMost(),
        (int) formula.dwell().toSeconds(),
        seconds(label.lastStays()),
        formula.libraryDepth(),
        formula.band().low(),
        formula.band().high(),
        seconds(formula.band().window()),
        formula.band().thenFalling(),
        formula.ending(),
        formula.intervalDays(),
        formula.seriesLeast(),
        formula.seriesMost(),
        formula.peelingFirst(),
        formula.peelingLast(),
        label.doneWhen(),
        label.bufferedInWater(),
        label.warms(),
        label.measure(),
        label.unitMl());
  }

  /// @param version of the label, from 1
  /// @throws IllegalArgumentException naming field, value and what is allowed
  Formula formula(int version) {
    if (!CODE.matcher(code).matches()) {
      throw new IllegalArgumentException(
          "code is '" + code + "'; allowed are 2 to 12 capitals, digits and dashes");
    }
    if (Library.find(code).isPresent()) {
      throw new IllegalArgumentException(
          "code is '" + code + "', which a shipped formula has; choose another");
    }
    Require.text("name", name, 80);
    if (components.isEmpty()) {
      throw new IllegalArgumentException("components are empty; a label names at least one");
    }
    if (regions.isEmpty()) {
      throw new IllegalArgumentException("regions are empty; name where it is made for");
    }
    if (use == Formula.Use.OUT_OF_SCOPE) {
      throw new IllegalArgumentException("use is OUT_OF_SCOPE; say how the label has it used");
    }
    replaces.ifPresent(shipped -> {
      if (Library.get(shipped).family() != family) {
        throw new IllegalArgumentException(
            "replaces is '" + shipped + "', which is of another family than " + family.label());
      }
    });
    firstSeconds.ifPresent(s -> Require.range("first contact, s", s, 30, 7200));
    mostSeconds.ifPresent(s -> Require.range("most contact, s", s, 30, 7200));
    leastSeconds.ifPresent(s -> Require.range("least contact, s", s, 30, 7200));
    bandSeconds.ifPresent(s -> Require.range("expected feel, s", s, 10, 1800));
    return new Formula(
        code,
        name.strip(),
        family,
        rung,
        Library.of(family).stream().anyMatch(f -> f.entry() && f.rung() == rung),
        components,
        ph,
        vehicle,
        use,
        duration(firstSeconds),
        duration(mostSeconds),
        layersFirst,
        layersMost,
        Duration.ofSeconds(dwellSeconds),
        depth,
        new Band(bandLow, bandHigh, duration(bandSeconds), thenFalling),
        ending,
        intervalDays,
        seriesLeast,
        seriesMost,
        peelingFirst,
        peelingLast,
        new Label(
            version,
            regions,
            duration(leastSeconds),
            doneWhen,
            bufferedInWater,
            warms,
            measure,
            unitMl,
            use == Formula.Use.STAYS ? staysHours.or(() -> Optional.of(6)) : Optional.empty(),
            duration(lastSeconds),
            maker,
            replaces));
  }

  private static Optional<Integer> seconds(Optional<Duration> time) {
    return time.map(duration -> (int) duration.toSeconds());
  }

  private static Optional<Duration> duration(Optional<Integer> seconds) {
    return seconds.map(Duration::ofSeconds);
  }
}
