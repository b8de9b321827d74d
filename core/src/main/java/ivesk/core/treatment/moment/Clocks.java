package ivesk.core.treatment.moment;

import ivesk.core.formula.Family;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Region;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.state.AcidState.Layer;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/// The instants that the clocks count from and to. Common practice.
///
/// @param settledAt when the dwell of the covered layer is over
/// @param askAt when to ask next
public record Clocks(
    Optional<Instant> firstTouch,
    Optional<Instant> limitAt,
    Optional<Instant> settledAt,
    Optional<Instant> askAt,
    Optional<Instant> endedAt) {

  public static final Duration CLOSE_CHECK_IN = Duration.ofSeconds(30);
  private static final Duration LONG_WEAR_CLOSE = Duration.ofMinutes(5);
  private static final Duration REST_ASK = Duration.ofSeconds(60);

  public static Clocks of(TreatmentPlan plan, TreatmentState state) {
    Optional<Instant> settled =
        state.lastLayer().flatMap(Layer::coveredAt).map(covered -> covered.plus(plan.dwell()));
    Optional<Instant> ask =
        switch (state.phase()) {
          case ACID ->
              state.firstTouch().map(start -> lastLook(state, start).plus(checkIn(plan, state)));
          case SETTLING ->
              state
                  .endedAt()
                  .map(end -> state.lastAnswer().map(Told::at).filter(end::isBefore).orElse(end))
                  .map(last -> last.plus(REST_ASK));
          case READY, ARMED, ENDING, AT_REST, CHECKED, SIGNED, STOPPED -> Optional.empty();
        };
    return new Clocks(state.firstTouch(), state.limitAt(), settled, ask, state.endedAt());
  }

  /// Every 30 s or 60 s by formula; every 30 s on the eye contour, and after an answer of 4 or more
  /// or at the hold line; long wear every minute for five, then every five; twice as often when the
  /// client cannot answer.
  public static Duration checkIn(TreatmentPlan plan, TreatmentState state) {
    Duration base = awakeCheckIn(plan, state);
    return state.response() == Response.AWAKE ? base : base.dividedBy(2);
  }

  private static Duration awakeCheckIn(TreatmentPlan plan, TreatmentState state) {
    boolean close =
        plan.regions().contains(Region.EYE_CONTOUR)
            || state
                .lastUnderAcid()
                .filter(told ->
                    told.value() >= 4
                        || told.value() >= SensationLines.at(plan, state, told.at()).hold())
                .isPresent();
    if (close) return CLOSE_CHECK_IN;
    Duration own = plan.formula().checkIn();
    if (state.acid().onNextRung()) {
      Duration next = plan.nextRung().orElseThrow().checkIn();
      return next.compareTo(own) < 0 ? next : own;
    }
    boolean rare =
        plan.formula().family() == Family.LONG_WEAR
            && state.firstTouch().isPresent()
            && !lastLook(state, state.firstTouch().get())
                .isBefore(state.firstTouch().get().plus(LONG_WEAR_CLOSE));
    return rare ? LONG_WEAR_CLOSE : own;
  }

  private static Instant lastLook(TreatmentState state, Instant firstTouch) {
    return state.acid().lastLookAt().filter(firstTouch::isBefore).orElse(firstTouch);
  }
}
