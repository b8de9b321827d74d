import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { Problem } from "../api/client";
import type {
  Condition,
  Consult as ConsultAnswers,
  ConsultState,
  ConsultWords,
  Zone,
} from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { FaceMap, type ZoneLook } from "../parts/FaceMap";
import { Grade } from "../parts/Grade";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { firstName, hour, zoneName } from "../parts/words";
import type { StationProps } from "../visit/VisitStation";
import { Phototype } from "./Phototype";
import { consultWordsQuery } from "./queries";
import { useConsult } from "./useConsult";
import "./consult.css";

const GOAL = ["first", "second", "third"];

export default function Consult({ visit }: StationProps) {
  const words = useQuery(consultWordsQuery);
  const { state, consult, change, error, savedAt, reload } = useConsult(visit.id);
  if (!words.data || !state || !consult) {
    return (
      <main className="pad">
        <ErrorNote error={error} />
      </main>
    );
  }
  return (
    <main className="columns consult">
      <Looks words={words.data} consult={consult} state={state} change={change} />
      <section className="middle" aria-label="Conditions and life">
        <div className="row">
          <h1 className="grow">What {firstName(visit.clientName)} sees, what you see</h1>
        </div>
        <ErrorNote error={error} />
        {error instanceof Problem && error.status === 409 && (
          <Button onClick={() => void reload()}>Reload this consult</Button>
        )}
        <Conditions words={words.data} consult={consult} change={change} />
        <Life consult={consult} change={change} />
        <p className="small soft kept" role="status">
          {savedAt ? `kept ${hour(savedAt)}` : "answers are kept as they are given"}
        </p>
      </section>
      <section className="side" aria-label="Phototype, oil, barrier">
        <Phototype words={words.data} consult={consult} state={state} change={change} />
        <Barrier consult={consult} change={change} />
        <div className="foot">
          <Button variant="contained" component={Link} to={`/visits/${visit.id}/screen`}>
            Go to Screen
          </Button>
        </div>
      </section>
    </main>
  );
}

export interface ConsultPart {
  words: ConsultWords;
  consult: ConsultAnswers;
  state: ConsultState;
  change: (part: Partial<ConsultAnswers>) => void;
}

/** The two looks, zone by zone: a tap on a zone, a tap on a grade. */
function Looks({ words, consult, state, change }: ConsultPart) {
  const [look, setLook] = useState<1 | 2>(1);
  const [zone, setZone] = useState<Zone>("FOREHEAD");
  const findings = words.findings.filter((finding) => finding.look === look);
  const grade = (of: Zone, id: string) => consult.looks[of]?.[id] ?? 0;
  const zones: Partial<Record<Zone, ZoneLook>> = {};
  for (const { id } of words.zones.filter((z) => z.onFace || z.id === "NECK")) {
    const worst = Math.max(0, ...findings.map((finding) => grade(id, finding.id)));
    const seen = findings.some((finding) => consult.looks[id]?.[finding.id] !== undefined);
    zones[id] = {
      tint: worst,
      text: worst > 0 ? String(worst) : undefined,
      chosen: id === zone,
      says: seen ? `worst ${worst}` : "not looked at",
    };
  }

  function set(finding: string, value: number) {
    change({
      looks: {
        ...consult.looks,
        [zone]: { ...consult.looks[zone], [finding]: value },
      },
    });
  }
  function nothingHere() {
    const none = Object.fromEntries(findings.map((finding) => [finding.id, 0]));
    change({
      looks: { ...consult.looks, [zone]: { ...consult.looks[zone], ...none } },
    });
  }

  return (
    <section className="looks" aria-label="Two looks">
      <div className="look-tabs">
        {([1, 2] as const).map((n) => (
          <button key={n} type="button" aria-pressed={look === n} onClick={() => setLook(n)}>
            <span>{n === 1 ? "Look 1 · bare" : "Look 2 · cleansed"}</span>
            <small className={(n === 1 ? state.look1 : state.look2) ? "" : "warn"}>
              {(n === 1 ? state.look1 : state.look2)
                ? "taken"
                : n === 1
                  ? "missing: before the cleanse"
                  : "missing"}
            </small>
          </button>
        ))}
      </div>
      <FaceMap
        zones={zones}
        onPick={setZone}
        crop="neck"
        label={`Look ${look}: choose a zone. Left and right are the client's.`}
      />
      <Strip title={zoneName(zone)} code={`look ${look} · 0 – 3`} />
      {findings.map((finding) => (
        <div key={finding.id} className="line tight">
          <span>{finding.label}</span>
          <span className="value">
            <Grade
              label={`${zoneName(zone)}, ${finding.label}`}
              value={grade(zone, finding.id)}
              onChange={(value) => set(finding.id, value)}
            />
          </span>
        </div>
      ))}
      <div className="pad-small">
        <Button size="small" color="inherit" onClick={nothingHere}>
          Nothing on the {zoneName(zone)}
        </Button>
      </div>
    </section>
  );
}

function Conditions({ words, consult, change }: Pick<ConsultPart, "words" | "consult" | "change">) {
  function grade(condition: Condition, value: number) {
    const conditions = { ...consult.conditions, [condition]: value };
    const goals = value === 0 ? consult.goals.filter((goal) => goal !== condition) : consult.goals;
    change({ conditions, goals });
  }
  function goal(condition: Condition) {
    const goals = consult.goals.includes(condition)
      ? consult.goals.filter((g) => g !== condition)
      : [...consult.goals, condition].slice(0, 3);
    change({ goals });
  }
  return (
    <>
      <Strip title="Conditions" code="0 – 3 · goals in order" />
      {words.conditions.map(({ id, label }) => {
        const place = consult.goals.indexOf(id);
        const full = consult.goals.length >= 3 && place < 0;
        return (
          <div key={id} className="line tight">
            <span className="grow">{label.charAt(0).toUpperCase() + label.slice(1)}</span>
            <Grade
              label={label}
              value={consult.conditions[id] ?? 0}
              onChange={(value) => grade(id, value)}
            />
            <button
              type="button"
              className={`goal ${place >= 0 ? "on" : ""}`}
              aria-pressed={place >= 0}
              aria-label={place >= 0 ? `${label}: ${GOAL[place]} goal` : `make ${label} a goal`}
              disabled={full}
              onClick={() => goal(id)}
            >
              {place >= 0 ? GOAL[place] : full ? "" : "goal"}
            </button>
          </div>
        );
      })}
    </>
  );
}

function Life({ consult, change }: Pick<ConsultPart, "consult" | "change">) {
  return (
    <>
      <Strip title="Life" code="what time allows" />
      <div className="line">
        <span>Days of flaking that fit</span>
        <span className="value">
          <Segments
            label="Days of flaking that fit"
            value={consult.flakingDaysThatFit?.toString()}
            options={["0", "3", "7", "10"].map((id) => ({
              id,
              label: id === "10" ? "10+" : id,
            }))}
            onChange={(days) => change({ flakingDaysThatFit: Number(days) })}
          />
        </span>
      </div>
      <div className="line wrap">
        <TextField
          label="Event that wants clear skin"
          value={consult.eventName ?? ""}
          onChange={(e) => change({ eventName: e.target.value.slice(0, 60) || undefined })}
          sx={{ flex: "1 1 200px" }}
        />
        <TextField
          label="Day of the event"
          type="date"
          value={consult.eventOn ?? ""}
          onChange={(e) => change({ eventOn: e.target.value || undefined })}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ flex: "0 1 190px" }}
        />
      </div>
    </>
  );
}

const OILS = ["DRY", "BALANCED", "COMBINATION", "OILY"] as const;
const SENSITIVITIES = [
  { id: "RESILIENT", label: "resilient" },
  { id: "NORMAL", label: "normal" },
  { id: "SENSITIVE", label: "sensitive" },
  { id: "COMPROMISED", label: "compromised" },
] as const;

function Barrier({ consult, change }: Pick<ConsultPart, "consult" | "change">) {
  return (
    <>
      <Strip title="Oil and barrier" code={consult.oil && consult.sensitivity ? "2" : "open"} />
      <div className="ask">
        <span>Oil</span>
        <Segments
          label="Oil"
          value={consult.oil}
          options={OILS.map((id) => ({ id, label: id.toLowerCase() }))}
          onChange={(oil) => change({ oil })}
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
      </div>
    </>
  );
}
