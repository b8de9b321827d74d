import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useCallback, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { Advice, Fact, NewEvent, Treatment, Visit, Zone } from "../../api/types";
import { figureOf } from "../../parts/figures";
import { FaceMap } from "../../parts/FaceMap";
import { ledByTab } from "../../parts/ledByTab";
import { Ribbon } from "../../parts/Ribbon";
import { ribbonOfTreatment } from "../../parts/ribbonModel";
import { useNow } from "../../parts/useNow";
import { zoneName } from "../../parts/words";
import type { StationProps } from "../../parts/StationProps";
import { ENDING_STEPS, RESPONSES } from "../../api/enumWords";
import { adviceNow, answersNow } from "../couch/advice";
import { UnderAlarm } from "../alarm/AlarmScreen";
import { besideKeys, BesideNotes } from "../couch/Beside";
import { CouchNotes, CouchTop, CouchWait, StagePlace, takeBack, TakeBackKey } from "../couch/Couch";
import type { KeyBinding } from "../../parts/useKeys";
import type { PanelName } from "../couch/panels";
import { SensationKeys, toldBy, toldNow } from "../couch/SensationKeys";
import { answerKeys, useCouchKeys } from "../couch/useCouchKeys";
import { useWakeLock } from "../couch/useWakeLock";
import { useSpokenCues } from "../couch/useClientCues";
import { type LiveTreatment, useTreatment } from "../couch/useTreatment";
import { zoneLooks } from "../couch/zoneLooks";
import { AdviceBox } from "../couch/AdviceBox";
import { Clocks, contactOf } from "../couch/Clocks";
import { LeaveQuestion } from "./LeaveQuestion";
import { Panel } from "../couch/Panels";
import { EndedZones } from "./EndedZones";
import { OnTheSkin } from "./OnTheSkin";
import { useCues } from "./useCues";
import couchStyles from "../couch/Couch.module.css";
import panelStyles from "../couch/Panels.module.css";
import styles from "../couch/Panes.module.css";

const cx = classNames.bind({ ...couchStyles, ...panelStyles, ...styles });

export default function Treat({ visit }: StationProps) {
  const live = useTreatment(visit.treatmentId ?? "", visit.id);
  return live.treatment ? (
    <UnderAlarm treatment={live.treatment} live={live}>
      <Couch visit={visit} treatment={live.treatment} live={live} />
    </UnderAlarm>
  ) : (
    <CouchWait error={live.error} />
  );
}

function Couch({
  visit,
  treatment,
  live,
}: {
  visit: Visit;
  treatment: Treatment;
  live: LiveTreatment;
}) {
  const navigate = useNavigate();
  const now = useNow(live.offset, 250);
  useSpokenCues(treatment, now);
  const { say, unsent } = live;
  const [panel, setPanel] = useState<PanelName | null>(null);
  const [chosen, setChosen] = useState<Zone[]>([]);
  const ended = treatment.clocks.endedAt !== undefined;
  const endUnsent = unsent.some(({ fact }) => fact.type === "EndingStarted");
  const running = treatment.phase === "ACID";
  const touched = unsent.some(({ fact }) => fact.type === "LayerStarted");
  const acidOn = (running || touched) && !endUnsent;
  const spreading =
    treatment.layers.at(-1) !== undefined && treatment.layers.at(-1)?.coveredAt === undefined;
  const given = adviceNow(treatment, unsent, now, live.away);
  const toTakeOff = treatment.endingSteps.find(
    ({ id, done }) =>
      !done && !unsent.some(({ fact }) => fact.type === "EndingStepDone" && fact.step === id),
  );
  const advice = endUnsent ? endedHere(toTakeOff && ENDING_STEPS[toTakeOff.id]) : given;
  const row = advice?.row;
  const flash = useCues(treatment, advice, now);
  useWakeLock(acidOn);
  // An answer after arming that does not pass the gate leads back to it.
  const reopened = treatment.phase === "READY" && unsent.length === 0;

  useEffect(() => {
    if (ended) void navigate(`/visits/${visit.id}/settle`, { replace: true });
  }, [ended, navigate, visit.id]);
  useEffect(() => {
    if (reopened) void navigate(`/visits/${visit.id}/ready`, { replace: true });
  }, [reopened, navigate, visit.id]);

  const close = useCallback(() => {
    setPanel(null);
    setChosen([]);
    // A zone that was tapped is done with; one that Tab led to keeps its place.
    if (!ledByTab() && document.activeElement instanceof SVGElement) document.activeElement.blur();
  }, []);

  const end = useCallback(() => {
    if (treatment.phase === "ARMED") {
      say({ type: "GateADecided", choice: "STOP", note: "stopped before any acid" });
      void navigate(`/visits/${visit.id}/ready`);
      return;
    }
    if (endUnsent) return;
    if (!running && !unsent.some(({ fact }) => fact.type === "LayerStarted")) return;
    const by = advice?.action === "END" ? row : undefined;
    say({ type: "EndingStarted", row: by });
  }, [advice?.action, endUnsent, navigate, row, running, say, treatment.phase, unsent, visit.id]);

  const act = useCallback(
    (action: Advice["action"]) => {
      if (!advice) return;
      const taken: Fact[] = row ? [{ type: "AdviceTaken", row }] : [];
      switch (action) {
        case "START_LAYER":
          say(...taken, {
            type: "LayerStarted",
            zones: advice.zones,
            nextRung: advice.kind === "NEXT_RUNG",
          });
          break;
        case "COVERED":
          say({ type: "LayerCovered" });
          break;
        case "WIPE":
          setPanel("wipe");
          break;
        case "END":
          end();
          break;
        case "END_ZONE":
          say(...taken, ...advice.zones.map((zone): Fact => ({ type: "ZoneEnded", zone })));
          break;
        case "FAN":
          say(...taken, { type: "FanTurned", on: true });
          break;
        case "MORE_LAYERS":
          say({ type: "LayersExtended" });
          break;
        case "TOUCH_UP":
          say({ type: "LayerStarted", zones: advice.zones, nextRung: false });
          break;
        case "ASK":
          document.querySelector<HTMLElement>(".keys button")?.focus();
          break;
        case "BASE":
          setPanel("base");
          break;
        case "ENDING_STEP":
          if (toTakeOff) say({ type: "EndingStepDone", step: toTakeOff.id });
          break;
        case "ASK_BESIDE":
          setPanel("beside");
          break;
        case "NONE":
        case "ARM":
        case "LEAVING_CHECK":
        case "ADD_ON":
        case "WIPE_ADD_ON":
        case "REDNESS":
        case "BARRIER":
        case "CARE":
        case "CARE_OFF":
        case "NEXT_STAGE":
          break;
      }
    },
    [advice, end, row, say, toTakeOff],
  );

  const nextZone = () => {
    const all = treatment.plan.zones;
    const at = chosen[0] ? all.indexOf(chosen[0]) : -1;
    setChosen([all[(at + 1) % all.length]!]);
    setPanel((was) => was ?? "zone");
  };
  const answered = (value: number) => say({ type: "SensationAnswered", value });
  const keys: KeyBinding[] = [
    { on: "pedal", says: "takes the advice", does: () => act(advice?.action ?? "NONE") },
    ...answerKeys(answered),
    { on: "c", says: "layer covered", does: () => spreading && say({ type: "LayerCovered" }) },
    ...PANELS.map(({ name, key, word }) => ({ on: key, says: word, does: () => setPanel(name) })),
    { on: "a", says: "alarm", does: () => setPanel("alarm") },
    { on: "z", says: "next zone", does: nextZone },
    { on: "y", says: "why this advice", does: () => row && setPanel("row") },
    { on: "v", says: "volume of this layer", does: () => setPanel("volume") },
    {
      on: "f",
      says: "fan on or off",
      does: () => say({ type: "FanTurned", on: !treatment.fanOn }),
    },
    { on: "e", says: "END", does: end, overDialogs: true },
    ...besideKeys(treatment, () => setPanel("beside")),
    { on: "u", says: "takes the last tap back", does: () => takeBack(live, now) },
    { on: "?", says: "these keys", does: () => setPanel("legend") },
  ];
  useCouchKeys({ panel, treatment, chosen, keys, stay: ["z", "a", "e"], say, close });

  const { zones, next } = zoneLooks(treatment, chosen);
  const ribbon = ribbonOfTreatment(withUnsent(treatment, unsent), now);
  const { limit } = contactOf(treatment, unsent);
  const past = acidOn && limit !== undefined && now >= limit;

  return (
    <div className={cx("couch-screen", flash && `flash-${flash}`)}>
      <LeaveQuestion running={acidOn} away={live.away} />
      <CouchTop visit={visit} treatment={treatment} live={live} onAlarm={() => setPanel("alarm")} />
      <CouchNotes live={live} />
      <BesideNotes treatment={treatment} now={now} onAsk={() => setPanel("beside")} />
      <main className={cx("treat", { past })}>
        <section className={cx("treat-face")} aria-label="Where">
          <StagePlace treatment={treatment} />
          <FaceMap
            zones={zones}
            figure={figureOf(treatment.plan.zones[0])}
            crop="neck"
            edge={treatment.plan.edge}
            label="Zones of this peel; choose one to say something of it"
            onPick={(zone) => {
              setChosen((was) =>
                was.includes(zone)
                  ? was.filter((z) => z !== zone)
                  : panel === "zone" || panel === "hot" || panel === null
                    ? [zone]
                    : [...was, zone],
              );
              setPanel((was) => was ?? "zone");
            }}
          />
          <p className="row">
            <span className="grow">
              {next.length > 0 && (
                <>
                  next: <b>{zoneName(next[0]!)}</b>
                  {next[1] && `, then ${zoneName(next[1])}`}
                </>
              )}
            </span>
            <button type="button" className={cx("legend-key")} onClick={() => setPanel("legend")}>
              legend <kbd>?</kbd>
            </button>
          </p>
          <EndedZones
            treatment={treatment}
            onSay={say}
            onAsk={(zone) => {
              setChosen([zone]);
              setPanel("zoneRest");
            }}
          />
          <OnTheSkin treatment={treatment} onVolume={() => setPanel("volume")} />
        </section>
        <section className={cx("treat-now", { entering: panel })} aria-label="Now">
          <Clocks treatment={treatment} unsent={unsent} offset={live.offset} />
          <AdviceBox
            advice={advice}
            recalculated={treatment.recalculated}
            now={now}
            onAct={act}
            onPass={() => setPanel("pass")}
            onWhy={() => setPanel("row")}
          />
          {panel ? (
            <Panel
              name={panel}
              treatment={treatment}
              chosen={chosen}
              row={row}
              keys={keys}
              onSay={(fact) => say(fact)}
              onOpen={setPanel}
              onClose={close}
            />
          ) : (
            <div className={cx("treat-keys")}>
              {spreading && (
                <Button variant="contained" onClick={() => say({ type: "LayerCovered" })}>
                  <kbd>c</kbd> covered
                </Button>
              )}
              {[...PANELS.slice(0, 3), ZONE_KEY, ...PANELS.slice(3)].map(({ name, key, word }) => (
                <Button key={name} color="inherit" onClick={() => setPanel(name)}>
                  <kbd>{key}</kbd>{" "}
                  {name === "response" && treatment.response !== "AWAKE"
                    ? RESPONSES[treatment.response]
                    : word}
                </Button>
              ))}
              <Button
                color="inherit"
                aria-pressed={treatment.fanOn}
                onClick={() => say({ type: "FanTurned", on: !treatment.fanOn })}
              >
                <kbd>f</kbd> {treatment.fanOn ? "fan off" : "fan on"}
              </Button>
              <TakeBackKey live={live} now={now} />
            </div>
          )}
        </section>
        <button
          type="button"
          className={cx("END")}
          onClick={end}
          disabled={!running && treatment.phase !== "ARMED" && unsent.length === 0}
        >
          <b>END</b>
          <small>key e</small>
        </button>
      </main>
      <SensationKeys
        answers={answersNow(treatment, now)}
        told={toldNow(unsent) ?? treatment.answers.findLast((told) => told.phase === "ACID")?.value}
        source={toldNow(live.unsent) === undefined ? toldBy(treatment) : undefined}
        onAnswer={(value) => say({ type: "SensationAnswered", value })}
      />
      <section className={cx("treat-ribbon")} aria-label="Ribbon">
        {ribbon ? (
          <Ribbon model={ribbon} unit="clock" label="This peel so far" />
        ) : (
          <p className="soft">
            The ribbon starts as the acid first touches. Expected: {treatment.plan.bandWords}.
            {treatment.plan.doneWhen && ` Done, by its label, when ${treatment.plan.doneWhen}.`}
          </p>
        )}
      </section>
    </div>
  );
}

const PANELS: { name: PanelName; key: string; word: string }[] = [
  { name: "redness", key: "r", word: "redness" },
  { name: "whitening", key: "w", word: "whitening" },
  { name: "hot", key: "h", word: "hot spot" },
  { name: "quality", key: "q", word: "quality" },
  { name: "response", key: "s", word: "asleep" },
  { name: "note", key: "n", word: "note" },
];
const ZONE_KEY = { name: "zone", key: "z", word: "zone" } as const;

/** END was pressed and not sent: the ending steps are known, and go on without a server. */
function endedHere(step: string | undefined): Advice {
  return {
    kind: "END",
    line: step ?? "Ended: cool, and ask each minute",
    reason: "Ended. Kept on this screen; it is sent when the server is back.",
    action: step === undefined ? "ASK" : "ENDING_STEP",
    passable: false,
    zones: [],
    steps: [],
    other: "NONE",
  };
}

/** The ribbon shows what was answered here, sent or not. */
function withUnsent(treatment: Treatment, unsent: NewEvent[]): Treatment {
  const told = unsent.flatMap(({ at, fact }) =>
    fact.type === "SensationAnswered"
      ? [
          {
            at,
            value: fact.value,
            phase: treatment.phase,
            layer: treatment.layers.length,
            numbed: treatment.response !== "AWAKE",
          },
        ]
      : [],
  );
  return told.length === 0 ? treatment : { ...treatment, answers: [...treatment.answers, ...told] };
}
