package ivesk.core.treatment;

import static ivesk.core.treatment.EndingStep.BLOT;
import static ivesk.core.treatment.EndingStep.COLD_COMPRESSES;
import static ivesk.core.treatment.EndingStep.COOL_RINSE;
import static ivesk.core.treatment.EndingStep.COOL_WATER;
import static ivesk.core.treatment.EndingStep.FAN;
import static ivesk.core.treatment.EndingStep.FAN_AND_COMPRESS;
import static ivesk.core.treatment.EndingStep.FRESH_PADS;
import static ivesk.core.treatment.EndingStep.LEAVE_AS_IT_IS;
import static ivesk.core.treatment.EndingStep.LIFT_GEL;
import static ivesk.core.treatment.EndingStep.NEUTRALISE;
import static ivesk.core.treatment.EndingStep.NEUTRALISE_LIFTED;
import static ivesk.core.treatment.EndingStep.PADS_FROM_THE_NOSE;
import static ivesk.core.treatment.EndingStep.PAT_DRY;
import static ivesk.core.treatment.EndingStep.PRESS_HOT_SPOTS;
import static ivesk.core.treatment.EndingStep.REPEAT_TO_NO_FIZZ;
import static ivesk.core.treatment.EndingStep.RINSE_COOL;
import static ivesk.core.treatment.EndingStep.SAY_IT_RUNS_ITS_COURSE;
import static ivesk.core.treatment.EndingStep.SAY_IT_UNDOES_NOTHING;
import static ivesk.core.treatment.EndingStep.SAY_STING;
import static ivesk.core.treatment.EndingStep.WIPE_PASTE;
import static ivesk.core.treatment.EndingStep.WIPE_THEN_RINSE;

import ivesk.core.formula.Formula;
import ivesk.core.plan.TreatmentPlan;
import java.util.List;

/// How a formula comes off, step by step. Common practice.
public final class EndingSteps {
  private static final List<EndingStep> ENDED_EARLY =
      List.of(WIPE_THEN_RINSE, FAN_AND_COMPRESS, SAY_IT_RUNS_ITS_COURSE);

  private EndingSteps() {}

  public static List<EndingStep> of(TreatmentPlan plan, TreatmentState state) {
    return of(plan.formula().ending(), state.ending().early());
  }

  /// @param early ended for any reason but its time, its planned layers or its planned endpoint
  static List<EndingStep> of(Formula.Ending ending, boolean early) {
    return switch (ending) {
      case NEUTRALISE -> List.of(SAY_STING, BLOT, NEUTRALISE, REPEAT_TO_NO_FIZZ, RINSE_COOL);
      case LIFT_THEN_NEUTRALISE ->
          List.of(SAY_STING, LIFT_GEL, NEUTRALISE_LIFTED, PRESS_HOT_SPOTS, RINSE_COOL);
      case WIPE_THEN_COOL_RINSE -> List.of(WIPE_PASTE, COOL_RINSE, FAN);
      case COOL_PADS -> List.of(PADS_FROM_THE_NOSE, FRESH_PADS);
      case RINSE, DAMP_PADS -> List.of(COOL_WATER, PAT_DRY);
      case COOL_RINSE -> early ? ENDED_EARLY : List.of(COOL_RINSE, FAN);
      case SELF_LIMITING -> early ? ENDED_EARLY : List.of(LEAVE_AS_IT_IS, FAN);
      case FROST_IS_THE_END -> List.of(COLD_COMPRESSES, SAY_IT_UNDOES_NOTHING, FAN);
      case NONE -> List.of(RINSE_COOL);
    };
  }
}
