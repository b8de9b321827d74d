import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { api, body } from "../../api/client";
import { GATE_CHOICES } from "../../api/enumWords";
import type { Fact, Treatment, Visit, Zone } from "../../api/types";
import { keys } from "../../api/keys";
import { ErrorNote } from "../../parts/ErrorNote";
import { FaceMap, type ZoneLook } from "../../parts/FaceMap";
import { figureOf } from "../../parts/figures";
import { clock, firstName, plural } from "../../parts/words";
import type { Tint } from "../couch/advice";
import { SensationKeys, toldNow } from "../couch/SensationKeys";
import { type LiveTreatment, treatmentQuery } from "../couch/useTreatment";
import couchStyles from "../couch/Couch.module.css";
import styles from "./Ready.module.css";

const cx = classNames.bind({ ...couchStyles, ...styles });

const GATE_TINTS: Record<Treatment["gate"]["answers"][number], Tint> = {
  GO: "go",
  HOLD: "hold",
  END: "end",
};

type Choice = Extract<Fact, { type: "GateADecided" }>["choice"];

interface GateProps {
  visit: Visit;
  treatment: Treatment;
  live: LiveTreatment;
  onDone: () => void;
}

/** The answer to the prep: it lets the plan go on, changes it, or ends the visit. */
export function GateA({ visit, treatment, live, onDone }: GateProps) {
  const [spotting, setSpotting] = useState(false);
  const answer = treatment.gate.prepAnswer;
  const zones: Partial<Record<Zone, ZoneLook>> = {};
  for (const zone of treatment.plan.zones) {
    zones[zone] = { hotSpot: treatment.zones[zone]?.hotSpot };
  }
  return (
    <>
      <h1>Prep is on. Ask {firstName(visit.clientName)} how it feels.</h1>
      <p className={cx("how")}>{treatment.steps.find(({ id }) => id === "GATE_A")?.how}</p>
      <SensationKeys
        answers={[]}
        leads={treatment.gate.answers.map((lead) => GATE_TINTS[lead])}
        words={{ hold: "decide", end: "not as planned" }}
        told={toldNow(live.unsent) ?? answer}
        onAnswer={(value) => live.say({ type: "SensationAnswered", value })}
      />
      <div className="row">
        <Button color="inherit" aria-pressed={spotting} onClick={() => setSpotting(!spotting)}>
          A hot spot
        </Button>
        {treatment.gate.decided && (
          <span className="soft">decided: {GATE_CHOICES[treatment.gate.decided]}</span>
        )}
      </div>
      {spotting && (
        <div className={cx("gate-face")}>
          <FaceMap
            zones={zones}
            figure={figureOf(treatment.plan.zones[0])}
            crop="neck"
            label="Where is it hot"
            onPick={(zone) =>
              live.say({
                type: "HotSpotFelt",
                zone,
                value: treatment.zones[zone]?.hotSpot === undefined ? Math.max(4, answer ?? 4) : 0,
              })
            }
          />
        </div>
      )}
      {answer !== undefined && (
        <Choices treatment={treatment} live={live} answer={answer} onDone={onDone} />
      )}
    </>
  );
}

/** Keep or spots under barrier, shorter, a lower rung, another formula, stop. */
function Choices({
  treatment,
  live,
  answer,
  onDone,
}: Omit<GateProps, "visit"> & { answer: number }) {
  const queries = useQueryClient();
  const [other, setOther] = useState(false);
  const passes = treatment.gate.passes ?? false;
  const hot = Object.values(treatment.zones).some((zone) => zone?.hotSpot !== undefined);
  const instead = useQuery({
    queryKey: keys.treatmentPart(treatment.id, "gate-a", treatment.plan.formulaCode),
    queryFn: async () =>
      body(
        await api.GET("/api/treatments/{id}/gate-a", { params: { path: { id: treatment.id } } }),
      ),
    enabled: !passes,
  });
  const change = useMutation({
    mutationFn: async ({ choice, formula }: { choice: Choice; formula: string }) =>
      body(
        await api.POST("/api/treatments/{id}/gate-a", {
          params: { path: { id: treatment.id } },
          body: { id: crypto.randomUUID(), choice, formula },
        }),
      ),
    onSuccess: async (fresh) => {
      queries.setQueryData(treatmentQuery(treatment.id).queryKey, fresh);
      onDone();
      await queries.invalidateQueries({ queryKey: keys.visits });
    },
  });
  const decide = (choice: Choice) => {
    live.say({ type: "GateADecided", choice, note: "" });
    onDone();
  };
  const lower = instead.data?.lowerRung;
  const others = instead.data?.others ?? [];
  const kept =
    treatment.plan.formulaCode +
    (treatment.plan.contactSeconds === undefined
      ? ""
      : `, ${clock(treatment.plan.contactSeconds * 1000)}`);
  const shorter = treatment.shortened;
  return (
    <div className={cx("gate", passes ? "" : "awake")} role="group" aria-label="Gate A">
      <h2>
        {passes
          ? `${answer} on even skin: go on`
          : `${answer} before any acid: the skin is awake today`}
      </h2>
      <div className={cx("gate-choices")}>
        <Pick
          name={hot ? "Spots under barrier" : "Keep"}
          says={!treatment.gate.mayKeep ? `${kept}: not at 8 and more` : kept}
          advised={passes}
          off={!treatment.gate.mayKeep}
          onPick={() => decide(hot ? "UNDER_BARRIER" : "KEEP")}
        />
        <Pick
          name="Shorter"
          says={
            shorter === undefined
              ? "under 60 s, or nothing left: shut"
              : shorter.seconds !== undefined
                ? `${clock(shorter.seconds * 1000)} at most`
                : `${plural(shorter.layers, "layer")} in all`
          }
          advised={!passes}
          off={shorter === undefined}
          onPick={() => decide("SHORTEN")}
        />
        {!passes && (
          <>
            <Pick
              name="Lower rung"
              says={instead.data === undefined ? "…" : (lower ?? "none is open below it")}
              off={lower === undefined || change.isPending}
              onPick={() => lower && change.mutate({ choice: "LOWER_RUNG", formula: lower })}
            />
            <Pick
              name="Other formula"
              says={
                others.length === 0
                  ? "none is open"
                  : `${others.length} open, no deeper, felt no more`
              }
              off={others.length === 0}
              pressed={other}
              onPick={() => setOther(!other)}
            />
          </>
        )}
        <Pick name="Stop" says="bland care, another day" onPick={() => decide("STOP")} />
      </div>
      {other && (
        <div className="row wrap" role="group" aria-label="Which formula takes its place">
          {others.map((formula) => (
            <Button
              key={formula}
              disabled={change.isPending}
              onClick={() => change.mutate({ choice: "OTHER_FORMULA", formula })}
            >
              {formula}
            </Button>
          ))}
          <span className="soft">Screen and Choose are asked again; the plan is changed.</span>
        </div>
      )}
      <ErrorNote error={change.error ?? instead.error} />
    </div>
  );
}

function Pick({
  name,
  says,
  advised,
  off,
  pressed,
  onPick,
}: {
  name: string;
  says: ReactNode;
  advised?: boolean;
  off?: boolean;
  pressed?: boolean;
  onPick: () => void;
}) {
  return (
    <button
      type="button"
      disabled={off}
      aria-pressed={pressed}
      className={cx(advised && !off ? "advised" : "")}
      onClick={onPick}
    >
      <b>{name}</b>
      <span>{says}</span>
    </button>
  );
}
