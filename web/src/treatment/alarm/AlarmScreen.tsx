import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { ALARM_STEPS, ALARM_STEPS_OF, ENDING_STEPS } from "../../api/enumWords";
import type { Alarm, AlarmStep, Fact, Treatment } from "../../api/types";
import { type KeyBinding, useKeys } from "../../parts/useKeys";
import { useNow } from "../../parts/useNow";
import { clock, hour, left } from "../../parts/words";
import { options } from "../couch/panels";
import { contactOf } from "../couch/Clocks";
import { Words } from "../couch/Panels";
import type { LiveTreatment } from "../couch/useTreatment";
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
  const [entering, setEntering] = useState<Entering | null>(null);
  const [chosen, setChosen] = useState<Alarm["weight"]>();
  const now = useNow(live.offset, 1000);
  const { say, unsent } = live;
  // Keys act on one alarm at a time: the gravest, until another is chosen.
  const current = alarms.find(({ weight }) => weight === chosen) ?? alarms[0]!;
  const another = alarms[(alarms.indexOf(current) + 1) % alarms.length]!;
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
  const also = options("alarm", treatment, []);
  // A step that was ticked keeps its time.
  const tick = (step: AlarmStep) => {
    if (!handledAt(step, current.since, treatment, live)) say({ type: "AlarmStepDone", step });
  };
  const waits = current.first.filter((step) => !handledAt(step, current.since, treatment, live));
  const rinsed = current.until !== undefined && now >= Date.parse(current.until);
  const mayClose = waits.length === 0 || rinsed;

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
      : current.steps.map((step) => ({
          on: String(numberOf(step, current)),
          says: ALARM_STEPS[step],
          does: () => tick(step),
        }))),
    { on: "e", says: "END", does: end },
    { on: "pedal", says: "ending step done", does: takeOff },
    { on: "l", says: "also", does: () => setEntering("also") },
    { on: "n", says: "the other alarm", does: () => setChosen(another.weight) },
    { on: "o", says: "close this alarm", does: () => mayClose && setEntering("close") },
  ];
  useKeys(keys);

  const resolve = (alarm: Alarm, note: string) => {
    say(...alarm.signs.map((sign): Fact => ({ type: "SignResolved", sign, note })));
    setEntering(null);
  };
  return (
    <div className={cx("couch-alarm")} role="alertdialog" aria-label={alarms[0]?.line}>
      <div className={cx("alarms")} tabIndex={0} role="region" aria-label="What to do">
        {alarms
          .filter((alarm) => alarm !== current)
          .map((alarm) => (
            <button
              key={alarm.weight}
              type="button"
              className={cx("other-alarm")}
              onClick={() => setChosen(alarm.weight)}
            >
              <kbd>n</kbd> Also standing: <b>{alarm.line}</b>{" "}
              <span className="mono">{clock(now - Date.parse(alarm.since))}</span>
            </button>
          ))}
        <section key={current.weight} aria-label={current.line}>
          <Head alarm={current} offset={live.offset} />
          <ol className={cx("alarm-steps")}>
            {current.steps.map((step) => {
              const at = handledAt(step, current.since, treatment, live);
              return (
                <li key={step}>
                  <button type="button" className={cx(at ? "done" : "")} onClick={() => tick(step)}>
                    <kbd>{numberOf(step, current)}</kbd>
                    <span className="grow">{ALARM_STEPS[step]}</span>
                    <small className="mono">{at ? hour(at) : ""}</small>
                  </button>
                </li>
              );
            })}
          </ol>
        </section>
      </div>
      <aside className={cx("alarm-side")} aria-label="Whom to call">
        <Numbers />
        <Peel
          treatment={treatment}
          live={live}
          acid={acid}
          ended={ended}
          next={next && ENDING_STEPS[next.id]}
          onEnd={end}
          onStep={takeOff}
        />
        <div className={cx("alarm-ways")}>
          {entering === null && (
            <>
              <Button onClick={() => setEntering("also")}>
                <kbd>l</kbd> Also: something else
              </Button>
              {waits.length > 0 && !rinsed && (
                <p className="soft">
                  {current.until === undefined
                    ? `Before it is closed: ${waits.map((step) => ALARM_STEPS[step]).join("; ")}.`
                    : `It can be closed at ${hour(current.until)}, or once emergency care has the client.`}
                </p>
              )}
              {waits.length > 0 && current.until === undefined && (
                <Button color="inherit" onClick={() => setEntering("skip")}>
                  Not needed: say why
                </Button>
              )}
              <Button color="inherit" disabled={!mayClose} onClick={() => setEntering("close")}>
                <kbd>o</kbd> Close this alarm
              </Button>
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
          {entering === "close" && (
            <Words
              key={current.weight}
              label={acid || ended ? "How it ended" : "How it ended (no acid today unless allowed)"}
              button="Close alarm"
              onWords={(note) => resolve(current, note)}
            />
          )}
          {entering === "skip" && waits[0] && (
            <Words
              key={waits[0]}
              label={`${ALARM_STEPS[waits[0]]}: why it is not needed`}
              button="Not needed"
              onWords={(reason) => {
                say({ type: "AlarmStepSkipped", step: waits[0]!, reason });
                setEntering(null);
              }}
            />
          )}
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

type Entering = "also" | "close" | "skip";

/** A step keeps its number, whatever steps fall away. */
function numberOf(step: AlarmStep, alarm: Alarm): number {
  return (ALARM_STEPS_OF[alarm.weight] as readonly AlarmStep[]).indexOf(step) + 1;
}

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

/** When a step of this alarm was first ticked or said to be not needed, on whatever screen. */
function handledAt(step: AlarmStep, since: string, treatment: Treatment, live: LiveTreatment) {
  return [...treatment.events, ...live.unsent].find(
    ({ at, fact }) =>
      (fact?.type === "AlarmStepDone" || fact?.type === "AlarmStepSkipped") &&
      fact.step === step &&
      Date.parse(at) >= Date.parse(since),
  )?.at;
}
