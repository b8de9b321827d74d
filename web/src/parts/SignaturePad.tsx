import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { type PointerEvent, useRef, useState } from "react";
import styles from "./SignaturePad.module.css";

const cx = classNames.bind(styles);

export interface Stroke {
  x: number;
  y: number;
}

/** A field to sign in with a finger, a pen or the mouse. */
export function SignaturePad({
  label,
  width,
  height,
  strokes,
  onChange,
}: {
  label: string;
  width: number;
  height: number;
  strokes: Stroke[][];
  onChange: (strokes: Stroke[][]) => void;
}) {
  const field = useRef<SVGSVGElement>(null);
  const [drawing, setDrawing] = useState<Stroke[] | null>(null);

  function point(event: PointerEvent): Stroke {
    const box = field.current!.getBoundingClientRect();
    const within = (value: number, most: number) =>
      Math.round(Math.min(most, Math.max(0, value)) * 10) / 10;
    return {
      x: within(((event.clientX - box.left) / box.width) * width, width),
      y: within(((event.clientY - box.top) / box.height) * height, height),
    };
  }
  function end() {
    if (drawing) onChange([...strokes, drawing]);
    setDrawing(null);
  }
  return (
    <div className={cx("pad-field")}>
      <svg
        ref={field}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={strokes.length > 0 ? `${label}, signed` : `${label}, empty`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setDrawing([point(event)]);
        }}
        onPointerMove={(event) => drawing && setDrawing([...drawing, point(event)])}
        onPointerUp={end}
        onPointerCancel={end}
      >
        <path d={`M 24 ${height - 44} H ${width - 24}`} className={cx("base")} />
        {[...strokes, ...(drawing ? [drawing] : [])].map((stroke, i) => (
          <polyline key={i} points={stroke.map(({ x, y }) => `${x},${y}`).join(" ")} />
        ))}
      </svg>
      <p className="row small">
        <span className="grow soft">{label}: sign with a finger or the mouse.</span>
        <Button
          size="small"
          color="inherit"
          disabled={strokes.length === 0}
          aria-label={`Clear: ${label}`}
          onClick={() => onChange([])}
        >
          Clear
        </Button>
      </p>
    </div>
  );
}
