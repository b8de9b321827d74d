package ivesk.server.plan;

import ivesk.core.plan.script.Protocol;
import ivesk.core.plan.script.Step;
import ivesk.core.skin.Region;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/// The steps of one region over the wire, with the protocol that they were copied from.
record RunFacts(Region region, Optional<From> protocol, List<StepFacts> steps) {

  record From(UUID id, int version, String name) {}

  /// @throws IllegalArgumentException naming the line, field, value and what is allowed
  List<Step> checked() {
    return new Protocol("a run", region, StepFacts.steps(steps)).steps();
  }

  static RunFacts of(StoredScript.Run run) {
    return new RunFacts(
        run.region(),
        run.protocol().map(from -> new From(from.id(), from.version(), from.name())),
        run.steps().stream().map(step -> StepFacts.of(step.step())).toList());
  }

  StoredScript.Run stored() {
    return new StoredScript.Run(
        region,
        protocol.map(from -> new StoredScript.From(from.id(), from.version(), from.name())),
        checked().stream().map(StoredScript.StoredStep::of).toList());
  }
}
