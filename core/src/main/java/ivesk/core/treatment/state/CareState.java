package ivesk.core.treatment.state;

import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Acting;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.CareStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Caring;
import ivesk.core.treatment.fact.TreatmentEvent.Ending;
import ivesk.core.treatment.fact.TreatmentEvent.Extracted;
import ivesk.core.treatment.fact.TreatmentEvent.ExtractedPoint;
import ivesk.core.treatment.fact.TreatmentEvent.Looking;
import ivesk.core.treatment.fact.TreatmentEvent.Preparing;
import ivesk.core.treatment.fact.TreatmentEvent.Recorded;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What was done on calm skin.
///
/// @param started when a step with a time of its own began, by its id
/// @param done when a step was done, by its id
/// @param extracted points, in order
/// @param lancets used up
/// @param barrierOffAt when the barrier was wiped off
/// @param addOnAt when the plan's add-on was put on
/// @param addOnOffAt when it was wiped off again
public record CareState(
    Map<String, Instant> started,
    Map<String, Instant> done,
    List<ExtractedPoint> extracted,
    int lancets,
    Optional<Instant> barrierOffAt,
    Optional<Instant> addOnAt,
    Optional<Instant> addOnOffAt) {

  static final CareState NONE =
      new CareState(
          Map.of(), Map.of(), List.of(), 0, Optional.empty(), Optional.empty(), Optional.empty());

  public CareState {
    started = Map.copyOf(started);
    done = Map.copyOf(done);
    extracted = List.copyOf(extracted);
  }

  CareState after(TreatmentEvent event) {
    Instant at = event.at();
    return switch (event.fact()) {
      case Caring fact ->
          switch (fact) {
            case CareStarted(var step) ->
                with(and(started, step, at), done, barrierOffAt, addOnAt, addOnOffAt);
            case CareDone(var step) ->
                with(started, and(done, step, at), barrierOffAt, addOnAt, addOnOffAt);
            case Extracted(_, var points, var used) -> extracted(points, used);
            case BarrierWipedOff _ -> with(started, done, Optional.of(at), addOnAt, addOnOffAt);
            case AddOnPutOn _ -> with(started, done, barrierOffAt, Optional.of(at), addOnOffAt);
            case AddOnWipedOff _ -> with(started, done, barrierOffAt, addOnAt, Optional.of(at));
          };
      case Preparing _, Acting _, Looking _, Ending _, Recorded _ -> this;
    };
  }

  private CareState with(
      Map<String, Instant> begun,
      Map<String, Instant> ended,
      Optional<Instant> barrierOff,
      Optional<Instant> on,
      Optional<Instant> off) {
    return new CareState(begun, ended, extracted, lancets, barrierOff, on, off);
  }

  private CareState extracted(List<ExtractedPoint> points, int used) {
    List<ExtractedPoint> more = new ArrayList<>(extracted);
    more.addAll(points);
    return new CareState(started, done, more, lancets + used, barrierOffAt, addOnAt, addOnOffAt);
  }

  private static Map<String, Instant> and(Map<String, Instant> some, String step, Instant at) {
    Map<String, Instant> more = new HashMap<>(some);
    more.put(step, at);
    return more;
  }

  /// The add-on is on the skin.
  public boolean addOnOn() {
    return addOnAt.isPresent() && addOnOffAt.isEmpty();
  }

  /// What may go on once the skin is at rest, in order. Nothing where the peel stays as it is, for
  /// the hours that the sheet says.
  static List<CareStep> offered(TreatmentPlan plan, EndingState ending) {
    return EndingSteps.of(plan, ending).contains(EndingStep.LEAVE_AS_IT_IS)
        ? List.of()
        : plan.careSteps();
  }
}
