import classNames from "classnames/bind";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { BenchWords, Substance } from "../api/types";
import { Strip } from "../parts/Strip";
import { decimal } from "../parts/words";
import type { ToolProps } from "./ToolProps";
import { FreeCurve } from "./drawings";
import { NumberField, numbers } from "../parts/NumberField";
import { SubstanceField } from "./fields";
import { answerQuery } from "./queries";
import { Result } from "./Result";
import toolStyles from "./Tool.module.css";

const cx = classNames.bind(toolStyles);

interface Label {
  substance: Substance;
  strength: string;
  ph: string;
}

function useFree(label: Label) {
  const typed = numbers({ strengthPercentWv: label.strength, ph: label.ph });
  return useQuery(
    answerQuery("free-acid", typed && { substance: label.substance, ...typed }, async (facts) =>
      body(await api.POST("/api/bench/free-acid", { body: facts })),
    ),
  );
}

/** Two labels side by side by what of them is free to act. */
export function FreeAcid({ words }: ToolProps) {
  const [one, setOne] = useState<Label>({ substance: "GLYCOLIC", strength: "35", ph: "2.5" });
  const [other, setOther] = useState<Label>({ substance: "GLYCOLIC", strength: "35", ph: "3.6" });
  const free = useFree(one);
  const otherFree = useFree(other);
  const points = [
    { label: one, answer: free.data, words: "this label" },
    { label: other, answer: otherFree.data, words: "other label" },
  ].flatMap(({ label, answer, words: name }) =>
    answer
      ? [
          {
            ph: Number(label.ph.replace(",", ".")),
            share: answer.share,
            words: `${name} · ${decimal(answer.freePercentWv, 1)} % free`,
          },
        ]
      : [],
  );
  return (
    <>
      <section className={cx("bench-inputs")} aria-label="Labels">
        <LabelFields title="This label" words={words} label={one} onChange={setOne} />
        <LabelFields title="Other label" words={words} label={other} onChange={setOther} />
        {free.data && otherFree.data && one.strength === other.strength && (
          <p className="small soft pad-small">
            Same number on both labels. {compared(free.data.share, otherFree.data.share)}
          </p>
        )}
        {(free.data?.aboveSalonFigure || otherFree.data?.aboveSalonFigure) && (
          <p className="small warn pad-small">
            Above the salon figure of the safety panel for glycolic and lactic acid, 30 % at pH 3.0
            (CIR 1998): follow your licence and the maker.
          </p>
        )}
      </section>
      <Result
        title="Free acid"
        value={free.data && `${decimal(free.data.freePercentWv, 1)} %`}
        working={free.data?.working}
        source={free.data?.source}
        error={free.error ?? otherFree.error}
      >
        {free.data && otherFree.data && (
          <FreeCurve
            curves={
              one.substance === other.substance
                ? [free.data.curve]
                : [free.data.curve, otherFree.data.curve]
            }
            points={points}
          />
        )}
      </Result>
    </>
  );
}

function compared(one: number, other: number): string {
  const ratio = other / one;
  if (Math.abs(ratio - 1) < 0.02) return "As much of each is free to act.";
  return ratio < 1
    ? `Of the other ${Math.round((1 - ratio) * 100)} % less is free to act.`
    : `Of the other ${Math.round((ratio - 1) * 100)} % more is free to act.`;
}

function LabelFields({
  title,
  words,
  label,
  onChange,
}: {
  title: string;
  words: BenchWords;
  label: Label;
  onChange: (label: Label) => void;
}) {
  function take(code: string) {
    const formula = words.formulas.find((f) => f.code === code);
    const acid = formula?.components[0];
    if (!formula || !acid) return;
    onChange({
      substance: acid.substance,
      strength: String(acid.percentWv),
      ph: String(formula.ph ?? label.ph),
    });
  }
  return (
    <>
      <Strip title={title} />
      <div className={cx("bench-group")}>
        <TextField
          select
          label={`${title}: from the shelf`}
          value=""
          onChange={(e) => take(e.target.value)}
        >
          {words.formulas.map(({ code, name }) => (
            <MenuItem key={code} value={code}>
              {code}, {name}
            </MenuItem>
          ))}
        </TextField>
        <SubstanceField
          words={words}
          acids
          value={label.substance}
          onChange={(substance) => onChange({ ...label, substance })}
        />
        <NumberField
          label={`${title}, strength`}
          unit="% w/v"
          value={label.strength}
          onChange={(strength) => onChange({ ...label, strength })}
        />
        <NumberField
          label={`${title}, pH`}
          unit=""
          value={label.ph}
          onChange={(ph) => onChange({ ...label, ph })}
        />
      </div>
    </>
  );
}
