package ivesk.core.plan.objection;

import static ivesk.core.plan.objection.Swaps.code;
import static ivesk.core.plan.objection.Swaps.first;
import static ivesk.core.plan.objection.Swaps.fresh;

import ivesk.core.Words;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Defaults;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.product.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What stands before and after the acid.
final class OrderRules {
  private OrderRules() {}

  static List<Found> order(Sight sight) {
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
      Act guard = Defaults.eyes(sight.setting().policies(), sight.setting().comfort());
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
    if (acid.isEmpty() || Defaults.staysAsItIs(acid.get().formula().orElseThrow(), sight.setting()))
      return Optional.empty();
    Optional<Line> last = script.after(acid.get()).filter(OrderRules::sunscreens).findFirst();
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

  static List<Found> slot(Sight sight) {
    return sight.tooShort().stream()
        .map(slot ->
            Found.of(
                sight.script().lines().getLast(),
                Words.fill(
                    "the steps take %d min, %d are booked", sight.minutes(), slot.toMinutes())))
        .toList();
  }
}
