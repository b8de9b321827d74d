package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.practice.Policies.Restricted;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// A peel solution: what is in it, how it is used, and what it does.
///
/// @param code short name on the rack
/// @param rung place on its family's ladder, 1 lowest
/// @param entry where a client starts who has no record with the family
/// @param components each with its strength
/// @param ph 0 to 14, where it has one
/// @param firstContact contact time on a first visit; empty for formulas without minutes
/// @param mostContact contact time never to be passed; empty for formulas without minutes
/// @param layersFirst layers on a first visit
/// @param layersMost layers never to be passed in one visit
/// @param dwell least time from the end of one layer to the next decision
/// @param libraryDepth class in the library at one layer
/// @param band what the client is expected to feel
/// @param intervalDays least days to the next peel, after one layer
/// @param seriesLeast fewest peels of a full series
/// @param seriesMost most peels of a series
/// @param peelingFirst day on which flaking may start, 0 when none is expected
/// @param peelingLast last day of flaking, 0 when none is expected
/// @param label what the label says beyond the numbers
public record Formula(
    String code,
    String name,
    Family family,
    int rung,
    boolean entry,
    List<Component> components,
    Optional<Ph> ph,
    Vehicle vehicle,
    Use use,
    Optional<Duration> firstContact,
    Optional<Duration> mostContact,
    int layersFirst,
    int layersMost,
    Duration dwell,
    DepthClass libraryDepth,
    Band band,
    Ending ending,
    int intervalDays,
    int seriesLeast,
    int seriesMost,
    int peelingFirst,
    int peelingLast,
    Label label) {

  public enum Vehicle {
    GEL("gel"),
    LIQUID("liquid"),
    CREAM_MASK("cream mask"),
    HYDROALCOHOLIC("water and alcohol"),
    ALCOHOL("alcohol"),
    WATER("water"),
    CREAM("cream"),
    PASTE("paste"),
    LOTION("lotion");

    private final String label;

    Vehicle(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// How a formula is used on the day.
  public enum Use {
    /// Its time is a hard limit and it is then ended.
    TIMED("timed"),
    /// Dries on the skin and falls by itself; taken off at its time.
    SELF_LIMITING("falls by itself"),
    /// Several layers that dry; no minutes unless it has them.
    LAYERED("layers that dry"),
    /// Coats until frost.
    COATS("coats until frost"),
    /// Put on after an acid has ended, and stays for hours.
    STAYS("stays on after an acid"),
    /// Medium depth: shown, shut.
    OUT_OF_SCOPE("out of scope");

    private final String label;

    Use(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public enum Ending {
    RINSE("rinse"),
    DAMP_PADS("damp pads"),
    NEUTRALISE("neutraliser"),
    LIFT_THEN_NEUTRALISE("lift the gel, neutraliser"),
    COOL_RINSE("cool rinse"),
    COOL_PADS("cool pads"),
    WIPE_THEN_COOL_RINSE("wipe, cool rinse"),
    SELF_LIMITING("ends by itself"),
    FROST_IS_THE_END("frost is the end"),
    NONE("nothing");

    private final String label;

    Ending(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// What a label says beyond strength, times and layers. A practice's own product may have any of
  /// it; the shipped formulas have what the library says.
  ///
  /// @param version counts up with every change of a practice's own product; 0 for a shipped
  ///   formula
  /// @param regions for which the formula is made
  /// @param leastContact before which it does nothing; empty where none is given
  /// @param doneWhen the maker's sign that it is done, in words; may be empty
  /// @param bufferedInWater base already in it may be taken off the neutraliser; never inferred
  ///   from the pH of a gel or alcohol
  /// @param warms holds a warming agent
  /// @param measure of one layer as the maker gives it, such as "1 level scoop"; may be empty
  /// @param unitMl what one of that measure holds, mL, 0.05 to 50
  /// @param staysHours hours until it is washed off, for what stays
  /// @param lastStays how long the last layer stays once it is covered, where that is not the gap
  ///   between layers; 10 s to 30 min
  /// @param maker as printed; may be empty
  /// @param replaces code of the shipped formula in whose place it stands on the rack
  public record Label(
      int version,
      Set<Region> regions,
      Optional<Duration> leastContact,
      String doneWhen,
      boolean bufferedInWater,
      boolean warms,
      String measure,
      Optional<Double> unitMl,
      Optional<Integer> staysHours,
      Optional<Duration> lastStays,
      String maker,
      Optional<String> replaces) {

    public Label {
      Require.range("version", version, 0, 100_000);
      regions = Set.copyOf(regions);
      Require.atMost("sign that it is done", doneWhen, 120);
      Require.atMost("measure", measure, 40);
      Require.atMost("maker", maker, 80);
      unitMl.ifPresent(ml -> Require.range("one measure, mL", ml, 0.05, 50));
      staysHours.ifPresent(hours -> Require.range("hours that it stays", hours, 1, 24));
      lastStays.ifPresent(
          time -> Require.range("last layer stays, s", (int) time.toSeconds(), 10, 1800));
    }

    public static Label madeFor(Set<Region> regions) {
      return new Label(
          0,
          regions,
          Optional.empty(),
          "",
          false,
          false,
          "",
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          "",
          Optional.empty());
    }
  }

  /// The expected feel, 0 to 10.
  ///
  /// @param window while the band may raise the lines, from the first touch of each layer
  /// @param thenFalling the feel is expected to fall after the window
  public record Band(int low, int high, Optional<Duration> window, boolean thenFalling) {
    public Band {
      Require.range("band low", low, 0, 10);
      Require.range("band high", high, low, 10);
    }

    public String words() {
      String range = low + " to " + high;
      if (window.isEmpty()) return range + (thenFalling ? ", then falling" : "");
      long seconds = window.get().toSeconds();
      String span =
          seconds % 60 == 0
              ? seconds / 60 + (seconds == 60 ? " minute" : " minutes")
              : seconds + " s";
      return range + " within " + span + (thenFalling ? ", then falling" : "");
    }
  }

  public Formula {
    Require.text("code", code, 12);
    Require.text("name", name, 80);
    components = List.copyOf(components);
    Require.range("rung", rung, 1, 9);
    ph.ifPresent(value -> Require.range("pH", value.value(), 0, 14));
    if (use != Use.OUT_OF_SCOPE) {
      Require.range("layersMost", layersMost, 1, 9);
      Require.range("layersFirst", layersFirst, 1, layersMost);
      Require.range("intervalDays", intervalDays, 1, 365);
    }
    boolean hasMinutes = use == Use.TIMED || use == Use.SELF_LIMITING;
    if (hasMinutes && mostContact.isEmpty()) {
      throw new IllegalArgumentException("contact time of " + code + " is empty; it is timed");
    }
    Require.range("first day of flaking", peelingFirst, 0, peelingLast);
    Require.range("last day of flaking", peelingLast, 0, 21);
    Require.range("peels of a series", seriesMost, seriesLeast, 12);
    Require.range("dwell, s", (int) dwell.toSeconds(), 0, 1800);
    if (label.bufferedInWater()
        && (ph.isEmpty() || vehicle != Vehicle.WATER && vehicle != Vehicle.LIQUID)) {
      throw new IllegalArgumentException(
          code + " is marked as buffered in water; it needs a pH, and water or liquid as vehicle");
    }
    label
        .leastContact()
        .filter(least -> firstContact.filter(first -> least.compareTo(first) <= 0).isEmpty())
        .ifPresent(least -> {
          throw new IllegalArgumentException(
              "least contact of " + code + " must not pass its first contact");
        });
    if (firstContact.isPresent() != mostContact.isPresent()
        || firstContact.isPresent() && firstContact.get().compareTo(mostContact.get()) > 0) {
      throw new IllegalArgumentException(
          "contact of " + code + ": first " + firstContact + " must not pass most " + mostContact);
    }
  }

  /// Time that the last layer stays: its own, else the gap between layers.
  public Duration lastStays() {
    return label.lastStays().orElse(dwell);
  }

  /// Whether it can be a treatment's stage with clocks of its own, and is not out of scope.
  public boolean peels() {
    return use != Use.OUT_OF_SCOPE && use != Use.STAYS;
  }

  /// Above the professional figure of the safety panel for glycolic and lactic acid: 30 % at pH 3.0
  /// and up, brief, rinsed, with daily sun protection. It has no figure for the others. CIR 1998,
  /// reaffirmed 2013, from memory.
  public boolean aboveSalonFigure() {
    return aboveSalonFigure(components, ph);
  }

  /// As [#aboveSalonFigure()], of a label that is no formula yet.
  public static boolean aboveSalonFigure(List<Component> components, Optional<Ph> ph) {
    Strength strength =
        sum(
            components.stream()
                .filter(
                    c -> c.substance() == Substance.GLYCOLIC || c.substance() == Substance.LACTIC));
    return strength.above(Strength.wv(30))
        || !strength.isNone() && ph.filter(value -> value.value() < 3.0).isPresent();
  }

  /// Whether the supervising clinician opens it for the practice.
  public boolean holds(Restricted restricted) {
    return contains(
        switch (restricted) {
          case TCA -> Substance.TCA;
          case RESORCINOL -> Substance.RESORCINOL;
        });
  }

  /// Every family whose rules hold for it, by what is in it.
  public Set<Family> families() {
    return contents().families();
  }

  /// Jessner, pyruvic acid or TCA is in it, in whatever family it is filed.
  public boolean strong() {
    return contents().strong();
  }

  /// What frost is to it, by what is in it.
  public Family.Frost frost() {
    return contents().frost();
  }

  public boolean contains(Substance substance) {
    return components.stream().anyMatch(c -> c.substance() == substance);
  }

  /// Of one substance in it; none where it has none.
  public Strength strengthOf(Substance substance) {
    return sum(components.stream().filter(c -> c.substance() == substance));
  }

  /// Sum of the components, as a label would print it; concentrations do not add on the skin.
  public Strength strength() {
    return sum(components.stream());
  }

  private static Strength sum(Stream<Component> components) {
    return components.map(Component::strength).reduce(Strength.NONE, Strength::plus);
  }

  /// Within which one layer is spread: a minute for gels and liquids; masks, creams and pastes take
  /// longer. Common practice; the longer time is Ivesk's own default.
  public Duration spread() {
    return switch (vehicle) {
      case CREAM, CREAM_MASK, PASTE -> Duration.ofMinutes(3);
      default -> Duration.ofSeconds(60);
    };
  }

  /// Whether white on the skin may be crystals, so that the wipe test is due.
  public boolean mayCrystallise() {
    return contains(Substance.SALICYLIC);
  }

  /// Whether more than one layer may be planned in a visit.
  public boolean takesLayers() {
    return layersMost > 1;
  }

  /// Least days to the next peel after this many layers. Jessner: 14 after one layer, 21 after two
  /// or three, 42 from four, and never fewer than its label has.
  public int intervalDays(int layers) {
    if (family != Family.JESSNER) return intervalDays;
    return Math.max(intervalDays, layers <= 1 ? 14 : layers <= 3 ? 21 : 42);
  }

  /// Seconds between asking: 30 for TCA, pyruvic, Jessner, eye contour, glycolic from 35 % and
  /// salicylic from 20 %, else 60.
  public Duration checkIn() {
    boolean close =
        strong()
            || family == Family.EYE
            || strengthOf(Substance.GLYCOLIC).percent() >= 35
            || strengthOf(Substance.SALICYLIC).percent() >= 20;
    return Duration.ofSeconds(close ? 30 : 60);
  }

  /// Irritation level, 0 to 5: the highest of what it contains. Common practice.
  public int level() {
    return contents().level();
  }

  /// Jessner, its variant, or what has the parts of one of them.
  public boolean jessner() {
    return contents().jessner();
  }

  /// Holds an acid that no family is named for.
  public boolean otherAcid() {
    return contents().otherAcid();
  }

  private Contents contents() {
    return new Contents(family, components);
  }
}
