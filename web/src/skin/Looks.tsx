import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Zone } from "../api/types";
import { Chips } from "../parts/Chips";
import { FaceMap, type ZoneLook } from "../parts/FaceMap";
import { FIGURE_LABELS, type FigureId, FIGURES, figureOf } from "../parts/figures";
import { Grade } from "../parts/Grade";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { plural, zoneName } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";
import consultStyles from "./Consult.module.css";
import styles from "./Looks.module.css";

const cx = classNames.bind({ ...consultStyles, ...styles });

/** The figure on which a region is drawn. */
const OF_REGION: Record<ConsultPart["consult"]["region"], FigureId> = {
  FACE: "FACE",
  EYE_CONTOUR: "FACE",
  NECK_DECOLLETAGE: "NECK",
  HANDS: "HANDS",
  BACK: "BACK",
  CHEST: "FRONT",
  UPPER_ARMS: "FRONT",
  THIGHS: "FRONT",
};

/** The two looks, zone by zone: a tap on a zone, a tap on a grade. */
export function Looks(props: ConsultPart) {
  const { words, consult, state, change } = props;
  const [look, setLook] = useState<1 | 2>(1);
  const [figure, setFigure] = useState<FigureId>(OF_REGION[consult.region]);
  const [zone, setZone] = useState<Zone>(
    () => words.zones.find((z) => z.region === consult.region)?.id ?? "FOREHEAD",
  );
  const findings = words.findings.filter((finding) => finding.look === look);
  const seen = look === 1 ? state.lookedAt1 : state.lookedAt2;
  const grade = (of: Zone, id: string) => consult.looks[of]?.[id] ?? 0;
  const zones: Partial<Record<Zone, ZoneLook>> = {};
  for (const { id } of words.zones) {
    const worst = Math.max(0, ...findings.map((finding) => grade(id, finding.id)));
    zones[id] = {
      tint: worst,
      text: worst > 0 ? String(worst) : seen.includes(id) ? "0" : undefined,
      chosen: id === zone,
      says: seen.includes(id) ? `worst ${worst}` : "not looked at",
    };
  }

  function show(next: FigureId) {
    setFigure(next);
    if (figureOf(zone) !== next) {
      const first = (Object.keys(FIGURES[next].paths) as Zone[]).find((z) => figureOf(z) === next);
      if (first) setZone(first);
    }
  }
  function set(values: Record<string, number>) {
    change({ looks: { ...consult.looks, [zone]: { ...consult.looks[zone], ...values } } });
  }
  const clear = Object.fromEntries(findings.map((finding) => [finding.id, 0]));
  const region = words.zones.filter(
    (z) => figureOf(z.id) === figure && z.region === consult.region,
  );
  const rest = region.filter(({ id }) => !seen.includes(id));
  const part = words.regions.find(({ id }) => id === consult.region)?.label ?? "area";
  function clearRest() {
    const looks = { ...consult.looks };
    for (const { id } of rest) looks[id] = { ...looks[id], ...clear };
    change({ looks });
  }
  const looked = { 1: state.look1, 2: state.look2 };

  return (
    <section className={cx("looks")} aria-label="Two looks">
      <div className={cx("look-tabs")}>
        {([1, 2] as const).map((n) => (
          <button key={n} type="button" aria-pressed={look === n} onClick={() => setLook(n)}>
            <span>{n === 1 ? "Look 1 · bare" : "Look 2 · cleansed"}</span>
            <small className={looked[n] ? "" : "warn"}>
              {looked[n]
                ? plural((n === 1 ? state.lookedAt1 : state.lookedAt2).length, "zone")
                : n === 1
                  ? "missing: before the cleanse"
                  : "missing"}
            </small>
          </button>
        ))}
      </div>
      <div className={cx("figure-tabs")}>
        <Segments
          label="Figure"
          value={figure}
          options={(Object.keys(FIGURE_LABELS) as FigureId[]).map((id) => ({
            id,
            label: FIGURE_LABELS[id],
          }))}
          onChange={show}
        />
      </div>
      <FaceMap
        zones={zones}
        onPick={setZone}
        figure={figure}
        crop="neck"
        label={`Look ${look}: choose a zone. Left and right are the client's.`}
      />
      <Strip title={zoneName(zone)} code={`look ${look} · 0 – 3`} />
      {findings.map((finding) => (
        <div key={finding.id} className={cx("line", "tight")}>
          <span>{finding.label}</span>
          <span className="value">
            <Grade
              label={`${zoneName(zone)}, ${finding.label}`}
              value={grade(zone, finding.id)}
              onChange={(value) => set({ [finding.id]: value })}
            />
          </span>
        </div>
      ))}
      <div className="pad-small row wrap">
        <Button size="small" color="inherit" onClick={() => set(clear)}>
          Nothing on the {zoneName(zone)}
        </Button>
        {rest.length > 0 && (
          <Button size="small" onClick={clearRest}>
            Nothing on the rest of the {part}
          </Button>
        )}
      </div>
      {look === 2 && <LampOf {...props} zone={zone} />}
    </section>
  );
}

/** The Wood's lamp on one zone: its colours with their reading, and what its pigment means. */
function LampOf({ words, consult, change, zone }: ConsultPart & { zone: Zone }) {
  const lamp = consult.lamp[zone] ?? { colours: [] };
  const set = (next: typeof lamp) => change({ lamp: { ...consult.lamp, [zone]: next } });
  const readings = words.lampColours.filter((colour) => lamp.colours.includes(colour.id));
  const pigment = words.pigments.find((p) => p.id === lamp.pigment);
  return (
    <>
      <Strip title="Wood’s lamp" code={zoneName(zone)} />
      <div className="ask">
        <Chips
          label={`Lamp on the ${zoneName(zone)}`}
          chosen={lamp.colours}
          options={words.lampColours}
          onChange={(colours) =>
            set({ colours, pigment: colours.includes("BROWN") ? lamp.pigment : undefined })
          }
        />
        {readings.map((colour) => (
          <p key={colour.id} className="small">
            <b>{colour.label}:</b> {colour.reading}
          </p>
        ))}
        {lamp.colours.includes("BROWN") && (
          <>
            <p className="small">Does the pigment darken under the lamp?</p>
            <Segments
              label="Pigment under the lamp"
              value={lamp.pigment}
              options={words.pigments.map((p) => ({ id: p.id, label: p.seen }))}
              onChange={(next) => set({ ...lamp, pigment: next })}
            />
            {pigment && (
              <p className="small">
                <b>{pigment.label}:</b> {pigment.meaning}
              </p>
            )}
          </>
        )}
      </div>
    </>
  );
}
