package ivesk.core.plan.objection;

import static ivesk.core.plan.objection.Swaps.act;
import static ivesk.core.plan.objection.Swaps.fresh;
import static ivesk.core.plan.objection.Swaps.role;
import static ivesk.core.plan.objection.Swaps.swapped;

import ivesk.core.Words;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepKind;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.product.Conflict;
import ivesk.core.product.Role;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// Products against the place, the day's limits, the client and the shelf.
final class ProductRules {
  private ProductRules() {}

  /// After an acid: care, mask and sunscreen that it does not go with.
  static List<Found> afterPeel(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      boolean care =
          line.is(StepKind.PRODUCT) || line.is(StepKind.SUNSCREEN) || line.is(StepKind.MASK);
      if (line.product().isEmpty() || !care) continue;
      sight
          .script()
          .peelUnder(line)
          .map(acid -> new Conflict.After(acid.formula().orElseThrow(), sight.setting().policies()))
          .map(peel -> Conflict.on(peel, line.product().get()))
          .orElse(List.of())
          .forEach(conflict ->
              found.add(
                  conflict
                      .instead()
                      .map(other -> swapped(line, conflict.words(), other))
                      .orElseGet(() -> Found.of(line, conflict.words()))));
    }
    return found;
  }

  static List<Found> pair(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      if (line.product().isEmpty()) continue;
      sight
          .script()
          .before(line)
          .filter(line::shares)
          .flatMap(other -> other.product().stream())
          .flatMap(other -> Conflict.between(other, line.product().get()).stream())
          .distinct()
          .forEach(conflict ->
              found.add(
                  Found.of(line, conflict.words(), "Take the line out", Edit.remove(line.step()))));
    }
    return found;
  }

  /// A closed-in feeling: nothing over nose and mouth, and pads rather than shields.
  static List<Found> comfort(Sight sight) {
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

  static List<Found> where(Sight sight) {
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

  static List<Found> limit(Sight sight) {
    List<Found> found = new ArrayList<>();
    Set<Care.Kind> limits = sight.setting().limits().care();
    for (Line line : sight.script().lines()) {
      Arrays.stream(Care.Kind.values())
          .filter(limits::contains)
          .filter(kind -> AGAINST.getOrDefault(kind, _ -> false).test(line))
          .forEach(kind -> found.add(swapped(line, "today: " + new Care(kind).words())));
    }
    return found;
  }

  static List<Found> extraction(Sight sight) {
    if (sight.chose(Choice.EXTRACTION_AFTER_PEEL)) return List.of();
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      if (line.act().filter(Act::extracts).isPresent()
          && sight.script().peelUnder(line).isPresent()) {
        found.add(
            Found.of(
                line,
                "the practice does not extract after a peel: softened skin tears",
                "Take the line out",
                Edit.remove(line.step())));
      }
    }
    return found;
  }

  static List<Found> lift(Sight sight) {
    if (!sight.setting().care(Care.Kind.COMPRESS_LIFT)) return List.of();
    return sight
        .script()
        .peels()
        .filter(acid ->
            sight.script().ending(acid).stream().noneMatch(line -> act(line, Act.COMPRESS_LIFT)))
        .map(acid ->
            Found.of(
                acid,
                "today: " + new Care(Care.Kind.COMPRESS_LIFT).words(),
                "Put compress lift after it",
                Edit.after(acid.step(), Step.of(fresh(sight.script(), "lift"), Act.COMPRESS_LIFT))))
        .toList();
  }

  static List<Found> allergy(Sight sight) {
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

  static List<Found> productStock(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      line.product()
          .flatMap(product ->
              sight.setting().catalogue().nothingLeft(product.code(), sight.setting().day()))
          .ifPresent(fault -> found.add(swapped(line, line.words() + ": " + fault.label())));
    }
    return found;
  }

  static List<Found> formulaStock(Sight sight) {
    List<Found> found = new ArrayList<>();
    for (Line line : sight.script().lines()) {
      line.formula()
          .flatMap(
              formula -> sight.setting().shelf().nothingLeft(formula.code(), sight.setting().day()))
          .ifPresent(words -> found.add(Found.of(line, words)));
    }
    return found;
  }
}
