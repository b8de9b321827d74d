package ivesk.core.treatment.record;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.state.AtEnd;
import ivesk.core.treatment.state.EndingState;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/// Judges an END by the look and the advice of its moment.
final class EndJudge {
  private EndJudge() {}

  static EndingState.Judged judge(TreatmentPlan plan, TreatmentState state, Instant at) {
    return new EndingState.Judged(how(plan, state, at), calledFine(plan, state, at));
  }

  private static AtEnd how(TreatmentPlan plan, TreatmentState state, Instant at) {
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

  private static Optional<Row> calledFine(TreatmentPlan plan, TreatmentState state, Instant at) {
    Advice standing = Advisor.advise(plan, state, at);
    return standing.action() == Action.END || standing.other() == Action.END
        ? standing.row()
        : Optional.empty();
  }
}
