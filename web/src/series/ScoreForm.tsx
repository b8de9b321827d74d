import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { api, body } from "../api/client";
import type { ProgressState, ScoreSheet, ScoreWords, Zone } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { FaceMap, type ZoneLook } from "../parts/FaceMap";
import { number } from "../parts/NumberField";
import { Segments } from "../parts/Segments";
import { decimal, zoneName } from "../parts/words";
import { progressQuery, scoreWordsQuery } from "./queries";
import styles from "./ScoreForm.module.css";

const cx = classNames.bind(styles);

type Masi = NonNullable<ScoreSheet["masi"]>;
type Part = NonNullable<Masi[keyof Masi]>;
type Tab = "MASI" | "GAGS" | "OTHER";

const EMPTY: ScoreSheet = { masi: {}, gags: {}, colours: {} };
const TABS: { id: Tab; label: string }[] = [
  { id: "MASI", label: "Melasma" },
  { id: "GAGS", label: "Acne" },
  { id: "OTHER", label: "Others" },
];
const SEVERITY = {
  NONE: "none",
  MILD: "mild",
  MODERATE: "moderate",
  SEVERE: "severe",
  VERY_SEVERE: "very severe",
};
const GLOGAU = ["I", "II", "III", "IV"] as const;
const MEASURED: Zone[] = ["FOREHEAD", "CHEEK_RIGHT", "CHEEK_LEFT", "UPPER_LIP", "CHIN"];

/** Scores of one day: by keyboard digit for digit, or by touch on the face. */
export function ScoreForm({
  clientId,
  state,
  onClose,
}: {
  clientId: string;
  state: ProgressState;
  onClose: () => void;
}) {
  const words = useQuery(scoreWordsQuery);
  const queries = useQueryClient();
  const [on, setOn] = useState(state.today);
  const [drafts, setDrafts] = useState<Record<string, ScoreSheet>>({});
  const kept = state.sheets.find((sheet) => sheet.on === on);
  const sheet = drafts[on] ?? kept?.sheet ?? EMPTY;
  const [tab, setTab] = useState<Tab>("MASI");
  const [zone, setZone] = useState<Zone | undefined>();
  const fields = useRef<HTMLDivElement>(null);
  const set = (more: Partial<ScoreSheet>) => setDrafts({ ...drafts, [on]: { ...sheet, ...more } });
  const totals = useQuery({
    queryKey: ["scores", sheet],
    queryFn: async () => body(await api.POST("/api/scores", { body: sheet })),
    placeholderData: (shown) => shown,
  });
  const save = useMutation({
    mutationFn: async () =>
      body(
        await api.PUT("/api/clients/{id}/scores/{on}", {
          params: { path: { id: clientId, on } },
          body: { sheet, version: kept?.version ?? 0 },
        }),
      ),
    onSuccess: (changed) => {
      queries.setQueryData(progressQuery(clientId).queryKey, changed);
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    save.mutate();
  }
  function pick(picked: Zone) {
    setZone(picked);
    fields.current?.querySelector<HTMLInputElement>(`[data-zone="${picked}"] input`)?.focus();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="score-form">
      <form onSubmit={submit}>
        <DialogTitle id="score-form">Scores</DialogTitle>
        <DialogContent>
          <div className={cx("head")}>
            <TextField
              type="date"
              label="Scored on"
              value={on}
              onChange={(e) => setOn(e.target.value || state.today)}
              slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: state.today } }}
            />
            <Segments label="Which scores" value={tab} options={TABS} onChange={setTab} />
          </div>
          {words.data && (
            <div className={cx("halves")} ref={fields}>
              {tab !== "OTHER" && (
                <div className={cx("face")}>
                  <FaceMap
                    zones={looks(tab, sheet, words.data, zone)}
                    crop="neck"
                    label="The face, to pick a place"
                    onPick={pick}
                  />
                </div>
              )}
              {tab === "MASI" && (
                <MasiFields
                  words={words.data}
                  masi={sheet.masi}
                  onZone={setZone}
                  onChange={(masi) => set({ masi })}
                />
              )}
              {tab === "GAGS" && (
                <GagsFields
                  words={words.data}
                  gags={sheet.gags}
                  onZone={setZone}
                  onChange={(gags) => set({ gags })}
                />
              )}
              {tab === "OTHER" && <Others words={words.data} sheet={sheet} onChange={set} />}
            </div>
          )}
          <p role="status">
            {totals.data?.masi !== undefined && totals.data.modifiedMasi !== undefined && (
              <>
                <b>MASI {decimal(totals.data.masi, 1)}</b> of 48 ·{" "}
                <b>mMASI {decimal(totals.data.modifiedMasi, 1)}</b> of 24{" "}
              </>
            )}
            {totals.data?.gags !== undefined && (
              <>
                <b>GAGS {totals.data.gags}</b> of 44, {SEVERITY[totals.data.severity ?? "NONE"]}
              </>
            )}
          </p>
          <ErrorNote error={save.error} />
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={save.isPending}>
            Keep the scores
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** What each place shows on the face. */
function looks(
  tab: Tab,
  sheet: ScoreSheet,
  words: ScoreWords,
  chosen: Zone | undefined,
): Partial<Record<Zone, ZoneLook>> {
  const places = tab === "MASI" ? words.masi : words.gags;
  return Object.fromEntries(
    places.flatMap(({ id, zone }) => {
      if (!zone) return [];
      const part = sheet.masi[id as keyof Masi];
      const text =
        tab === "MASI"
          ? part && `${part.area}·${part.darkness}·${part.homogeneity}`
          : sheet.gags[id as keyof ScoreSheet["gags"]]?.toString();
      return [[zone, { text, says: text, chosen: zone === chosen, covered: text !== undefined }]];
    }),
  );
}

const PARTS: { id: keyof Part; label: string; most: number }[] = [
  { id: "area", label: "Area", most: 6 },
  { id: "darkness", label: "Darkness", most: 4 },
  { id: "homogeneity", label: "Homogeneity", most: 4 },
];

function MasiFields({
  words,
  masi,
  onZone,
  onChange,
}: {
  words: ScoreWords;
  masi: Masi;
  onZone: (zone: Zone | undefined) => void;
  onChange: (masi: Masi) => void;
}) {
  return (
    <div>
      <table className={cx("grades")}>
        <thead>
          <tr>
            <th scope="col">Place</th>
            {PARTS.map(({ id, label, most }) => (
              <th key={id} scope="col">
                {label} <small>0–{most}</small>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {words.masi.map((place) => {
            const part = masi[place.id as keyof Masi] ?? { area: 0, darkness: 0, homogeneity: 0 };
            return (
              <tr key={place.id} data-zone={place.zone} onFocus={() => onZone(place.zone)}>
                <th scope="row">
                  {place.label} <small>× {place.weight}</small>
                </th>
                {PARTS.map(({ id, label, most }) => (
                  <td key={id}>
                    <GradeField
                      label={`${place.label}, ${label}`}
                      most={most}
                      value={part[id]}
                      onChange={(value) =>
                        onChange({ ...masi, [place.id]: { ...part, [id]: value } })
                      }
                    />
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="small soft">
        Area: {words.areas.map((said, grade) => `${grade} ${said}`).join(" · ")}. Darkness and
        homogeneity: {words.darkness.map((said, grade) => `${grade} ${said}`).join(" · ")}.
      </p>
    </div>
  );
}

function GagsFields({
  words,
  gags,
  onZone,
  onChange,
}: {
  words: ScoreWords;
  gags: ScoreSheet["gags"];
  onZone: (zone: Zone | undefined) => void;
  onChange: (gags: ScoreSheet["gags"]) => void;
}) {
  return (
    <div>
      <table className={cx("grades")}>
        <thead>
          <tr>
            <th scope="col">Place</th>
            <th scope="col">
              Worst lesion <small>0–4</small>
            </th>
          </tr>
        </thead>
        <tbody>
          {words.gags.map((place) => (
            <tr key={place.id} data-zone={place.zone} onFocus={() => onZone(place.zone)}>
              <th scope="row">
                {place.label} <small>× {place.weight}</small>
              </th>
              <td>
                <GradeField
                  label={place.label}
                  most={4}
                  value={gags[place.id as keyof ScoreSheet["gags"]] ?? 0}
                  onChange={(value) => onChange({ ...gags, [place.id]: value })}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small soft">
        {words.lesions.map((said, grade) => `${grade} ${said}`).join(" · ")}
      </p>
    </div>
  );
}

/** One digit; it goes on to the next field by itself. */
function GradeField({
  label,
  most,
  value,
  onChange,
}: {
  label: string;
  most: number;
  value: number;
  onChange: (value: number) => void;
}) {
  return (
    <input
      inputMode="numeric"
      aria-label={`${label}, 0 to ${most}`}
      value={value}
      onFocus={(e) => e.target.select()}
      onChange={(e) => {
        const digit = Number(e.target.value.slice(-1));
        if (!(digit <= most)) return;
        onChange(digit);
        const all = [...(e.target.closest("table")?.querySelectorAll("input") ?? [])];
        all[all.indexOf(e.target) + 1]?.focus();
      }}
    />
  );
}

function Others({
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
