import classNames from "classnames/bind";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Substance } from "../api/types";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { decimal } from "../parts/words";
import type { ToolProps } from "./ToolProps";
import { Jug } from "./drawings";
import { NumberField, number, numbers } from "../parts/NumberField";
import { SubstanceField } from "./fields";
import { answerQuery } from "./queries";
import { Result } from "./Result";
import toolStyles from "./Tool.module.css";

const cx = classNames.bind(toolStyles);

/** How much neutraliser meets the acid that was put on. */
export function NeutraliserTool({ words }: ToolProps) {
  const [acids, setAcids] = useState<{ substance: Substance; percent: string }[]>([
    { substance: "GLYCOLIC", percent: "35" },
  ]);
  const [typed, setTyped] = useState({ volumeMl: "3", basePercentWv: "10" });
  const [base, setBase] = useState<"BICARBONATE" | "ARGININE">("BICARBONATE");
  const [buffered, setBuffered] = useState(false);
  const [ph, setPh] = useState("3.5");
  const plain = numbers(typed);
  const bufferedPh = buffered ? number(ph) : undefined;
  const components = acids.map(({ substance, percent }) => ({
    substance,
    percentWv: number(percent),
  }));
  const whole = components.every(({ percentWv }) => percentWv !== null);
  const answer = useQuery(
    answerQuery(
      "neutraliser",
      plain && whole && bufferedPh !== null
        ? {
            base,
            ...plain,
            bufferedPh,
            components: components.map((c) => ({ ...c, percentWv: c.percentWv ?? 0 })),
          }
        : null,
      async (facts) => body(await api.POST("/api/bench/neutraliser", { body: facts })),
    ),
  );
  function take(code: string) {
    const formula = words.formulas.find((f) => f.code === code);
    if (!formula) return;
    setBuffered(formula.bufferedInWater);
    if (formula.ph !== undefined) setPh(String(formula.ph));
    setAcids(
      formula.components.map((c) => ({ substance: c.substance, percent: String(c.percentWv) })),
    );
  }
  const needed = answer.data?.needed;
  return (
    <>
      <section className={cx("bench-inputs")} aria-label="What was put on">
        <Strip title="What was put on" />
        <div className={cx("bench-group")}>
          <TextField select label="From the shelf" value="" onChange={(e) => take(e.target.value)}>
            {words.formulas.map(({ code, name }) => (
              <MenuItem key={code} value={code}>
                {code}, {name}
              </MenuItem>
            ))}
          </TextField>
          {acids.map((acid, i) => (
            <div key={i} className="stack">
              <SubstanceField
                words={words}
                acids
                value={acid.substance}
                onChange={(substance) =>
                  setAcids(acids.map((a, n) => (n === i ? { ...a, substance } : a)))
                }
              />
              <NumberField
                label={`strength of ${words.substances.find((s) => s.id === acid.substance)?.label}`}
                unit="% w/v"
                value={acid.percent}
                onChange={(percent) =>
                  setAcids(acids.map((a, n) => (n === i ? { ...a, percent } : a)))
                }
              />
            </div>
          ))}
          <NumberField
            label="volume over all layers"
            unit="mL"
            value={typed.volumeMl}
            onChange={(volumeMl) => setTyped({ ...typed, volumeMl })}
          />
        </div>
        <Strip title="Base already in it" />
        <div className={cx("bench-group")}>
          <Segments
            label="Buffered in water by its label"
            value={buffered ? "yes" : "no"}
            options={[
              { id: "no", label: "not by its label" },
              { id: "yes", label: "buffered in water" },
            ]}
            onChange={(answer) => setBuffered(answer === "yes")}
          />
          {buffered && <NumberField label="its pH" unit="" value={ph} onChange={setPh} />}
        </div>
        <Strip title="Neutraliser" />
        <div className={cx("bench-group")}>
          <Segments
            label="Neutraliser"
            value={base}
            options={[
              { id: "BICARBONATE", label: "bicarbonate" },
              { id: "ARGININE", label: "arginine" },
            ]}
            onChange={setBase}
          />
          <NumberField
            label="strength of the neutraliser"
            unit="% w/v"
            value={typed.basePercentWv}
            onChange={(basePercentWv) => setTyped({ ...typed, basePercentWv })}
          />
        </div>
      </section>
      <Result
        title="Neutraliser to lay out"
        value={needed && `${decimal(needed.layOutMl, 1)} mL`}
        more={needed && `twice the ${decimal(needed.volumeMl, 2)} mL that meet the acid`}
        working={answer.data?.working}
        source="Stoichiometry, every titratable proton; base already in it counts only where the label says buffered in water. It never undoes a frost: not the way to stop TCA, salicylic or Jessner."
        error={answer.error}
      >
        {needed && <Jug needMl={needed.volumeMl} layOutMl={needed.layOutMl} gasL={needed.gasL} />}
      </Result>
    </>
  );
}
