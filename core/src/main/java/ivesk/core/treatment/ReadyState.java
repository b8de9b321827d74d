package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.treatment.TreatmentEvent.Acting;
import ivesk.core.treatment.TreatmentEvent.Caring;
import ivesk.core.treatment.TreatmentEvent.Ending;
import ivesk.core.treatment.TreatmentEvent.GateA;
import ivesk.core.treatment.TreatmentEvent.GateADecided;
import ivesk.core.treatment.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.TreatmentEvent.Looking;
import ivesk.core.treatment.TreatmentEvent.Preparing;
import ivesk.core.treatment.TreatmentEvent.Recorded;
import ivesk.core.treatment.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.TreatmentEvent.SignResolved;
import ivesk.core.treatment.TreatmentEvent.SignSeen;
import ivesk.core.treatment.TreatmentEvent.StepDone;
import ivesk.core.treatment.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.TreatmentEvent.WipeTested;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/// What Ready has come to.
///
/// @param stepsDone when each step was done
/// @param gateA what was decided on the answer to the prep
/// @param contactLimit after the gate may have shortened it
/// @param layersPlanned after the gate may have taken one off
public record ReadyState(
    Map<ReadyStep, Instant> stepsDone,
    Optional<GateA> gateA,
    Optional<Duration> contactLimit,
    int layersPlanned) {

  public ReadyState {
    stepsDone = Map.copyOf(stepsDone);
  }

  static ReadyState before(TreatmentPlan plan) {
    return new ReadyState(Map.of(), Optional.empty(), plan.contactLimit(), plan.layersPlanned());
  }

  ReadyState after(TreatmentEvent event, TreatmentPlan plan, Phase phase) {
    return switch (event.fact()) {
      case Preparing fact ->
          switch (fact) {
            case StepDone(var step, var note) -> done(step, event.at());
            case GateADecided(var choice, var note) ->
                done(ReadyStep.GATE_A, event.at()).decided(choice, plan);
            case TimerArmed _ -> this;
          };
      case Looking fact ->
          switch (fact) {
            case RednessSeen seen when phase == Phase.READY -> done(ReadyStep.BASELINE, event.at());
            case SensationAnswered told when phase == Phase.READY -> reopened();
            case HotSpotFelt felt when phase == Phase.READY -> reopened();
            case RednessSeen _,
                SensationAnswered _,
                HotSpotFelt _,
                WhiteningSeen _,
                WipeTested _,
                SignSeen _,
                SignResolved _,
                ResponseNoted _ ->
                this;
          };
      case Acting _, Ending _, Caring _, Recorded _ -> this;
    };
  }

  private ReadyState done(ReadyStep step, Instant at) {
    Map<ReadyStep, Instant> more = steps();
    more.put(step, at);
    return new ReadyState(more, gateA, contactLimit, layersPlanned);
  }

  private ReadyState decided(GateA choice, TreatmentPlan plan) {
    return switch (choice) {
      case KEEP, STOP ->
          new ReadyState(stepsDone, Optional.of(choice), plan.contactLimit(), plan.layersPlanned());
      case SHORTEN ->
          new ReadyState(
              stepsDone,
              Optional.of(choice),
              plan.contactLimit().map(Gate::shortened),
              Gate.fewer(plan));
    };
  }

  /// Another answer before the acid wants another decision.
  private ReadyState reopened() {
    Map<ReadyStep, Instant> fewer = steps();
    fewer.remove(ReadyStep.GATE_A);
    return new ReadyState(fewer, Optional.empty(), contactLimit, layersPlanned);
  }

  private Map<ReadyStep, Instant> steps() {
    Map<ReadyStep, Instant> copy = new EnumMap<>(ReadyStep.class);
    copy.putAll(stepsDone);
    return copy;
  }
}
