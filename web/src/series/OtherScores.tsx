import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { ScoreSheet, ScoreWords, Zone } from "../api/types";
import { number } from "../parts/NumberField";
import { Segments } from "../parts/Segments";
import { zoneName } from "../parts/words";

const GLOGAU = ["I", "II", "III", "IV"] as const;
const MEASURED: Zone[] = ["FOREHEAD", "CHEEK_RIGHT", "CHEEK_LEFT", "UPPER_LIP", "CHIN"];

/** Glogau, improvement, satisfaction, and colour by zone. */
export function OtherScores({
  words,
  sheet,
  onChange,
}: {
  words: ScoreWords;
  sheet: ScoreSheet;
  onChange: (more: Partial<ScoreSheet>) => void;
}) {
  return (
    <div className="stack" style={{ gap: 16 }}>
      <b>Glogau: ageing by the sun</b>
      <Segments
        label="Glogau"
        value={sheet.glogau}
        options={GLOGAU.map((id) => ({ id, label: id }))}
        onChange={(glogau) => onChange({ glogau })}
      />
      <b>Global improvement since the first peel, as you see it</b>
      <Segments
        label="Improvement"
        value={sheet.improvement}
        options={words.improvement.map(({ id, label }) => ({
          id: id as NonNullable<ScoreSheet["improvement"]>,
          label,
        }))}
        onChange={(improvement) => onChange({ improvement })}
      />
      <b>The client&apos;s own satisfaction, 0 to 10</b>
      <Segments
        label="Satisfaction"
        value={sheet.satisfaction?.toString()}
        options={Array.from({ length: 11 }, (_, n) => ({ id: String(n), label: String(n) }))}
        onChange={(points) => onChange({ satisfaction: Number(points) })}
      />
      <b>Colour by zone, CIELAB (D65)</b>
      {MEASURED.map((zone) => (
        <Colour
          key={zone}
          zone={zone}
          colour={sheet.colours[zone]}
          onChange={(colour) => onChange({ colours: { ...sheet.colours, [zone]: colour } })}
        />
      ))}
    </div>
  );
}

type SkinColour = NonNullable<ScoreSheet["colours"][Zone]>;

function Colour({
  zone,
  colour,
  onChange,
}: {
  zone: Zone;
  colour: SkinColour | undefined;
  onChange: (colour: SkinColour) => void;
}) {
  const [typed, setTyped] = useState({
    l: colour?.l.toString() ?? "",
    a: colour?.a.toString() ?? "",
    b: colour?.b.toString() ?? "",
  });
  function type(more: Partial<typeof typed>) {
    const next = { ...typed, ...more };
    setTyped(next);
    const [l, a, b] = [number(next.l), number(next.a), number(next.b)];
    if (l !== null && a !== null && b !== null) onChange({ l, a, b });
  }
  const name = zoneName(zone);
  return (
    <div className="row">
      <span style={{ width: 110 }}>{name}</span>
      {(["l", "a", "b"] as const).map((axis) => (
        <TextField
          key={axis}
          label={`${axis === "l" ? "L" : axis}*`}
          value={typed[axis]}
          onChange={(e) => type({ [axis]: e.target.value })}
          slotProps={{
            htmlInput: { inputMode: "decimal", "aria-label": `${name}, ${axis}*` },
          }}
          sx={{ width: 110 }}
        />
      ))}
    </div>
  );
}
