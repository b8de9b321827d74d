import { REGIONS } from "../api/enumWords";
import type { Treatment } from "../api/types";
import { clock, plural } from "./words";

/** The stages before the last, a line each; nothing where a visit has but one. */
export function StagesDone({ treatment }: { treatment: Treatment }) {
  const { before, of } = treatment.stage;
  if (before.length === 0) return null;
  return (
    <>
      {before.map((stage) => (
        <div key={stage.number} className="line">
          <span>
            stage {stage.number} of {of}: {stage.code}, {REGIONS[stage.region]}
            {stage.restSeconds !== undefined &&
              `, at rest after ${clock(stage.restSeconds * 1000)}`}
          </span>
          <span className="value mono">
            {plural(stage.layers, "layer")} · {clock(stage.contactSeconds * 1000)}
          </span>
        </div>
      ))}
    </>
  );
}
