import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { ENDING_STEPS } from "../../api/enumWords";
import type { Advice, Treatment, Visit, Zone } from "../../api/types";
import { figureOf } from "../../parts/figures";
import { FaceMap } from "../../parts/FaceMap";
import { Ribbon } from "../../parts/Ribbon";
import { ribbonOfTreatment } from "../../parts/ribbonModel";
import type { KeyBinding } from "../../parts/useKeys";
import { useNow } from "../../parts/useNow";
import { clock, left } from "../../parts/words";
import type { StationProps } from "../../parts/StationProps";
import { adviceNow, NO_ADVICE, RECALCULATED } from "../couch/advice";
import { UnderAlarm } from "../alarm/AlarmScreen";
import { besideKeys, BesideNotes } from "../couch/Beside";
import { CouchNotes, CouchTop, CouchWait, StagePlace, takeBack, TakeBackKey } from "../couch/Couch";
import type { PanelName } from "../couch/panels";
import { SensationKeys, toldBy, toldNow } from "../couch/SensationKeys";
import { Panel } from "../couch/Panels";
import { answerKeys, useCouchKeys } from "../couch/useCouchKeys";
import { useSpokenCues } from "../couch/useClientCues";
import { type LiveTreatment, useTreatment } from "../couch/useTreatment";
import { ACTION } from "../couch/AdviceBox";
import { careSteps, doCare, extractedPoints, pointAt, runningCare } from "./Care";
import { zoneLooks } from "../couch/zoneLooks";
import { AddOn } from "./AddOn";
import { Leaving } from "./Leaving";
import couchStyles from "../couch/Couch.module.css";
import paneStyles from "../couch/Panes.module.css";
import styles from "./Settle.module.css";

const cx = classNames.bind({ ...couchStyles, ...paneStyles, ...styles });

export default function Settle({ visit }: StationProps) {
  const live = useTreatment(visit.treatmentId ?? "", visit.id);
  return live.treatment ? (
    <UnderAlarm treatment={live.treatment} live={live}>
      <Settling visit={visit} treatment={live.treatment} live={live} />
    </UnderAlarm>
  ) : (
    <CouchWait error={live.error} />
  );
}

function Settling({
  visit,
  treatment,
  live,
}: {
  visit: Visit;
  treatment: Treatment;
  live: LiveTreatment;
}) {
  const now = useNow(live.offset, 250);
  const navigate = useNavigate();
  useSpokenCues(treatment, now);
  const { say } = live;
  const [panel, setPanel] = useState<PanelName | null>(null);
  const [chosen, setChosen] = useState<Zone[]>([]);
  const [taking, setTaking] = useState<string | null>(null);
  const standing = adviceNow(treatment, live.unsent, now, live.away);
  const advice = standing ?? NO_ADVICE;
  const sent = (step: Treatment["endingSteps"][number]["id"]) =>
    live.unsent.some(({ fact }) => fact.type === "EndingStepDone" && fact.step === step);
  const open = treatment.endingSteps.find((step) => !step.done && !sent(step.id))?.id;
  const ended = treatment.clocks.endedAt ? Date.parse(treatment.clocks.endedAt) : now;
  const ask = treatment.clocks.askAt ? Date.parse(treatment.clocks.askAt) : undefined;
  const resting = treatment.phase === "AT_REST" || treatment.phase === "CHECKED";

  const close = () => {
    setPanel(null);
    setChosen([]);
  };
  const answered = (value: number) => say({ type: "SensationAnswered", value });
  const steps = careSteps(treatment, live.unsent);
  const on = runningCare(steps);
  const takes = steps.find(({ id, doneAt }) => id === taking && doneAt === undefined);
  const take = (id: string) => {
    const step = steps.find((one) => one.id === id);
    if (step?.seconds !== undefined && step.startedAt === undefined) {
      say({ type: "CareStarted", step: id });
    }
    setTaking(id);
  };
  const act = (action: Advice["action"]) => {
    const next = steps.find(({ doneAt }) => doneAt === undefined);
    switch (action) {
      case "WIPE":
        return setPanel("wipe");
      case "REDNESS":
        return setPanel("redness");
      case "ENDING_STEP":
        return open && say({ type: "EndingStepDone", step: open });
      case "ASK":
        return document.querySelector<HTMLElement>(".keys button")?.focus();
      case "BARRIER":
        return say({ type: "BarrierWipedOff" });
      case "CARE":
        if (next?.extracts) return take(next.id);
        return next && doCare(next, say);
      case "CARE_OFF":
        return next && say({ type: "CareDone", step: next.id });
      case "NEXT_STAGE":
        return say({ type: "StageOpened" });
      case "ADD_ON":
        return say({ type: "AddOnPutOn" });
      case "WIPE_ADD_ON":
        return say({ type: "AddOnWipedOff" });
      case "LEAVING_CHECK":
        return document.querySelector<HTMLElement>("[data-leaving]")?.focus();
      case "ASK_BESIDE":
        return setPanel("beside");
      case "NONE":
      case "ARM":
      case "START_LAYER":
      case "COVERED":
      case "END":
      case "END_ZONE":
      case "FAN":
      case "MORE_LAYERS":
      case "TOUCH_UP":
      case "BASE":
        return;
    }
  };
  // The next stage is armed, or its region is readied first.
  useEffect(() => {
    if (treatment.phase === "ARMED" || treatment.phase === "ACID") {
      void navigate(`/visits/${visit.id}/treat`, { replace: true });
    } else if (treatment.phase === "READY") {
      void navigate(`/visits/${visit.id}/ready`, { replace: true });
    }
  }, [navigate, treatment.phase, visit.id]);
  const panels = treatment.whyOwed ? [...PANELS, WHY] : PANELS;
  const nextZone = () => {
    const all = treatment.plan.zones;
    const at = chosen[0] ? all.indexOf(chosen[0]) : -1;
    setChosen([all[(at + 1) % all.length]!]);
    setPanel((was) => was ?? "zone");
  };
  const keys: KeyBinding[] = [
    {
      on: "pedal",
      says: "takes the advice, or step done",
      does: () =>
        treatment.phase === "ENDING" && standing?.action !== "WIPE"
          ? act("ENDING_STEP")
          : standing && act(standing.action),
    },
    ...answerKeys(answered),
    ...panels.map(({ name, key, word }) => ({ on: key, says: word, does: () => setPanel(name) })),
    { on: "a", says: "alarm", does: () => setPanel("alarm") },
    ...besideKeys(treatment, () => setPanel("beside")),
    { on: "z", says: "next zone", does: nextZone },
    { on: "u", says: "takes the last tap back", does: () => takeBack(live, now) },
    { on: "?", says: "these keys", does: () => setPanel("legend") },
  ];
  useCouchKeys({ panel, treatment, chosen, keys, stay: ["z", "a"], say, close });

  const { zones } = zoneLooks(treatment, chosen);
  const ribbon = ribbonOfTreatment(treatment, resting ? undefined : now);
  return (
    <div className={cx("couch-screen")}>
      <CouchTop visit={visit} treatment={treatment} live={live} onAlarm={() => setPanel("alarm")} />
      <CouchNotes live={live} />
      <BesideNotes treatment={treatment} now={now} onAsk={() => setPanel("beside")} />
      <main className={cx("settle", takes && "taking")}>
        <section className={cx("treat-face", "settle-face")} aria-label="Where">
          <StagePlace treatment={treatment} />
          <FaceMap
            zones={zones}
            figure={figureOf(treatment.plan.zones[0])}
            crop="neck"
            label="Zones of this peel"
            points={extractedPoints(treatment, live.unsent)}
            onPick={(zone, place) => {
              if (takes) {
                const point = pointAt(takes, treatment, zone, place);
                return point && say(point);
              }
              setChosen((was) =>
                was.includes(zone) ? was.filter((z) => z !== zone) : [...was, zone],
              );
              if (!resting) setPanel((was) => was ?? "zone");
            }}
          />
        </section>
        <section className={cx("settle-now")} aria-label="Now">
          <div className={cx("clocks", "settle-clocks")}>
            <div className={cx("main")}>
              <span>since END</span>
              <b className="mono" role="timer" aria-label="since END">
                {clock(now - ended)}
              </b>
            </div>
            {on ? (
              <div className={cx(now >= on.off ? "due" : "")}>
                <span>{now >= on.off ? `${on.label}: time is over` : `${on.label}, off in`}</span>
                <b className="mono" role="timer" aria-label="off in">
                  {left(on.off - now)}
                </b>
              </div>
            ) : (
              <div className={cx(ask !== undefined && now >= ask ? "due" : "")}>
                <span>{ask !== undefined && now >= ask ? "ask now" : "ask again in"}</span>
                <b className="mono" role="timer" aria-label="ask again in">
                  {ask === undefined ? "–" : left(ask - now)}
                </b>
              </div>
            )}
          </div>
          <div className={cx("settle-line")} role="status">
            <h1>{advice.line}</h1>
            <p className="soft">
              {advice.reason}
              {treatment.recalculated && RECALCULATED}
            </p>
          </div>
          {panel ? (
            <Panel
              name={panel}
              treatment={treatment}
              chosen={chosen}
              row={undefined}
              onSay={say}
              keys={keys}
              onOpen={setPanel}
              onClose={close}
            />
          ) : (
            <div className="row wrap">
              {treatment.phase === "ENDING" && standing?.action !== "WIPE"
                ? open && (
                    <Button variant="contained" onClick={() => act("ENDING_STEP")}>
                      <kbd>Space</kbd> Done, next
                    </Button>
                  )
                : standing &&
                  SETTLE_KEYS[standing.action] &&
                  !takes && (
                    <Button variant="contained" onClick={() => act(standing.action)}>
                      <kbd>Space</kbd> {keyWords(standing, treatment)}
                    </Button>
                  )}
              {standing?.other === "NEXT_STAGE" && (
                <Button color="inherit" onClick={() => act("NEXT_STAGE")}>
                  {ACTION.NEXT_STAGE}
                </Button>
              )}
              {panels.map(({ name, key, word }) => (
                <Button key={name} color="inherit" onClick={() => setPanel(name)}>
                  <kbd>{key}</kbd> {word}
                </Button>
              ))}
              <TakeBackKey live={live} now={now} />
            </div>
          )}
          {resting && <AddOn treatment={treatment} />}
        </section>
        <section
          className={cx("settle-steps")}
          aria-label={resting ? "Before leaving" : "Steps of the ending"}
        >
          {resting ? (
            <Leaving
              visit={visit}
              treatment={treatment}
              live={live}
              chosen={chosen}
              steps={steps}
              taking={takes?.id ?? null}
              onTake={take}
              filled={!standing || !SETTLE_KEYS[standing.action]}
              onLeft={() => void navigate(`/visits/${visit.id}/after`)}
            />
          ) : (
            <>
              <h2>Off the skin</h2>
              <ol>
                {treatment.endingSteps.map(({ id, done }) => (
                  <li key={id} className={cx(done || sent(id) ? "done" : id === open ? "now" : "")}>
                    <i aria-hidden="true" />
                    <span>
                      {ENDING_STEPS[id]}
                      {(done || sent(id)) && <span className="hidden">, done</span>}
                    </span>
                  </li>
                ))}
              </ol>
            </>
          )}
        </section>
      </main>
      <SensationKeys
        answers={[]}
        told={
          toldNow(live.unsent) ??
          treatment.answers.findLast((told) => told.phase !== "ACID" && told.phase !== "READY")
            ?.value
        }
        source={toldNow(live.unsent) === undefined ? toldBy(treatment) : undefined}
        onAnswer={(value) => say({ type: "SensationAnswered", value })}
      />
      <section className={cx("treat-ribbon")} aria-label="Ribbon">
        {ribbon && <Ribbon model={ribbon} unit="clock" label="This peel" />}
      </section>
    </div>
  );
}

/** What Space does here beside the ending steps, in words of its own where they say more. */
const SETTLE_KEYS: Partial<Record<Advice["action"], string>> = {
  WIPE: "wipe test",
  REDNESS: "look: redness",
  BARRIER: "barrier is off",
  CARE: "done",
  CARE_OFF: "it is off",
  NEXT_STAGE: "next stage",
  ASK_BESIDE: "ask there",
  ADD_ON: "goes on",
  WIPE_ADD_ON: "is wiped off",
};

function keyWords({ action }: Advice, treatment: Treatment): string {
  const words = SETTLE_KEYS[action] ?? "";
  if (action === "ADD_ON" || action === "WIPE_ADD_ON") {
    return `${treatment.plan.addOn?.code} ${words}`;
  }
  const next = treatment.care.find(({ doneAt }) => doneAt === undefined);
  if (action === "CARE" && next?.extracts) return "take points";
  return action === "CARE" && next?.seconds !== undefined ? "it is on" : words;
}

const PANELS: { name: PanelName; key: string; word: string }[] = [
  { name: "redness", key: "r", word: "redness" },
  { name: "whitening", key: "w", word: "whitening" },
  { name: "hot", key: "h", word: "hot spot" },
  { name: "note", key: "n", word: "note" },
];
const WHY = { name: "why", key: "y", word: "ended sooner: why" } as const;
