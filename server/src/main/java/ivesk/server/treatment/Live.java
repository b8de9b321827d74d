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
public record Live(
    UUID id, UUID visitId, List<Stage> stages, List<TreatmentEvent> events, int settled) {

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
