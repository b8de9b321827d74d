package ivesk.core.plan;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.plan.Objection.Severity.MIND;
import static ivesk.core.plan.Objection.Severity.NOTE;
import static ivesk.core.plan.Objection.Severity.SHUT;

import ivesk.core.Source;
import ivesk.core.Words;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Substance;
import ivesk.core.plan.Objection.Edit;
import ivesk.core.plan.Objection.Severity;
import ivesk.core.plan.Objection.Swap;
import ivesk.core.plan.Script.Line;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.product.Conflict;
import ivesk.core.product.GenericProducts;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.quantity.Amount;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.screening.Screening.Shut;
import ivesk.core.selection.Selection;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// What is objected to a line, one rule after the other as the table of the trade has them.
public final class ScriptRules {

  /// @param when a line is objected to, as a clinician would read it
  public record Rule(
      String id,
      Severity severity,
      Source source,
      String when,
      Function<Sight, List<Found>> says) {}

  /// What a rule sees.
  ///
  /// @param besides settings of other regions of which it names zones
  /// @param before runs done earlier in the visit
  /// @param tooShort the slot, where it is shorter than the steps
  /// @param minutes of the whole appointment
  record Sight(
      Script script,
      Setting setting,
      Map<Region, Setting> besides,
      List<Objections.Run> before,
      Optional<Duration> tooShort,
      long minutes) {

    Stream<Line> lines() {
      return script.lines().stream();
    }

    boolean chose(Choice choice) {
      return setting.policies().chose(choice);
    }

    Setting settingOf(Region there) {
      return besides.getOrDefault(there, setting);
    }

    boolean isFace() {
      return script.region() == Region.FACE || script.region() == Region.EYE_CONTOUR;
    }
  }

  record Found(Line line, String words, Optional<Swap> swap) {
    static Found of(Line line, String words) {
      return new Found(line, words, Optional.empty());
    }

    static Found of(Line line, String words, String key, Edit... edits) {
      return new Found(line, words, Optional.of(new Swap(key, List.of(edits))));
    }
  }

  public static final List<Rule> ALL =
      List.of(
          rule(
              "PRO-GONE",
              SHUT,
              OWN_DEFAULT,
              "what it names is neither on the shelf nor in the catalogue any more",
              ScriptRules::gone),
          rule(
              "PRO-RACK",
              SHUT,
              OWN_DEFAULT,
              "its formula is shut for this client today",
              ScriptRules::rack),
          rule(
              "PRO-ACID",
              NOTE,
              OWN_DEFAULT,
              "a product with acid counts as an acid step",
              ScriptRules::acid),
          rule(
              "PRO-TIME",
              SHUT,
              COMMON_PRACTICE,
              "an acid step is longer than the formula's most, has no time although it needs one,"
                  + " has a zone off later than the rest, or spreads over more than 60 s",
              ScriptRules::time),
          rule(
              "PRO-GATE-A",
              MIND,
              COMMON_PRACTICE,
              "acid with no prep answer asked before it",
              ScriptRules::gateA),
          rule(
              "PRO-GATE-B",
              SHUT,
              COMMON_PRACTICE,
              "two acid stages on the same zones with no gate B between",
              ScriptRules::gateB),
          rule(
              "PRO-GATE-C",
              SHUT,
              COMMON_PRACTICE,
              "extraction, high frequency or mask after acid with no gate C",
              ScriptRules::gateC),
          rule(
              "PRO-DEPTH",
              SHUT,
              COMMON_PRACTICE,
              "the stages of the visit together come to medium, or pass the client's cap",
              ScriptRules::depth),
          rule(
              "PRO-ORDER",
              MIND,
              COMMON_PRACTICE,
              "no look before the first cleanse; no barrier or eye guard before acid; anything but"
                  + " water, base or cold between end and rest; sunscreen missing or not last",
              ScriptRules::order),
          rule(
              "PRO-BASE",
              SHUT,
              COMMON_PRACTICE,
              "an acid that must be neutralised has no base laid out, or less than 1 : 1 by mole"
                  + " for the planned layers",
              ScriptRules::base),
          rule(
              "PRO-UNDO",
              MIND,
              COMMON_PRACTICE,
              "a base is written as the way to stop TCA, Jessner or salicylic acid",
              ScriptRules::undo),
          rule(
              "PRO-HEAT",
              MIND,
              COMMON_PRACTICE,
              "warmth before, during or after acid the same day",
              ScriptRules::heat),
          rule(
              "PRO-SCRUB",
              SHUT,
              COMMON_PRACTICE,
              "scrub, brush, shaving or blade on skin that had acid this visit, or a scrub before"
                  + " it",
              ScriptRules::scrub),
          rule(
              "PRO-MASSAGE",
              MIND,
              COMMON_PRACTICE,
              "facial massage on acid-treated skin",
              ScriptRules::massage),
          rule(
              "PRO-SPARK",
              SHUT,
              COMMON_PRACTICE,
              "current while an alcohol-wet product has not dried",
              ScriptRules::spark),
          rule(
              "PRO-SECOND",
              SHUT,
              COMMON_PRACTICE,
              "the same family of acid twice on the same zones, or an acid prep of an excluded"
                  + " substance",
              ScriptRules::second),
          rule(
              "PRO-POLICY",
              SHUT,
              COMMON_PRACTICE,
              "two acids on the same skin where the practice does one application in a visit",
              ScriptRules::oneApplication),
          rule(
              "PRO-RETINOID",
              SHUT,
              COMMON_PRACTICE,
              "a retinoid on zones with frost, lips, lids or eye contour",
              ScriptRules::retinoid),
          rule(
              "PRO-PAIR",
              MIND,
              COMMON_PRACTICE,
              "two products whose actives conflict on the same zones the same day",
              ScriptRules::pair),
          rule(
              "PRO-WHERE",
              SHUT,
              COMMON_PRACTICE,
              "on a region or zone that it is not made for, or that is left out today",
              ScriptRules::where),
          rule(
              "PRO-CARE",
              SHUT,
              COMMON_PRACTICE,
              "it goes against one of the day's limits",
              ScriptRules::care),
          rule(
              "PRO-COMFORT",
              MIND,
              OWN_DEFAULT,
              "a line goes against what the client asked the couch to respect",
              ScriptRules::comfort),
          rule(
              "PRO-ALLERGY",
              SHUT,
              COMMON_PRACTICE,
              "an allergen of the product is in the client's words",
              ScriptRules::allergy),
          rule(
              "PRO-STOCK",
              MIND,
              COMMON_PRACTICE,
              "not in stock, out of date, open too long",
              ScriptRules::stock),
          rule(
              "PRO-SLOT",
              NOTE,
              OWN_DEFAULT,
              "the steps are longer than the slot",
              ScriptRules::slot));

  private ScriptRules() {}

  /// What a rule objects to, in words; empty for one that is there no more.
  public static Optional<String> says(String id) {
    return ALL.stream().filter(rule -> rule.id().equals(id)).map(Rule::when).findFirst();
  }

  private static Rule rule(
      String id, Severity severity, Source source, String when, Function<Sight, List<Found>> says) {
    return new Rule(id, severity, source, when, says);
  }

  private static List<Found> gone(Sight sight) {
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

  private static List<Found> rack(Sight sight) {
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

  private static List<Found> acid(Sight sight) {
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

  private static List<Found> time(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      line.formula()
          .filter(Formula::peels)
          .ifPresent(formula -> peelTime(line, formula, sight).forEach(found::add));
      if (line.acidProduct()) productTime(line).ifPresent(found::add);
    }
    return found;
  }

  private static List<Found> peelTime(Line line, Formula formula, Sight sight) {
    List<Found> found = new ArrayList<>();
    Setting setting = sight.setting();
    Optional<Duration> planned = line.step().timing().planned();
    Optional<Duration> most =
        line.zones().stream()
            .map(Zone::region)
            .distinct()
            .map(sight::settingOf)
            .flatMap(of -> of.most(formula).stream())
            .min(Comparator.naturalOrder());
    if (formula.mostContact().isPresent()) {
      Duration least = formula.firstContact().orElseThrow();
      if (planned.isEmpty()) {
        Duration time = most.filter(m -> m.compareTo(least) < 0).orElse(least);
        found.add(
            Found.of(
                line,
                formula.code() + " needs a time",
                "Set " + Words.clock(time),
                Edit.replace(line.step(), line.step().with(Timing.of(time)))));
      } else if (most.isPresent() && planned.get().compareTo(most.get()) > 0) {
        found.add(
            Found.of(
                line,
                Words.fill(
                    "%s stays %s; at most %s%s",
                    formula.code(),
                    Words.clock(planned.get()),
                    Words.clock(most.get()),
                    setting.client().isPresent() ? " today" : ""),
                "Set " + Words.clock(most.get()),
                Edit.replace(line.step(), line.step().with(Timing.of(most.get())))));
      }
    }
    int layers = setting.mostLayers(formula);
    if (line.step().layersAtMost() > layers) {
      found.add(
          Found.of(
              line,
              Words.fill(
                  "%s at most; %s %s",
                  Words.count(line.step().layersAtMost(), "layer"),
                  formula.code(),
                  "takes " + layers + (setting.client().isPresent() ? " today" : "")),
              "Set " + Words.count(layers, "layer"),
              Edit.replace(
                  line.step(),
                  line.step().layers(Math.min(line.step().layers(), layers), layers))));
    }
    notSooner(line, formula).ifPresent(found::add);
    Duration spread = formula.spread();
    line.step()
        .spread()
        .filter(time -> time.compareTo(spread) > 0)
        .ifPresent(time ->
            found.add(
                Found.of(
                    line,
                    Words.fill(
                        "spread over %d s; within %d s, or the first zone has acid too long",
                        time.toSeconds(), spread.toSeconds()),
                    Words.fill("Within %d s", spread.toSeconds()),
                    Edit.replace(line.step(), line.step().spreadOver(Optional.of(spread))))));
    return found;
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

  private static Optional<Found> productTime(Line line) {
    CareProduct product = line.product().orElseThrow();
    Optional<Duration> planned = line.step().timing().planned();
    Optional<Duration> most = product.timing().most();
    Optional<Duration> own = product.timing().planned().or(() -> most);
    if (planned.isEmpty() && own.isEmpty()) {
      return Optional.of(Found.of(line, product.name() + " is an acid step: it needs a time"));
    }
    return planned
        .filter(time -> most.filter(limit -> time.compareTo(limit) > 0).isPresent())
        .map(time ->
            Found.of(
                line,
                Words.fill(
                    "%s stays %s; at most %s",
                    product.name(), Words.clock(time), Words.clock(most.get())),
                "Set " + Words.clock(most.get()),
                Edit.replace(line.step(), line.step().with(Timing.of(most.get())))));
  }

  private static List<Found> gateA(Sight sight) {
    return sight
        .script()
        .peels()
        .findFirst()
        .filter(line ->
            !line.gate(StepGate.A)
                && sight.script().before(line).noneMatch(other -> other.gate(StepGate.A)))
        .map(line ->
            Found.of(
                line,
                "nobody asked how the prep feels before the acid",
                "Ask: gate A",
                Edit.replace(line.step(), line.step().with(StepGate.A))))
        .stream()
        .toList();
  }

  private static List<Found> gateB(Sight sight) {
    List<Found> found = new ArrayList<>();
    List<Line> stages = sight.script().stages().toList();
    for (int i = 1; i < stages.size(); i++) {
      Line line = stages.get(i);
      boolean unasked =
          stages.subList(0, i).stream()
              .filter(line::shares)
              .reduce((_, later) -> later)
              .filter(one ->
                  !line.gate(StepGate.B)
                      && sight.script().between(one, line).noneMatch(o -> o.gate(StepGate.B)))
              .isPresent();
      if (unasked) {
        found.add(
            Found.of(
                line,
                "a second stage on the same skin, and nobody looked between",
                "Ask: gate B",
                Edit.replace(line.step(), line.step().with(StepGate.B))));
      }
    }
    return found;
  }

  private static List<Found> gateC(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      boolean tool =
          line.is(StepKind.MASK)
              || line.act().filter(act -> act.extracts() || act == Act.HIGH_FREQUENCY).isPresent();
      if (!tool || line.gate(StepGate.C)) continue;
      sight
          .script()
          .peelUnder(line)
          .filter(acid -> sight.script().between(acid, line).noneMatch(o -> o.gate(StepGate.C)))
          .ifPresent(_ ->
              found.add(
                  Found.of(
                      line,
                      Words.capital(line.words()) + " on skin that had acid, and nobody asked",
                      "Ask: gate C",
                      Edit.replace(line.step(), line.step().with(StepGate.C)))));
    }
    return found;
  }

  private static List<Found> depth(Sight sight) {
    List<Depth.Stage> deep = new ArrayList<>();
    for (Objections.Run run : sight.before()) {
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

  private static List<Found> order(Sight sight) {
    List<Found> found = new ArrayList<>();
    Script script = sight.script();
    first(script, line -> line.is(StepKind.CLEANSE) || line.is(StepKind.REMOVE))
        .filter(line -> script.before(line).noneMatch(other -> other.is(StepKind.LOOK)))
        .ifPresent(line ->
            found.add(
                Found.of(
                    line,
                    "no look before the first cleanse, which changes what there is to see",
                    "Put look 1 first",
                    Edit.before(line.step(), Step.of(fresh(script, "look"), Act.LOOK_1)))));
    if (sight.isFace()) {
      script.peels().findFirst().ifPresent(acid -> guards(script, acid, sight).forEach(found::add));
    }
    for (Line acid : script.peels().toList()) {
      for (Line line : script.ending(acid)) {
        boolean kept =
            line.act().filter(Act::endsOrCools).isPresent()
                || line.product()
                    .filter(p -> p.role() == Role.NEUTRALISER || p.role() == Role.COMPRESS)
                    .isPresent()
                || line.is(StepKind.REST);
        if (!kept) {
          found.add(
              Found.of(
                  line,
                  "between the end of the acid and rest only water, base or cold",
                  "Take the line out",
                  Edit.remove(line.step())));
        }
      }
    }
    sunscreen(sight).ifPresent(found::add);
    return found;
  }

  private static List<Found> guards(Script script, Line acid, Sight sight) {
    List<Found> found = new ArrayList<>();
    boolean barrier =
        script
            .before(acid)
            .anyMatch(line -> line.product().filter(p -> p.role() == Role.BARRIER).isPresent());
    if (!barrier) {
      Step step =
          Step.of(fresh(script, "barrier"), StepKind.GUARD, new What.Use(code(Role.BARRIER)));
      found.add(
          Found.of(
              acid,
              "no barrier on lips, nostrils and eye corners before the acid",
              "Put barrier before it",
              Edit.before(acid.step(), step)));
    }
    boolean eyes =
        script.before(acid).anyMatch(line -> line.act().filter(Act::guardsEyes).isPresent());
    if (!eyes) {
      Act guard = Composer.eyes(sight.setting().policies(), sight.setting().comfort());
      found.add(
          Found.of(
              acid,
              "nothing over the eyes before the acid",
              "Put " + guard.label() + " before it",
              Edit.before(acid.step(), Step.of(fresh(script, "eyes"), guard))));
    }
    return found;
  }

  /// Only what belongs after it may follow: powder and the look at the door. What ends by itself
  /// leaves no product for its hours.
  private static Optional<Found> sunscreen(Sight sight) {
    Script script = sight.script();
    Optional<Line> acid = script.peels().reduce((_, later) -> later);
    if (acid.isEmpty() || Composer.staysAsItIs(acid.get().formula().orElseThrow(), sight.setting()))
      return Optional.empty();
    Optional<Line> last = script.after(acid.get()).filter(ScriptRules::sunscreens).findFirst();
    if (last.isEmpty()) {
      Line end = script.lines().getLast();
      Step step =
          Step.of(fresh(script, "spf"), StepKind.SUNSCREEN, new What.Use(code(Role.SUNSCREEN)));
      return Optional.of(
          Found.of(
              acid.get(),
              "no sunscreen after the acid",
              "Put sunscreen last",
              end.is(StepKind.LEAVING_CHECK)
                  ? Edit.before(end.step(), step)
                  : Edit.after(end.step(), step)));
    }
    Line at = last.get();
    return script
        .after(at)
        .filter(line -> !sunscreens(line) && !followsSunscreen(line))
        .reduce((_, later) -> later)
        .map(later ->
            Found.of(
                at,
                "sunscreen is not last: " + later.words() + " goes on top of it",
                "Move it after " + later.words(),
                Edit.remove(at.step()),
                Edit.after(later.step(), at.step())));
  }

  private static boolean sunscreens(Line line) {
    return line.product().filter(product -> product.role() == Role.SUNSCREEN).isPresent();
  }

  private static boolean followsSunscreen(Line line) {
    return line.is(StepKind.LEAVING_CHECK)
        || line.is(StepKind.LOOK)
        || line.product()
            .filter(p -> p.role() == Role.FINISHER || p.role() == Role.HOME_CARE)
            .isPresent();
  }

  private static List<Found> base(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line acid : sight.script().peels().toList()) {
      Formula formula = acid.formula().orElseThrow();
      if (!Neutraliser.ends(formula) || endsWithout(acid, sight)) continue;
      Ledger.OfStage ledger = Ledger.of(sight.script(), acid);
      if (ledger.covered()) continue;
      found.add(uncovered(acid, ledger, sight));
    }
    return found;
  }

  /// Ended without base: by a compress lift, or by water where the practice does so.
  private static boolean endsWithout(Line acid, Sight sight) {
    List<Act> acts =
        sight.script().ending(acid).stream().flatMap(line -> line.act().stream()).toList();
    boolean water = acts.contains(Act.COOL_RINSE) || acts.contains(Act.DAMP_PADS);
    return water
            && TakeOff.byWater(
                acid.formula().orElseThrow(),
                sight.setting().depth(acid, sight.script().region()),
                sight.setting().policies())
        || acts.contains(Act.COMPRESS_LIFT) && sight.setting().care(Care.Kind.COMPRESS_LIFT);
  }

  private static Found uncovered(Line acid, Ledger.OfStage ledger, Sight sight) {
    Script script = sight.script();
    String words =
        Words.fill(
            "%s on the skin, %s of base laid out: it outruns the base",
            mmol(ledger.acid()), mmol(ledger.base()));
    Optional<Line> there =
        script.ending(acid).stream()
            .filter(line -> line.product().flatMap(CareProduct::base).isPresent())
            .filter(line -> Ledger.base(line).mmol() > 0)
            .findFirst();
    CareProduct product =
        there.flatMap(Line::product).orElseGet(() -> Composer.neutraliser(sight.setting()));
    Optional<Double> units =
        product.base().flatMap(base -> base.unitsFor(ledger.acid().times(2), product.dose()));
    if (units.isEmpty()) return Found.of(acid, words);
    double amount = Math.ceil(units.get());
    String key = "Lay out " + product.dose().words(amount) + " of " + product.name();
    if (there.isPresent()) {
      return Found.of(
          acid, words, key, Edit.replace(there.get().step(), there.get().step().amount(amount)));
    }
    Step step =
        Step.of(fresh(script, "base"), StepKind.ENDING, new What.Use(product.code()))
            .on(acid.step().zones())
            .amount(amount);
    return Found.of(
        acid,
        ledger.base().mmol() == 0
            ? acid.words() + " must be neutralised; no base is laid out"
            : words,
        key,
        Edit.after(acid.step(), step));
  }

  private static String mmol(Amount amount) {
    return Words.number(amount.mmol(), 1) + " mmol";
  }

  private static List<Found> undo(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line acid : sight.script().peels().toList()) {
      Formula formula = acid.formula().orElseThrow();
      boolean runsItsCourse =
          formula.contains(Substance.TCA)
              || formula.family() == Family.JESSNER
              || formula.contains(Substance.SALICYLIC);
      if (!runsItsCourse) continue;
      for (Line line : sight.script().ending(acid)) {
        if (Ledger.base(line).mmol() == 0) continue;
        Act instead = formula.contains(Substance.TCA) ? Act.COLD_COMPRESSES : Act.COOL_RINSE;
        found.add(
            Found.of(
                line,
                "a base does not undo " + formula.family().label() + "; it runs its course",
                "Swap: " + instead.label(),
                Edit.replace(line.step(), line.step().with(new What.Do(instead)))));
      }
    }
    return found;
  }

  private static List<Found> heat(Sight sight) {
    if (sight.script().peels().findAny().isEmpty()) return List.of();
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      line.act()
          .filter(Act::warms)
          .ifPresent(act ->
              found.add(
                  Found.of(
                      line,
                      act.label() + " raises what the skin takes up, before and after acid",
                      "Take the line out",
                      Edit.remove(line.step()))));
      line.product()
          .filter(product -> product.thermal() == Thermal.WARMS)
          .filter(
              product -> product.role() != Role.MASK || !sight.chose(Choice.SETTING_MASK_MAY_WARM))
          .ifPresent(product ->
              found.add(
                  swapped(
                      line,
                      product.role() == Role.MASK
                          ? "warms skin that had acid; the practice chose cooling masks"
                          : "warms skin the same day as acid")));
    }
    return found;
  }

  private static List<Found> scrub(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      boolean scrubs =
          line.act().filter(act -> act == Act.SCRUB).isPresent()
              || line.product().filter(p -> p.has(ActiveIngredient.Kind.SCRUB)).isPresent();
      boolean abrades = scrubs || line.act().filter(Act::abrades).isPresent();
      boolean after = sight.script().peelUnder(line).isPresent();
      boolean before =
          sight.script().after(line).anyMatch(other -> peels(other) && other.shares(line));
      if (abrades && after || scrubs && before) {
        found.add(
            Found.of(
                line,
                after
                    ? Words.capital(line.words()) + " on skin that had acid"
                    : Words.capital(line.words()) + " opens the skin before acid",
                "Take the line out",
                Edit.remove(line.step())));
      }
    }
    return found;
  }

  private static boolean peels(Line line) {
    return line.formula().filter(Formula::peels).isPresent();
  }

  private static List<Found> massage(Sight sight) {
    if (!sight.isFace()) return List.of();
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      if (line.act().filter(act -> act == Act.MASSAGE).isEmpty()) continue;
      Optional<Line> acid = sight.script().peelUnder(line);
      if (acid.isEmpty()) continue;
      boolean calming =
          sight
              .script()
              .between(acid.get(), line)
              .filter(line::shares)
              .reduce((_, later) -> later)
              .flatMap(Line::product)
              .filter(product -> product.has(ActiveIngredient.Kind.CALMING))
              .isPresent();
      if (sight.chose(Choice.FEATHER_LIGHT_MASSAGE) && calming) continue;
      found.add(
          Found.of(
              line,
              sight.chose(Choice.FEATHER_LIGHT_MASSAGE)
                  ? "feather-light massage wants a calming product under it"
                  : "massage on skin that was just softened: hand, arm or scalp instead",
              "Take the line out",
              Edit.remove(line.step())));
    }
    return found;
  }

  private static List<Found> spark(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      if (line.act().filter(act -> act == Act.HIGH_FREQUENCY).isEmpty()) continue;
      Optional<Line> wet =
          sight
              .script()
              .before(line)
              .filter(line::shares)
              .filter(other -> other.product().filter(CareProduct::alcoholWet).isPresent())
              .reduce((_, later) -> later);
      boolean dried =
          wet.filter(one ->
                  sight
                      .script()
                      .between(one, line)
                      .anyMatch(other -> other.act().filter(Act::dries).isPresent()))
              .isPresent();
      if (wet.isPresent() && !dried) {
        found.add(
            Found.of(
                line,
                "current while " + wet.get().words() + " is wet: it can spark",
                "Put blot until dry before it",
                Edit.before(line.step(), Step.of(fresh(sight.script(), "dry"), Act.DRY))));
      }
    }
    return found;
  }

  private static List<Found> second(Sight sight) {
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

  private static List<Found> oneApplication(Sight sight) {
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
    return formula.components().stream()
        .map(Formula.Component::substance)
        .anyMatch(Substance::acid);
  }

  /// Takes a stage out with what ends it.
  private static List<Edit> without(Line stage, Sight sight) {
    List<Edit> out = new ArrayList<>();
    out.add(Edit.remove(stage.step()));
    sight.script().ending(stage).forEach(end -> out.add(Edit.remove(end.step())));
    return out;
  }

  private static List<Found> retinoid(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      boolean retinoid =
          line.product().filter(p -> p.has(ActiveIngredient.Kind.RETINOID)).isPresent()
              || line.formula().filter(f -> f.contains(Substance.RETINOL)).isPresent();
      if (!retinoid) continue;
      if (line.zones().stream().anyMatch(zone -> zone.region() == Region.EYE_CONTOUR)) {
        found.add(
            Found.of(
                line,
                "a retinoid never goes on lids or eye contour",
                "Take the line out",
                Edit.remove(line.step())));
        continue;
      }
      sight
          .script()
          .peelUnder(line)
          .map(acid -> acid.formula().orElseThrow())
          .filter(formula -> frostIsPlanned(formula, sight.setting().policies()))
          .ifPresent(formula ->
              found.add(
                  Found.of(
                      line,
                      "a retinoid on the frost that " + formula.code() + " is planned for",
                      "Take the line out",
                      Edit.remove(line.step()))));
    }
    return found;
  }

  private static boolean frostIsPlanned(Formula formula, Policies policies) {
    return switch (formula.frost()) {
      case PLANNED -> true;
      case BY_POLICY -> policies.chose(Choice.JESSNER_FIRST_FROST);
      case INJURY -> false;
    };
  }

  private static List<Found> pair(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      if (line.product().isEmpty()) continue;
      CareProduct product = line.product().get();
      boolean afterCare = line.is(StepKind.PRODUCT) || line.is(StepKind.SUNSCREEN);
      if (afterCare || line.is(StepKind.MASK)) {
        sight
            .script()
            .peelUnder(line)
            .map(acid ->
                new Conflict.After(acid.formula().orElseThrow(), sight.setting().policies()))
            .map(peel -> Conflict.on(peel, product))
            .orElse(List.of())
            .forEach(conflict ->
                found.add(
                    conflict
                        .instead()
                        .map(other -> swapped(line, conflict.words(), other))
                        .orElseGet(() -> Found.of(line, conflict.words()))));
      }
      sight
          .script()
          .before(line)
          .filter(line::shares)
          .flatMap(other -> other.product().stream())
          .flatMap(other -> Conflict.between(other, product).stream())
          .distinct()
          .forEach(conflict ->
              found.add(
                  Found.of(line, conflict.words(), "Take the line out", Edit.remove(line.step()))));
    }
    return found;
  }

  /// A closed-in feeling: nothing over nose and mouth, and pads rather than shields.
  private static List<Found> comfort(Sight sight) {
    if (!sight.isFace() || !sight.setting().comfort().contains(Comfort.CLOSED_IN)) return List.of();
    List<Zone> covering = List.of(Zone.NOSE, Zone.UPPER_LIP);
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      if (line.act().filter(act -> act == Act.EYE_SHIELDS).isPresent()) {
        Step pads = Step.of(line.step().id(), Act.EYE_PADS);
        found.add(
            Found.of(
                line,
                "shields over a closed-in feeling",
                "Take " + Act.EYE_PADS.label(),
                Edit.replace(line.step(), pads)));
      } else if (line.is(StepKind.MASK) && line.zones().stream().anyMatch(covering::contains)) {
        List<Zone> open = line.zones().stream().filter(zone -> !covering.contains(zone)).toList();
        found.add(
            open.isEmpty()
                ? Found.of(
                    line, "a mask over nose and mouth", "Take it out", Edit.remove(line.step()))
                : Found.of(
                    line,
                    "a mask over nose and mouth, and a closed-in feeling",
                    "Leave nose and mouth free",
                    Edit.replace(line.step(), line.step().on(open))));
      }
    }
    return found;
  }

  private static List<Found> where(Sight sight) {
    List<Found> found = new ArrayList<>();
    Region region = sight.script().region();
    for (Line line : sight.script().lines()) {
      Set<Region> made =
          line.product()
              .map(CareProduct::regions)
              .or(() -> line.formula().map(formula -> formula.label().regions()))
              .orElse(Set.of(region));
      Optional<Region> elsewhere =
          Stream.concat(
                  Stream.of(region).filter(own -> line.step().zones().isEmpty()),
                  line.zones().stream().map(Zone::region))
              .filter(there -> !made.contains(there))
              .findFirst();
      if (elsewhere.isPresent()) {
        found.add(
            swapped(line, line.words() + " is not made for " + elsewhere.get().withArticle()));
        continue;
      }
      boolean never =
          line.product().filter(p -> p.neverOn().contains(NeverOn.EYE_CONTOUR)).isPresent()
              && line.zones().stream().anyMatch(zone -> zone.region() == Region.EYE_CONTOUR);
      List<Zone> shut =
          touches(line)
              ? line.zones().stream()
                  .filter(zone ->
                      sight.settingOf(zone.region()).limits().excludedZones().contains(zone)
                          || never && zone.region() == Region.EYE_CONTOUR)
                  .toList()
              : List.of();
      // Where nothing else is said, a line goes over what is left; a named zone is meant.
      boolean named = !line.step().zones().isEmpty();
      if (shut.isEmpty() || !named && !never && !shut.containsAll(line.zones())) continue;
      List<Zone> rest = line.zones().stream().filter(zone -> !shut.contains(zone)).toList();
      String words =
          Words.list(shut.stream().map(Zone::label).toList())
              + (never ? " is no place for it" : " is left out today; Screen says why");
      found.add(
          rest.isEmpty()
              ? Found.of(line, words, "Take the line out", Edit.remove(line.step()))
              : Found.of(
                  line, words, "Leave it out", Edit.replace(line.step(), line.step().on(rest))));
    }
    return found;
  }

  /// Acid, tools and products that stay go where they may; looks, cleanses and guards go anywhere.
  private static boolean touches(Line line) {
    return line.stage()
        || line.acidProduct()
        || line.is(StepKind.TOOL)
        || line.is(StepKind.MASK)
        || line.product().filter(p -> !p.neverOn().isEmpty()).isPresent();
  }

  /// What a limit of the day has against a line; empty where it has nothing.
  private static final Map<Care.Kind, Predicate<Line>> AGAINST =
      Map.of(
          Care.Kind.NO_SOLVENT, line -> role(line, Role.SOLVENT_WIPE),
          Care.Kind.NO_HEAT,
              line ->
                  line.act().filter(Act::warms).isPresent()
                      || line.product().filter(p -> p.thermal() == Thermal.WARMS).isPresent(),
          Care.Kind.NO_SCRUB,
              line ->
                  line.act().filter(Act::abrades).isPresent()
                      || line.product().filter(p -> p.has(ActiveIngredient.Kind.SCRUB)).isPresent(),
          Care.Kind.NO_LANCET, line -> act(line, Act.LANCET_EXTRACTION),
          Care.Kind.NO_EXTRACTION, line -> line.act().filter(Act::extracts).isPresent(),
          Care.Kind.NO_HIGH_FREQUENCY, line -> act(line, Act.HIGH_FREQUENCY),
          Care.Kind.NO_LIDOCAINE,
              line -> line.product().filter(p -> p.has(ActiveIngredient.Kind.NUMBING)).isPresent(),
          Care.Kind.MINERAL_SUNSCREEN,
              line ->
                  line.product()
                      .filter(p -> p.filter() == CareProduct.Filter.CHEMICAL)
                      .isPresent());

  private static boolean role(Line line, Role role) {
    return line.product().filter(product -> product.role() == role).isPresent();
  }

  private static boolean act(Line line, Act act) {
    return line.act().filter(act::equals).isPresent();
  }

  private static List<Found> care(Sight sight) {
    List<Found> found = new ArrayList<>();
    Set<Care.Kind> limits = sight.setting().limits().care();
    for (Line line : sight.script().lines()) {
      Arrays.stream(Care.Kind.values())
          .filter(limits::contains)
          .filter(kind -> AGAINST.getOrDefault(kind, _ -> false).test(line))
          .forEach(kind -> found.add(swapped(line, "today: " + new Care(kind).words())));
    }
    boolean extracts = !sight.chose(Choice.EXTRACTION_AFTER_PEEL);
    for (Line line : sight.script().lines()) {
      if (extracts
          && line.act().filter(Act::extracts).isPresent()
          && sight.script().peelUnder(line).isPresent()) {
        found.add(
            Found.of(
                line,
                "the practice does not extract after a peel: softened skin tears",
                "Take the line out",
                Edit.remove(line.step())));
      }
    }
    if (sight.setting().care(Care.Kind.COMPRESS_LIFT)) {
      for (Line acid : sight.script().peels().toList()) {
        boolean lifted =
            sight.script().ending(acid).stream().anyMatch(line -> act(line, Act.COMPRESS_LIFT));
        if (!lifted) {
          found.add(
              Found.of(
                  acid,
                  "today: " + new Care(Care.Kind.COMPRESS_LIFT).words(),
                  "Put compress lift after it",
                  Edit.after(
                      acid.step(), Step.of(fresh(sight.script(), "lift"), Act.COMPRESS_LIFT))));
        }
      }
    }
    return found;
  }

  private static List<Found> allergy(Sight sight) {
    if (sight.setting().client().isEmpty()) return List.of();
    String told = sight.setting().client().get().allergies();
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      line.product().stream()
          .flatMap(product -> product.allergens().stream())
          .filter(allergen -> Words.names(told, allergen))
          .findFirst()
          .ifPresent(allergen ->
              found.add(swapped(line, "holds " + allergen + ", which the client told of")));
    }
    return found;
  }

  private static List<Found> stock(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      line.product()
          .flatMap(product ->
              sight.setting().catalogue().nothingLeft(product.code(), sight.setting().day()))
          .ifPresent(fault -> found.add(swapped(line, line.words() + ": " + fault.label())));
      line.formula()
          .flatMap(
              formula -> sight.setting().shelf().nothingLeft(formula.code(), sight.setting().day()))
          .ifPresent(words -> found.add(Found.of(line, words)));
    }
    return found;
  }

  private static List<Found> slot(Sight sight) {
    return sight.tooShort().stream()
        .map(slot ->
            Found.of(
                sight.script().lines().getLast(),
                Words.fill(
                    "the steps take %d min, %d are booked", sight.minutes(), slot.toMinutes())))
        .toList();
  }

  /// The plain product, or plain act, that stands in for a line; empty where there is none.
  private static Optional<Edit> plain(Line line) {
    return line.product().flatMap(product -> instead(line, product));
  }

  private static Optional<Edit> instead(Line line, CareProduct product) {
    if (product.role() == Role.SOLVENT_WIPE || product.role() == Role.ACID_PREP) {
      return Optional.of(
          Edit.replace(
              line.step(), line.step().with(new What.Do(Act.PLAIN_WIPE)).with(Timing.NONE)));
    }
    return GenericProducts.plain(product.role())
        .filter(other -> !other.code().equals(product.code()))
        .map(other -> inPlace(line, other));
  }

  private static Edit inPlace(Line line, CareProduct other) {
    return Edit.replace(
        line.step(), line.step().with(new What.Use(other.code())).with(Timing.NONE));
  }

  private static Found swapped(Line line, String words) {
    return plain(line)
        .map(edit -> Found.of(line, words, "Swap: " + name(edit), edit))
        .orElseGet(() -> Found.of(line, words, "Take the line out", Edit.remove(line.step())));
  }

  private static Found swapped(Line line, String words, CareProduct other) {
    return Found.of(line, words, "Swap: " + other.name(), inPlace(line, other));
  }

  private static String name(Edit edit) {
    return switch (edit.instead().getFirst().what()) {
      case What.Do(var act) -> act.label();
      case What.Peel(var code) -> code;
      case What.Use(var code) ->
          GenericProducts.ALL.stream()
              .filter(product -> product.code().equals(code))
              .findFirst()
              .map(CareProduct::name)
              .orElse(code);
    };
  }

  private static Optional<Line> first(Script script, Predicate<Line> which) {
    return script.lines().stream().filter(which).findFirst();
  }

  private static String code(Role role) {
    return GenericProducts.plain(role).orElseThrow().code();
  }

  /// An id that no step of the script has.
  private static String fresh(Script script, String stem) {
    Set<String> taken = new HashSet<>(script.steps().stream().map(Step::id).toList());
    return Stream.iterate(1, n -> n + 1)
        .map(n -> n == 1 ? stem : stem + n)
        .filter(id -> !taken.contains(id))
        .findFirst()
        .orElseThrow();
  }
}
