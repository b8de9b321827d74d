package ivesk.core.plan.objection;

import static ivesk.core.plan.objection.Swaps.name;
import static ivesk.core.plan.objection.Swaps.plain;
import static ivesk.core.plan.objection.Swaps.swapped;

import ivesk.core.Words;
import ivesk.core.formula.Component;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.objection.Objection.Swap;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Timing;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.selection.Selection;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/// Acid by itself and beside other acid: what is there, its time, its depth, its family.
final class AcidRules {
  private AcidRules() {}

  static List<Found> gone(Sight sight) {
    return sight
        .lines()
        .filter(Line::gone)
        .map(line ->
            Found.of(
                line,
                line.words() + " is not there any more; choose another",
                "Take the line out",
                Edit.remove(line.step())))
        .toList();
  }

  static List<Found> rack(Sight sight) {
    if (sight.setting().client().isEmpty()) return List.of();
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().stages().toList()) {
      String code = line.formula().orElseThrow().code();
      line.zones().stream()
          .map(Zone::region)
          .distinct()
          .flatMap(there -> shut(code, there, sight).stream())
          .findFirst()
          .ifPresent(why -> found.add(Found.of(line, why)));
    }
    return found;
  }

  private static Optional<String> shut(String code, Region there, Sight sight) {
    // Behind an acid an add-on is where it belongs.
    List<Shut> shut =
        sight.settingOf(there).client().orElseThrow().rack().tile(code).shut().stream()
            .filter(reason -> !reason.ruleId().equals(Selection.ADD_ON))
            .toList();
    String where = there == sight.script().region() ? "" : " on " + there.withArticle();
    return shut.stream()
        .findFirst()
        .map(first -> code + " is shut today" + where + ": " + first.words());
  }

  static List<Found> acid(Sight sight) {
    return sight
        .lines()
        .filter(Line::acidProduct)
        .map(line -> {
          CareProduct product = line.product().orElseThrow();
          String words =
              "counts as an acid step: timed, and shut where "
                  + Words.list(product.acids().map(ActiveIngredient::label).toList())
                  + " is shut";
          return plain(line)
              .map(edit -> Found.of(line, words, "Swap: " + name(edit), edit))
              .orElseGet(() -> Found.of(line, words));
        })
        .toList();
  }

  /// The peels of a script beside their formulas.
  private static List<Found> ofPeels(Sight sight, BiFunction<Line, Formula, Optional<Found>> says) {
    return sight
        .script()
        .peels()
        .flatMap(line -> says.apply(line, line.formula().orElseThrow()).stream())
        .toList();
  }

  static List<Found> contact(Sight sight) {
    return ofPeels(sight, (line, formula) -> contact(line, formula, sight));
  }

  private static Optional<Found> contact(Line line, Formula formula, Sight sight) {
    if (formula.mostContact().isEmpty()) return Optional.empty();
    Optional<Duration> planned = line.step().timing().planned();
    Optional<Duration> most =
        line.zones().stream()
            .map(Zone::region)
            .distinct()
            .map(sight::settingOf)
            .flatMap(of -> of.most(formula).stream())
            .min(Comparator.naturalOrder());
    if (planned.isEmpty()) {
      Duration least = formula.firstContact().orElseThrow();
      Duration time = most.filter(m -> m.compareTo(least) < 0).orElse(least);
      return Optional.of(
          Found.of(
              line,
              formula.code() + " needs a time",
              "Set " + Words.clock(time),
              Edit.replace(line.step(), line.step().with(Timing.of(time)))));
    }
    return tooLong(line, formula.code(), planned, most, today(sight));
  }

  private static Optional<Found> tooLong(
      Line line, String what, Optional<Duration> planned, Optional<Duration> most, String today) {
    return planned.flatMap(time ->
        most.filter(limit -> time.compareTo(limit) > 0)
            .map(limit ->
                Found.of(
                    line,
                    Words.fill(
                        "%s stays %s; at most %s%s",
                        what, Words.clock(time), Words.clock(limit), today),
                    "Set " + Words.clock(limit),
                    Edit.replace(line.step(), line.step().with(Timing.of(limit))))));
  }

  private static String today(Sight sight) {
    return sight.setting().client().isPresent() ? " today" : "";
  }

  static List<Found> layers(Sight sight) {
    return ofPeels(
        sight,
        (line, formula) -> {
          int layers = sight.setting().mostLayers(formula);
          Step step = line.step();
          if (step.layersAtMost() <= layers) return Optional.empty();
          return Optional.of(
              Found.of(
                  line,
                  Words.fill(
                      "%s at most; %s takes %d%s",
                      Words.count(step.layersAtMost(), "layer"),
                      formula.code(),
                      layers,
                      today(sight)),
                  "Set " + Words.count(layers, "layer"),
                  Edit.replace(step, step.layers(Math.min(step.layers(), layers), layers))));
        });
  }

  static List<Found> spread(Sight sight) {
    return ofPeels(
        sight,
        (line, formula) -> {
          Duration spread = formula.spread();
          return line.step()
              .spread()
              .filter(time -> time.compareTo(spread) > 0)
              .map(time ->
                  Found.of(
                      line,
                      Words.fill(
                          "spread over %d s; within %d s, or the first zone has acid too long",
                          time.toSeconds(), spread.toSeconds()),
                      Words.fill("Within %d s", spread.toSeconds()),
                      Edit.replace(line.step(), line.step().spreadOver(Optional.of(spread)))));
        });
  }

  static List<Found> sooner(Sight sight) {
    return ofPeels(sight, AcidRules::notSooner);
  }

  /// Zones that are to come off earlier, and would not.
  private static Optional<Found> notSooner(Line line, Formula formula) {
    Optional<Duration> whole = line.step().timing().planned().or(formula::mostContact);
    if (whole.isEmpty()) return Optional.empty();
    Map<Zone, Duration> sooner = new HashMap<>(line.step().earlier());
    sooner.values().removeIf(time -> time.compareTo(whole.get()) >= 0);
    List<Zone> late =
        line.step().earlier().keySet().stream()
            .filter(zone -> !sooner.containsKey(zone))
            .sorted()
            .toList();
    if (late.isEmpty()) return Optional.empty();
    return Optional.of(
        Found.of(
            line,
            Words.fill(
                "%s is to come off earlier, and not before the rest at %s",
                Words.list(late.stream().map(Zone::label).toList()), Words.clock(whole.get())),
            "Off with the rest",
            Edit.replace(line.step(), line.step().off(sooner))));
  }

  static List<Found> productTime(Sight sight) {
    return sight
        .lines()
        .filter(Line::acidProduct)
        .flatMap(line -> productTime(line).stream())
        .toList();
  }

  private static Optional<Found> productTime(Line line) {
    CareProduct product = line.product().orElseThrow();
    Optional<Duration> planned = line.step().timing().planned();
    Optional<Duration> most = product.timing().most();
    Optional<Duration> own = product.timing().planned().or(() -> most);
    if (planned.isEmpty() && own.isEmpty()) {
      return Optional.of(Found.of(line, product.name() + " is an acid step: it needs a time"));
    }
    return tooLong(line, product.name(), planned, most, "");
  }

  static List<Found> depth(Sight sight) {
    List<Depth.Stage> deep = new ArrayList<>();
    for (Run run : sight.before()) {
      run.script().peels().forEach(line -> deep.add(stage(line, run.script(), run.setting())));
    }
    Optional<DepthClass> cap = sight.setting().limits().depthCap();
    for (Line line : sight.script().peels().toList()) {
      deep.add(stage(line, sight.script(), sight.setting()));
      Depth.Reading together = Depth.chain(deep);
      boolean medium = together.depth() == DepthClass.MEDIUM;
      boolean beyond = cap.filter(together.depth()::deeperThan).isPresent();
      if (medium || beyond) {
        String words =
            "together "
                + together.depth().label()
                + ": "
                + together.reasons().getLast()
                + (beyond ? "; the cap is " + cap.get().label() : "");
        return List.of(
            new Found(
                line, words, Optional.of(new Swap("Take the stage out", without(line, sight)))));
      }
    }
    return List.of();
  }

  private static Depth.Stage stage(Line line, Script script, Setting setting) {
    return new Depth.Stage(line.formula().orElseThrow(), setting.depth(line, script.region()));
  }

  static List<Found> familyTwice(Sight sight) {
    List<Found> found = new ArrayList<>();
    List<Line> stages = sight.script().peels().toList();
    for (int i = 1; i < stages.size(); i++) {
      Line line = stages.get(i);
      Family family = line.formula().orElseThrow().family().coveredBy();
      // Enzyme, mask, enzyme is a sandwich of the trade: enzymes are no acid.
      boolean again =
          family != Family.ENZYME
              && stages.subList(0, i).stream()
                  .filter(line::shares)
                  .anyMatch(one -> one.formula().orElseThrow().family().coveredBy() == family);
      if (again) {
        found.add(
            new Found(
                line,
                family.label() + " a second time on the same skin",
                Optional.of(new Swap("Take the stage out", without(line, sight)))));
      }
    }
    return found;
  }

  static List<Found> excluded(Sight sight) {
    List<Found> found = new ArrayList<>();
    Set<Substance> excluded = sight.setting().limits().excluded();
    for (Line line : sight.script().lines()) {
      line.product()
          .flatMap(product ->
              product
                  .acids()
                  .filter(acid -> acid.substance().filter(excluded::contains).isPresent())
                  .findFirst())
          .ifPresent(acid ->
              found.add(swapped(line, "holds " + acid.label() + ", which is excluded today")));
    }
    return found;
  }

  static List<Found> oneApplication(Sight sight) {
    if (sight.chose(Choice.STRENGTH_STEPS)) return List.of();
    List<Found> found = new ArrayList<>();
    List<Line> acids =
        sight.script().stages().filter(line -> hydroxy(line.formula().orElseThrow())).toList();
    for (int i = 1; i < acids.size(); i++) {
      Line line = acids.get(i);
      acids.subList(0, i).stream()
          .filter(line::shares)
          .findFirst()
          .ifPresent(one ->
              found.add(
                  new Found(
                      line,
                      Words.fill(
                          "%s and %s on the same skin: one application of acid in one visit",
                          one.words(), line.words()),
                      Optional.of(new Swap("Take the stage out", without(line, sight))))));
    }
    return found;
  }

  private static boolean hydroxy(Formula formula) {
    return formula.components().stream().map(Component::substance).anyMatch(Substance::acid);
  }

  /// Takes a stage out with what ends it.
  private static List<Edit> without(Line stage, Sight sight) {
    List<Edit> out = new ArrayList<>();
    out.add(Edit.remove(stage.step()));
    sight.script().ending(stage).forEach(end -> out.add(Edit.remove(end.step())));
    return out;
  }
}
