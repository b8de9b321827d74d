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

export function Serial() {
  const [typed, setTyped] = useState({
    stockPercent: "50",
    factor: "2",
    steps: "3",
    finalMl: "20",
  });
  const facts = numbers(typed);
  const answer = useQuery(
    answerQuery("serial", facts, async (f) =>
      body(await api.POST("/api/bench/serial", { body: f })),
    ),
  );
  const steps = answer.data?.steps ?? [];
  const last = steps.at(-1);
  return (
    <>
      <section className="bench-inputs" aria-label="Dilution in steps">
        <Strip title="Each step from the one before" code="% w/v or % w/w" />
        <div className="bench-group">
          <NumberFields
            typed={typed}
            onChange={setTyped}
            fields={[
              { name: "stockPercent", label: "strength of the stock", unit: "%" },
              { name: "factor", label: "each step weaker by", unit: "times" },
              { name: "steps", label: "steps", unit: "" },
              { name: "finalMl", label: "volume of each", unit: "mL" },
            ]}
          />
        </div>
      </section>
      <Result
        title="Strength after the last step"
        value={last && `${decimal(last.percent, 2)} %`}
        more={steps
          .map(
            (step, n) =>
              `step ${n + 1}: ${decimal(step.stockMl, 1)} mL of ${decimal(step.stockPercent, 2)} % made up to ${decimal(step.finalMl, 1)} mL, ${decimal(step.percent, 2)} %`,
          )
          .join("; ")}
        working={answer.data?.working}
        source="C₁V₁ = C₂V₂, step by step. Made up to the volume, never a volume added."
        error={answer.error}
      >
        {last && (
          <Cylinder
            fills={[
              { ml: last.stockMl, words: "of the step before" },
              { ml: last.finalMl - last.stockMl, words: "made up with solvent" },
            ]}
          />
        )}
      </Result>
    </>
  );
}

/** For who works from labels: does a mixture hold what its label says? */
export function Mixture() {
  const [typed, setTyped] = useState({
    onePercent: "70",
    oneMl: "50",
    otherPercent: "0",
    otherMl: "50",
    printedPercent: "35",
  });
  const facts = numbers(typed);
  const answer = useQuery(
    answerQuery("mixture", facts, async (f) =>
      body(await api.POST("/api/bench/mixture", { body: f })),
    ),
  );
  const holds = answer.data;
  return (
    <>
      <section className="bench-inputs" aria-label="A mixture">
        <Strip title="What the maker mixed" code="one convention" />
        <div className="bench-group">
          <NumberFields
            typed={typed}
            onChange={setTyped}
            fields={[
              { name: "onePercent", label: "the one", unit: "%" },
              { name: "oneMl", label: "of it", unit: "mL" },
              { name: "otherPercent", label: "the other, 0 for solvent", unit: "%" },
              { name: "otherMl", label: "of that", unit: "mL" },
              { name: "printedPercent", label: "the label says", unit: "%" },
            ]}
          />
        </div>
      </section>
      <Result
        title="It holds"
        value={holds && `${decimal(holds.percent, 1)} %`}
        more={
          holds &&
          (Math.abs(holds.differencePercent) < 1
            ? "as its label says"
            : `${decimal(Math.abs(holds.differencePercent), 0)} % ${
                holds.differencePercent > 0 ? "more" : "less"
              } than its label says: ask the maker before it is used`)
        }
        working={holds?.working}
        source="Pharmacy arithmetic; volumes are taken as adding up."
        error={answer.error}
      />
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

export function Parts({ words }: ToolProps) {
  const [parts, setParts] = useState<Weighed[]>(() =>
    words.jessner.map((part) => ({
      substance: part.substance,
      grams: String(part.grams),
      purity: String(part.purityPercent),
    })),
  );
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
