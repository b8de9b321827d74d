package ivesk.core.treatment.state;

import static ivesk.core.treatment.fact.EndingStep.BLOT;
import static ivesk.core.treatment.fact.EndingStep.COLD_COMPRESSES;
import static ivesk.core.treatment.fact.EndingStep.COMPRESS;
import static ivesk.core.treatment.fact.EndingStep.COOL_RINSE;
import static ivesk.core.treatment.fact.EndingStep.COOL_WATER;
import static ivesk.core.treatment.fact.EndingStep.FAN;
import static ivesk.core.treatment.fact.EndingStep.FAN_AND_COMPRESS;
import static ivesk.core.treatment.fact.EndingStep.FRESH_PADS;
import static ivesk.core.treatment.fact.EndingStep.LEAVE_AS_IT_IS;
import static ivesk.core.treatment.fact.EndingStep.LIFT_GEL;
import static ivesk.core.treatment.fact.EndingStep.LIFT_WITH_COMPRESS;
import static ivesk.core.treatment.fact.EndingStep.NEUTRALISE;
import static ivesk.core.treatment.fact.EndingStep.NEUTRALISE_LIFTED;
import static ivesk.core.treatment.fact.EndingStep.PADS_FROM_THE_NOSE;
import static ivesk.core.treatment.fact.EndingStep.PAT_DRY;
import static ivesk.core.treatment.fact.EndingStep.PRESS_HOT_SPOTS;
import static ivesk.core.treatment.fact.EndingStep.REPEAT_TO_NO_FIZZ;
import static ivesk.core.treatment.fact.EndingStep.RINSE_COOL;
import static ivesk.core.treatment.fact.EndingStep.SAY_IT_RUNS_ITS_COURSE;
import static ivesk.core.treatment.fact.EndingStep.SAY_IT_UNDOES_NOTHING;
import static ivesk.core.treatment.fact.EndingStep.SAY_STING;
import static ivesk.core.treatment.fact.EndingStep.WIPE_PASTE;
import static ivesk.core.treatment.fact.EndingStep.WIPE_THEN_RINSE;

import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.fact.EndingStep;
import java.util.List;

/// How a formula comes off, step by step. Common practice.
public final class EndingSteps {
  private static final List<EndingStep> ENDED_EARLY =
      List.of(WIPE_THEN_RINSE, FAN_AND_COMPRESS, SAY_IT_RUNS_ITS_COURSE);

  private static final List<EndingStep> COOL = List.of(COOL_WATER, PAT_DRY);

  private EndingSteps() {}

  public static List<EndingStep> of(TreatmentPlan plan, EndingState ended) {
    return switch (plan.takeOff()) {
      case BY_FORMULA -> byFormula(plan, ended);
      case COOL_WATER ->
          plan.formula().ending() == Formula.Ending.LIFT_THEN_NEUTRALISE
              ? List.of(LIFT_GEL, COOL_WATER, PAT_DRY)
              : COOL;
      case LEFT_ON -> ended.inTrouble() ? ENDED_EARLY : List.of(LEAVE_AS_IT_IS, FAN);
      case COMPRESS -> List.of(COMPRESS, LIFT_WITH_COMPRESS, PAT_DRY);
    };
  }

  /// As planned, it stays on the skin as it is.
  public static boolean leavesOn(TreatmentPlan plan) {
    return of(plan, EndingState.NONE).contains(LEAVE_AS_IT_IS);
  }

  /// With this step every one of the formula's ending is done.
  static boolean doneWith(EndingStep step, TreatmentPlan plan, EndingState ended) {
    return of(plan, ended).stream().allMatch(one -> one == step || ended.steps().contains(one));
  }

  private static List<EndingStep> byFormula(TreatmentPlan plan, EndingState ended) {
    return switch (plan.formula().ending()) {
      case NEUTRALISE -> List.of(SAY_STING, BLOT, NEUTRALISE, REPEAT_TO_NO_FIZZ, RINSE_COOL);
      case LIFT_THEN_NEUTRALISE ->
          List.of(SAY_STING, LIFT_GEL, NEUTRALISE_LIFTED, PRESS_HOT_SPOTS, RINSE_COOL);
      case WIPE_THEN_COOL_RINSE -> List.of(WIPE_PASTE, COOL_RINSE, FAN);
      case COOL_PADS -> List.of(PADS_FROM_THE_NOSE, FRESH_PADS);
      case RINSE, DAMP_PADS -> COOL;
      case COOL_RINSE -> ended.early() ? ENDED_EARLY : List.of(COOL_RINSE, FAN);
      // Finished sooner without trouble it stays as it is, too.
      case SELF_LIMITING -> ended.inTrouble() ? ENDED_EARLY : List.of(LEAVE_AS_IT_IS, FAN);
      case FROST_IS_THE_END -> List.of(COLD_COMPRESSES, SAY_IT_UNDOES_NOTHING, FAN);
      case NONE -> List.of(RINSE_COOL);
    };
  }
}
