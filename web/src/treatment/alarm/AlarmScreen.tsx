import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { ALARM_STEPS } from "../../api/enumWords";
import type { Alarm, AlarmStep, Fact, Treatment } from "../../api/types";
import { type KeyBinding, useKeys } from "../../parts/useKeys";
import { useNow } from "../../parts/useNow";
import { clock, hour, left } from "../../parts/words";
import { options } from "../panels";
import { contactOf } from "../treat/Clocks";
import { Words } from "../treat/Panels";
import type { LiveTreatment } from "../useTreatment";
import { standingAlarms } from "./alarms";
import { numbersQuery } from "./numbers";
import styles from "./AlarmScreen.module.css";

const cx = classNames.bind(styles);

/** A screen of a treatment; while an alarm stands the alarm takes its place, keys and all. */
export function UnderAlarm({
  treatment,
  live,
  children,
}: {
  treatment: Treatment;
  live: LiveTreatment;
  children: ReactNode;
}) {
  const alarms = standingAlarms(treatment, live.unsent);
  // Asked for beforehand, so that an alarm has them without a server.
  useQuery(numbersQuery);
  return alarms.length > 0 ? (
    <AlarmScreen alarms={alarms} treatment={treatment} live={live} />
  ) : (
    children
  );
}

/** What a standing alarm takes the whole screen for; it closes only by words on how it ended. */
function AlarmScreen({
  alarms,
  treatment,
  live,
}: {
  alarms: Alarm[];
  treatment: Treatment;
  live: LiveTreatment;
}) {
  const [entering, setEntering] = useState<"also" | Alarm["weight"] | null>(null);
  const { say, unsent } = live;
  const ended =
    treatment.clocks.endedAt !== undefined ||
    unsent.some(({ fact }) => fact.type === "EndingStarted");
  const acid = !ended && contactOf(treatment, unsent).start !== undefined;
  const end = () => acid && say({ type: "EndingStarted" });
  const next = treatment.endingSteps.find(
    ({ id, done: gone }) =>
      !gone && !unsent.some(({ fact }) => fact.type === "EndingStepDone" && fact.step === id),
  );
  const takeOff = () => ended && next && say({ type: "EndingStepDone", step: next.id });
  const steps = alarms.flatMap((alarm) => alarm.steps);
  const also = options("alarm", treatment, []);

  const keys: KeyBinding[] = [
    { on: "Escape", says: "back to the steps", does: () => setEntering(null), whileTyping: true },
    ...(entering === "also"
      ? also.map(({ on, says, fact }) => ({
          on,
          says,
          does: () => {
            say(fact);
            setEntering(null);
          },
        }))
      : steps.map((step, i) => ({
          on: String((i + 1) % 10),
          says: ALARM_STEPS[step],
          does: () => say({ type: "AlarmStepDone", step }),
        }))),
    { on: "e", says: "END", does: end },
    { on: "pedal", says: "ending step done", does: takeOff },
    { on: "l", says: "also", does: () => setEntering("also") },
    { on: "o", says: "it is over", does: () => setEntering(alarms[0]?.weight ?? null) },
  ];
  useKeys(keys);

  const resolve = (alarm: Alarm, note: string) => {
    say(...alarm.signs.map((sign): Fact => ({ type: "SignResolved", sign, note })));
    setEntering(null);
  };
  return (
    <div className={cx("couch-alarm")} role="alertdialog" aria-label={alarms[0]?.line}>
      <div
        className={cx("alarms", { several: alarms.length > 1 })}
        tabIndex={0}
        role="region"
        aria-label="What to do"
      >
        {alarms.map((alarm) => (
          <section key={alarm.weight} aria-label={alarm.line}>
            <Head alarm={alarm} offset={live.offset} />
            <ol className={cx("alarm-steps")}>
              {alarm.steps.map((step) => {
                const number = steps.indexOf(step) + 1;
                const at = doneAt(step, alarm.since, treatment, live);
                return (
                  <li key={step}>
                    <button
                      type="button"
                      className={cx(at ? "done" : "")}
                      onClick={() => say({ type: "AlarmStepDone", step })}
                    >
                      <kbd>{number % 10}</kbd>
                      <span className="grow">{ALARM_STEPS[step]}</span>
                      <small className="mono">{at ? hour(at) : ""}</small>
                    </button>
                  </li>
                );
              })}
            </ol>
          </section>
        ))}
      </div>
      <aside className={cx("alarm-side")} aria-label="Whom to call">
        <Numbers />
        <Peel
          treatment={treatment}
          live={live}
          acid={acid}
          ended={ended}
          next={next?.words}
          onEnd={end}
          onStep={takeOff}
        />
        <div className={cx("alarm-ways")}>
          {entering === null && (
            <>
              <Button onClick={() => setEntering("also")}>
                <kbd>l</kbd> Also: something else
              </Button>
              {alarms.map((alarm, i) => (
                <Button
                  key={alarm.weight}
                  color="inherit"
                  onClick={() => setEntering(alarm.weight)}
                >
                  {i === 0 && <kbd>o</kbd>}{" "}
                  {alarms.length === 1
                    ? "It is over: say how"
                    : `${OVER[alarm.weight]} is over: how`}
                </Button>
              ))}
            </>
          )}
          {entering === "also" &&
            also.map(({ on, says, fact }) => (
              <Button
                key={on}
                color="error"
                onClick={() => {
                  say(fact);
                  setEntering(null);
                }}
              >
                <kbd>{on}</kbd> {says}
              </Button>
            ))}
          {alarms
            .filter((alarm) => alarm.weight === entering)
            .map((alarm) => (
              <Words
                key={alarm.weight}
                label="How it ended"
                button="It is over"
                onWords={(note) => resolve(alarm, note)}
              />
            ))}
          {entering !== null && (
            <Button color="inherit" onClick={() => setEntering(null)}>
              <kbd>Esc</kbd> back
            </Button>
          )}
        </div>
      </aside>
    </div>
  );
}

const OVER: Record<Alarm["weight"], string> = {
  EMERGENCY: "Emergency",
  EYE: "Eye",
  INJURY: "Incident",
  WISH: "",
};

function Head({ alarm, offset }: { alarm: Alarm; offset: number }) {
  const now = useNow(offset, 250);
  const until = alarm.until === undefined ? undefined : Date.parse(alarm.until);
  return (
    <header className={cx("alarm-head")}>
      <h1>{alarm.line}</h1>
      <b className="mono" role="timer" aria-label={until ? "rinse on for" : "since it was seen"}>
        {until === undefined ? clock(now - Date.parse(alarm.since)) : left(until - now)}
      </b>
      <p>
        {alarm.reason} Since {hour(alarm.since)}.
        {until !== undefined &&
          (now < until
            ? " Fifteen minutes or more; the clock says when."
            : " Fifteen minutes are over: go on to emergency care.")}
      </p>
    </header>
  );
}

function Numbers() {
  const numbers = useQuery(numbersQuery).data;
  const ask = <Link to="/practice">not set: set it in Practice</Link>;
  return (
    <dl className={cx("numbers")}>
      <dt>emergency</dt>
      <dd className="mono">{numbers?.emergency ?? ask}</dd>
      <dt>poison centre</dt>
      <dd className="mono">{numbers?.poisonCentre ?? ask}</dd>
      <dt>supervising clinician</dt>
      <dd>{numbers?.clinicians.join(", ") || "nobody in Practice"}</dd>
    </dl>
  );
}

/** What the peel itself does while all this goes on. */
function Peel({
  treatment,
  live,
  acid,
  ended,
  next,
  onEnd,
  onStep,
}: {
  treatment: Treatment;
  live: LiveTreatment;
  acid: boolean;
  ended: boolean;
  next: string | undefined;
  onEnd: () => void;
  onStep: () => void;
}) {
  const now = useNow(live.offset, 250);
  const { start } = contactOf(treatment, live.unsent);
  const endedAt = treatment.clocks.endedAt ? Date.parse(treatment.clocks.endedAt) : now;
  const clean = treatment.phase !== "ENDING" && treatment.clocks.endedAt !== undefined;
  return (
    <section className={cx("peel")} aria-label="The peel">
      <span>the peel</span>
      <b>
        {start === undefined
          ? "no acid is on"
          : `${acid ? "acid on" : "ended"}, ${treatment.plan.formulaCode}, ${clock(
              (acid ? now : endedAt) - start,
            )}`}
      </b>
      {acid && (
        <button type="button" className={cx("end-key")} onClick={onEnd}>
          END <small>key e</small>
        </button>
      )}
      {ended && !clean && next && (
        <Button onClick={onStep}>
          <kbd>Space</kbd> {next}
        </Button>
      )}
      {live.unsent.length > 0 && live.away && (
        <p className="warn">Not saved yet: {live.unsent.length}. Kept on this screen.</p>
      )}
    </section>
  );
}

/** When a step of this alarm was last ticked, here or on another screen. */
function doneAt(step: AlarmStep, since: string, treatment: Treatment, live: LiveTreatment) {
  return [...treatment.events, ...live.unsent].findLast(
    ({ at, fact }) =>
      fact?.type === "AlarmStepDone" && fact.step === step && Date.parse(at) >= Date.parse(since),
  )?.at;
}
