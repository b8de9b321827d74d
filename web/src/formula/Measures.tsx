import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Substance } from "../api/types";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { decimal } from "../parts/words";
import type { ToolProps } from "./ToolProps";
import { NumberField, NumberFields, numbers } from "../parts/NumberField";
import { SubstanceField } from "./fields";
import { NumbersTool } from "./NumbersTool";
import { answerQuery } from "./queries";
import { Result } from "./Result";
import toolStyles from "./Tool.module.css";

const cx = classNames.bind(toolStyles);

export function Dose() {
  return (
    <NumbersTool
      tool="dose"
      heading="What goes on"
      fields={[
        { name: "percentWv", label: "strength", unit: "% w/v", start: "30" },
        { name: "volumeMl", label: "volume of a layer", unit: "mL", start: "3" },
        { name: "areaCm2", label: "area", unit: "cm²", start: "600" },
        { name: "layers", label: "layers", unit: "", start: "1" },
      ]}
      ask={async (facts) => body(await api.POST("/api/bench/dose", { body: facts }))}
      title="Dose"
      show={(dose) => ({
        value: `${decimal(dose.mgPerCm2, 2)} mg/cm²`,
        working: dose.working,
      })}
      source="Layers add mg/cm²; concentration does not add."
    />
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
      <section className={cx("bench-inputs")} aria-label="Label">
        <Strip title="What the label says" />
        <div className={cx("bench-group")}>
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
      <section className={cx("bench-inputs")} aria-label="Solution">
        <Strip title="In water" />
        <div className={cx("bench-group")}>
          <SubstanceField words={words} acids value={substance} onChange={setSubstance} />
          <NumberFields
            typed={typed}
            onChange={setTyped}
            fields={[
              { name: "percentWv", label: "strength", unit: "% w/v" },
              { name: "baseMolar", label: "strong base in it", unit: "mol/L" },
            ]}
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
      <section className={cx("bench-inputs")} aria-label="Substance">
        <Strip title="Through whole skin" />
        <div className={cx("bench-group")}>
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
