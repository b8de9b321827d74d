import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { REDNESS } from "../../api/enumWords";
import { Link } from "react-router";
import type { Treatment, Visit, Zone } from "../../api/types";
import { FaceMap, type ZoneLook } from "../../parts/FaceMap";
import { figureOf } from "../../parts/figures";
import { type LiveTreatment } from "../couch/useTreatment";
import { AcidPrep } from "./AcidPrep";
import { ClinicianPresent } from "./ClinicianPresent";
import { GateA } from "./GateA";
import { baseline, doneFact, type Step, together } from "./steps";
import styles from "./Ready.module.css";

const cx = classNames.bind(styles);

interface StepNowProps {
  visit: Visit;
  treatment: Treatment;
  step: Step;
  live: LiveTreatment;
  onDone: () => void;
}

export function StepNow({ visit, treatment, step, live, onDone }: StepNowProps) {
  if (step.id === "GATE_A")
    return <GateA visit={visit} treatment={treatment} live={live} onDone={onDone} />;
  if (step.id === "PREP" && treatment.acidPrepSeconds !== undefined && !step.doneAt)
    return <AcidPrep treatment={treatment} step={step} live={live} onDone={onDone} />;
  if (step.id === "CLINICIAN") return <ClinicianPresent treatment={treatment} onDone={onDone} />;
  if (step.id === "BASELINE") return <Baseline treatment={treatment} live={live} onDone={onDone} />;
  const steps = together(treatment, step);
  const left = steps.filter(({ doneAt }) => !doneAt);
  return (
    <>
      <h1 className="hidden">{steps.map(({ label }) => label).join(", ")}</h1>
      <div className={cx("with-map")}>
        <ul className={cx("in-one-go")} aria-label="Done in one go">
          {steps.map((one) => (
            <li key={one.id}>
              <button
                type="button"
                className={cx(one.doneAt ? "done" : "")}
                disabled={one.doneAt !== undefined}
                onClick={() => live.say(doneFact(one))}
              >
                <i aria-hidden="true" />
                <span>
                  <b>{one.label.charAt(0).toUpperCase() + one.label.slice(1)}</b>
                  <span className={cx("how")}>{one.how}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        {step.together === "GUARDED" && <Covered treatment={treatment} />}
      </div>
      {step.together === "AT_THE_DOOR" && (
        <p className="soft">
          {visit.screened?.lastPeel
            ? `Last peel ${visit.screened.lastPeel}. `
            : "First peel here. "}
          Something new? Change it in <Link to={`/visits/${visit.id}/screen`}>Screen</Link> first.
        </p>
      )}
      <div className="row">
        <Button
          variant="contained"
          autoFocus
          key={step.together}
          disabled={left.length === 0}
          onClick={() => {
            live.say(...left.map(doneFact));
            onDone();
          }}
        >
          {left.length === 0 ? "Done" : left.length > 1 ? "All done, next" : "Done, next"}
        </Button>
      </div>
    </>
  );
}

/** Where the barrier goes besides the usual places: open spots, and spots that the prep woke. */
function Covered({ treatment }: { treatment: Treatment }) {
  const zones: Partial<Record<Zone, ZoneLook>> = {};
  for (const zone of treatment.plan.zones) {
    const hotSpot = treatment.zones[zone]?.hotSpot;
    const open = treatment.cover.includes(zone);
    zones[zone] = { hotSpot, covered: open, text: open ? "cover" : undefined };
  }
  if (!Object.values(zones).some((look) => look?.covered || look?.hotSpot !== undefined)) {
    return null;
  }
  return (
    <div className={cx("covered")}>
      <FaceMap
        zones={zones}
        figure={figureOf(treatment.plan.zones[0])}
        crop="neck"
        label="Under barrier"
      />
    </div>
  );
}

function Baseline({
  treatment,
  live,
  onDone,
}: Pick<StepNowProps, "treatment" | "live" | "onDone">) {
  function set(grade: number) {
    live.say(baseline(treatment, grade));
    onDone();
  }
  return (
    <>
      <h1>How red before any acid</h1>
      <p className={cx("how")}>Friction reddens. Let the flush settle, then take the baseline.</p>
      <div className="row wrap">
        {REDNESS.map((word, grade) => (
          <Button key={word} onClick={() => set(grade)} autoFocus={grade === 0}>
            <kbd>{grade}</kbd> {word}
          </Button>
        ))}
      </div>
    </>
  );
}
