package ivesk.core.treatment.moment;

import ivesk.core.formula.Formula.Band;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Sensitivity;
import ivesk.core.treatment.state.AcidState.Layer;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// The hold and stop lines at one moment. The policy's, raised by the formula's expected band
/// inside its window: hold to the top of the band, stop to one above it, never above 9. Outside the
/// window, or when an answer rises again after it had fallen, the policy's; but an answer that
/// falls is judged by the window's lines for a minute after it. At sensitivity 2 and more the band
/// raises nothing. An answer keeps the lines of its own moment and layer. Common practice.
public record SensationLines(int hold, int stop) {

  private static final int STOP_MOST = 9;

  /// How long after the window an answer that falls is still judged by its lines.
  private static final Duration FALLING = Duration.ofSeconds(60);

  public static SensationLines at(TreatmentPlan plan, TreatmentState state, Instant when) {
    SensationLines policy = new SensationLines(plan.hold(), plan.stop());
    Optional<Window> window = layerAt(state, when).flatMap(layer -> Window.of(plan, state, layer));
    if (window.isEmpty() || plan.sensitivity().atLeast(Sensitivity.SENSITIVE)) return policy;
    Band band = plan.formula().band();
    List<Told> told = toldUnder(state, window.get().layer(), when);
    boolean raised =
        window.get().holds(when)
            ? !(band.thenFalling() && risesAgain(told))
            : window.get().justOver(when) && fell(told, when);
    return raised
        ? new SensationLines(
            Math.max(policy.hold, band.high()),
            Math.max(policy.stop, Math.min(STOP_MOST, band.high() + 1)))
        : policy;
  }

  /// While the band of a layer holds.
  ///
  /// @param from the first touch for what is timed, the end of the coat for layers and coats
  private record Window(Layer layer, Instant from, Instant to) {
    static Optional<Window> of(TreatmentPlan plan, TreatmentState state, Layer layer) {
      Optional<Instant> from =
          switch (plan.formula().use()) {
            case TIMED -> state.firstTouch();
            case SELF_LIMITING -> Optional.of(layer.startedAt());
            case LAYERED, COATS -> layer.coveredAt();
            case STAYS, OUT_OF_SCOPE -> Optional.empty();
          };
      return from.flatMap(
          start -> plan.bandWindow().map(length -> new Window(layer, start, start.plus(length))));
    }

    boolean holds(Instant when) {
      return !when.isBefore(from) && when.isBefore(to);
    }

    boolean justOver(Instant when) {
      return !when.isBefore(to) && when.isBefore(to.plus(FALLING));
    }
  }

  /// When the lines of the newest layer change by themselves.
  public static List<Instant> changes(TreatmentPlan plan, TreatmentState state) {
    return state
        .lastLayer()
        .flatMap(layer -> Window.of(plan, state, layer))
        .map(window -> List.of(window.to(), window.to().plus(FALLING)))
        .orElse(List.of());
  }

  private static Optional<Layer> layerAt(TreatmentState state, Instant when) {
    return state.layers().reversed().stream()
        .filter(layer -> !layer.startedAt().isAfter(when))
        .findFirst();
  }

  private static List<Told> toldUnder(TreatmentState state, Layer layer, Instant when) {
    return state.underAcid().stream()
        .filter(answer -> answer.layer() == layer.number() && !answer.at().isAfter(when))
        .toList();
  }

  /// The newest answer is of this moment and below the one before it.
  private static boolean fell(List<Told> told, Instant when) {
    return told.size() > 1
        && told.getLast().at().equals(when)
        && told.getLast().value() < told.get(told.size() - 2).value();
  }

  /// An answer fell below the one before it and a later one rose.
  private static boolean risesAgain(List<Told> told) {
    boolean fell = false;
    for (int i = 1; i < told.size(); i++) {
      int change = told.get(i).value() - told.get(i - 1).value();
      if (change < 0) fell = true;
      if (change > 0 && fell) return true;
    }
    return false;
  }
}
