import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import type { Treatment } from "../../api/types";
import { useNow } from "../../parts/useNow";
import { clock } from "../../parts/words";
import type { LiveTreatment } from "../couch/useTreatment";
import styles from "./Ready.module.css";

const cx = classNames.bind(styles);

/** A prep with acid in it is an acid step: it is timed from its touch until it is off. */
export function AcidPrep({
  treatment,
  step,
  live,
  onDone,
}: {
  treatment: Treatment;
  step: Treatment["steps"][number];
  live: LiveTreatment;
  onDone: () => void;
}) {
  const now = useNow(live.offset);
  const most = (treatment.acidPrepSeconds ?? 0) * 1000;
  const on = treatment.gate.prepTouchedAt;
  const contact = on === undefined ? 0 : Math.max(0, now - Date.parse(on));
  const over = contact >= most;
  return (
    <>
      <h1>
        {on === undefined
          ? "Acid prep: start its clock as it touches"
          : over
            ? "Acid prep: take it off now"
            : "Acid prep is on"}
      </h1>
      <p className={cx("how")}>{step.how}</p>
      <p className={cx("prep-clock", { over })} role="timer" aria-label="acid prep">
        <b className="mono">{clock(contact)}</b>
        <span className="soft">of {clock(most)}</span>
      </p>
      <div className="row">
        {on === undefined ? (
          <Button
            variant="contained"
            autoFocus
            key="touch"
            onClick={() => live.say({ type: "AcidPrepStarted" })}
          >
            It touches
          </Button>
        ) : (
          <Button
            variant="contained"
            autoFocus
            key="off"
            onClick={() => {
              live.say({ type: "StepDone", step: "PREP", note: "" });
              onDone();
            }}
          >
            It is off, next
          </Button>
        )}
      </div>
    </>
  );
}
