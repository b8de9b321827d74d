package ivesk.core.plan.objection;

import static ivesk.core.plan.objection.Swaps.fresh;
import static ivesk.core.plan.objection.Swaps.peels;
import static ivesk.core.plan.objection.Swaps.role;
import static ivesk.core.plan.objection.Swaps.swapped;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Step;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.product.Role;
import ivesk.core.skin.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What treated skin does not bear.
final class SkinRules {
  private SkinRules() {}

  static List<Found> warmAct(Sight sight) {
    if (sight.script().peels().findAny().isEmpty()) return List.of();
    return sight
        .lines()
        .flatMap(line ->
            line.act().filter(Act::warms).stream()
                .map(act ->
                    Found.of(
                        line,
                        act.label() + " raises what the skin takes up, before and after acid",
                        "Take the line out",
                        Edit.remove(line.step()))))
        .toList();
  }

  static List<Found> warmProduct(Sight sight) {
    if (sight.script().peels().findAny().isEmpty()) return List.of();
    boolean masksMay = sight.chose(Choice.SETTING_MASK_MAY_WARM);
    return sight
        .lines()
        .filter(line -> line.product().filter(p -> p.thermal() == Thermal.WARMS).isPresent())
        .filter(line -> !role(line, Role.MASK) || !masksMay)
        .map(line ->
            swapped(
                line,
                role(line, Role.MASK)
                    ? "warms skin that had acid; the practice chose cooling masks"
                    : "warms skin the same day as acid"))
        .toList();
  }

  static List<Found> scrub(Sight sight) {
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

  static List<Found> massage(Sight sight) {
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

  static List<Found> spark(Sight sight) {
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

  static List<Found> retinoid(Sight sight) {
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
}
