package ivesk.core.treatment.state;

import ivesk.core.plan.compose.TreatmentPlan;
import java.time.Instant;

/// One stage of a treatment.
///
/// @param from when it began
public record Stage(TreatmentPlan plan, TreatmentState state, Instant from) {}
