import type { Treatment } from "../../api/types";
import { hour } from "../../parts/words";

/** The retinoid of the plan: on, off, or why not now. */
export function AddOn({ treatment }: { treatment: Treatment }) {
  const { addOn } = treatment.plan;
  if (!addOn) return null;
  return (
    <p className="soft">
      <b>
        {addOn.code}, {addOn.name}
      </b>
      <br />
      {addOnStands(treatment.addOn, addOn.how)}
    </p>
  );
}

function addOnStands({ at, offAt, notNow }: Treatment["addOn"], how: string) {
  if (at && offAt) return `On at ${hour(at)}, off at ${hour(offAt)}.`;
  if (at) return `On at ${hour(at)}; ${how}.`;
  return notNow ? `Not now: ${notNow}.` : `Before all else; ${how}.`;
}
