import classNames from "classnames/bind";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { decimal } from "../parts/words";
import styles from "./drawings.module.css";

const cx = classNames.bind(styles);

/** Free share against pH, with the labels' points on it. */
export function FreeCurve({
  curves,
  points,
}: {
  curves: number[][];
  points: { ph: number; share: number; words: string }[];
}) {
  const x = scaleLinear([0, 7], [50, 610]);
  const y = scaleLinear([0, 1], [270, 30]);
  const path = line<number>(
    (_, tenth) => x(tenth / 10),
    (share) => y(share),
  );
  return (
    <svg
      viewBox="0 0 660 320"
      className={cx("bench-drawing")}
      role="img"
      aria-label={`Free acid against pH. ${points.map((p) => p.words).join(". ")}`}
    >
      {[0, 25, 50, 75, 100].map((share) => (
        <g key={share}>
          <path d={`M 50 ${y(share / 100)} H 610`} className={cx("grid")} />
          <text x="42" y={y(share / 100) + 5} textAnchor="end">
            {share}
          </text>
        </g>
      ))}
      {[0, 1, 2, 3, 4, 5, 6, 7].map((ph) => (
        <g key={ph}>
          <path d={`M ${x(ph)} 30 V 270`} className={cx("grid")} />
          <text x={x(ph)} y="292" textAnchor="middle">
            {ph}
          </text>
        </g>
      ))}
      <text x="50" y="18">
        free acid, % of what the label says
      </text>
      <text x="330" y="314" textAnchor="middle">
        pH
      </text>
      {curves.map((curve, n) => (
        <path
          key={n}
          className={cx(n === 0 ? "curve" : ["curve", "other"])}
          d={path(curve) ?? ""}
        />
      ))}
      {points
        .filter((point) => point.ph <= 7)
        .map((point, n) => (
          <g key={n} className={cx(n === 0 ? "point" : ["point", "other"])}>
            {n === 0 ? (
              <circle cx={x(point.ph)} cy={y(point.share)} r="8" />
            ) : (
              <rect x={x(point.ph) - 7} y={y(point.share) - 7} width="14" height="14" />
            )}
            <text
              x={x(point.ph) + (point.ph > 4.5 ? -14 : 14)}
              y={y(point.share) + 5}
              textAnchor={point.ph > 4.5 ? "end" : "start"}
            >
              {point.words}
            </text>
          </g>
        ))}
    </svg>
  );
}

/** A measuring cylinder with a fill mark for each thing that is measured out, from the bottom. */
export function Cylinder({ fills }: { fills: { ml: number; words: string }[] }) {
  const whole = fills.reduce((sum, fill) => sum + fill.ml, 0);
  const height = (ml: number) => (whole > 0 ? (ml / whole) * 220 : 0);
  const levels = fills.map((fill, n) => ({
    ...fill,
    top: 260 - height(fills.slice(0, n + 1).reduce((sum, f) => sum + f.ml, 0)),
  }));
  return (
    <svg
      viewBox="0 0 520 290"
      className={cx("bench-drawing")}
      role="img"
      aria-label={fills.map((fill) => `${decimal(fill.ml, 1)} mL ${fill.words}`).join(", then ")}
    >
      {levels.map((fill, n) => (
        <g key={n}>
          <rect
            x="61"
            y={fill.top}
            width="118"
            height={height(fill.ml)}
            className={cx(n === 0 ? "fill" : ["fill", "other"])}
          />
          <path d={`M 160 ${fill.top} H 214`} className={cx("mark")} />
          <text x="222" y={fill.top + 5}>
            {decimal(
              fills.slice(0, n + 1).reduce((sum, f) => sum + f.ml, 0),
              1,
            )}{" "}
            mL: {fill.words}
          </text>
        </g>
      ))}
      {Array.from({ length: 11 }, (_, n) => (
        <path
          key={n}
          d={`M 60 ${260 - n * 22} h ${n % 5 === 0 ? 26 : 14}`}
          className={cx("tick")}
        />
      ))}
      <path
        d="M 60 24 V 260 H 180 V 24 M 40 276 H 200 L 180 260 M 40 276 L 60 260"
        className={cx("glass")}
      />
    </svg>
  );
}

/** The neutraliser's jug: what it needs, what is laid out, and room for the froth. */
export function Jug({
  needMl,
  layOutMl,
  gasL,
}: {
  needMl: number;
  layOutMl: number;
  gasL: number;
}) {
  // A third is left free for the froth.
  const jugMl = Math.max(10, layOutMl * 1.5);
  const y = (ml: number) => 260 - (ml / jugMl) * 220;
  return (
    <svg
      viewBox="0 0 520 290"
      className={cx("bench-drawing")}
      role="img"
      aria-label={`${decimal(needMl, 1)} mL are needed, ${decimal(layOutMl, 1)} mL are laid out, ${decimal(gasL, 2)} L of gas`}
    >
      <path d={`M 66 ${y(layOutMl)} H 214 L 210 260 H 70 Z`} className={cx("fill", "other")} />
      <path d={`M 66 ${y(needMl)} H 214 L 210 260 H 70 Z`} className={cx("fill")} />
      <path
        d="M 60 24 L 70 260 H 210 L 220 40 L 236 24 M 216 90 C 262 92 262 190 212 192"
        className={cx("glass")}
      />
      {[
        { ml: needMl, words: `${decimal(needMl, 1)} mL meet the acid` },
        { ml: layOutMl, words: `${decimal(layOutMl, 1)} mL to lay out` },
      ].map(({ ml, words }) => (
        <g key={words}>
          <path d={`M 214 ${y(ml)} H 276`} className={cx("mark")} />
          <text x="284" y={y(ml) + 5}>
            {words}
          </text>
        </g>
      ))}
      <text x="284" y="46">
        {gasL > 0 ? `free for froth: ${decimal(gasL, 2)} L of gas` : "no gas"}
      </text>
    </svg>
  );
}
