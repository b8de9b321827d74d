package ivesk.server.plan;

import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Protocol;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.product.Timing;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.app.StorageMapper.Upcaster;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// The runs of a visit as they are kept, each with the protocol that it was copied from.
record StoredScript(List<Run> runs) {
  static final Shape<StoredScript> SHAPE =
      Shape.of("VisitScript", StoredScript.class, Upcaster.SAME, StoredScript::offTogetherInRuns);

  /// @param protocol that it was copied from; empty where Ivesk composed it
  record Run(Region region, Optional<From> protocol, List<StoredStep> steps) {}

  record From(UUID id, int version, String name) {}

  /// Before zones could come off earlier than others.
  private static ObjectNode offTogether(ObjectNode kept) {
    for (JsonNode step : kept.get("steps")) ((ObjectNode) step).putObject("earlier");
    return kept;
  }

  private static ObjectNode offTogetherInRuns(ObjectNode kept) {
    for (JsonNode run : kept.get("runs")) offTogether((ObjectNode) run);
    return kept;
  }

  /// A protocol as it is kept.
  record Sheet(String name, Region region, List<StoredStep> steps) {
    static final Shape<Sheet> SHAPE =
        Shape.of("Protocol", Sheet.class, Upcaster.SAME, StoredScript::offTogether);

    static Sheet of(Protocol protocol) {
      return new Sheet(
          protocol.name(),
          protocol.region(),
          protocol.steps().stream().map(StoredStep::of).toList());
    }

    Protocol protocol() {
      return new Protocol(name, region, steps.stream().map(StoredStep::step).toList());
    }
  }

  /// One line; what it is about is one of peel, product and act.
  record StoredStep(
      String id,
      StepKind kind,
      Optional<String> peel,
      Optional<String> product,
      Optional<Act> act,
      Optional<Double> amount,
      int layers,
      int layersAtMost,
      List<Zone> zones,
      Map<Zone, Duration> earlier,
      Optional<Duration> least,
      Optional<Duration> planned,
      Optional<Duration> most,
      Optional<Duration> spread,
      String strokes,
      String applicator,
      String said,
      String doneSign,
      Optional<StepGate> gate,
      Step.Who who) {

    static StoredStep of(Step step) {
      return new StoredStep(
          step.id(),
          step.kind(),
          step.what() instanceof What.Peel(var code) ? Optional.of(code) : Optional.empty(),
          step.what() instanceof What.Use(var code) ? Optional.of(code) : Optional.empty(),
          step.what() instanceof What.Do(var act) ? Optional.of(act) : Optional.empty(),
          step.amount(),
          step.layers(),
          step.layersAtMost(),
          step.zones(),
          step.earlier(),
          step.timing().least(),
          step.timing().planned(),
          step.timing().most(),
          step.spread(),
          step.strokes(),
          step.applicator(),
          step.said(),
          step.doneSign(),
          step.gate(),
          step.who());
    }

    Step step() {
      return new Step(
          id,
          kind,
          peel.<What>map(What.Peel::new)
              .or(() -> product.map(What.Use::new))
              .orElseGet(() -> new What.Do(act.orElseThrow())),
          amount,
          layers,
          layersAtMost,
          zones,
          earlier,
          new Timing(least, planned, most),
          spread,
          strokes,
          applicator,
          said,
          doneSign,
          gate,
          who);
    }
  }
}
