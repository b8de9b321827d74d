package ivesk.core.formula;

import ivesk.core.Words;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// The depth class of one stage. Rubin 1995 for glycolic, TCA, Jessner and resorcinol, as quoted by
/// Khunger 2008, from memory; the library's class for the rest.
public final class Depth {
  private Depth() {}

  /// Things that deepen, said beside a class without changing it. Common practice.
  public static final String DEEPENS =
      "Deeper with: degreasing, retinoid use, thin skin, warmth, pressure and re-stroking, more"
          + " volume, dry skin, home acids.";

  /// A class and the sentences that lead to it.
  public record Reading(DepthClass depth, List<String> reasons) {
    public Reading {
      reasons = List.copyOf(reasons);
    }

    /// One class deeper.
    public Reading deeper(String why) {
      return with(depth.oneDeeper(), "one class deeper: " + why);
    }

    private Reading with(DepthClass other, String why) {
      List<String> more = new ArrayList<>(reasons);
      more.add(why);
      return new Reading(other, more);
    }
  }

  /// What a formula does in a plan: the deeper of the published rows and the library's class.
  ///
  /// @param contact planned contact time; the formula's longest when empty
  /// @param layers planned, 1 and up
  public static DepthClass of(Formula formula, Optional<Duration> contact, int layers) {
    return read(formula, contact, layers).depth();
  }

  /// As [#of], with its reasons.
  public static Reading read(Formula formula, Optional<Duration> contact, int layers) {
    Reading own = own(formula, contact, layers);
    DepthClass library = formula.libraryDepth();
    return library.deeperThan(own.depth())
        ? own.with(library, "the library has " + formula.code() + " as " + library.label())
        : own;
  }

  /// By the published rows alone, by what is in the formula and under whatever family it is filed;
  /// the library's class where they name nothing of it.
  public static Reading own(Formula formula, Optional<Duration> contact, int layers) {
    Duration time = contact.or(formula::mostContact).orElse(Duration.ZERO);
    List<Reading> rows = new ArrayList<>();
    Strength glycolic = formula.strengthOf(Substance.GLYCOLIC);
    Strength tca = formula.strengthOf(Substance.TCA);
    Strength resorcinol = formula.strengthOf(Substance.RESORCINOL);
    if (!glycolic.isNone()) {
      rows.add(
          rubin(
              glycolic(glycolic, time),
              percent(formula, Substance.GLYCOLIC) + " for " + Words.clock(time)));
    }
    if (!tca.isNone()) {
      rows.add(
          rubin(tca(tca, layers), Words.fill("TCA %.0f %%, %s", tca.percent(), layers(layers))));
    }
    if (formula.jessner()) {
      rows.add(rubin(jessner(layers), "Jessner, " + layers(layers)));
    } else if (!resorcinol.isNone()) {
      rows.add(
          rubin(
              resorcinol(resorcinol, time),
              percent(formula, Substance.RESORCINOL) + " for " + Words.clock(time)));
    }
    if (!formula.jessner()) {
      for (Component part : formula.components()) byLibrary(formula, part, rows);
    }
    return rows.stream()
        .reduce((one, other) -> other.depth().deeperThan(one.depth()) ? other : one)
        .orElseGet(() ->
            new Reading(
                formula.libraryDepth(),
                List.of(
                    formula.libraryDepth().label()
                        + ": the library's class for "
                        + formula.code())));
  }

  /// Each acid as if it were alone: the library's class of that acid at this or the next lower
  /// strength.
  private static void byLibrary(Formula formula, Component part, List<Reading> rows) {
    Contents.familyOf(part.substance()).stream()
        .filter(family -> formula.family() != family)
        .flatMap(family -> Library.of(family).stream())
        .filter(alone -> alone.components().size() == 1)
        .filter(alone -> !alone.strengthOf(part.substance()).above(part.strength()))
        .filter(alone -> !alone.strengthOf(part.substance()).isNone())
        .filter(Formula::peels)
        .max(Comparator.comparingDouble(alone -> alone.strengthOf(part.substance()).percent()))
        .ifPresent(alone ->
            rows.add(
                new Reading(
                    alone.libraryDepth(),
                    List.of(
                        percent(formula, part.substance())
                            + " alone: "
                            + alone.libraryDepth().label()
                            + ", as "
                            + alone.code()))));
  }

  private static Reading rubin(DepthClass depth, String of) {
    return new Reading(depth, List.of(of + ": " + depth.label() + " (Rubin 1995)"));
  }

  /// "glycolic 35 %".
  private static String percent(Formula formula, Substance substance) {
    return Words.fill("%s %.0f %%", substance.label(), formula.strengthOf(substance).percent());
  }

  private static String layers(int n) {
    return Words.count(n, "layer");
  }

  /// One stage of a chain with the class that it reaches.
  public record Stage(Formula formula, DepthClass depth) {}

  /// The class of several stages in one visit: the deepest; two superficial ones make medium, and
  /// so does any TCA after Jessner. Common practice.
  ///
  /// @param stages in their order, at least one
  public static Reading chain(List<Stage> stages) {
    Stage deepest =
        stages.stream()
            .reduce((one, other) -> other.depth().deeperThan(one.depth()) ? other : one)
            .orElseThrow(() -> new IllegalArgumentException("a chain needs a stage"));
    Reading reading =
        new Reading(
            deepest.depth(),
            List.of(Words.fill("%s: the deepest stage", deepest.formula().code())));
    if (deepest.depth() == DepthClass.MEDIUM) return reading;
    boolean jessner = false;
    for (Stage stage : stages) {
      if (jessner && stage.formula().contains(Substance.TCA)) {
        return reading.with(DepthClass.MEDIUM, "TCA after Jessner: medium");
      }
      jessner |= stage.formula().jessner();
    }
    long superficial = stages.stream().filter(s -> s.depth() == DepthClass.SUPERFICIAL).count();
    return superficial >= 2
        ? reading.with(DepthClass.MEDIUM, "two superficial stages in one visit: medium")
        : reading;
  }

  /// Below 30 % VS; 30 to 50 % VS to 2 min, else S; above 50 to below 70 % S; from 70 % S under 3
  /// min, M from 3 min.
  public static DepthClass glycolic(Strength strength, Duration contact) {
    double percentWv = strength.percent();
    if (percentWv < 30) return DepthClass.VERY_SUPERFICIAL;
    if (percentWv <= 50) {
      return contact.compareTo(Duration.ofMinutes(2)) <= 0
          ? DepthClass.VERY_SUPERFICIAL
          : DepthClass.SUPERFICIAL;
    }
    return percentWv >= 70 && contact.compareTo(Duration.ofMinutes(3)) >= 0
        ? DepthClass.MEDIUM
        : DepthClass.SUPERFICIAL;
  }

  /// Up to 10 % one layer VS, more S; to 30 % S; above M.
  public static DepthClass tca(Strength strength, int layers) {
    if (strength.percent() > 30) return DepthClass.MEDIUM;
    return strength.percent() <= 10 && layers <= 1
        ? DepthClass.VERY_SUPERFICIAL
        : DepthClass.SUPERFICIAL;
  }

  /// One to three layers VS, from four S.
  public static DepthClass jessner(int layers) {
    return layers <= 3 ? DepthClass.VERY_SUPERFICIAL : DepthClass.SUPERFICIAL;
  }

  /// Up to 30 % for up to 10 min VS, else S.
  public static DepthClass resorcinol(Strength strength, Duration contact) {
    return strength.percent() <= 30 && contact.compareTo(Duration.ofMinutes(10)) <= 0
        ? DepthClass.VERY_SUPERFICIAL
        : DepthClass.SUPERFICIAL;
  }
}
