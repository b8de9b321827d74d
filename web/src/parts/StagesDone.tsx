import { REGIONS } from "../api/enumWords";
import type { Treatment } from "../api/types";
import { clock, decimal } from "./words";

/** Each layer of each stage: with what, from which bottle, how much, how long until END. */
export function StagesDone({ treatment }: { treatment: Treatment }) {
  const { before } = treatment;
  const { of, number } = treatment.stage;
  const stages = [
    ...before,
    {
      number,
      region: undefined,
      layers: treatment.layers,
      clocks: treatment.clocks,
      restAt: treatment.restAt,
    },
  ];
  return (
    <>
      {stages.flatMap((stage) =>
        stage.layers.map((layer) => (
          <div key={`${stage.number} ${layer.number}`} className="line">
            <span>
              {of > 1 &&
                `stage ${stage.number}${stage.region ? `, ${REGIONS[stage.region]}` : ""}: `}
              layer {layer.number}, {layer.formula}
              {layer.lot && `, lot ${layer.lot}`}
            </span>
            <span className="value mono">
              {decimal(layer.ml, 1)} mL {layer.measured ? "measured" : "as planned"}
              {stage.clocks.endedAt &&
                ` · ${clock(Date.parse(stage.clocks.endedAt) - Date.parse(layer.startedAt))}`}
            </span>
          </div>
        )),
      )}
    </>
  );
}
