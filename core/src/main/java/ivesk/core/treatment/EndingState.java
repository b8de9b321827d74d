package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.treatment.TreatmentEvent.Acting;
import ivesk.core.treatment.TreatmentEvent.Caring;
import ivesk.core.treatment.TreatmentEvent.Ending;
import ivesk.core.treatment.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.TreatmentEvent.Looking;
import ivesk.core.treatment.TreatmentEvent.Preparing;
import ivesk.core.treatment.TreatmentEvent.Recorded;
import ivesk.core.treatment.TreatmentEvent.Signed;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// How the acid came off, and when the skin came to rest.
///
/// @param startedAt END
/// @param byRow row of the advice that brought it; empty when the therapist ended unasked
/// @param steps of the ending that were done, in order
/// @param restAt when rest was reached that still holds
public record EndingState(
    Optional<Instant> startedAt,
    Optional<Row> byRow,
    List<EndingStep> steps,
    Optional<Instant> restAt) {

  static final EndingState NONE =
      new EndingState(Optional.empty(), Optional.empty(), List.of(), Optional.empty());

  public EndingState {
    steps = List.copyOf(steps);
  }

  /// @param next the phase that the event led to
  EndingState after(TreatmentEvent event, Phase next) {
    return switch (event.fact()) {
      case Ending fact ->
          switch (fact) {
            case EndingStarted(var row) ->
                new EndingState(Optional.of(event.at()), row, steps, restAt);
            case EndingStepDone(var step) -> {
              List<EndingStep> more = new ArrayList<>(steps);
              more.add(step);
              yield new EndingState(startedAt, byRow, more, restAt);
            }
            case LeavingChecked _, Signed _ -> this;
          };
      case Looking fact ->
          switch (next) {
            case AT_REST -> restAt.isPresent() ? this : restedAt(Optional.of(event.at()));
            case SETTLING -> restedAt(Optional.empty());
            case READY, ARMED, ACID, ENDING, CHECKED, SIGNED, STOPPED -> this;
          };
      case Preparing _, Acting _, Caring _, Recorded _ -> this;
    };
  }

  private EndingState restedAt(Optional<Instant> at) {
    return new EndingState(startedAt, byRow, steps, at);
  }

  /// Ended for any reason but its time, its planned layers or its planned endpoint.
  public boolean early() {
    return byRow.filter(Row::onTime).isEmpty();
  }

  /// With this step every one of the formula's ending is done.
  boolean doneWith(EndingStep step, TreatmentPlan plan) {
    return EndingSteps.of(plan.formula().ending(), early()).stream()
        .allMatch(one -> one == step || steps.contains(one));
  }
}
