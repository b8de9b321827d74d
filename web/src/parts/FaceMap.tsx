import classNames from "classnames/bind";
import type { KeyboardEvent, MouseEvent } from "react";
import { EDGES } from "../api/enumWords";
import type { Edge, Whitening, Zone } from "../api/types";
import { FIGURES, type Figure, type FigureId } from "./figures";
import { ledByTab } from "./ledByTab";
import { zoneName } from "./words";
import styles from "./FaceMap.module.css";

const cx = classNames.bind(styles);

/** What one zone shows. */
export interface ZoneLook {
  /** Depth of the tint, 0 none to 3. */
  tint?: number;
  /** A word or number in it. */
  text?: string;
  redness?: number;
  whitening?: Whitening;
  hotSpot?: number;
  covered?: boolean;
  ended?: boolean;
  next?: boolean;
  chosen?: boolean;
  /** Said to a screen reader after the zone's name. */
  says?: string;
}

const TEXTURE: Partial<Record<Whitening, string>> = {
  CRYSTALS: "url(#crystals)",
  F1: "url(#f1)",
  F2: "url(#f2)",
  F3: "var(--chalk)",
  F4: "url(#f4)",
};

/** A place on a figure, in thousandths of its width and height. */
export interface Place {
  across: number;
  down: number;
}

/** Where a peel of the face may fade, as a line across jaw or neck. */
const EDGE_PATHS: Record<Edge, string> = {
  ABOVE_THE_JAW: "M 86 270 C 104 312 140 344 180 346 C 220 344 256 312 274 270",
  BELOW_THE_JAW: "M 82 282 C 100 330 140 372 180 374 C 220 372 260 330 278 282",
  HIGH_ON_THE_NECK: "M 80 290 C 100 340 138 386 180 388 C 222 386 260 340 280 290",
  UPPER_NECK: "M 80 290 C 98 346 120 398 180 402 C 240 398 262 346 280 290",
};

/** The drawn face or another figure. Zones that are not part of the matter are dotted. */
export function FaceMap({
  zones,
  onPick,
  label,
  figure = "FACE",
  crop = "shoulders",
  edge,
  points = [],
}: {
  zones: Partial<Record<Zone, ZoneLook>>;
  onPick?: (zone: Zone, place: Place) => void;
  label: string;
  figure?: FigureId;
  crop?: "shoulders" | "neck";
  /** How far the peel goes below, and fades. */
  edge?: Edge;
  /** What was done at a point. */
  points?: Place[];
}) {
  const cropped = figure === "FACE" && crop === "neck";
  const drawn = FIGURES[figure];
  const [right, left, y] = cropped ? [46, 314, 40] : drawn.sides;
  const end = (x: number) => (x > 180 ? "end" : "start");
  return (
    <figure className="face">
      <svg
        viewBox={cropped ? "40 20 280 386" : drawn.viewBox}
        role="group"
        aria-label={label}
        data-figure={figure}
      >
        <Textures />
        {drawn.outlines.map((path) => (
          <path key={path} d={path} className={cx("outline")} />
        ))}
        {onPick &&
          (Object.keys(drawn.paths) as Zone[])
            .filter((zone) => zones[zone])
            .map((zone) => (
              <path
                key={zone}
                d={drawn.paths[zone]}
                className={cx("reach")}
                onClick={(event) => onPick(zone, placeOf(event, drawn, zone))}
              />
            ))}
        {(Object.keys(drawn.paths) as Zone[]).map((zone) => (
          <ZoneShape key={zone} drawn={drawn} zone={zone} look={zones[zone]} onPick={onPick} />
        ))}
        {drawn.features.map((path) => (
          <path key={path} d={path} className={cx("feature")} />
        ))}
        {edge && figure === "FACE" && (
          <path d={EDGE_PATHS[edge]} className={cx("edge")} role="img" aria-label={EDGES[edge]} />
        )}
        {points.map(({ across, down }, i) => {
          const [x, y, width, height] = box(drawn);
          return (
            <circle
              // Points stay in their order, and may lie on one another.
              key={i}
              cx={x + (across * width) / 1000}
              cy={y + (down * height) / 1000}
              r="5"
              className={cx("point")}
            />
          );
        })}
        <text x={right} y={y} textAnchor={end(right)} className={cx("side-word")}>
          right
        </text>
        <text x={left} y={y} textAnchor={end(left)} className={cx("side-word")}>
          left
        </text>
      </svg>
    </figure>
  );
}

function box(drawn: Figure): [number, number, number, number] {
  return drawn.viewBox.split(" ").map(Number) as [number, number, number, number];
}

function thousandths(drawn: Figure, at: { x: number; y: number }): Place {
  const [x, y, width, height] = box(drawn);
  const within = (part: number) => Math.min(1000, Math.max(0, Math.round(part * 1000)));
  return { across: within((at.x - x) / width), down: within((at.y - y) / height) };
}

function middle(drawn: Figure, zone: Zone): Place {
  const [x, y] = drawn.centres[zone] ?? [0, 0];
  return thousandths(drawn, { x, y });
}

/** The middle of a zone, for whoever has no pointer. */
export function middleOf(figure: FigureId, zone: Zone): Place {
  return middle(FIGURES[figure], zone);
}

function placeOf(event: MouseEvent<SVGElement>, drawn: Figure, zone: Zone): Place {
  const screen = event.currentTarget.ownerSVGElement?.getScreenCTM?.();
  // A click by key has no place.
  if (!screen || event.detail === 0) return middle(drawn, zone);
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(screen.inverse());
  return thousandths(drawn, at);
}

function ZoneShape({
  drawn,
  zone,
  look,
  onPick,
}: {
  drawn: Figure;
  zone: Zone;
  look: ZoneLook | undefined;
  onPick: ((zone: Zone, place: Place) => void) | undefined;
}) {
  const path = drawn.paths[zone];
  if (!look) return <path d={path} className={cx("zone", "aside")} />;
  const [x, y] = drawn.centres[zone] ?? [0, 0];
  const classes = ["zone"];
  if (look.covered) classes.push("covered");
  if (look.ended) classes.push("ended");
  if (look.next) classes.push("next");
  if (look.chosen) classes.push("chosen");
  if (look.tint) classes.push(`tint${look.tint}`);
  const texture = look.whitening && TEXTURE[look.whitening];
  const pick = onPick && {
    role: "button",
    tabIndex: 0,
    "aria-pressed": look.chosen ?? false,
    onClick: (event: MouseEvent<SVGElement>) => onPick(zone, placeOf(event, drawn, zone)),
    onKeyDown: (event: KeyboardEvent) => {
      // A zone that was tapped does not take Space from what the screen uses it for.
      if (event.key === "Enter" || (event.key === " " && ledByTab())) {
        event.preventDefault();
        event.stopPropagation();
        onPick(zone, middle(drawn, zone));
      }
    },
  };
  return (
    <g
      className={cx(pick && "pick")}
      data-zone={zone}
      {...(pick ?? { role: "img" })}
      aria-label={zoneName(zone) + (look.says ? `, ${look.says}` : "")}
    >
      <path d={path} className={cx(classes)} />
      {texture && (
        <path
          d={path}
          fill={texture}
          className={cx(look.whitening === "F4" ? ["white", "f4"] : "white")}
        />
      )}
      {Array.from({ length: look.redness ?? 0 }, (_, ring) => (
        <path
          key={ring}
          d={path}
          className={cx("redness")}
          transform={`translate(${x} ${y}) scale(${0.86 - ring * 0.16}) translate(${-x} ${-y})`}
        />
      ))}
      {look.ended && (
        <path d={`M ${x - 8} ${y - 8} l 16 16 m 0 -16 l -16 16`} className={cx("crossed")} />
      )}
      {look.hotSpot !== undefined ? (
        <>
          <circle cx={x} cy={y} r="12" className={cx("spot")} />
          <text x={x} y={y + 5} className={cx("number")}>
            {look.hotSpot}
          </text>
        </>
      ) : (
        look.text && (
          <text x={x} y={y + 6} className={cx("number")}>
            {look.text}
          </text>
        )
      )}
    </g>
  );
}

function Textures() {
  return (
    <defs>
      <pattern id="crystals" width="12" height="12" patternUnits="userSpaceOnUse">
        <path d="M 3 6 h 6 M 6 3 v 6" className={cx("texture-line")} />
      </pattern>
      <pattern id="f1" width="11" height="11" patternUnits="userSpaceOnUse">
        <circle cx="5" cy="5" r="1.6" className={cx("texture-dot")} />
      </pattern>
      <pattern id="f2" width="5" height="5" patternUnits="userSpaceOnUse">
        <circle cx="2.5" cy="2.5" r="1.7" className={cx("texture-dot")} />
      </pattern>
      <pattern id="f4" width="7" height="7" patternUnits="userSpaceOnUse">
        <path d="M 0 7 L 7 0 M 0 0 L 7 7" className={cx("texture-line")} />
      </pattern>
    </defs>
  );
}

/** What the textures and contours mean, one tap away. */
export function FaceLegend() {
  const rows: [string, ZoneLook][] = [
    ["crystals", { whitening: "CRYSTALS" }],
    ["F1 speckled", { whitening: "F1" }],
    ["F2 even", { whitening: "F2" }],
    ["F3 solid", { whitening: "F3" }],
    ["F4 grey", { whitening: "F4" }],
    ["redness 1 to 3: inner lines", { redness: 3 }],
  ];
  return (
    <ul className="legend">
      {rows.map(([word, look]) => (
        <li key={word}>
          <svg viewBox="0 0 40 24" width="40" height="24" aria-hidden="true">
            <rect
              x="1"
              y="1"
              width="38"
              height="22"
              fill={(look.whitening && TEXTURE[look.whitening]) ?? "none"}
              className={cx("swatch")}
            />
            {look.redness && <rect x="6" y="5" width="28" height="14" className={cx("redness")} />}
            {look.redness && <rect x="11" y="9" width="18" height="6" className={cx("redness")} />}
          </svg>
          {word}
        </li>
      ))}
    </ul>
  );
}
