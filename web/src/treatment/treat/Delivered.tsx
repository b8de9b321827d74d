import Button from "@mui/material/Button";
import { useState } from "react";
import type { Fact, Treatment } from "../../api/types";
import { Stepper } from "../../parts/Stepper";
import { decimal } from "../../parts/words";

const STEP_ML = 0.1;

/** What the newest layer delivered: poured less left. */
export function Delivered({
  treatment,
  onSay,
}: {
  treatment: Treatment;
  onSay: (fact: Fact) => void;
}) {
  const [poured, setPoured] = useState(Math.round(treatment.plan.layerMl * 10));
  const [left, setLeft] = useState(0);
  if (treatment.layers.length === 0) return <p className="soft">No layer is on yet.</p>;
  const ml = (poured - left) * STEP_ML;
  return (
    <>
      <Stepper
        label="poured"
        value={`${decimal(poured * STEP_ML, 1)} mL`}
        onLess={poured > left + 1 ? () => setPoured(poured - 1) : undefined}
        onMore={poured < 200 ? () => setPoured(poured + 1) : undefined}
      />
      <Stepper
        label="left over"
        value={`${decimal(left * STEP_ML, 1)} mL`}
        onLess={left > 0 ? () => setLeft(left - 1) : undefined}
        onMore={left < poured - 1 ? () => setLeft(left + 1) : undefined}
      />
      <Button
        variant="contained"
        onClick={() => onSay({ type: "LayerMeasured", ml: Math.round(ml * 100) / 100 })}
      >
        {decimal(ml, 1)} mL went on
      </Button>
    </>
  );
}
