package ivesk.core.treatment;

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

/// Where a treatment stands.
public enum Phase {
  READY,
  /// The timer is armed, no acid yet. An answer that does not pass the gate leads back to READY.
  ARMED,
  ACID,
  /// END was pressed: the acid comes off.
  ENDING,
  /// Asking to rest.
  SETTLING,
  AT_REST,
  /// The client may leave.
  CHECKED,
  SIGNED,
  /// Ended at the gate, before any acid.
  STOPPED;

  public boolean beforeAcid() {
    return this == READY || this == ARMED;
  }

  public boolean afterAcid() {
    return this == ENDING || this == SETTLING || this == AT_REST || this == CHECKED;
  }

  public boolean closed() {
    return this == SIGNED || this == STOPPED;
  }

  /// @param ending as it was before the fact
  /// @param looks as they are after it
  Phase after(Fact fact, TreatmentPlan plan, EndingState ending, Looks looks) {
    return switch (fact) {
      case Preparing step ->
          switch (step) {
            // Before a later stage the acid of the others has been on: the client is seen off.
            case GateADecided(var choice, var note) ->
                choice != GateA.STOP ? this : plan.staging().number() > 1 ? AT_REST : STOPPED;
            case TimerArmed _ -> ARMED;
            case StepDone _, PlanChanged _, AcidPrepStarted _, StageOpened _, AcidAllowed _ -> this;
          };
      case Acting act ->
          switch (act) {
            // Another screen had not heard of END: END stands, and that acid comes off.
            case LayerStarted _ -> afterAcid() ? ENDING : ACID;
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
                this;
          };
      case Looking look ->
          switch (look) {
            case SensationAnswered(var value) when this == ARMED && !Gate.passes(value, false) ->
                READY;
            case SensationAnswered _ -> told(looks.resting(plan));
            case HotSpotFelt(var zone, var value) when this == ARMED && value > 0 -> READY;
            case HotSpotFelt _ -> told(looks.resting(plan));
            // A timer that was armed is disarmed by an alarm.
            case SignSeen(var sign) when this == ARMED && sign.weight().alarm() -> READY;
            case WhiteningSeen _ when this == ARMED && looks.signs().contains(Sign.DEEP_FROST) ->
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
                this;
          };
      case Ending end ->
          switch (end) {
            case EndingStarted _ -> this == ACID ? ENDING : this;
            case EndingStepDone(var step) ->
                this == ENDING && ending.doneWith(step, plan) ? SETTLING : this;
            case LeavingChecked(var noBurning, var pink) -> noBurning ? CHECKED : this;
            case EarlyEndExplained _ -> this;
            case Signed _ -> SIGNED;
          };
      case Caring _, Recorded _ -> this;
    };
  }

  private Phase told(boolean resting) {
    return switch (this) {
      case SETTLING, AT_REST -> resting ? AT_REST : SETTLING;
      case CHECKED -> resting ? CHECKED : SETTLING;
      case READY, ARMED, ACID, ENDING, SIGNED, STOPPED -> this;
    };
  }
}
