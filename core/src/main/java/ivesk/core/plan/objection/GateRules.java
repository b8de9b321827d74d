package ivesk.core.plan.objection;

import ivesk.core.Words;
import ivesk.core.plan.objection.Objection.Edit;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// Gates that must stand between lines.
final class GateRules {
  private GateRules() {}

  static Optional<Found> gateA(Sight sight) {
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
                Edit.replace(line.step(), line.step().with(StepGate.A))));
  }

  static List<Found> gateB(Sight sight) {
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

  static List<Found> gateC(Sight sight) {
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
}
