import classNames from "classnames/bind";
import { scaleLinear, scaleTime } from "d3-scale";
import { line } from "d3-shape";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { ProgressState } from "../api/types";
import { day, dayOfMonth, decimal, monthOf } from "../parts/words";
import { type DayRead, days, rungs, stretches } from "./progressModel";
import styles from "./ProgressChart.module.css";

const cx = classNames.bind(styles);

const LEFT = 120;
const RIGHT = 24;
const RUNG = 40;
const SCORE = 78;
const DAY = 86_400_000;

/** From here on months say enough. */
const MONTHS_LONG = 130 * DAY;

/** A client on one scale of dates: ladder, scores, days of flakes. Arrow keys read along it. */
export function ProgressChart({ state }: { state: ProgressState }) {
  const [width, setWidth] = useState(860);
  const [picked, setPicked] = useState<number | null>(null);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = box.current;
    if (!element || typeof ResizeObserver === "undefined") return;
    const watch = new ResizeObserver(() => setWidth(Math.max(420, element.clientWidth)));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  const all = days(state);
  const times = [...all.map(({ on }) => Date.parse(on)), Date.parse(state.today)];
  const x = scaleTime(
    [new Date(Math.min(...times) - 14 * DAY), new Date(Math.max(...times) + 21 * DAY)],
    [LEFT, width - RIGHT],
  );
  const [first, last] = x.domain();
  const short = Number(last) - Number(first) < MONTHS_LONG;
  const at = (on: string) => x(new Date(on));
  const rows = rungs(state.peels);
  const ladder = 34;
  const rowY = (formula: string | undefined) =>
    ladder + Math.max(0, rows.indexOf(formula ?? "")) * RUNG + RUNG / 2;
  const scoresTop = ladder + Math.max(1, rows.length) * RUNG + 26;
  const scoreTop = (i: number) => scoresTop + i * (SCORE + 22);
  const flakesY = scoreTop(state.lines.length) + 8;
  const height = flakesY + 30;
  const reading = picked === null ? undefined : all[picked];

  function move(event: KeyboardEvent) {
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (step === 0 || all.length === 0) return;
    event.preventDefault();
    setPicked((was) => Math.min(all.length - 1, Math.max(0, (was ?? -1) + step)));
  }

  return (
    <div ref={box} className={cx("chart")}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Progress: ${state.title}`}
        tabIndex={0}
        onKeyDown={move}
      >
        {x.ticks(Math.max(3, Math.round((width - LEFT) / 80))).map((tick) => (
          <g key={tick.getTime()}>
            <line x1={x(tick)} x2={x(tick)} y1={22} y2={height - 20} className={cx("grid")} />
            <text x={x(tick) + 3} y={14} className={cx("month", "mono")}>
              {short ? dayOfMonth(tick) : monthOf(tick)}
            </text>
          </g>
        ))}
        {stretches(state.closed).map(({ from, to }) => {
          const start = Math.max(LEFT, at(from));
          const end = x(new Date(Date.parse(to) + DAY));
          if (end <= LEFT || start >= width - RIGHT) return null;
          return (
            <rect
              key={from}
              x={start}
              y={24}
              width={Math.max(2, Math.min(width - RIGHT, end) - start)}
              height={Math.max(1, rows.length) * RUNG + 16}
              className={cx("closed")}
            >
              <title>closed</title>
            </rect>
          );
        })}
        {rows.map((formula) => (
          <g key={formula}>
            <line
              x1={LEFT}
              x2={width - RIGHT}
              y1={rowY(formula)}
              y2={rowY(formula)}
              className={cx("rung")}
            />
            <text x={LEFT - 10} y={rowY(formula) + 5} className={cx("rung-name", "mono")}>
              {formula}
            </text>
          </g>
        ))}
        {state.peels.map((peel) => (
          <rect
            key={`${peel.on} ${peel.formula} ${peel.visitId}`}
            x={at(peel.on) - 8}
            y={rowY(peel.formula) - 9}
            width={16}
            height={18}
            className={cx("peel", peel.booked && "booked", peel.elsewhere && "elsewhere")}
          >
            <title>{peelWords(peel)}</title>
          </rect>
        ))}
        {state.events.map(({ on, words }) => {
          const late = at(on) > width - 160;
          return (
            <g key={`${on} ${words}`} transform={`translate(${at(on)}, 28)`}>
              <path d="M0 -7 L7 0 L0 7 L-7 0 Z" className={cx("event")} />
              <text x={late ? -12 : 12} y={5} className={cx("event-name", late && "late")}>
                {words}
              </text>
            </g>
          );
        })}
        {state.lines.map((course, i) => {
          const y = scaleLinear([0, course.most], [scoreTop(i) + SCORE, scoreTop(i)]);
          const points = course.points.map(
            ({ on, value }) => [at(on), y(value)] as [number, number],
          );
          return (
            <g key={course.line}>
              <text x={0} y={scoreTop(i) + 18} className={cx("score-name")}>
                {course.label}
              </text>
              <text x={0} y={scoreTop(i) + 36} className={cx("soft")}>
                0 to {course.most}
              </text>
              <line x1={LEFT} x2={width - RIGHT} y1={y(0)} y2={y(0)} className={cx("rung")} />
              <path d={line()(points) ?? ""} className={cx("score")} />
              {course.points.map(({ on, value }, k) => (
                <g key={on}>
                  <circle cx={at(on)} cy={y(value)} r={4.5} className={cx("dot")}>
                    <title>
                      {day(on)}: {decimal(value, course.decimals)}
                    </title>
                  </circle>
                  {(k === 0 || k === course.points.length - 1) && (
                    <text x={at(on) + 7} y={y(value) - 7} className={cx("value", "mono")}>
                      {decimal(value, course.decimals)}
                    </text>
                  )}
                </g>
              ))}
            </g>
          );
        })}
        <text x={0} y={flakesY + 5} className={cx("soft", "large")}>
          days of flakes
        </text>
        {state.peels.map(
          (peel) =>
            peel.flakedFrom &&
            peel.flakedTo && (
              <rect
                key={`flakes ${peel.on} ${peel.formula}`}
                x={at(peel.flakedFrom)}
                y={flakesY - 8}
                width={Math.max(3, at(peel.flakedTo) - at(peel.flakedFrom))}
                height={16}
                className={cx("flakes")}
              />
            ),
        )}
        <line
          x1={at(state.today)}
          x2={at(state.today)}
          y1={20}
          y2={height - 12}
          className={cx("today")}
        />
        <text x={at(state.today) + 5} y={height - 4} className={cx("today-name")}>
          today
        </text>
        {reading && (
          <line
            x1={at(reading.on)}
            x2={at(reading.on)}
            y1={20}
            y2={height - 16}
            className={cx("reading")}
          />
        )}
      </svg>
      <p role="status" className={cx("read")}>
        {reading ? dayWords(reading) : "\u00a0"}
      </p>
    </div>
  );
}

function peelWords(peel: ProgressState["peels"][number]): string {
  return [
    day(peel.on),
    peel.formula ?? "formula open",
    peel.booked ? "booked" : peel.outcome,
    peel.elsewhere && "elsewhere",
  ]
    .filter(Boolean)
    .join(", ");
}

export function dayWords(read: DayRead): string {
  return [
    ...(read.peels.length > 0 ? read.peels.map(peelWords) : [day(read.on)]),
    ...read.scores.map(({ label, value, decimals }) => `${label} ${decimal(value, decimals)}`),
    ...read.words,
  ].join(" · ");
}

/** The same for screen readers, and for who likes tables. */
export function ProgressTable({ state }: { state: ProgressState }) {
  return (
    <table className={cx("table")}>
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col">Peel</th>
          {state.lines.map(({ line: id, label }) => (
            <th key={id} scope="col">
              {label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {days(state).map((read) => (
          <tr key={read.on}>
            <th scope="row">{day(read.on)}</th>
            <td>
              {[
                ...read.peels.map(({ formula, booked, outcome }) =>
                  [formula ?? "open", booked ? "booked" : outcome].join(", "),
                ),
                ...read.words,
              ].join(" · ")}
            </td>
            {state.lines.map(({ line: id, decimals, points }) => {
              const point = points.find(({ on }) => on === read.on);
              return <td key={id}>{point ? decimal(point.value, decimals) : ""}</td>;
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
