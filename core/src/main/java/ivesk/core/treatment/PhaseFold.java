package ivesk.core.treatment;

import static ivesk.core.treatment.Phase.*;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.treatment.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.TreatmentEvent.AcidPrepStarted;
import ivesk.core.treatment.TreatmentEvent.Acting;
import ivesk.core.treatment.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.TreatmentEvent.Caring;
import ivesk.core.treatment.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.TreatmentEvent.Ending;
import ivesk.core.treatment.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.TreatmentEvent.Fact;
import ivesk.core.treatment.TreatmentEvent.FanTurned;
import ivesk.core.treatment.TreatmentEvent.GateA;
import ivesk.core.treatment.TreatmentEvent.GateADecided;
import ivesk.core.treatment.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.TreatmentEvent.Looking;
import ivesk.core.treatment.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.TreatmentEvent.Preparing;
import ivesk.core.treatment.TreatmentEvent.Recorded;
import ivesk.core.treatment.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.TreatmentEvent.SignResolved;
import ivesk.core.treatment.TreatmentEvent.SignSeen;
import ivesk.core.treatment.TreatmentEvent.Signed;
import ivesk.core.treatment.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.TreatmentEvent.StageOpened;
import ivesk.core.treatment.TreatmentEvent.StepDone;
import ivesk.core.treatment.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.TreatmentEvent.WipeTested;
import ivesk.core.treatment.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.TreatmentEvent.ZoneTakenOff;

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
