package ivesk.core.selection;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.formula.Component;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.verdict.Screening.Shut;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// Other numbers tried on a formula: what they would do, and what would object.
///
/// @param depth by the published rows, not the library's class; see [Depth#own]
/// @param dose over all layers
/// @param salicylateShare of the yardstick, 0 and up
/// @param resorcinol over all layers; on the face only, never on neck or decolletage. Common
///   practice
/// @param flakesLike code of the formula of the shelf whose flaking and interval it takes: the
///   nearest of its family that is as strong or stronger
/// @param aboveSalonFigure see [Formula#aboveSalonFigure]
/// @param objections empty where nothing objects
public record Attempt(
    DepthClass depth,
    List<String> depthReasons,
    Strength freeAcid,
    Dose dose,
    double salicylateShare,
    Mass resorcinol,
    int peelingFirst,
    int peelingLast,
    int intervalDays,
    String flakesLike,
    boolean aboveSalonFigure,
    List<Shut> objections) {

  /// @param strengths of the components in their order, % w/v
  /// @param ph empty keeps what the formula has
  /// @param contact 30 s to 2 h; empty for formulas without minutes
  /// @param layers 1 to 9
  public record Numbers(
      List<Strength> strengths, Optional<Ph> ph, Optional<Duration> contact, int layers) {
    public Numbers {
      strengths = List.copyOf(strengths);
      contact.ifPresent(time -> Require.range("contact, s", (int) time.toSeconds(), 30, 7200));
      Require.range("layers", layers, 1, 9);
    }
  }

  /// @throws IllegalArgumentException when the numbers do not go with the formula's components
  public static Attempt of(Formula formula, Numbers numbers, SelectionFacts facts) {
    if (numbers.strengths().size() != formula.components().size()) {
      throw new IllegalArgumentException(
          formula.code()
              + " has "
              + Words.count(formula.components().size(), "component")
              + "; "
              + numbers.strengths().size()
              + " strengths were given");
    }
    List<Component> components = new ArrayList<>();
    for (int i = 0; i < numbers.strengths().size(); i++) {
      components.add(
          new Component(formula.components().get(i).substance(), numbers.strengths().get(i)));
    }
    boolean same = components.equals(formula.components());
    Formula like = same ? formula : likeness(formula, components, facts);
    Formula tried = with(formula, like, components, numbers.ph().or(formula::ph), same);
    Depth.Reading depth =
        facts
            .screening()
            .limits()
            .deepened(
                Depth.own(tried, numbers.contact(), numbers.layers()),
                tried,
                facts.client().region());
    Area area = facts.area();
    Volume layer = Dose.layer(area);
    Volume all = layer.times(numbers.layers());
    List<Shut> objections = new ArrayList<>(limits(formula, tried, numbers, facts));
    objections.addAll(Gates.of(tried, depth.depth(), numbers.contact(), numbers.layers(), facts));
    return new Attempt(
        depth.depth(),
        depth.reasons(),
        FreeAcid.of(tried),
        Dose.of(tried.strength(), layer, area).times(numbers.layers()),
        Dose.salicylateShare(tried, all, facts.weightKg()),
        Dose.carried(tried, Substance.RESORCINOL, all),
        like.peelingFirst(),
        like.peelingLast(),
        like.use() == Formula.Use.OUT_OF_SCOPE ? 0 : like.intervalDays(numbers.layers()),
        like.code(),
        tried.aboveSalonFigure(),
        List.copyOf(objections));
  }

  /// The weakest formula of the family on the shelf that is as strong; the strongest where none is.
  private static Formula likeness(
      Formula formula, List<Component> components, SelectionFacts facts) {
    Strength strength =
        components.stream().map(Component::strength).reduce(Strength.NONE, Strength::plus);
    List<Formula> family =
        facts.client().shelf().formulas().stream()
            .filter(other -> other.family() == formula.family())
            .sorted(Comparator.comparing(Formula::strength))
            .toList();
    return family.stream()
        .filter(other -> !strength.above(other.strength()))
        .findFirst()
        .orElse(family.isEmpty() ? formula : family.getLast());
  }

  private static Formula with(
      Formula formula, Formula like, List<Component> components, Optional<Ph> ph, boolean same) {
    return new Formula(
        // No list of codes that Screen allows names numbers that were only tried.
        same ? formula.code() : formula.code() + "*",
        formula.name(),
        formula.family(),
        like.rung(),
        formula.entry(),
        components,
        ph,
        formula.vehicle(),
        like.use() == Formula.Use.OUT_OF_SCOPE ? like.use() : formula.use(),
        formula.firstContact(),
        formula.mostContact(),
        formula.layersFirst(),
        formula.layersMost(),
        formula.dwell(),
        like.libraryDepth(),
        like.band(),
        formula.ending(),
        like.use() == Formula.Use.OUT_OF_SCOPE ? formula.intervalDays() : like.intervalDays(),
        formula.seriesLeast(),
        formula.seriesMost(),
        like.peelingFirst(),
        like.peelingLast(),
        formula.label());
  }

  /// What the label itself would say, and the day's shortening.
  private static List<Shut> limits(
      Formula formula, Formula tried, Numbers numbers, SelectionFacts facts) {
    List<Shut> objections = new ArrayList<>();
    boolean passesAll =
        facts.client().shelf().formulas().stream()
            .filter(other -> other.family() == formula.family())
            .allMatch(other -> tried.strength().above(other.strength()));
    if (passesAll) {
      objections.add(
          Gates.gate(
              "STRENGTH",
              Words.fill(
                  "%.0f %% is stronger than any %s on the shelf",
                  tried.strength().percent(), formula.family().label()),
              Clearing.WEAKER));
    }
    numbers.contact().flatMap(time -> tooLong(formula, time, facts)).ifPresent(objections::add);
    formula
        .label()
        .leastContact()
        .filter(least -> numbers.contact().filter(time -> time.compareTo(least) < 0).isPresent())
        .map(least ->
            Gates.gate(
                "CONTACT",
                formula.code() + " needs at least " + Words.clock(least) + " by its label",
                Clearing.LONGER_TIME))
        .ifPresent(objections::add);
    int cap = facts.screening().limits().layers(Amounts.cap(formula, facts));
    if (numbers.layers() > cap) {
      objections.add(
          Gates.gate(
              "LAYERS",
              Words.fill(
                  "%s; %s takes at most %d today",
                  Words.count(numbers.layers(), "layer"), formula.code(), cap),
              Clearing.FEWER_LAYERS));
    }
    return objections;
  }

  private static Optional<Shut> tooLong(Formula formula, Duration time, SelectionFacts facts) {
    if (formula.mostContact().isEmpty()) return Optional.empty();
    Duration most = formula.mostContact().get();
    Duration today = facts.screening().limits().contact(most).orElse(Duration.ZERO);
    if (time.compareTo(today) <= 0) return Optional.empty();
    return Optional.of(
        Gates.gate(
            "CONTACT",
            today.compareTo(most) < 0
                ? Words.fill("%s; shortened to %s today", Words.clock(time), Words.clock(today))
                : Words.fill(
                    "%s; %s is never left beyond %s",
                    Words.clock(time), formula.code(), Words.clock(most)),
            Clearing.SHORTER_TIME));
  }
}
