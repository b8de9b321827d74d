import { REGIONS } from "../../api/enumWords";
import type { Treatment } from "../../api/types";

/** "stage 2 of 3, hands next"; empty where a visit has but one. */
export function stageWords({ stage }: Treatment): string {
  if (stage.of === 1) return "";
  const next =
    stage.next && `, ${stage.next.sameSkin ? stage.next.code : REGIONS[stage.next.region]} next`;
  return `stage ${stage.number} of ${stage.of}${next ?? ""}`;
}
