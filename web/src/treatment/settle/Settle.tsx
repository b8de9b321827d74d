import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Treatment, Visit, Zone } from "../../api/types";
import { figureOf } from "../../parts/figures";
import { FaceMap } from "../../parts/FaceMap";
import { Ribbon } from "../../parts/Ribbon";
import { ribbonOfTreatment } from "../../parts/ribbonModel";
import type { KeyBinding } from "../../parts/useKeys";
import { useNow } from "../../parts/useNow";
import { clock, firstName, hour, left, plural, zoneName } from "../../parts/words";
import type { StationProps } from "../../parts/StationProps";
import { adviceNow, NO_ADVICE, RECALCULATED } from "../advice";
import { UnderAlarm } from "../alarm/AlarmScreen";
import { CouchNotes, CouchTop, CouchWait, takeBack, TakeBackKey } from "../Couch";
import type { PanelName } from "../panels";
import { SensationKeys, toldNow } from "../SensationKeys";
import { Panel } from "../treat/Panels";
import { answerKeys, useCouchKeys } from "../useCouchKeys";
import { type LiveTreatment, useTreatment } from "../useTreatment";
import { zoneLooks } from "../zoneLooks";
import couchStyles from "../Couch.module.css";
import treatStyles from "../treat/Treat.module.css";
import styles from "./Settle.module.css";

const cx = classNames.bind({ ...couchStyles, ...treatStyles, ...styles });

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
  const { say } = live;
  const [panel, setPanel] = useState<PanelName | null>(null);
  const [chosen, setChosen] = useState<Zone[]>([]);
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
  const panels = treatment.whyOwed ? [...PANELS, WHY] : PANELS;
  const wipe = () => setPanel("wipe");
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
        standing?.action === "WIPE"
          ? wipe()
          : open && treatment.phase === "ENDING" && say({ type: "EndingStepDone", step: open }),
    },
    ...answerKeys(answered),
    ...panels.map(({ name, key, word }) => ({ on: key, says: word, does: () => setPanel(name) })),
    { on: "z", says: "next zone", does: nextZone },
    { on: "u", says: "takes the last tap back", does: () => takeBack(live, now) },
    { on: "?", says: "these keys", does: () => setPanel("legend") },
  ];
  useCouchKeys({ panel, treatment, chosen, keys, stay: ["z", "a"], say, close });

  const { zones } = zoneLooks(treatment, chosen);
  const ribbon = ribbonOfTreatment(treatment, resting ? undefined : now);
  const reached = treatment.restAt ? Date.parse(treatment.restAt) : now;
  return (
    <div className={cx("couch-screen")}>
      <CouchTop visit={visit} treatment={treatment} live={live} />
      <CouchNotes live={live} />
      <main className={cx("settle")}>
        <section className={cx("treat-face", "settle-face")} aria-label="Where">
          <FaceMap
            zones={zones}
            figure={figureOf(treatment.plan.zones[0])}
            crop="neck"
            label="Zones of this peel"
            onPick={(zone) => {
              setChosen((was) =>
                was.includes(zone) ? was.filter((z) => z !== zone) : [...was, zone],
              );
              if (!resting) setPanel((was) => was ?? "zone");
            }}
          />
        </section>
        <section className={cx("settle-now")} aria-label="Now">
          <div className={cx("clocks", "settle-clocks")}>
            <div>
              <span>since END</span>
              <b className="mono" role="timer" aria-label="since END">
                {clock(reached - ended)}
              </b>
            </div>
            <div className={cx(ask !== undefined && now >= ask ? "due" : "")}>
              <span>{ask !== undefined && now >= ask ? "ask now" : "ask again in"}</span>
              <b className="mono" role="timer" aria-label="ask again in">
                {ask === undefined ? "–" : left(ask - now)}
              </b>
            </div>
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
              {standing?.action === "WIPE" ? (
                <Button variant="contained" onClick={wipe}>
                  <kbd>Space</kbd> wipe test
                </Button>
              ) : (
                open &&
                treatment.phase === "ENDING" && (
                  <Button
                    variant="contained"
                    onClick={() => say({ type: "EndingStepDone", step: open })}
                  >
                    <kbd>Space</kbd> Done, next
                  </Button>
                )
              )}
              {standing?.action === "ADD_ON" && (
                <Button variant="contained" onClick={() => say({ type: "AddOnPutOn" })}>
                  {treatment.plan.addOn?.code} goes on
                </Button>
              )}
              {standing?.action === "WIPE_ADD_ON" && (
                <Button variant="contained" onClick={() => say({ type: "AddOnWipedOff" })}>
                  {treatment.plan.addOn?.code} is wiped off
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
              filled={standing?.action !== "ADD_ON" && standing?.action !== "WIPE_ADD_ON"}
              onLeft={() => void navigate(`/visits/${visit.id}/after`)}
            />
          ) : (
            <>
              <h2>Off the skin</h2>
              <ol>
                {treatment.endingSteps.map(({ id, words, done }) => (
                  <li key={id} className={cx(done || sent(id) ? "done" : id === open ? "now" : "")}>
                    <i aria-hidden="true" />
                    <span>
                      {words}
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
        onAnswer={(value) => say({ type: "SensationAnswered", value })}
      />
      <section className={cx("treat-ribbon")} aria-label="Ribbon">
        {ribbon && <Ribbon model={ribbon} unit="clock" label="This peel" />}
      </section>
    </div>
  );
}

const PANELS: { name: PanelName; key: string; word: string }[] = [
  { name: "redness", key: "r", word: "redness" },
  { name: "whitening", key: "w", word: "whitening" },
  { name: "hot", key: "h", word: "hot spot" },
  { name: "note", key: "n", word: "note" },
  { name: "alarm", key: "a", word: "alarm" },
];
const WHY = { name: "why", key: "y", word: "ended sooner: why" } as const;

/** The retinoid of the plan: on, off, or why not now. */
function AddOn({ treatment }: { treatment: Treatment }) {
  const { addOn } = treatment.plan;
  if (!addOn) return null;
  return (
    <p className="soft">
      <b>
        {addOn.code}, {addOn.name}
      </b>
      <br />
      {addOnStands(treatment, addOn.how)}
    </p>
  );
}

function addOnStands({ addOnAt, addOnOffAt, addOnNotNow }: Treatment, how: string) {
  if (addOnAt && addOnOffAt) return `On at ${hour(addOnAt)}, off at ${hour(addOnOffAt)}.`;
  if (addOnAt) return `On at ${hour(addOnAt)}; ${how}.`;
  return addOnNotNow ? `Not now: ${addOnNotNow}.` : `Before all else; ${how}.`;
}

/** What goes on calm skin, in order, and the check before the client leaves. */
function Leaving({
  visit,
  treatment,
  live,
  chosen,
  filled,
  onLeft,
}: {
  visit: Visit;
  treatment: Treatment;
  live: LiveTreatment;
  chosen: Zone[];
  /** Nothing else is to be done first. */
  filled: boolean;
  onLeft: () => void;
}) {
  const pink = treatment.plan.zones.filter((zone) => (treatment.zones[zone]?.redness ?? 0) > 0);
  return (
    <div className={cx("leaving")}>
      <h2>{treatment.care.length > 0 ? "On calm skin, in order" : "Nothing on the skin"}</h2>
      {treatment.care.length === 0 && (
        <p className="soft">It stays as it is: no water, no product for the hours of the sheet.</p>
      )}
      <div className={cx("products")} role="group" aria-label="On the skin, in order">
        {treatment.care.map(({ id, label, appliedAt }) => (
          <Button
            key={id}
            color="inherit"
            disabled={appliedAt !== undefined}
            onClick={() => live.say({ type: "ProductApplied", product: id })}
          >
            {label}
            {appliedAt && ` · ${hour(appliedAt)}`}
          </Button>
        ))}
      </div>
      <p className="soft">
        {chosen.length > 0
          ? `Still pink: ${chosen.map(zoneName).join(", ")}.`
          : pink.length > 0
            ? `Pink as noted on ${plural(pink.length, "zone")}.`
            : "No zone noted as pink."}{" "}
        Ask: does anything burn?
      </p>
      {treatment.phase === "CHECKED" ? (
        <Button variant="contained" component={Link} to={`/visits/${visit.id}/after`}>
          Go to After
        </Button>
      ) : (
        <Button
          variant={filled ? "contained" : "outlined"}
          onClick={() => {
            live.say({
              type: "LeavingChecked",
              noBurning: true,
              stillPink: chosen.length > 0 ? chosen : pink,
            });
            window.setTimeout(onLeft, 400);
          }}
        >
          {firstName(visit.clientName)} says: no burning
        </Button>
      )}
    </div>
  );
}
