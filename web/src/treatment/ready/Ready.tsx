import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { REDNESS } from "../../api/enumWords";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Fact, Treatment, Visit } from "../../api/types";
import { clock, firstName, hour } from "../../parts/words";
import { type KeyBinding, useKeys } from "../../parts/useKeys";
import { steadyNow } from "../../parts/steadyNow";
import type { StationProps } from "../../parts/StationProps";
import { UnderAlarm } from "../alarm/AlarmScreen";
import { besideKeys, BesideNotes } from "../couch/Beside";
import { CouchNotes, CouchTop, CouchWait, StagePlace, takeBack } from "../couch/Couch";
import { panelKeys, type PanelName } from "../couch/panels";
import { Panel } from "../couch/Panels";
import { answerKeys } from "../couch/useCouchKeys";
import { type LiveTreatment, useTreatment } from "../couch/useTreatment";
import { ClinicianPresent } from "./ClinicianPresent";
import { Briefing } from "./Briefing";
import { OpenTreatment } from "./OpenTreatment";
import { StepNow } from "./StepNow";
import { ANSWERED, baseline, doneFact, prepWaits, together } from "./steps";
import couchStyles from "../couch/Couch.module.css";
import styles from "./Ready.module.css";

const cx = classNames.bind({ ...couchStyles, ...styles });

export default function Ready({ visit }: StationProps) {
  return visit.treatmentId ? (
    <Steps visit={visit} treatmentId={visit.treatmentId} />
  ) : (
    <OpenTreatment visit={visit} />
  );
}

function Steps({ visit, treatmentId }: { visit: Visit; treatmentId: string }) {
  const live = useTreatment(treatmentId, visit.id);
  const navigate = useNavigate();
  const { treatment, say } = live;
  const [looking, setLooking] = useState<string | null>(null);
  const [said, setSaid] = useState<string[]>([]);
  const open = treatment?.steps.find((step) => !step.doneAt);
  const here = treatment?.steps.find((step) => step.id === looking) ?? open;
  const armed =
    treatment !== undefined && treatment.phase !== "READY" && treatment.phase !== "STOPPED";

  const [panel, setPanel] = useState<PanelName | null>(null);
  const ready = treatment?.phase === "READY";
  // A later stage that was stopped before its acid: the client is seen off.
  const seenOff = treatment?.phase === "AT_REST" && treatment.clocks.endedAt === undefined;
  useEffect(() => {
    if (seenOff) void navigate(`/visits/${visit.id}/settle`, { replace: true });
  }, [navigate, seenOff, visit.id]);
  const unsaid = treatment?.briefing.find((line) => !said.includes(line));
  const done = () => {
    if (!ready || treatment?.noMoreAcid) return;
    if (open === undefined) {
      say({ type: "TimerArmed" });
      void navigate(`/visits/${visit.id}/treat`);
    } else if (!here) {
      return;
    } else if (here.id === "PREP" && treatment && prepWaits(treatment)) {
      say({ type: "AcidPrepStarted" });
    } else if (here.id === "BRIEFING" && unsaid !== undefined) {
      setSaid([...said, unsaid]);
    } else if (!ANSWERED.includes(here.id)) {
      const left = together(treatment, here).filter(({ doneAt }) => !doneAt);
      if (left.length > 0) say(...left.map(doneFact));
      setLooking(null);
    }
  };
  const keys: KeyBinding[] = [
    { on: "pedal", says: open ? "step done, next" : "arms the timer", does: done },
    ...(ready && here?.id === "GATE_A"
      ? answerKeys((value) => say({ type: "SensationAnswered", value }))
      : []),
    ...(ready && here?.id === "BASELINE"
      ? REDNESS.map((says, grade) => ({
          on: String(grade),
          says,
          does: () => {
            if (treatment) say(baseline(treatment, grade));
            setLooking(null);
          },
        }))
      : []),
    ...(treatment ? besideKeys(treatment, () => setPanel("beside")) : []),
    { on: "a", says: "alarm", does: () => setPanel("alarm") },
    {
      on: "u",
      says: "takes the last tap back",
      does: () => takeBack(live, steadyNow() + live.offset),
    },
    { on: "?", says: "these keys", does: () => setPanel("legend") },
  ];
  const close = () => setPanel(null);
  useReadyKeys(panel, treatment, keys, say, close);

  if (!treatment) return <CouchWait error={live.error} />;
  return (
    <UnderAlarm treatment={treatment} live={live}>
      <div className={cx("couch-screen")}>
        <CouchTop
          visit={visit}
          treatment={treatment}
          live={live}
          onAlarm={() => setPanel("alarm")}
        />
        <CouchNotes live={live} />
        <BesideNotes
          treatment={treatment}
          now={steadyNow() + live.offset}
          onAsk={() => setPanel("beside")}
        />
        <main className={cx("ready")}>
          <ol className={cx("ready-steps")} aria-label="The order on the day">
            {treatment.steps.map((step) => (
              <li key={step.id}>
                <button
                  type="button"
                  className={cx(step.doneAt ? "done" : step.id === open?.id ? "now" : "")}
                  aria-current={step.id === here?.id ? "step" : undefined}
                  onClick={() => setLooking(step.id)}
                >
                  <i aria-hidden="true" />
                  <span className="grow">{step.label}</span>
                  <small>{step.doneAt ? hour(step.doneAt) : ""}</small>
                </button>
              </li>
            ))}
          </ol>
          <section className={cx("ready-now")} aria-label="Now">
            <StagePlace treatment={treatment} />
            {treatment.phase === "STOPPED" ? (
              <Stopped visit={visit} />
            ) : treatment.noMoreAcid && ready ? (
              <AfterAlarm treatment={treatment} live={live} />
            ) : panel === "handset" ? (
              <h1>{firstName(visit.clientName)} may answer by phone</h1>
            ) : here?.id === "BRIEFING" && !armed ? (
              <Briefing
                lines={treatment.briefing}
                said={here.doneAt ? treatment.briefing : said}
                done={here.doneAt !== undefined}
                onSaid={setSaid}
                onNext={done}
              />
            ) : here && !armed ? (
              <StepNow
                key={here.id}
                visit={visit}
                treatment={treatment}
                step={here}
                live={live}
                onDone={() => setLooking(null)}
              />
            ) : armed ? (
              <>
                <h1>The timer is armed</h1>
                <Link to={`/visits/${visit.id}/treat`}>Go to Treat</Link>
              </>
            ) : (
              <>
                <h1>Everything is ready</h1>
                <p>
                  The maker’s label, the law, your licence and the supervising clinician come before
                  any advice here. You stay with {firstName(visit.clientName)} once acid is on.
                </p>
              </>
            )}
            {panel ? (
              <Panel
                name={panel}
                treatment={treatment}
                chosen={[]}
                row={undefined}
                keys={keys}
                onSay={say}
                onOpen={setPanel}
                onClose={close}
              />
            ) : (
              treatment.phase !== "STOPPED" && (
                <div className="row">
                  <Button color="inherit" onClick={() => setPanel("legend")}>
                    <kbd>?</kbd> keys
                  </Button>
                  <Button color="inherit" onClick={() => setPanel("cues")}>
                    Sound and voice
                  </Button>
                  {treatment.handset && (
                    <Button color="inherit" onClick={() => setPanel("handset")}>
                      Client&apos;s handset
                    </Button>
                  )}
                </div>
              )
            )}
            {treatment.phase === "READY" && (
              <div className={cx("arm")}>
                <Button
                  variant={open ? "outlined" : "contained"}
                  autoFocus={!open}
                  key={open ? "shut" : "open"}
                  disabled={open !== undefined || treatment.noMoreAcid}
                  onClick={() => {
                    say({ type: "TimerArmed" });
                    void navigate(`/visits/${visit.id}/treat`);
                  }}
                >
                  Arm the timer
                </Button>
                <span className="soft">
                  {treatment.noMoreAcid
                    ? "no timer: there was an alarm"
                    : open
                      ? `no timer, no acid: ${treatment.steps.filter((s) => !s.doneAt).length} steps are open`
                      : `${treatment.plan.formulaCode}${
                          treatment.contactLimitSeconds !== undefined
                            ? `, limit ${clock(treatment.contactLimitSeconds * 1000)}`
                            : `, ${treatment.layersPlanned} planned`
                        }`}
                </span>
              </div>
            )}
          </section>
        </main>
      </div>
    </UnderAlarm>
  );
}

function useReadyKeys(
  panel: PanelName | null,
  treatment: Treatment | undefined,
  keys: KeyBinding[],
  say: (fact: Fact) => void,
  close: () => void,
) {
  const own =
    panel && treatment ? panelKeys(panel, treatment, [], (fact) => (say(fact), close())) : [];
  useKeys([
    { on: "Escape", says: "closes what is open", does: close, whileTyping: true },
    ...(panel ? own : keys),
  ]);
}

/** After an alarm only the supervising clinician, by own sign-in, lets acid go on. */
function AfterAlarm({ treatment, live }: { treatment: Treatment; live: LiveTreatment }) {
  return (
    <>
      <h1>No acid today</h1>
      <p>
        There was an alarm. Stop here, or let the supervising clinician say, by their own sign-in,
        why acid may go on.
      </p>
      <div className="row">
        <Button
          variant="contained"
          onClick={() =>
            live.say({ type: "GateADecided", choice: "STOP", note: "stopped after an alarm" })
          }
        >
          Stop for today
        </Button>
      </div>
      <ClinicianPresent treatment={treatment} allows onDone={() => undefined} />
    </>
  );
}

function Stopped({ visit }: { visit: Visit }) {
  return (
    <>
      <h1>Stopped before any acid</h1>
      <p>Bland care today. What was said is in the record; the next visit starts with it.</p>
      <Link to={`/clients/${visit.clientId}`}>To the chart</Link>
    </>
  );
}
