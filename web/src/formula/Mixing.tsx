import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Substance } from "../api/types";
import { Strip } from "../parts/Strip";
import { decimal } from "../parts/words";
import type { ToolProps } from "./Bench";
import { Cylinder } from "./drawings";
import { NumberField, NumberFields, number, numbers } from "../parts/NumberField";
import { SubstanceField } from "./fields";
import { answerQuery } from "./queries";
import { Result } from "./Result";

export function Dilute() {
  const [typed, setTyped] = useState({ stockPercent: "70", targetPercent: "35", finalMl: "100" });
  const facts = numbers(typed);
  const answer = useQuery(
    answerQuery("dilution", facts, async (f) =>
      body(await api.POST("/api/bench/dilution", { body: f })),
    ),
  );
  const made = answer.data;
  return (
    <>
      <section className="bench-inputs" aria-label="Dilution">
        <Strip title="One convention throughout" code="% w/v or % w/w" />
        <div className="bench-group">
          <NumberFields
            typed={typed}
            onChange={setTyped}
            fields={[
              { name: "stockPercent", label: "strength of the stock", unit: "%" },
              { name: "targetPercent", label: "strength wanted", unit: "%" },
              { name: "finalMl", label: "final volume", unit: "mL" },
            ]}
          />
        </div>
      </section>
      <Result
        title="Stock to measure"
        value={made && `${decimal(made.stockMl, 1)} mL`}
        more={made && `then made up to ${decimal(made.finalMl, 1)} mL`}
        working={made?.working}
        source="C₁V₁ = C₂V₂. Made up to the volume, never a volume added."
        error={answer.error}
      >
        {made && (
          <Cylinder
            fills={[
              { ml: made.stockMl, words: "stock" },
              { ml: made.finalMl - made.stockMl, words: "made up with solvent" },
            ]}
          />
        )}
      </Result>
    </>
  );
}

export function Alligation() {
  const [typed, setTyped] = useState({
    strongPercent: "70",
    weakPercent: "20",
    targetPercent: "40",
    finalMl: "100",
  });
  const facts = numbers(typed);
  const answer = useQuery(
    answerQuery("alligation", facts, async (f) =>
      body(await api.POST("/api/bench/alligation", { body: f })),
    ),
  );
  const mix = answer.data;
  return (
    <>
      <section className="bench-inputs" aria-label="Two strengths">
        <Strip title="Two strengths of one acid" />
        <div className="bench-group">
          <NumberFields
            typed={typed}
            onChange={setTyped}
            fields={[
              { name: "strongPercent", label: "the stronger", unit: "%" },
              { name: "weakPercent", label: "the weaker", unit: "%" },
              { name: "targetPercent", label: "strength wanted", unit: "%" },
              { name: "finalMl", label: "final volume", unit: "mL" },
            ]}
          />
        </div>
      </section>
      <Result
        title="Of the stronger, of the weaker"
        value={mix && `${decimal(mix.strongMl, 1)} + ${decimal(mix.weakMl, 1)} mL`}
        working={mix?.working}
        source="Alligation; volumes are taken as adding up."
        error={answer.error}
      >
        {mix && (
          <Cylinder
            fills={[
              { ml: mix.weakMl, words: "the weaker first" },
              { ml: mix.strongMl, words: "the stronger into it" },
            ]}
          />
        )}
      </Result>
    </>
  );
}

interface Weighed {
  substance: Substance;
  grams: string;
  purity: string;
}

const JESSNER: Weighed[] = [
  { substance: "RESORCINOL", grams: "14", purity: "100" },
  { substance: "SALICYLIC", grams: "14", purity: "100" },
  { substance: "LACTIC", grams: "14", purity: "85" },
];

export function Parts({ words }: ToolProps) {
  const [parts, setParts] = useState(JESSNER);
  const [finalMl, setFinalMl] = useState("100");
  const change = (i: number, part: Partial<Weighed>) =>
    setParts(parts.map((p, n) => (n === i ? { ...p, ...part } : p)));
  const weighed = parts.map((part) => ({
    substance: part.substance,
    grams: number(part.grams),
    purityPercent: number(part.purity),
  }));
  const volume = number(finalMl);
  const whole = weighed.every((part) => part.grams !== null && part.purityPercent !== null);
  const answer = useQuery(
    answerQuery(
      "parts",
      whole && volume !== null
        ? {
            finalMl: volume,
            parts: weighed.map((part) => ({
              ...part,
              grams: part.grams ?? 0,
              purityPercent: part.purityPercent ?? 0,
            })),
          }
        : null,
      async (f) => body(await api.POST("/api/bench/parts", { body: f })),
    ),
  );
  const named = (id: Substance) => words.substances.find((s) => s.id === id)?.label ?? id;
  return (
    <>
      <section className="bench-inputs" aria-label="Parts">
        <Strip title="Weighed" code={`${parts.length} parts`} />
        {parts.map((part, i) => (
          <div key={i} className="bench-group">
            <SubstanceField
              words={words}
              value={part.substance}
              onChange={(substance) => change(i, { substance })}
            />
            <NumberField
              label={`${named(part.substance)}, weighed`}
              unit="g"
              value={part.grams}
              onChange={(grams) => change(i, { grams })}
            />
            <NumberField
              label={`${named(part.substance)}, purity`}
              unit="%"
              value={part.purity}
              onChange={(purity) => change(i, { purity })}
            />
          </div>
        ))}
        <div className="bench-group">
          <div className="row">
            <Button
              size="small"
              onClick={() =>
                setParts([...parts, { substance: "CITRIC", grams: "8", purity: "100" }])
              }
            >
              Add a part
            </Button>
            {parts.length > 1 && (
              <Button size="small" color="inherit" onClick={() => setParts(parts.slice(0, -1))}>
                Take the last away
              </Button>
            )}
          </div>
          <NumberField label="made up to" unit="mL" value={finalMl} onChange={setFinalMl} />
        </div>
      </section>
      <Result
        title="It holds"
        value={answer.data?.made.map((made) => decimal(made.percentWv, 1)).join(" / ")}
        more={answer.data?.made
          .map(
            (made) =>
              `${named(made.substance)} ${decimal(made.percentWv, 1)} % w/v${
                Math.abs(made.percentWv - made.labelPercentWv) > 0.05
                  ? `, weighed as ${decimal(made.labelPercentWv, 1)}`
                  : ""
              }`,
          )
          .join(" · ")}
        working={answer.data?.working}
        source="Classic Jessner after Monheit 1989, from memory. The arithmetic goes on with what is pure."
        error={answer.error}
      />
    </>
  );
}
