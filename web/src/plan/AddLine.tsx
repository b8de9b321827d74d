import classNames from "classnames/bind";
import { useId, useState } from "react";
import type { Run, ScriptWords, Step } from "../api/types";
import { clock } from "../parts/words";
import { found, freshId, stepTyped, typed } from "./script";
import styles from "./ScriptEditor.module.css";

const cx = classNames.bind(styles);

/** A line typed in one go: what it is about, then how much, how long, how often, which gate. */
export function AddLine({
  words,
  run,
  onAdd,
  onClose,
}: {
  words: ScriptWords;
  run: Run;
  onAdd: (step: Step) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState("");
  const [picked, setPicked] = useState(0);
  const listId = useId();
  const line = typed(text);
  const options = found(line.name, words, run.region);
  const what = options[Math.min(picked, options.length - 1)];
  const full = run.steps.length >= words.mostSteps;

  function add() {
    if (!what || full || line.unread) return;
    onAdd(stepTyped(line, what, freshId(run.steps), run.region));
    setText("");
    setPicked(0);
  }

  return (
    <div className={cx("add-line")}>
      <input
        autoFocus
        role="combobox"
        aria-label="Add a line"
        aria-expanded={options.length > 0}
        aria-controls={listId}
        aria-activedescendant={what && `${listId}-${options.indexOf(what)}`}
        aria-describedby={`${listId}-help`}
        placeholder="what, how much, how long, x layers, gate"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setPicked(0);
        }}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.preventDefault();
            if (text.trim() === "") onClose();
            else add();
          } else if (e.key === "Escape") {
            e.stopPropagation();
            onClose();
          } else if (e.key === "ArrowDown" || e.key === "ArrowUp") {
            e.preventDefault();
            const by = e.key === "ArrowDown" ? 1 : -1;
            setPicked((was) => Math.max(0, Math.min(options.length - 1, was + by)));
          }
        }}
      />
      <p id={`${listId}-help`} className="small soft">
        {full
          ? `A sheet has at most ${words.mostSteps} lines.`
          : line.unread
            ? `“${line.unread}” is no amount, time, layers or gate.`
            : text === ""
              ? "Type a name, then commas: cleanser, 2, 1:00 · lactic 30, 2.7, 2:00, x2, a. Enter adds it, Esc closes."
              : what
                ? said(line, what.label, what.unit)
                : "Nothing in the catalogue or on the shelf is called that."}
      </p>
      <ul id={listId} role="listbox" aria-label="What the line is about">
        {options.map((option, i) => (
          <li
            key={`${option.code}${option.label}`}
            id={`${listId}-${i}`}
            role="option"
            aria-selected={option === what}
            className={cx("option", option === what ? "here" : "")}
            onMouseDown={(e) => {
              e.preventDefault();
              if (!full && !line.unread) {
                onAdd(stepTyped(line, option, freshId(run.steps), run.region));
                setText("");
                setPicked(0);
              }
            }}
          >
            <span className={cx("kind")}>{option.kindLabel}</span>
            <b>{option.label}</b>
            <span className="mono small soft">{option.code}</span>
            {option.acidStep && option.product && <span className="small warn">acid step</span>}
            {!option.regions.includes(run.region) && (
              <span className="small soft">not made for here</span>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

function said(line: ReturnType<typeof typed>, label: string, unit: string): string {
  return [
    label,
    line.amount !== undefined && `${line.amount} ${unit}`,
    line.seconds !== undefined && clock(line.seconds * 1000),
    line.layers !== undefined && `${line.layers} layers`,
    line.gate && `gate ${line.gate}`,
  ]
    .filter(Boolean)
    .join(" · ");
}
