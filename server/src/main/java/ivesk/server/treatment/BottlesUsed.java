package ivesk.server.treatment;

import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.treatment.state.AcidState;
import ivesk.core.treatment.state.Stage;
import ivesk.server.formula.ShelfService;
import ivesk.server.visit.PeelSigned;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/// Takes off the bottles what went on the skin.
@Component
class BottlesUsed {
  private final ShelfService shelf;
  private final ApplicationEventPublisher events;

  BottlesUsed(ShelfService shelf, ApplicationEventPublisher events) {
    this.shelf = shelf;
    this.events = events;
  }

  /// The bottle by what went on the skin, the products as they were planned.
  void takeOffStock(Live done, LocalDate day, String who) {
    if (done.peeled().isEmpty()) return;
    for (Stage stage : done.peeled()) {
      TreatmentPlan plan = stage.plan();
      int stepped = (int) stage.state().layers().stream().filter(AcidState.Layer::nextRung).count();
      take(plan, plan.formula(), plan.lot(), stage.state().layers().size() - stepped, day, who);
      plan.nextRung().ifPresent(next -> take(plan, next, plan.nextLot(), stepped, day, who));
    }
    events.publishEvent(new PeelSigned(done.visitId(), day, who));
  }

  void take(
      TreatmentPlan plan,
      Formula formula,
      Optional<String> lot,
      int layers,
      LocalDate day,
      String who) {
    if (layers == 0) return;
    lot.ifPresent(
        number -> shelf.take(formula.code(), number, Trolley.poured(plan, layers), day, who));
  }
}
