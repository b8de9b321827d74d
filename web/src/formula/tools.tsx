import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Substance } from "../api/types";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { decimal } from "../parts/words";
import type { ToolProps } from "./Bench";
import { Cylinder } from "./drawings";
import { NumberField, number, numbers, SubstanceField } from "./fields";
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
          <NumberField
            label="strength of the stock"
            unit="%"
            value={typed.stockPercent}
            onChange={(stockPercent) => setTyped({ ...typed, stockPercent })}
          />
          <NumberField
            label="strength wanted"
            unit="%"
            value={typed.targetPercent}
            onChange={(targetPercent) => setTyped({ ...typed, targetPercent })}
          />
          <NumberField
            label="final volume"
            unit="mL"
            value={typed.finalMl}
            onChange={(finalMl) => setTyped({ ...typed, finalMl })}
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
  const field = (name: keyof typeof typed, label: string, unit: string) => (
    <NumberField
      label={label}
      unit={unit}
      value={typed[name]}
      onChange={(value) => setTyped({ ...typed, [name]: value })}
    />
  );
  return (
    <>
      <section className="bench-inputs" aria-label="Two strengths">
        <Strip title="Two strengths of one acid" />
        <div className="bench-group">
          {field("strongPercent", "the stronger", "%")}
          {field("weakPercent", "the weaker", "%")}
          {field("targetPercent", "strength wanted", "%")}
          {field("finalMl", "final volume", "mL")}
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

export function Dose() {
  const [typed, setTyped] = useState({
    percentWv: "30",
    volumeMl: "3",
    areaCm2: "600",
    layers: "1",
  });
  const facts = numbers(typed);
  const answer = useQuery(
    answerQuery("dose", facts, async (f) => body(await api.POST("/api/bench/dose", { body: f }))),
  );
  const field = (name: keyof typeof typed, label: string, unit: string) => (
    <NumberField
      label={label}
      unit={unit}
      value={typed[name]}
      onChange={(value) => setTyped({ ...typed, [name]: value })}
    />
  );
  return (
    <>
      <section className="bench-inputs" aria-label="What goes on">
        <Strip title="What goes on" />
        <div className="bench-group">
          {field("percentWv", "strength", "% w/v")}
          {field("volumeMl", "volume of a layer", "mL")}
          {field("areaCm2", "area", "cm²")}
          {field("layers", "layers", "")}
        </div>
      </section>
      <Result
        title="Dose"
        value={answer.data && `${decimal(answer.data.mgPerCm2, 2)} mg/cm²`}
        working={answer.data?.working}
        source="Layers add mg/cm²; concentration does not add."
        error={answer.error}
      />
    </>
  );
}

export function LabelToLabel({ words }: ToolProps) {
  const [substance, setSubstance] = useState<Substance>("GLYCOLIC");
  const [convention, setConvention] = useState<"WV" | "WW" | "VV">("WW");
  const [typed, setTyped] = useState({ percent: "70", densityGPerMl: "1.27" });
  const plain = numbers(typed);
  const answer = useQuery(
    answerQuery("strength", plain && { substance, convention, ...plain }, async (f) =>
      body(await api.POST("/api/bench/strength", { body: f })),
    ),
  );
  return (
    <>
      <section className="bench-inputs" aria-label="Label">
        <Strip title="What the label says" />
        <div className="bench-group">
          <SubstanceField words={words} value={substance} onChange={setSubstance} />
          <NumberField
            label="percent"
            unit="%"
            value={typed.percent}
            onChange={(percent) => setTyped({ ...typed, percent })}
          />
          <Segments
            label="Convention"
            value={convention}
            options={[
              { id: "WV", label: "w/v" },
              { id: "WW", label: "w/w" },
              { id: "VV", label: "v/v" },
            ]}
            onChange={setConvention}
          />
          {convention !== "WV" && (
            <NumberField
              label={convention === "WW" ? "density of the solution" : "density of the substance"}
              unit="g/mL"
              value={typed.densityGPerMl}
              onChange={(densityGPerMl) => setTyped({ ...typed, densityGPerMl })}
            />
          )}
        </div>
      </section>
      <Result
        title="In grams per 100 mL"
        value={answer.data && `${decimal(answer.data.percentWv, 1)} % w/v`}
        more={answer.data && `${decimal(answer.data.molar, 2)} mol/L`}
        working={answer.data?.working}
        source="The same label number can be a quarter stronger by another convention. Bridenstine and Dolezal 1994, from memory."
        error={answer.error}
      />
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

export function Ph({ words }: ToolProps) {
  const [substance, setSubstance] = useState<Substance>("GLYCOLIC");
  const [typed, setTyped] = useState({ percentWv: "35", baseMolar: "0" });
  const plain = numbers(typed);
  const answer = useQuery(
    answerQuery(
      "ph",
      plain && {
        components: [{ substance, percentWv: plain.percentWv }],
        baseMolar: plain.baseMolar,
      },
      async (f) => body(await api.POST("/api/bench/ph", { body: f })),
    ),
  );
  return (
    <>
      <section className="bench-inputs" aria-label="Solution">
        <Strip title="In water" />
        <div className="bench-group">
          <SubstanceField words={words} acids value={substance} onChange={setSubstance} />
          <NumberField
            label="strength"
            unit="% w/v"
            value={typed.percentWv}
            onChange={(percentWv) => setTyped({ ...typed, percentWv })}
          />
          <NumberField
            label="strong base in it"
            unit="mol/L"
            value={typed.baseMolar}
            onChange={(baseMolar) => setTyped({ ...typed, baseMolar })}
          />
        </div>
      </section>
      <Result
        title="pH, ideal solution"
        value={answer.data && decimal(answer.data.ph, 2)}
        working={answer.data?.working}
        source={answer.data?.source}
        error={answer.error}
      />
    </>
  );
}

export function Passage({ words }: ToolProps) {
  const [substance, setSubstance] = useState<Substance>("SALICYLIC");
  const answer = useQuery(
    answerQuery("permeability", { substance }, async (f) =>
      body(await api.POST("/api/bench/permeability", { body: f })),
    ),
  );
  const passing = { ...words, substances: words.substances.filter((s) => s.passesSkin) };
  return (
    <>
      <section className="bench-inputs" aria-label="Substance">
        <Strip title="Through whole skin" />
        <div className="bench-group">
          <SubstanceField words={passing} value={substance} onChange={setSubstance} />
        </div>
      </section>
      <Result
        title="Permeability"
        value={answer.data && `${answer.data.cmPerHour.toExponential(1)} cm/h`}
        working={answer.data?.working}
        source={answer.data?.source}
        error={answer.error}
      />
    </>
  );
}
