import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import type { Advice } from "../../api/types";
import { left } from "../../parts/words";
import { NO_ADVICE, RECALCULATED } from "./advice";
import paneStyles from "./Panes.module.css";
import styles from "./AdviceBox.module.css";

const cx = classNames.bind({ ...paneStyles, ...styles });

export const ACTION: Record<Advice["action"], string> = {
  NONE: "",
  ASK: "ask",
  ASK_BESIDE: "ask there",
  ARM: "arm",
  START_LAYER: "acid touches",
  COVERED: "covered",
  WIPE: "test",
  END: "end",
  END_ZONE: "end zone",
  FAN: "fan on",
  MORE_LAYERS: "one more layer",
  TOUCH_UP: "touch up what is not white",
  ENDING_STEP: "done",
  LEAVING_CHECK: "check",
  ADD_ON: "put it on",
  WIPE_ADD_ON: "wiped off",
  REDNESS: "look",
  BARRIER: "barrier is off",
  CARE: "start, or done",
  CARE_OFF: "it is off",
  NEXT_STAGE: "next stage",
  BASE: "lay out base",
};

/** One large line, its reason, and one key to take it. */
export function AdviceBox({
  advice,
  recalculated,
  now,
  onAct,
  onPass,
  onWhy,
}: {
  advice: Advice | null;
  /** An entry before it was corrected. */
  recalculated: boolean;
  now: number;
  onAct: (action: Advice["action"]) => void;
  onPass: () => void;
  /** Opens the row of the table behind it. */
  onWhy: () => void;
}) {
  const shown = advice ?? NO_ADVICE;
  const word = advice ? ACTION[advice.action] : "";
  const until = advice?.until ? Date.parse(advice.until) - now : undefined;
  const tone = advice ? TONE[advice.kind] : "hold";
  return (
    <div className={cx("advice", tone ?? "")}>
      <div className="grow" role="status" aria-live="assertive">
        <h1>
          {shown.line}
          {advice?.kind === "WAIT" && until !== undefined && until > 0 && (
            <span aria-hidden="true"> {left(until)}</span>
          )}
        </h1>
        <p>
          {shown.reason}
          {advice && recalculated && RECALCULATED}{" "}
          {advice?.row && (
            <button type="button" className={cx("why-key")} onClick={onWhy}>
              why <kbd>y</kbd>
            </button>
          )}
        </p>
        {advice && advice.steps.length > 0 && (
          <ol>
            {advice.steps.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
        )}
      </div>
      <div className={cx("advice-keys")}>
        {advice && word && (
          <Button onClick={() => onAct(advice.action)}>
            <kbd>Space</kbd> {word}
          </Button>
        )}
        {advice && advice.other !== "NONE" && (
          <Button color="inherit" onClick={() => onAct(advice.other)}>
            {ACTION[advice.other]}
          </Button>
        )}
        {advice?.passable && (
          <Button color="inherit" onClick={onPass}>
            go on, say why
          </Button>
        )}
      </div>
    </div>
  );
}

const TONE: Partial<Record<Advice["kind"], string>> = {
  EMERGENCY: "end",
  EYE: "end",
  END_NOW: "end",
  END: "end",
  END_ZONE: "end",
  HOLD: "hold",
  LOOK_NOW: "hold",
  WIPE_TEST: "hold",
  WAIT: "wait",
};
