package ivesk.core.treatment.state;

import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Acting;
import ivesk.core.treatment.fact.TreatmentEvent.Caring;
import ivesk.core.treatment.fact.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.fact.TreatmentEvent.Ending;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.Looking;
import ivesk.core.treatment.fact.TreatmentEvent.Preparing;
import ivesk.core.treatment.fact.TreatmentEvent.Recorded;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// How the acid came off, and when the skin came to rest.
///
/// @param startedAt END
/// @param byRow row of the advice that brought it, or that called ending fine; empty when the
///   therapist ended unasked
/// @param how it stood at that moment
/// @param why it was ended before the least time of its label
/// @param steps of the ending that were done, in order
/// @param lookedAt when the redness was last looked at since END
/// @param restAt when rest was reached that still holds
public record EndingState(
    Optional<Instant> startedAt,
    Optional<Row> byRow,
    Optional<AtEnd> how,
    Optional<String> why,
    List<EndingStep> steps,
    Optional<Instant> lookedAt,
    Optional<Instant> restAt) {

  static final EndingState NONE =
      new EndingState(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          List.of(),
          Optional.empty(),
          Optional.empty());

  public EndingState {
    steps = List.copyOf(steps);
  }

  /// How END is judged as it is pressed.
  ///
  /// @param how it stood
  /// @param calledFine row of the advice that ends, or calls ending fine, at that moment
  public record Judged(AtEnd how, Optional<Row> calledFine) {}

  /// @param judged where the event is the END that counts
  /// @param answeredAt when the last number was told
  /// @param next the phase that the event led to
  /// @throws IllegalArgumentException where the first END comes without its judgement
  EndingState after(
      TreatmentEvent event, Optional<Judged> judged, Optional<Instant> answeredAt, Phase next) {
    return switch (event.fact()) {
      case Ending fact ->
          switch (fact) {
            // The first END is when the acid came off; one that another screen said later is not.
            case EndingStarted _ when startedAt.isPresent() -> this;
            case EndingStarted(var row) -> {
              Judged end =
                  judged.orElseThrow(
                      () -> new IllegalArgumentException("END comes without its judgement"));
              yield new EndingState(
                  Optional.of(event.at()),
                  row.or(end::calledFine),
                  Optional.of(end.how()),
                  why,
                  steps,
                  lookedAt,
                  restAt);
            }
            case EarlyEndExplained(var reason) ->
                new EndingState(
                    startedAt, byRow, how, Optional.of(reason), steps, lookedAt, restAt);
            case EndingStepDone(var step) -> {
              List<EndingStep> more = new ArrayList<>(steps);
              more.add(step);
              yield new EndingState(startedAt, byRow, how, why, more, lookedAt, restAt);
            }
            // Records from before hot spots counted: who was let go had come to rest.
            case LeavingChecked _ when restAt.isEmpty() -> restedAt(answeredAt);
            case LeavingChecked _, Signed _ -> this;
          };
      case Looking fact -> {
        EndingState looked =
            fact instanceof RednessSeen && startedAt.isPresent() ? lookedAt(event.at()) : this;
        yield switch (next) {
          case AT_REST -> restAt.isPresent() ? looked : looked.restedAt(Optional.of(event.at()));
          case SETTLING -> looked.restedAt(Optional.empty());
          case READY, ARMED, ACID, ENDING, CHECKED, SIGNED, STOPPED -> looked;
        };
      }
      // Another screen that had not heard of END put acid on: END stands, that acid comes off too.
      case LayerStarted _ when startedAt.isPresent() ->
          new EndingState(
              startedAt, byRow, how, why, List.of(), Optional.empty(), Optional.empty());
      case Preparing _, Acting _, Caring _, Recorded _ -> this;
    };
  }

  private EndingState lookedAt(Instant at) {
    return new EndingState(startedAt, byRow, how, why, steps, Optional.of(at), restAt);
  }

  private EndingState restedAt(Optional<Instant> at) {
    return new EndingState(startedAt, byRow, how, why, steps, lookedAt, at);
  }

  /// Ended for any reason but its time, its planned layers or its planned endpoint.
  public boolean early() {
    return byRow.filter(Row::onTime).isEmpty();
  }

  /// Something was wrong with it: an advice that stops, or an answer at the hold line.
  boolean inTrouble() {
    return byRow.filter(row -> !row.asPlanned()).isPresent()
        || how.filter(end -> !end.calm()).isPresent();
  }
}
