package ivesk.core.treatment.advice;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.advice.ClientCue.Said;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.state.AcidState.Layer;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/// What a screen is given ahead, so that it needs no rule of its own: every coming instant at which
/// the advice changes, what it is after each answer, and what is said aloud.
public final class Cues {
  private static final Duration TOLD_BEFORE = Duration.ofMinutes(2);

  private Cues() {}

  /// Every coming instant at which the advice changes if nothing new is observed: those that the
  /// lines of both tables name.
  public static List<Cue> of(TreatmentPlan plan, TreatmentState state) {
    Look look = Look.of(plan, state, state.lastEventAt());
    TreeSet<Instant> instants = new TreeSet<>();
    Stream.concat(DecisionTable.changes(look), OutsideAcid.changes(look)).forEach(instants::add);
    Clocks clocks = look.clocks();
    return instants.tailSet(state.lastEventAt(), false).stream()
        .map(at ->
            new Cue(
                at, kind(clocks, at), Advisor.advise(plan, state, at), ifAnswered(plan, state, at)))
        .toList();
  }

  private static Cue.Kind kind(Clocks clocks, Instant at) {
    if (clocks.limitAt().filter(at::equals).isPresent()) return Cue.Kind.LIMIT;
    return clocks.askAt().filter(at::equals).isPresent() ? Cue.Kind.ASK : Cue.Kind.ADVICE;
  }

  /// What is to be said aloud to the client, past and to come: each layer and the ending are cold,
  /// the limit is told two minutes before it comes.
  public static List<ClientCue> toClient(TreatmentPlan plan, TreatmentState state) {
    List<ClientCue> cues = new ArrayList<>();
    for (Layer layer : state.layers()) cues.add(new ClientCue(layer.startedAt(), Said.COLD_NOW));
    if (state.phase() == Phase.ACID) {
      state
          .limitAt()
          .ifPresent(limit -> {
            Instant before = limit.minus(TOLD_BEFORE);
            if (state.firstTouch().filter(before::isAfter).isPresent()) {
              cues.add(new ClientCue(before, Said.TWO_MINUTES_LEFT));
            }
            cues.add(new ClientCue(limit, Said.COMES_OFF));
          });
    }
    if (!state.endingSteps(plan).contains(EndingStep.LEAVE_AS_IT_IS)) {
      state.endedAt().ifPresent(end -> cues.add(new ClientCue(end, Said.COLD_NOW)));
    }
    return List.copyOf(cues);
  }

  /// The advice for each of the eleven answers that may come next.
  public static List<Advice> ifAnswered(TreatmentPlan plan, TreatmentState state, Instant now) {
    return IntStream.rangeClosed(0, 10)
        .mapToObj(value -> answer(value, state, now))
        .map(told -> Advisor.advise(plan, state.after(plan, told), told.at()))
        .toList();
  }

  /// How long after each of the eleven answers the next is due: with it a screen without a server
  /// can tell when its own unsent answer has gone stale.
  public static List<Duration> checkIns(TreatmentPlan plan, TreatmentState state, Instant now) {
    return IntStream.rangeClosed(0, 10)
        .mapToObj(value -> Clocks.checkIn(plan, state.after(plan, answer(value, state, now))))
        .toList();
  }

  /// An answer given from now on: never one that would replace the last.
  private static TreatmentEvent answer(int value, TreatmentState state, Instant now) {
    Instant at =
        state
            .lastAnswer()
            .map(last -> last.at().plus(Looks.ONE_ANSWER).plusMillis(1))
            .filter(now::isBefore)
            .orElse(now);
    return new TreatmentEvent(new UUID(0, value), at, "", new SensationAnswered(value));
  }
}
