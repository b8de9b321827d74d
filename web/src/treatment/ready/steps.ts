import type { Fact, Treatment } from "../../api/types";

export type Step = Treatment["steps"][number];

/** Steps that want an answer of their own and are not merely done. */
export const ANSWERED = ["GATE_A", "BASELINE", "CLINICIAN"];

/** An acid prep is on, or would be: the pedal starts its clock first. */
export const prepWaits = (treatment: Treatment) =>
  treatment.acidPrepSeconds !== undefined && treatment.gate.prepTouchedAt === undefined;

export function baseline(treatment: Treatment, grade: number): Fact {
  return {
    type: "RednessSeen",
    grades: Object.fromEntries(treatment.plan.zones.map((zone) => [zone, grade])),
  };
}

/** The steps that are done in one go with this one. */
export function together(treatment: Treatment, step: Step): Step[] {
  return treatment.steps.filter((one) => one.together === step.together);
}

export function doneFact(step: Step): Fact {
  return { type: "StepDone", step: step.id, note: "" };
}
