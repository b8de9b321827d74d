import Button from "@mui/material/Button";
import { useState } from "react";
import type { Fact, Treatment } from "../../api/types";
import { Stepper } from "../../parts/Stepper";
import { decimal } from "../../parts/words";

const STEP_ML = 0.1;

/** What the newest layer delivered: by the maker's measure, or poured less left less held. */
export function Delivered({
  treatment,
  onSay,
}: {
  treatment: Treatment;
  onSay: (fact: Fact) => void;
}) {
  const [poured, setPoured] = useState(Math.round(treatment.plan.layerMl * 10));
  const [left, setLeft] = useState(0);
  const [held, setHeld] = useState(0);
  const { unitMl, measure } = treatment.plan;
  const [units, setUnits] = useState(unitMl ? 1 : 0);
  if (treatment.layers.length === 0) return <p className="soft">No layer is on yet.</p>;
  const ml = unitMl && units > 0 ? units * unitMl : (poured - left - held) * STEP_ML;
  return (
    <>
      {unitMl && (
        <Stepper
          label={measure || "measures"}
          value={units === 0 ? "by mL" : `${decimal(units, 1)} × ${decimal(unitMl, 1)} mL`}
          onLess={units > 0 ? () => setUnits(units - 0.5) : undefined}
          onMore={units < 10 ? () => setUnits(units + 0.5) : undefined}
        />
      )}
      {(!unitMl || units === 0) && (
        <>
          <Stepper
            label="poured"
            value={`${decimal(poured * STEP_ML, 1)} mL`}
            onLess={poured > left + held + 1 ? () => setPoured(poured - 1) : undefined}
            onMore={poured < 200 ? () => setPoured(poured + 1) : undefined}
          />
          <Stepper
            label="left over"
            value={`${decimal(left * STEP_ML, 1)} mL`}
            onLess={left > 0 ? () => setLeft(left - 1) : undefined}
            onMore={left + held < poured - 1 ? () => setLeft(left + 1) : undefined}
          />
          <Stepper
            label="held by the applicator"
            value={`${decimal(held * STEP_ML, 1)} mL`}
            onLess={held > 0 ? () => setHeld(held - 1) : undefined}
            onMore={left + held < poured - 1 ? () => setHeld(held + 1) : undefined}
          />
        </>
      )}
      <Button
        variant="contained"
        onClick={() => onSay({ type: "LayerMeasured", ml: Math.round(ml * 100) / 100 })}
      >
        {decimal(ml, 1)} mL went on
      </Button>
    </>
  );
}
