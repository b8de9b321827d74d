import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { OILS as OIL_WORDS } from "../api/enumWords";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { useNow } from "../parts/useNow";
import { day, decimal, left } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";
import styles from "./Barrier.module.css";

const cx = classNames.bind(styles);

const OILS = ["DRY", "BALANCED", "COMBINATION", "OILY"] as const;
const SENSITIVITIES = [
  { id: "RESILIENT", label: "resilient" },
  { id: "NORMAL", label: "normal" },
  { id: "SENSITIVE", label: "sensitive" },
  { id: "COMPROMISED", label: "compromised" },
] as const;

export function Barrier(part: ConsultPart) {
  const { consult, state, change } = part;
  const given = [consult.oil, consult.hydration, consult.sensitivity].filter(Boolean).length;
  return (
    <>
      <Strip title="Oil, water, barrier" code={`${given} of 3`} />
      <div className="ask">
        <span>Oil</span>
        <Segments
          label="Oil"
          value={consult.oil}
          options={OILS.map((id) => ({ id, label: OIL_WORDS[id] }))}
          onChange={(oil) => change({ oil })}
        />
      </div>
      <div className="ask">
        <span>Water</span>
        <Segments
          label="Water"
          value={consult.hydration}
          options={[
            { id: "WELL", label: "well" },
            { id: "DEHYDRATED", label: "dehydrated" },
          ]}
          onChange={(hydration) => change({ hydration })}
        />
      </div>
      <div className="ask">
        <span>Sensitivity</span>
        <Segments
          label="Sensitivity"
          value={consult.sensitivity}
          options={[...SENSITIVITIES]}
          onChange={(sensitivity) => change({ sensitivity })}
        />
        <p className="small soft">
          Compromised: stings with water or bland cream, is in a flare, or over-exfoliated.
        </p>
        {state.sensitivity !== consult.sensitivity && (
          <p className="small warn">The sting test is positive: it counts as sensitive.</p>
        )}
      </div>
      <Sting {...part} />
    </>
  );
}

/** 10 % lactic acid at the nasolabial fold, read twice by its own timer. */
function Sting({ words, consult, state, change }: ConsultPart) {
  const now = useNow(0, 500);
  const test = consult.sting;
  const compromised = state.sensitivity === "COMPROMISED";
  const reads = [
    { field: "first", label: "at 2:30" },
    { field: "second", label: "at 5:00" },
  ] as const;
  return (
    <>
      <Strip
        title="Sting test"
        code={
          state.sting?.score !== undefined
            ? `${decimal(state.sting.score, 1)}, ${state.sting.positive ? "positive" : "negative"}`
            : "optional"
        }
      />
      <div className="ask">
        {!test && (
          <>
            <p className="small">
              Lactic acid 10 % at one nasolabial fold, the other side plain. Sting 0 to 3, asked at
              2:30 and 5:00.{" "}
              {compromised ? "Not on a compromised barrier." : "Not within 7 days before a peel."}
            </p>
            <Button
              disabled={compromised}
              onClick={() => change({ sting: { startedAt: new Date().toISOString() } })}
            >
              Acid is on: start
            </Button>
          </>
        )}
        {test &&
          reads.map(({ field, label }, i) => {
            const due = Date.parse(test.startedAt) + (words.stingReads[i] ?? 0) * 1000;
            return (
              <div key={field} className={cx("row", "sting")}>
                <span className="grow">
                  Sting {label}
                  {now < due && test[field] === undefined && (
                    <b className="mono" role="timer" aria-label={`to the read ${label}`}>
                      {" "}
                      in {left(due - now)}
                    </b>
                  )}
                </span>
                {(now >= due || test[field] !== undefined) && (
                  <Segments
                    label={`Sting ${label}`}
                    value={test[field]?.toString()}
                    options={["0", "1", "2", "3"].map((id) => ({ id, label: id }))}
                    onChange={(sting) => change({ sting: { ...test, [field]: Number(sting) } })}
                  />
                )}
              </div>
            );
          })}
        {test && (
          <p className="small row">
            <span className="grow">
              On {day(test.startedAt)}.
              {state.sting?.tooSoon && <b className="warn"> Within 7 days before this peel.</b>}
            </span>
            <Button
              size="small"
              color="inherit"
              variant="text"
              onClick={() => change({ sting: undefined })}
            >
              Take it away
            </Button>
          </p>
        )}
      </div>
    </>
  );
}
