import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import { REDNESS, WHITENING } from "../../api/enumWords";
import type { Fact, Treatment, Whitening, Zone } from "../../api/types";
import type { KeyBinding } from "../../parts/useKeys";
import { capital, left, zoneName } from "../../parts/words";
import { besideOf } from "./panels";
import styles from "./Beside.module.css";

const cx = classNames.bind(styles);
const GRADES: Whitening[] = ["NONE", "F1", "F2", "F3", "F4"];

/** Regions whose acid is off while another is treated: what was told there and when to ask again. */
export function BesideNotes({
  treatment,
  now,
  onAsk,
}: {
  treatment: Treatment;
  now: number;
  onAsk: () => void;
}) {
  if (treatment.beside.length === 0) return null;
  const notes = treatment.beside.map(({ region, where, told, askAt, atRest, advice, wipeOwed }) => {
    const due = askAt === undefined ? undefined : Date.parse(askAt) - now;
    return (
      <p key={region} className={cx("beside", due !== undefined && due <= 0 && "due")}>
        <b>{capital(where)}</b>
        <span>{told === undefined ? "not asked yet" : `told ${told}`}</span>
        <span>
          {advice.kind === "SETTLE" || wipeOwed ? advice.line : atRest ? "at rest" : "not at rest"}
        </span>
        {due !== undefined && <span className="mono">{due > 0 ? left(due) : "ask now"}</span>}
        <Button color="inherit" onClick={onAsk}>
          <kbd>b</kbd> ask there
        </Button>
      </p>
    );
  });
  return <section aria-label="Settled beside">{notes}</section>;
}

/** The key that asks there, while a region is settled beside. */
export function besideKeys(treatment: Treatment, onAsk: () => void): KeyBinding[] {
  return treatment.beside.length > 0
    ? [{ on: "b", says: "asks the region beside", does: onAsk }]
    : [];
}

/** What is seen on a zone of that region. */
export function BesideZones({
  treatment,
  onSay,
}: {
  treatment: Treatment;
  onSay: (fact: Fact) => void;
}) {
  const [zone, setZone] = useState<Zone>();
  const beside = besideOf(treatment);
  if (!beside) return null;
  const seen = zone && beside.zones[zone];
  return (
    <div className={cx("zones")}>
      <div className="row wrap">
        {(Object.keys(beside.zones) as Zone[]).map((one) => (
          <Button
            key={one}
            color="inherit"
            aria-pressed={one === zone}
            onClick={() => setZone(one)}
          >
            {zoneName(one)}
          </Button>
        ))}
      </div>
      {zone && (
        <div className="row wrap">
          {REDNESS.map((says, grade) => (
            <Button
              key={says}
              aria-pressed={seen?.redness === grade}
              onClick={() => onSay({ type: "RednessSeen", grades: { [zone]: grade } })}
            >
              {grade === 0 ? "no redness" : says}
            </Button>
          ))}
          {GRADES.map((grade) => (
            <Button
              key={grade}
              aria-pressed={seen?.whitening === grade}
              onClick={() => onSay({ type: "WhiteningSeen", zones: [zone], grade })}
            >
              {grade === "NONE" ? "no white" : `white ${WHITENING[grade].split(",")[0]}`}
            </Button>
          ))}
          {seen?.wipeOwed && (
            <>
              <Button onClick={() => onSay({ type: "WipeTested", zones: [zone], cameOff: true })}>
                swab: comes off
              </Button>
              <Button onClick={() => onSay({ type: "WipeTested", zones: [zone], cameOff: false })}>
                swab: stays
              </Button>
            </>
          )}
        </div>
      )}
    </div>
  );
}
