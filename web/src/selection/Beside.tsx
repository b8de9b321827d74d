import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import type { Rack, Tile } from "../api/types";
import { Strip } from "../parts/Strip";
import { decimal, plural } from "../parts/words";
import { flaking, howLong } from "./figures";
import chooseStyles from "./Choose.module.css";
import styles from "./Beside.module.css";

const cx = classNames.bind({ ...chooseStyles, ...styles });

const ROWS: { words: string; of: (tile: Tile) => ReactNode }[] = [
  {
    words: "today",
    of: (tile) =>
      tile.shut.length === 0 ? "open" : tile.here ? `shut · ${tile.shut.length}` : "not here",
  },
  {
    words: "score",
    of: (tile) => (tile.reasons.notWeaker ? decimal(tile.shown, 0) : "by hand"),
  },
  { words: "depth", of: (tile) => tile.depthLabel },
  { words: "strength", of: (tile) => tile.strength },
  {
    words: "free acid, %",
    of: (tile) => (tile.ph === undefined ? "–" : decimal(tile.freeAcidPercent, 1)),
  },
  { words: "pH", of: (tile) => (tile.ph === undefined ? "–" : decimal(tile.ph, 1)) },
  { words: "on the skin", of: howLong },
  { words: "mg/cm²", of: (tile) => decimal(tile.mgPerCm2, 2) },
  { words: "flaking, days", of: flaking },
  { words: "interval", of: (tile) => plural(tile.intervalDays, "day") },
];

/** What sets it apart: its place and the terms of its score, or what keeps it shut. */
function why(tile: Tile): string {
  if (tile.shut.length > 0) return tile.shut[0]?.words ?? "";
  return tile.reasons.notWeaker
    ? `${tile.reasons.standing} ${tile.terms.join(" · ")}.`
    : tile.reasons.fits;
}

/** Two formulas against each other, figure by figure, then in words. */
export function Beside({
  rack,
  one,
  other,
  onBack,
}: {
  rack: Rack;
  one: Tile;
  other: Tile | undefined;
  onBack: () => void;
}) {
  const pair = other ? [one, other] : [one];
  return (
    <>
      <Strip title="Beside each other" code={other ? `${one.code} · ${other.code}` : one.code} />
      {!other && (
        <p className="pad-small">Pick another on the rack; it stands here beside {one.code}.</p>
      )}
      <table className={cx("beside-table")}>
        <thead>
          <tr>
            <td />
            {pair.map((tile) => (
              <th key={tile.code} scope="col">
                <span className="mono">{tile.code}</span>
                {tile.code === rack.ranked[0] && <small> first</small>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map(({ words, of }) => {
            const differs = other && of(one) !== of(other);
            return (
              <tr key={words} className={cx(differs ? "differs" : "")}>
                <th scope="row">{words}</th>
                {pair.map((tile) => (
                  <td key={tile.code}>{of(tile)}</td>
                ))}
              </tr>
            );
          })}
          <tr>
            <th scope="row">why</th>
            {pair.map((tile) => (
              <td key={tile.code} className={cx("words")}>
                {why(tile)}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <div className={cx("foot", "choose-foot")}>
        <Button onClick={onBack}>Back to {one.code}</Button>
      </div>
    </>
  );
}
