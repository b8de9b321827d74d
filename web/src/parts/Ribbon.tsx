import classNames from "classnames/bind";
import { type ScaleLinear, scaleLinear } from "d3-scale";
import { area, curveStepAfter, line } from "d3-shape";
import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef, useState } from "react";
import type { RibbonModel } from "./ribbonModel";
import { clock } from "./words";
import styles from "./Ribbon.module.css";

const cx = classNames.bind(styles);

/** Where the steps lie: seconds to pixels, and the lane. */
export interface StepsLane {
  x: ScaleLinear<number, number>;
  top: number;
  height: number;
}

const LEFT = 84;
const LANES = { steps: 30, layers: 30, feel: 52, looks: 26 };

/**
 * One band of time, the same wherever a treatment is seen: planned in outline, actual filled. Arrow
 * keys move along it; a table says the same for screen readers.
 */
export function Ribbon({
  model,
  label,
  unit,
  hands,
}: {
  model: RibbonModel;
  label: string;
  unit: "minutes" | "clock";
  /** What lies over its steps, to take hold of them. */
  hands?: (steps: StepsLane) => ReactNode;
}) {
  const [width, setWidth] = useState(1000);
  const [picked, setPicked] = useState<number | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const tableId = useId();
  useEffect(() => {
    const element = box.current;
    if (!element || typeof ResizeObserver === "undefined") return;
    const watch = new ResizeObserver(() => setWidth(Math.max(320, element.clientWidth)));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);

  const x = scaleLinear([model.from, model.to], [LEFT, width - 16]);
  const withSteps = model.steps.some((step) => step.kind !== "ending");
  const top = {
    steps: 26,
    layers: withSteps ? 26 + LANES.steps + 8 : 26,
    feel: 0,
    looks: 0,
  };
  top.feel = top.layers + LANES.layers + 8;
  top.looks = top.feel + LANES.feel + 6;
  const gates = model.gates ?? [];
  const height = model.stepsOnly
    ? top.steps + LANES.steps + (gates.length > 0 ? 28 : 8)
    : top.looks + (unit === "clock" ? LANES.looks : 0) + 6;
  const feelY = scaleLinear([0, 10], [top.feel + LANES.feel, top.feel]);
  const points = readings(model);
  const reading = picked === null ? null : points[picked];

  function move(event: KeyboardEvent) {
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (step === 0 || points.length === 0) return;
    event.preventDefault();
    event.stopPropagation();
    setPicked((was) => Math.min(points.length - 1, Math.max(0, (was ?? -1) + step)));
  }

  return (
    <div className="ribbon" ref={box}>
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={label}
        aria-describedby={tableId}
        tabIndex={0}
        onKeyDown={move}
        onBlur={() => setPicked(null)}
      >
        {ticks(model, unit).map((tick) => (
          <g key={tick}>
            <line x1={x(tick)} x2={x(tick)} y1="14" y2={height - 4} className={cx("tick")} />
            <text x={x(tick) + 4} y="14" className={cx("tick-word")}>
              {unit === "minutes" ? tick / 60 : clock(tick * 1000)}
            </text>
          </g>
        ))}
        {withSteps && <Lane y={top.steps + 20} word="steps" />}
        {!model.stepsOnly && <Lane y={top.layers + 20} word="layers" />}
        {!model.stepsOnly && <Lane y={top.feel + 32} word="feel" />}
        {unit === "clock" && <Lane y={top.looks + 16} word="looks" />}

        {model.steps.map((step) => (
          <g key={step.label + step.start}>
            <rect
              x={x(step.start)}
              y={withSteps ? top.steps : top.layers}
              width={Math.max(1, x(step.end) - x(step.start))}
              height={LANES.steps}
              className={cx("step", step.kind)}
            />
            {x(step.end) - x(step.start) > step.label.length * 7.6 + 8 && (
              <text
                x={x(step.start) + 6}
                y={(withSteps ? top.steps : top.layers) + 20}
                className={cx("step-word", step.kind)}
              >
                {step.label}
              </text>
            )}
          </g>
        ))}
        {model.picked && (
          <rect
            x={x(model.picked.start)}
            y={top.steps - 1}
            width={Math.max(3, x(model.picked.end) - x(model.picked.start))}
            height={LANES.steps + 2}
            className={cx("picked")}
          />
        )}
        {model.stepsOnly &&
          gates.map((gate) => (
            <g key={gate.label + gate.at}>
              <path
                d={`M${x(gate.at)} ${top.steps + 33} l6 7 l-6 7 l-6 -7 z`}
                className={cx("gate")}
              />
              <text x={x(gate.at) + 10} y={top.steps + 45} className={cx("note")}>
                {gate.label}
              </text>
            </g>
          ))}
        {model.layers.map((layer) => {
          const unitHeight = LANES.layers / Math.max(1, model.layersMost, model.layers.length);
          return (
            <rect
              key={layer.number}
              x={x(layer.start)}
              y={top.layers + LANES.layers - layer.number * unitHeight}
              width={Math.max(1.5, x(layer.end) - x(layer.start))}
              height={unitHeight - 1}
              className={cx("layer", layer.planned ? "planned" : `n${layer.number % 2}`)}
            />
          );
        })}
        {model.layerNote && model.layers[0] && (
          <text x={x(model.layers[0].end) + 8} y={top.layers + 20} className={cx("note", "accent")}>
            {model.layerNote}
          </text>
        )}
        {model.bands.map((band) => (
          <path key={band.start} className={cx("band")} d={bandPath(band, x, feelY)} />
        ))}
        {model.own && model.own.length > 1 && (
          <g className={cx("own")}>
            <path d={ownRange(model.own, x, feelY)} />
            <path className={cx("own-median")} d={ownMedian(model.own, x, feelY)} />
          </g>
        )}
        {model.bandNote && model.bands[0] && (
          <text x={x(model.bands[0].end) + 8} y={top.feel + 34} className={cx("note")}>
            {model.bandNote}
          </text>
        )}
        {unit === "clock" && (
          <>
            <line
              x1={LEFT}
              x2={width - 16}
              y1={feelY(model.hold)}
              y2={feelY(model.hold)}
              className={cx("hold")}
            />
            <line
              x1={LEFT}
              x2={width - 16}
              y1={feelY(model.stop)}
              y2={feelY(model.stop)}
              className={cx("stop")}
            />
            <Feel model={model} x={x} y={feelY} />
            <Looks model={model} x={x} y={top.looks + 12} />
          </>
        )}
        {model.marks.map((mark) => (
          <g key={mark.label + mark.at}>
            <line x1={x(mark.at)} x2={x(mark.at)} y1="16" y2={top.looks} className={cx("mark")} />
            {mark.end && (
              <text
                x={x(mark.at) - 6}
                y={top.feel + 14}
                textAnchor="end"
                className={cx("mark-word")}
              >
                END
              </text>
            )}
          </g>
        ))}
        {model.limit !== undefined && (
          <g>
            <line
              x1={x(model.limit)}
              x2={x(model.limit)}
              y1="16"
              y2={height - 4}
              className={cx("limit")}
            />
            {!model.marks.some((mark) => mark.end) && (
              <text x={x(model.limit) + 6} y={top.layers + 18} className={cx("limit-word")}>
                limit {clock(model.limit * 1000)}
              </text>
            )}
          </g>
        )}
        {model.now !== undefined && (
          <line x1={x(model.now)} x2={x(model.now)} y1="4" y2={height - 2} className={cx("now")} />
        )}
        {reading && (
          <line
            x1={x(reading.at)}
            x2={x(reading.at)}
            y1="4"
            y2={height - 2}
            className={cx("cursor")}
          />
        )}
      </svg>
      {hands?.({ x, top: top.steps, height: LANES.steps })}
      <div className={cx("reading")} aria-live="polite">
        {reading && `${clock(reading.at * 1000)} · ${reading.label}`}
      </div>
      <div className="hidden">
        <table id={tableId}>
          <caption>{label}</caption>
          <tbody>
            {points.map((point, i) => (
              <tr key={i}>
                <th scope="row">{clock(point.at * 1000)}</th>
                <td>{point.label}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

function Lane({ y, word }: { y: number; word: string }) {
  return (
    <text x="14" y={y} className={cx("lane")}>
      {word}
    </text>
  );
}

type Scale = ScaleLinear<number, number>;

type Own = NonNullable<RibbonModel["own"]>;

/** What the client felt before: from the lowest to the highest answer. */
function ownRange(own: Own, x: Scale, y: Scale): string {
  return (
    area<Own[number]>(
      ({ at }) => x(at),
      ({ low }) => y(low),
      ({ high }) => y(high),
    )(own) ?? ""
  );
}

function ownMedian(own: Own, x: Scale, y: Scale): string {
  return (
    line<Own[number]>(
      ({ at }) => x(at),
      ({ median }) => y(median),
    )(own) ?? ""
  );
}

/** The expected feel: up to its height by a third of its time, then level or falling. */
function bandPath(band: RibbonModel["bands"][number], x: Scale, y: Scale): string {
  const peak = band.start + (band.end - band.start) * 0.3;
  const shape = area<{ at: number; low: number; high: number }>()
    .x(({ at }) => x(at))
    .y0(({ low }) => y(low))
    .y1(({ high }) => y(high));
  return (
    shape([
      { at: band.start, low: 0, high: 0 },
      { at: peak, low: band.low, high: band.high },
      {
        at: band.end,
        low: band.falling ? 0 : band.low,
        high: band.falling ? band.low / 2 + 1 : band.high,
      },
    ]) ?? ""
  );
}

function Feel({ model, x, y }: { model: RibbonModel; x: Scale; y: Scale }) {
  if (model.feel.length === 0) return null;
  const end = model.now ?? model.feel.at(-1)?.at ?? 0;
  // A number holds until the next is told.
  const told = [...model.feel, { at: end, value: model.feel.at(-1)?.value ?? 0 }];
  const path = line<{ at: number; value: number }>(
    ({ at }) => x(at),
    ({ value }) => y(value),
  ).curve(curveStepAfter);
  return (
    <>
      <path d={path(told) ?? ""} className={cx("feel")} />
      {model.feel.map((told) => (
        <circle key={told.at} cx={x(told.at)} cy={y(told.value)} r="3" className={cx("told")}>
          <title>{`${clock(told.at * 1000)}: ${told.value}`}</title>
        </circle>
      ))}
    </>
  );
}

/** Marks of looks; the words of one that would run into the next are left to the reading. */
function Looks({ model, x, y }: { model: RibbonModel; x: Scale; y: number }) {
  const worded = new Set<number>();
  model.looks.reduce((free, look, i) => {
    if (x(look.at) < free) return free;
    worded.add(i);
    return x(look.at) + 22 + look.label.length * 10;
  }, 0);
  return (
    <>
      {model.looks.map((look, i) => (
        <g key={look.label + look.at}>
          <circle
            cx={x(look.at)}
            cy={worded.has(i) ? y : y - 11}
            r={worded.has(i) ? 5 : 3}
            className={cx("look")}
          >
            <title>{`${clock(look.at * 1000)}: ${look.label}`}</title>
          </circle>
          {worded.has(i) && (
            <text x={x(look.at) + 9} y={y + 5} className={cx("note")}>
              {look.label}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

function readings(model: RibbonModel): { at: number; label: string }[] {
  return [
    ...model.steps.map((step) => ({ at: step.start, label: step.label })),
    ...model.layers.map((layer) => ({
      at: layer.start,
      label: `layer ${layer.number}, ${(layer.number * model.mgPerCm2PerLayer).toFixed(2)} mg/cm² in all`,
    })),
    ...model.feel.map((told) => ({
      at: told.at,
      label: `feels ${told.value}`,
    })),
    ...model.looks,
    ...model.marks,
    ...(model.gates ?? []),
  ].sort((a, b) => a.at - b.at);
}

function ticks(model: RibbonModel, unit: "minutes" | "clock"): number[] {
  const span = model.to - model.from;
  const every = unit === "minutes" ? 300 : span > 1200 ? 300 : span > 600 ? 120 : 60;
  const found = [];
  for (let at = Math.ceil(model.from / every) * every; at < model.to; at += every) found.push(at);
  return found;
}
