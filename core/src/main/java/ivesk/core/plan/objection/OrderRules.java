package ivesk.core.plan.objection;

import static ivesk.core.plan.objection.Swaps.code;
import static ivesk.core.plan.objection.Swaps.first;
import static ivesk.core.plan.objection.Swaps.fresh;
import static ivesk.core.plan.objection.Swaps.role;

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
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/// What stands before and after the acid.
final class OrderRules {
  private OrderRules() {}

  static Optional<Found> look(Sight sight) {
    Script script = sight.script();
    return first(script, line -> line.is(StepKind.CLEANSE) || line.is(StepKind.REMOVE))
        .filter(line -> script.before(line).noneMatch(other -> other.is(StepKind.LOOK)))
        .map(line ->
            Found.of(
                line,
                "no look before the first cleanse, which changes what there is to see",
                "Put look 1 first",
                Edit.before(line.step(), Step.of(fresh(script, "look"), Act.LOOK_1))));
  }

  static Optional<Found> barrier(Sight sight) {
    return unguarded(sight, line -> role(line, Role.BARRIER))
        .map(acid ->
            Found.of(
                acid,
                "no barrier on lips, nostrils and eye corners before the acid",
                "Put barrier before it",
                Edit.before(
                    acid.step(),
                    Step.of(
                        fresh(sight.script(), "barrier"),
                        StepKind.GUARD,
                        new What.Use(code(Role.BARRIER))))));
  }

  static Optional<Found> eyes(Sight sight) {
    Act guard = Defaults.eyes(sight.setting().policies(), sight.setting().comfort());
    return unguarded(sight, line -> line.act().filter(Act::guardsEyes).isPresent())
        .map(acid ->
            Found.of(
                acid,
                "nothing over the eyes before the acid",
                "Put " + guard.label() + " before it",
                Edit.before(acid.step(), Step.of(fresh(sight.script(), "eyes"), guard))));
  }

  /// The first acid on a face before which no such guard stands.
  private static Optional<Line> unguarded(Sight sight, Predicate<Line> guard) {
    return sight
        .script()
        .peels()
        .findFirst()
        .filter(acid -> sight.isFace() && sight.script().before(acid).noneMatch(guard));
  }

  static List<Found> ending(Sight sight) {
    Script script = sight.script();
    return script
        .peels()
        .flatMap(acid -> script.ending(acid).stream())
        .filter(line -> !ends(line))
        .map(line ->
            Found.of(
                line,
                "between the end of the acid and rest only water, base or cold",
                "Take the line out",
                Edit.remove(line.step())))
        .toList();
  }

  private static boolean ends(Line line) {
    return line.act().filter(Act::endsOrCools).isPresent()
        || role(line, Role.NEUTRALISER)
        || role(line, Role.COMPRESS)
        || line.is(StepKind.REST);
  }

  /// Only what belongs after it may follow: powder and the look at the door. What ends by itself
  /// leaves no product for its hours.
  static Optional<Found> sunscreen(Sight sight) {
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

  static Optional<Found> slot(Sight sight) {
    return sight
        .tooShort()
        .map(slot ->
            Found.of(
                sight.script().lines().getLast(),
                Words.fill(
                    "the steps take %d min, %d are booked", sight.minutes(), slot.toMinutes())));
  }
}
