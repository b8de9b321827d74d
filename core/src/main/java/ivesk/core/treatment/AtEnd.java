package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.treatment.Advice.Action;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/// How a peel stood as END was pressed.
///
/// @param answered a number to rely on had been told with the acid on
/// @param belowHold the last number, if any, was below the hold line
/// @param calmSkin no redness above pink and no ending whitening
/// @param planReached its time, its planned layers or its planned endpoint
/// @param overBy past the contact limit; zero within it
/// @param beforeLeast sooner than the least time of the label
public record AtEnd(
    boolean answered,
    boolean belowHold,
    boolean calmSkin,
    boolean planReached,
    Duration overBy,
    boolean beforeLeast) {

  /// How long END may take to be pressed at the limit; Ivesk's own default.
  private static final Duration REACTION = Duration.ofSeconds(15);

  static AtEnd of(TreatmentPlan plan, TreatmentState state, Instant at) {
    Look look = Look.of(plan, state, at);
    Duration contact = state.contact(at);
    Optional<Duration> limit = state.ready().contactLimit();
    boolean timeReached = limit.filter(most -> contact.compareTo(most) >= 0).isPresent();
    boolean layersReached =
        limit.isEmpty() && look.settled() && look.layersDone() >= state.ready().layersPlanned();
    return new AtEnd(
        look.told().filter(told -> !told.numbed()).isPresent(),
        !look.atHoldLine(),
        look.redCalm() && look.white().isEmpty(),
        timeReached || layersReached || look.endpointReached(),
        timeReached ? contact.minus(limit.orElseThrow()) : Duration.ZERO,
        plan.formula()
            .label()
            .leastContact()
            .filter(least -> contact.compareTo(least) < 0)
            .isPresent());
  }

  /// The row whose advice ends the peel, or calls ending it fine.
  static Optional<Row> calledFine(TreatmentPlan plan, TreatmentState state, Instant at) {
    Advice standing = Advisor.advise(plan, state, at);
    return standing.action() == Action.END || standing.other() == Action.END
        ? standing.row()
        : Optional.empty();
  }

  boolean calm() {
    return belowHold && calmSkin;
  }

  /// Left on for longer than it takes to press END.
  boolean late() {
    return overBy.compareTo(REACTION) > 0;
  }
}
