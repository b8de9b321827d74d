package ivesk.core.treatment.state;

import static ivesk.core.treatment.state.Phase.*;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.AcidPrepStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Acting;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.Caring;
import ivesk.core.treatment.fact.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Ending;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.FanTurned;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.Looking;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.Preparing;
import ivesk.core.treatment.fact.TreatmentEvent.Recorded;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;

/// To which phase a fact leads.
final class PhaseFold {
  private PhaseFold() {}

  /// @param ending as it was before the fact
  /// @param looks as they are after it
  static Phase after(Phase phase, Fact fact, TreatmentPlan plan, EndingState ending, Looks looks) {
    return switch (fact) {
      case Preparing step ->
          switch (step) {
            // Before a later stage the acid of the others has been on: the client is seen off.
            case GateADecided(var choice, var note) ->
                choice != GateA.STOP ? phase : plan.staging().number() > 1 ? AT_REST : STOPPED;
            case TimerArmed _ -> ARMED;
            case StepDone _, PlanChanged _, AcidPrepStarted _, StageOpened _, AcidAllowed _ ->
                phase;
          };
      case Acting act ->
          switch (act) {
            // Another screen had not heard of END: END stands, and that acid comes off.
            case LayerStarted _ -> phase.afterAcid() ? ENDING : ACID;
            case ZoneReached _,
                LayerCovered _,
                LayersExtended _,
                ZoneEnded _,
                ZoneTakenOff _,
                LayerMeasured _,
                SpotPassed _,
                BaseLaidOut _,
                BaseOutrunPassed _,
                FanTurned _,
                AdviceDeclined _ ->
                phase;
          };
      case Looking look ->
          switch (look) {
            case SensationAnswered(var value)
                when phase == ARMED && !PrepAnswer.passes(value, false) ->
                READY;
            case SensationAnswered _ -> told(phase, looks.resting(plan));
            case HotSpotFelt(var zone, var value) when phase == ARMED && value > 0 -> READY;
            case HotSpotFelt _ -> told(phase, looks.resting(plan));
            // A timer that was armed is disarmed by an alarm.
            case SignSeen(var sign) when phase == ARMED && sign.weight().alarm() -> READY;
            case WhiteningSeen _ when phase == ARMED && looks.signs().contains(Sign.DEEP_FROST) ->
                READY;
            case RednessSeen _,
                WhiteningSeen _,
                WipeTested _,
                SignSeen _,
                RegionAnswered _,
                AlarmStepDone _,
                AlarmStepSkipped _,
                SignResolved _,
                ZoneAnswered _,
                EdgeSeen _,
                ResponseNoted _ ->
                phase;
          };
      case Ending end ->
          switch (end) {
            case EndingStarted _ -> phase == ACID ? ENDING : phase;
            case EndingStepDone(var step) ->
                phase == ENDING && EndingSteps.doneWith(step, plan, ending) ? SETTLING : phase;
            case LeavingChecked(var noBurning, var pink) -> noBurning ? CHECKED : phase;
            case EarlyEndExplained _ -> phase;
            case Signed _ -> SIGNED;
          };
      case Caring _, Recorded _ -> phase;
    };
  }

  private static Phase told(Phase phase, boolean resting) {
    return switch (phase) {
      case SETTLING, AT_REST -> resting ? AT_REST : SETTLING;
      case CHECKED -> resting ? CHECKED : SETTLING;
      case READY, ARMED, ACID, ENDING, SIGNED, STOPPED -> phase;
    };
  }
}
