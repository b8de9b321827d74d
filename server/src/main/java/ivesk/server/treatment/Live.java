package ivesk.server.treatment;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.util.List;
import java.util.UUID;

/// A treatment with everything that follows from its events.
///
/// @param stages that it has come through, the last of which it is in
/// @param settled number of the newest entry that reached back: that changed the place or the
///   meaning of one before it
/// @param planned number of the newest entry that changed more than the state of the stage that it
///   is in: its plan, a stage before it, or one of the entries before
public record Live(
    UUID id,
    UUID visitId,
    List<Stage> stages,
    List<TreatmentEvent> events,
    int settled,
    int planned) {

  /// A treatment as its log tells it.
  static Live of(UUID id, UUID visitId, List<Stage> stages, List<TreatmentEvent> events) {
    return new Live(id, visitId, stages, events, events.size(), events.size());
  }

  /// The same treatment one entry further.
  Live with(List<Stage> stages, List<TreatmentEvent> events, boolean reachedBack) {
    int settled = reachedBack ? events.size() : settled();
    boolean samePlan =
        !reachedBack
            && stagesBefore(stages).equals(stagesBefore(stages()))
            && stages.getLast().plan().equals(plan());
    return new Live(id, visitId, stages, events, settled, samePlan ? planned : events.size());
  }

  private static List<Stage> stagesBefore(List<Stage> stages) {
    return stages.subList(0, stages.size() - 1);
  }

  /// Of the stage that it is in.
  public TreatmentPlan plan() {
    return stages.getLast().plan();
  }

  /// Of the stage that it is in.
  public TreatmentState state() {
    return stages.getLast().state();
  }

  /// Stages in which acid went on, in order.
  public List<Stage> peeled() {
    return stages.stream().filter(stage -> !stage.state().layers().isEmpty()).toList();
  }
}
