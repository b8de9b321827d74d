import classNames from "classnames/bind";
import type { ScoreSheet, ScoreWords, Zone } from "../api/types";
import styles from "./ScoreForm.module.css";

const cx = classNames.bind(styles);

export type Masi = NonNullable<ScoreSheet["masi"]>;
type Part = NonNullable<Masi[keyof Masi]>;
const PARTS: { id: keyof Part; label: string; most: number }[] = [
  { id: "area", label: "Area", most: 6 },
  { id: "darkness", label: "Darkness", most: 4 },
  { id: "homogeneity", label: "Homogeneity", most: 4 },
];

/** Melasma: three grades a place. */
export function MasiFields({
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

/** Acne: the worst lesion of each place. */
export function GagsFields({
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
