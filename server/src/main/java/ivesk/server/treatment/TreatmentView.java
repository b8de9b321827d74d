package ivesk.server.treatment;

import ivesk.core.treatment.record.OwnCurve;
import java.time.Instant;
import java.util.Optional;

/// A treatment as a screen needs it when it is opened: what the couch shows now, with every entry,
/// and what stands by its plan.
record TreatmentView(CouchView couch, PlannedView planned) {
  static TreatmentView of(
      Live live, Instant now, Optional<OwnCurve> ownCurve, Optional<String> clockJump) {
    return new TreatmentView(CouchView.of(live, now, 0, clockJump), PlannedView.of(live, ownCurve));
  }
}
