import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { memo, useState } from "react";
import { FAMILIES } from "../api/enumWords";
import type { Family, FamilyConsent, Zone } from "../api/types";
import { Chips } from "../parts/Chips";
import { FaceMap } from "../parts/FaceMap";
import { FIGURES } from "../parts/figures";
import { Segments } from "../parts/Segments";
import { day, zoneName } from "../parts/words";
import type { Question } from "./questions";
import styles from "./Ask.module.css";

const cx = classNames.bind(styles);

const NOT_ASKED = "not-asked";
/** An answer as it is sent; empty takes it back. */
export interface Given {
  choice?: string;
  on?: string;
  until?: string;
  zones?: Zone[];
  families?: Family[];
}

/**
 * One question with its answers; a date, a place or a family is asked for where one is needed. Drawn
 * anew only when it changes, so that the verdict follows a tap at once.
 */
export const Ask = memo(function Ask({
  question,
  families,
  onAnswer: answer,
}: {
  question: Question;
  families: FamilyConsent[];
  onAnswer: (question: Question["id"], given: Given) => void;
}) {
  const onAnswer = (next: Given) => answer(question.id, next);
  const option = question.options.find((o) => o.id === question.choice);
  const given: Given = {
    choice: question.choice,
    on: question.on,
    until: question.until,
    zones: question.zones,
    families: question.families,
  };
  return (
    <div className={cx("question", question.choice === undefined && "unasked")}>
      {!question.answered && <i className={cx("open")} aria-hidden="true" />}
      <span className="grow">
        {question.text}
        <Kept question={question} />
      </span>
      {option?.dateLabel && (
        <DateField
          key={`on ${question.choice}`}
          label={option.dateLabel}
          value={question.on}
          onChange={(on) => onAnswer({ ...given, on })}
        />
      )}
      {option?.untilLabel && (
        <DateField
          key={`until ${question.choice}`}
          label={option.untilLabel}
          value={question.until}
          onChange={(until) => onAnswer({ ...given, until })}
        />
      )}
      <Segments
        label={question.text}
        value={question.choice ?? NOT_ASKED}
        options={[
          ...question.options.map(({ id, label }) => ({ id, label })),
          { id: NOT_ASKED, label: "not asked" },
        ]}
        onChange={(choice) => {
          onAnswer(choice === NOT_ASKED ? {} : { ...given, choice });
        }}
      />
      {option?.needs === "ZONES" && (
        <Places
          zones={question.zones}
          onChange={(zones) => onAnswer({ ...given, zones })}
          label={question.text}
        />
      )}
      {option?.needs === "FAMILIES" && (
        <div className={cx("needs")}>
          <Chips
            label={`${question.text}: which`}
            options={families.map(({ id }) => ({ id, label: FAMILIES[id] }))}
            chosen={question.families}
            onChange={(families) => onAnswer({ ...given, families })}
          />
        </div>
      )}
    </div>
  );
});

/** A date that is kept once it is whole. */
function DateField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string | undefined;
  onChange: (date: string | undefined) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextField
      type="date"
      label={label}
      value={typed ?? value ?? ""}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => {
        if (typed !== null && typed !== (value ?? "")) onChange(typed || undefined);
        setTyped(null);
      }}
      onKeyDown={(e) => e.key === "Enter" && (e.target as HTMLElement).blur()}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: 170 }}
    />
  );
}

/** When and by whom it was answered, or what the home products say. */
function Kept({ question }: { question: Question }) {
  if (question.seen !== undefined) {
    const against = question.told !== undefined && question.choice === question.options[0]?.id;
    return (
      <small className={`under${against ? " warn" : ""}`}>
        {question.seen}
        {against && `; ${question.told?.by} says otherwise`}
      </small>
    );
  }
  if (question.products.length > 0) {
    return <small className="under">from the home products: {question.products.join(", ")}</small>;
  }
  if (question.told) {
    return (
      <small className="under">
        {day(question.told.on)}, {question.told.by}
      </small>
    );
  }
  if (!question.answered && question.lastTime) {
    return <small className="under">last time: {question.lastTime}</small>;
  }
  return null;
}

function Places({
  zones,
  onChange,
  label,
}: {
  zones: Zone[];
  onChange: (zones: Zone[]) => void;
  label: string;
}) {
  const [open, setOpen] = useState(zones.length === 0);
  return (
    <div className={cx("needs")}>
      <p className="row">
        <span className="grow">
          {zones.length > 0 ? zones.map(zoneName).join(", ") : "Where? Choose each zone."}
        </span>
        <Button size="small" color="inherit" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Close the face" : "Where"}
        </Button>
      </p>
      {open && (
        <div className={cx("needs-face")}>
          <FaceMap
            zones={Object.fromEntries(
              Object.keys(FIGURES.FACE.paths).map((zone) => {
                const chosen = zones.includes(zone as Zone);
                return [zone, { chosen, tint: chosen ? 2 : 0 }];
              }),
            )}
            onPick={(zone) =>
              onChange(zones.includes(zone) ? zones.filter((z) => z !== zone) : [...zones, zone])
            }
            label={`${label}: where. Left and right are the client's.`}
          />
        </div>
      )}
    </div>
  );
}
