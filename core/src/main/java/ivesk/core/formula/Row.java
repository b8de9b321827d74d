package ivesk.core.formula;

import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;

import ivesk.core.formula.Formula.Band;
import ivesk.core.formula.Formula.Ending;
import ivesk.core.formula.Formula.Label;
import ivesk.core.formula.Formula.Use;
import ivesk.core.formula.Formula.Vehicle;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// One row of the [Library], filled in from left to right.
final class Row {
  private final String code;
  private final String name;
  private final Family family;
  private final int rung;
  private final List<Component> components = new ArrayList<>();
  private Set<Region> regions = EnumSet.of(Region.FACE);
  private boolean warms;
  private String measure = "";
  private Optional<Duration> least = Optional.empty();
  private Optional<Integer> staysHours = Optional.empty();
  private boolean entry;
  private Optional<Ph> ph = Optional.empty();
  private Vehicle vehicle;
  private Use use;
  private Optional<Duration> first = Optional.empty();
  private Optional<Duration> most = Optional.empty();
  private int layersFirst = 1;
  private int layersMost = 1;
  private Duration dwell = Duration.ZERO;
  private DepthClass depth = VERY_SUPERFICIAL;
  private Band band = new Band(0, 0, Optional.empty(), false);
  private Ending ending = Ending.NONE;

  Row(String code, String name, Family family, int rung) {
    this.code = code;
    this.name = name;
    this.family = family;
    this.rung = rung;
  }

  Row entry() {
    entry = true;
    return this;
  }

  Row of(Substance substance, double percentWv) {
    components.add(Component.of(substance, percentWv));
    return this;
  }

  Row ph(double value, Vehicle in) {
    ph = Optional.of(Ph.of(value));
    return in(in);
  }

  Row in(Vehicle value) {
    vehicle = value;
    return this;
  }

  /// Letters as in the library's table: F face, N neck and decolletage, H hands, B body, E eye
  /// contour.
  Row on(String letters) {
    regions = EnumSet.noneOf(Region.class);
    for (String letter : letters.split(" ")) {
      regions.addAll(
          switch (letter) {
            case "F" -> EnumSet.of(Region.FACE);
            case "N" -> EnumSet.of(Region.NECK_DECOLLETAGE);
            case "H" -> EnumSet.of(Region.HANDS);
            case "B" -> EnumSet.of(Region.BACK, Region.CHEST, Region.UPPER_ARMS, Region.THIGHS);
            case "E" -> EnumSet.of(Region.EYE_CONTOUR);
            default -> throw new IllegalArgumentException("no region '" + letter + "'");
          });
    }
    return this;
  }

  Row warms() {
    warms = true;
    return this;
  }

  Row measured(String words) {
    measure = words;
    return this;
  }

  Row atLeast(int minutes) {
    least = Optional.of(Duration.ofMinutes(minutes));
    return this;
  }

  Row stays(int hours) {
    use = Use.STAYS;
    staysHours = Optional.of(hours);
    return this;
  }

  Row timedLayers(
      int firstMinutes, int mostMinutes, int firstLayers, int mostLayers, int dwellMinutes) {
    minutes(Use.TIMED, firstMinutes, mostMinutes);
    return layers(firstLayers, mostLayers, dwellMinutes);
  }

  Row timed(int firstMinutes, int mostMinutes) {
    return minutes(Use.TIMED, firstMinutes, mostMinutes);
  }

  Row selfLimiting(int firstMinutes, int mostMinutes) {
    return minutes(Use.SELF_LIMITING, firstMinutes, mostMinutes);
  }

  Row layered(
      int firstMinutes, int mostMinutes, int firstLayers, int mostLayers, int dwellMinutes) {
    minutes(Use.LAYERED, firstMinutes, mostMinutes);
    return layers(firstLayers, mostLayers, dwellMinutes);
  }

  Row layeredFreely(int firstLayers, int mostLayers, int dwellMinutes) {
    use = Use.LAYERED;
    return layers(firstLayers, mostLayers, dwellMinutes);
  }

  Row coats(int firstLayers, int mostLayers, int dwellMinutes) {
    use = Use.COATS;
    return layers(firstLayers, mostLayers, dwellMinutes);
  }

  private Row minutes(Use how, int firstMinutes, int mostMinutes) {
    use = how;
    first = Optional.of(Duration.ofMinutes(firstMinutes));
    most = Optional.of(Duration.ofMinutes(mostMinutes));
    return this;
  }

  private Row layers(int firstLayers, int mostLayers, int dwellMinutes) {
    layersFirst = firstLayers;
    layersMost = mostLayers;
    dwell = Duration.ofMinutes(dwellMinutes);
    return this;
  }

  Row depth(DepthClass value) {
    depth = value;
    return this;
  }

  Row feels(int low, int high) {
    band = new Band(low, high, Optional.empty(), false);
    return this;
  }

  Row feels(int low, int high, int windowSeconds, boolean thenFalling) {
    band = new Band(low, high, Optional.of(Duration.ofSeconds(windowSeconds)), thenFalling);
    return this;
  }

  /// Without minutes of its own, and falling after them.
  Row feelsThenFalls(int low, int high) {
    band = new Band(low, high, Optional.empty(), true);
    return this;
  }

  Row ends(Ending how) {
    ending = how;
    return this;
  }

  Formula then(int intervalDays, int seriesLeast, int seriesMost, int peelFirst, int peelLast) {
    return new Formula(
        code,
        name,
        family,
        rung,
        entry,
        components,
        ph,
        vehicle,
        use,
        first,
        most,
        layersFirst,
        layersMost,
        dwell,
        depth,
        band,
        ending,
        intervalDays,
        seriesLeast,
        seriesMost,
        peelFirst,
        peelLast,
        new Label(
            0,
            regions,
            least,
            "",
            false,
            warms,
            measure,
            Optional.empty(),
            staysHours,
            Optional.empty(),
            "",
            Optional.empty()));
  }

  Formula outOfScope() {
    use = Use.OUT_OF_SCOPE;
    depth = MEDIUM;
    return then(0, 0, 0, 0, 0);
  }
}
