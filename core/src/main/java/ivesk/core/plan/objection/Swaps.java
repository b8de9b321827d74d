package ivesk.core.plan.objection;

import ivesk.core.formula.Formula;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.What;
import ivesk.core.product.CareProduct;
import ivesk.core.product.GenericProducts;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// Edits that several rules offer, and what they look for.
public final class Swaps {
  private Swaps() {}

  static boolean peels(Line line) {
    return line.formula().filter(Formula::peels).isPresent();
  }

  static boolean role(Line line, Role role) {
    return line.product().filter(product -> product.role() == role).isPresent();
  }

  static boolean act(Line line, Act act) {
    return line.act().filter(act::equals).isPresent();
  }

  /// The plain product, or plain act, that stands in for a line; empty where there is none.
  static Optional<Edit> plain(Line line) {
    return line.product().flatMap(product -> instead(line, product));
  }

  static Optional<Edit> instead(Line line, CareProduct product) {
    if (product.role() == Role.SOLVENT_WIPE || product.role() == Role.ACID_PREP) {
      return Optional.of(
          Edit.replace(
              line.step(), line.step().with(new What.Do(Act.PLAIN_WIPE)).with(Timing.NONE)));
    }
    return GenericProducts.plain(product.role())
        .filter(other -> !other.code().equals(product.code()))
        .map(other -> inPlace(line, other));
  }

  static Edit inPlace(Line line, CareProduct other) {
    return Edit.replace(
        line.step(), line.step().with(new What.Use(other.code())).with(Timing.NONE));
  }

  static Found swapped(Line line, String words) {
    return plain(line)
        .map(edit -> Found.of(line, words, "Swap: " + name(edit), edit))
        .orElseGet(() -> Found.of(line, words, "Take the line out", Edit.remove(line.step())));
  }

  static Found swapped(Line line, String words, CareProduct other) {
    return Found.of(line, words, "Swap: " + other.name(), inPlace(line, other));
  }

  static String name(Edit edit) {
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

  static Optional<Line> first(Script script, Predicate<Line> which) {
    return script.lines().stream().filter(which).findFirst();
  }

  static String code(Role role) {
    return GenericProducts.plain(role).orElseThrow().code();
  }

  /// An id that no step of the script has.
  static String fresh(Script script, String stem) {
    Set<String> taken = new HashSet<>(script.steps().stream().map(Step::id).toList());
    return Stream.iterate(1, n -> n + 1)
        .map(n -> n == 1 ? stem : stem + n)
        .filter(id -> !taken.contains(id))
        .findFirst()
        .orElseThrow();
  }
}
