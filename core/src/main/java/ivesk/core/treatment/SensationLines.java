package ivesk.core.treatment;

import ivesk.core.formula.Formula.Band;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Sensitivity;
import ivesk.core.treatment.AcidState.Layer;
import ivesk.core.treatment.Looks.Told;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// The hold and stop lines at one moment. The policy's, raised by the formula's expected band
/// inside its window: hold to the top of the band, stop to one above it, never above 9. Outside the
/// window, or when an answer rises again after it had fallen, the policy's. At sensitivity 2 and
/// more the band raises nothing.
public record SensationLines(int hold, int stop) {

  private static final int STOP_MOST = 9;

  public static SensationLines at(TreatmentPlan plan, TreatmentState state, Instant when) {
    SensationLines policy = new SensationLines(plan.hold(), plan.stop());
    Band band = plan.formula().band();
    Optional<Instant> ends = windowEnds(plan, state);
    if (ends.isEmpty()
        || !when.isBefore(ends.get())
        || plan.sensitivity().atLeast(Sensitivity.SENSITIVE)
        || band.thenFalling() && risesAgain(state, when)) {
      return policy;
    }
    return new SensationLines(
        Math.max(policy.hold, band.high()),
        Math.max(policy.stop, Math.min(STOP_MOST, band.high() + 1)));
  }

  /// When the band's window of the running layer ends; empty before the acid or without a window.
  static Optional<Instant> windowEnds(TreatmentPlan plan, TreatmentState state) {
    return state
        .lastLayer()
        .map(Layer::startedAt)
        .flatMap(start -> plan.formula().band().window().map(start::plus));
  }

  /// In the running layer an answer fell below the one before it and a later one rose.
  private static boolean risesAgain(TreatmentState state, Instant when) {
    int layer = state.layers().size();
    List<Told> told =
        state.underAcid().stream()
            .filter(answer -> answer.layer() == layer && !answer.at().isAfter(when))
            .toList();
    boolean fell = false;
    for (int i = 1; i < told.size(); i++) {
      int change = told.get(i).value() - told.get(i - 1).value();
      if (change < 0) fell = true;
      if (change > 0 && fell) return true;
    }
    return false;
  }
}
