import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Substance } from "../api/types";
import { Strip } from "../parts/Strip";
import { decimal, plural } from "../parts/words";
import type { ToolProps } from "./ToolProps";
import { Cylinder } from "./drawings";
import { NumberField, number } from "../parts/NumberField";
import { SubstanceField } from "./fields";
import { answerQuery } from "./queries";
import { NumbersTool } from "./NumbersTool";
import { Result } from "./Result";
import toolStyles from "./Tool.module.css";

const cx = classNames.bind(toolStyles);

export function Dilute() {
  return (
    <NumbersTool
      tool="dilution"
      heading="One convention throughout"
      code="% w/v or % w/w"
      fields={[
        { name: "stockPercent", label: "strength of the stock", unit: "%", start: "70" },
        { name: "targetPercent", label: "strength wanted", unit: "%", start: "35" },
        { name: "finalMl", label: "final volume", unit: "mL", start: "100" },
      ]}
      ask={async (facts) => body(await api.POST("/api/bench/dilution", { body: facts }))}
      title="Stock to measure"
      show={(made) => ({
        value: `${decimal(made.stockMl, 1)} mL`,
        more: `then made up to ${decimal(made.finalMl, 1)} mL`,
        working: made.working,
        drawing: (
          <Cylinder
            fills={[
              { ml: made.stockMl, words: "stock" },
              { ml: made.finalMl - made.stockMl, words: "made up with solvent" },
            ]}
          />
        ),
      })}
      source="C₁V₁ = C₂V₂. Made up to the volume, never a volume added."
    />
  );
}

export function Serial() {
  return (
    <NumbersTool
      tool="serial"
      heading="Each step from the one before"
      code="% w/v or % w/w"
      fields={[
        { name: "stockPercent", label: "strength of the stock", unit: "%", start: "50" },
        { name: "factor", label: "each step weaker by", unit: "times", start: "2" },
        { name: "steps", label: "steps", unit: "", start: "3" },
        { name: "finalMl", label: "volume of each", unit: "mL", start: "20" },
      ]}
      ask={async (facts) => body(await api.POST("/api/bench/serial", { body: facts }))}
      title="Strength after the last step"
      show={({ steps, working }) => {
        const last = steps.at(-1)!;
        return {
          value: `${decimal(last.percent, 2)} %`,
          more: steps
            .map(
              (step, n) =>
                `step ${n + 1}: ${decimal(step.stockMl, 1)} mL of ${decimal(step.stockPercent, 2)} % made up to ${decimal(step.finalMl, 1)} mL, ${decimal(step.percent, 2)} %`,
            )
            .join("; "),
          working,
          drawing: (
            <Cylinder
              fills={[
                { ml: last.stockMl, words: "of the step before" },
                { ml: last.finalMl - last.stockMl, words: "made up with solvent" },
              ]}
            />
          ),
        };
      }}
      source="C₁V₁ = C₂V₂, step by step. Made up to the volume, never a volume added."
    />
  );
}

/** For who works from labels: does a mixture hold what its label says? */
export function Mixture() {
  return (
    <NumbersTool
      tool="mixture"
      heading="What the maker mixed"
      code="one convention"
      fields={[
        { name: "onePercent", label: "the one", unit: "%", start: "70" },
        { name: "oneMl", label: "of it", unit: "mL", start: "50" },
        { name: "otherPercent", label: "the other, 0 for solvent", unit: "%", start: "0" },
        { name: "otherMl", label: "of that", unit: "mL", start: "50" },
        { name: "printedPercent", label: "the label says", unit: "%", start: "35" },
      ]}
      ask={async (facts) => body(await api.POST("/api/bench/mixture", { body: facts }))}
      title="It holds"
      show={({ percent, differencePercent, working }) => ({
        value: `${decimal(percent, 1)} %`,
        more:
          Math.abs(differencePercent) < 1
            ? "as its label says"
            : `${decimal(Math.abs(differencePercent), 0)} % ${
                differencePercent > 0 ? "more" : "less"
              } than its label says: ask the maker before it is used`,
        working,
      })}
      source="Pharmacy arithmetic; volumes are taken as adding up."
    />
  );
}

export function Alligation() {
  return (
    <NumbersTool
      tool="alligation"
      heading="Two strengths of one acid"
      fields={[
        { name: "strongPercent", label: "the stronger", unit: "%", start: "70" },
        { name: "weakPercent", label: "the weaker", unit: "%", start: "20" },
        { name: "targetPercent", label: "strength wanted", unit: "%", start: "40" },
        { name: "finalMl", label: "final volume", unit: "mL", start: "100" },
      ]}
      ask={async (facts) => body(await api.POST("/api/bench/alligation", { body: facts }))}
      title="Of the stronger, of the weaker"
      show={(mix) => ({
        value: `${decimal(mix.strongMl, 1)} + ${decimal(mix.weakMl, 1)} mL`,
        working: mix.working,
        drawing: (
          <Cylinder
            fills={[
              { ml: mix.weakMl, words: "the weaker first" },
              { ml: mix.strongMl, words: "the stronger into it" },
            ]}
          />
        ),
      })}
      source="Alligation; volumes are taken as adding up."
    />
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
      <section className={cx("bench-inputs")} aria-label="Parts">
        <Strip title="Weighed" code={plural(parts.length, "part")} />
        {parts.map((part, i) => (
          <div key={i} className={cx("bench-group")}>
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
        <div className={cx("bench-group")}>
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
