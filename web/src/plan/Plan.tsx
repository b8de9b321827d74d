import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { DEPTHS } from "../api/enumWords";
import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import type { PlanKept, PlanStation, Zone } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { figureOf, FIGURES } from "../parts/figures";
import { FaceMap, type ZoneLook } from "../parts/FaceMap";
import { Ribbon } from "../parts/Ribbon";
import { ribbonOfPlan } from "../parts/ribbonModel";
import { Stepper } from "../parts/Stepper";
import { Strip } from "../parts/Strip";
import { clock, day, decimal, zoneName } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { todayQuery } from "../parts/today";
import styles from "./Plan.module.css";

const cx = classNames.bind(styles);

function planQuery(id: string) {
  return queryOptions({
    queryKey: ["visit", id, "plan"],
    queryFn: async () => body(await api.GET("/api/visits/{id}/plan", { params: { path: { id } } })),
  });
}

export default function Plan({ visit }: StationProps) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const changed = useVisitChanged(visit.id);
  const plan = useQuery(planQuery(visit.id));
  const isToday = useQuery(todayQuery).data?.today === visit.day;
  const keep = useMutation({
    mutationFn: async (kept: PlanKept) =>
      body(
        await api.PUT("/api/visits/{id}/plan", {
          params: { path: { id: visit.id } },
          body: kept,
        }),
      ),
    onSuccess: async (station) => {
      queries.setQueryData(planQuery(visit.id).queryKey, station);
      await changed();
    },
  });
  if (!plan.data) {
    return (
      <main className="pad">
        <ErrorNote error={plan.error} />
      </main>
    );
  }
  const station = plan.data;
  const locked = visit.treatmentId !== undefined;
  const ready = `/visits/${visit.id}/ready`;
  return (
    <main className={cx("plan")}>
      <section className={cx("plan-top")}>
        <div className="row">
          <h1 className="grow">
            {day(visit.startsAt)}, {station.lengthMinutes} of {station.bookedMinutes} minutes
          </h1>
          <span className="soft">minutes from the chair</span>
        </div>
        {station.lengthMinutes > station.bookedMinutes && (
          <p className="warn">
            {station.lengthMinutes - station.bookedMinutes} minutes longer than the slot booked.
          </p>
        )}
        <Ribbon model={ribbonOfPlan(station)} unit="minutes" label="The visit in outline" />
      </section>
      <div className={cx("columns", "plan-columns")}>
        <Prep station={station} />
        <Trolley station={station} />
        <section className="side" aria-label="What it comes to">
          <Figures station={station} />
          <Edit station={station} locked={locked} busy={keep.isPending} onKeep={keep.mutate} />
          <ErrorNote error={keep.error} />
          <div className="foot">
            {station.kept ? (
              <Button variant="contained" onClick={() => void navigate(ready)}>
                Go to Ready
              </Button>
            ) : (
              <Button
                variant="contained"
                disabled={keep.isPending}
                onClick={() =>
                  keep.mutate({}, { onSuccess: () => isToday && void navigate(ready) })
                }
              >
                {isToday ? "Keep and go to Ready" : "Keep plan"}
              </Button>
            )}
          </div>
        </section>
      </div>
    </main>
  );
}

function Prep({ station }: { station: PlanStation }) {
  const late = station.prep.filter((step) => step.late).length;
  return (
    <section aria-label="Back from the date" tabIndex={0}>
      <Strip title="Back from the date" code={late === 0 ? "in time" : `${late} late`} />
      {station.prep.map((step) => (
        <div key={step.what} className={cx("line", "dated", step.late ? "warn" : "")}>
          <span className="mono">{day(step.day)}</span>
          <span>
            {step.what}
            {step.late && step.earliest && `: too late, earliest peel is ${day(step.earliest)}`}
            {step.doneOn && ` (${day(step.doneOn)})`}
            {step.kept && step.doneOn && <small className="soft"> kept</small>}
          </span>
        </div>
      ))}
      <div className={cx("line", "dated", "peel")}>
        <span className="mono">peel</span>
        <span>{station.plan.formulaName}</span>
      </div>
    </section>
  );
}

function Trolley({ station }: { station: PlanStation }) {
  const [out, setOut] = useState<Set<string>>(new Set());
  return (
    <section aria-label="Trolley">
      <Strip title="Trolley" code={`${station.trolley.length} · ${out.size} laid out`} />
      {station.trolley.map((thing) => (
        <label key={thing.id} className={cx("line", "thing")}>
          <input
            type="checkbox"
            checked={out.has(thing.id)}
            onChange={(e) =>
              setOut((was) => {
                const next = new Set(was);
                if (e.target.checked) next.add(thing.id);
                else next.delete(thing.id);
                return next;
              })
            }
          />
          <span>
            {thing.what}
            <small className="soft">{thing.note}</small>
          </span>
          <span className="value mono">{thing.quantity}</span>
        </label>
      ))}
    </section>
  );
}

function Figures({ station }: { station: PlanStation }) {
  const { plan, neutraliser, salicylate } = station;
  return (
    <>
      <Strip title="What it comes to" code={plan.depthLabel} />
      <Line
        label="free acid"
        value={`${decimal(station.freeAcidPercent, 1)} %`}
        note={
          `${decimal(plan.percentWv, 0)} %` +
          (plan.ph === undefined ? "" : ` at pH ${decimal(plan.ph, 1)}`)
        }
      />
      <Line
        label="on the skin"
        value={`${decimal(plan.mgPerCm2PerLayer * plan.layersPlanned, 2)} mg/cm²`}
        note={`${decimal(plan.layerMl, 1)} mL a layer on ${decimal(plan.areaCm2, 0)} cm²`}
      />
      {salicylate && (
        <Line
          label="salicylate, of the yardstick"
          value={`${decimal(salicylate.share * 100, 0)} %`}
          note={`${decimal(salicylate.grams, 2)} g; above 25 % think twice, above 40 % shut`}
          warn={salicylate.share > 0.25}
        />
      )}
      <Line
        label="neutraliser"
        value={neutraliser ? `${decimal(Math.ceil(neutraliser.layOutMl), 0)} mL` : "none"}
        note={
          neutraliser
            ? `${decimal(neutraliser.volumeMl, 1)} mL of bicarbonate 10 % meets the acid; twice laid out`
            : "it does not undo a frost"
        }
      />
      <Line
        label="flaking"
        value={
          station.flakingTo === station.flakingFrom
            ? "none"
            : `${day(station.flakingFrom)} – ${day(station.flakingTo)}`
        }
      />
      {plan.doneWhen && <Line label="done when" value="" note={`${plan.doneWhen}, by its label`} />}
      <Then station={station} />
    </>
  );
}

/** Stages after the first, and what they make together. */
function Then({ station }: { station: PlanStation }) {
  if (!station.chain) return null;
  return (
    <>
      <Strip title="Then, after gate B" code={DEPTHS[station.chain.depth]} />
      {station.then.map((stage) => (
        <Line
          key={stage.code}
          label={`${stage.code}, ${stage.name}`}
          value=""
          note={[stage.how, stage.zones.join(", ")].filter(Boolean).join("; ")}
        />
      ))}
      {station.then.some((stage) => stage.addOn) && (
        <p className="pad-small small soft">Settle puts the retinoid on once the skin is calm.</p>
      )}
      {station.then.some((stage) => !stage.addOn) && (
        <p className="pad-small small soft">
          Treat times the first acid. Time the other by hand and write it in the note.
        </p>
      )}
    </>
  );
}

function Line({
  label,
  value,
  note,
  warn,
}: {
  label: string;
  value: string;
  note?: string;
  warn?: boolean;
}) {
  return (
    <div className={cx("line", "figure")}>
      <span>
        {label}
        {note && <small className={warn ? "warn" : "soft"}>{note}</small>}
      </span>
      <span className="value mono">{value}</span>
    </div>
  );
}

/** Layers, time and zones by hand, within what the day allows. */
function Edit({
  station,
  locked,
  busy,
  onKeep,
}: {
  station: PlanStation;
  locked: boolean;
  busy: boolean;
  onKeep: (kept: PlanKept) => void;
}) {
  const { plan } = station;
  const [choosing, setChoosing] = useState(false);
  const now: PlanKept = {
    layersPlanned: plan.layersPlanned,
    layersAtMost: plan.layersAtMost,
    contactSeconds: plan.contactSeconds,
    zones: plan.zones,
  };
  const off = locked || busy;
  function toggle(zone: Zone) {
    const zones = plan.zones.includes(zone)
      ? plan.zones.filter((z) => z !== zone)
      : [...plan.zones, zone];
    if (zones.length > 0) onKeep({ ...now, zones });
  }
  const looks: Partial<Record<Zone, ZoneLook>> = {};
  const figure = figureOf(plan.zones[0]);
  const zones = figure === "FACE" ? FACE_ZONES : (Object.keys(FIGURES[figure].paths) as Zone[]);
  for (const zone of zones.filter((z) => figureOf(z) === figure)) {
    const place = plan.zones.indexOf(zone);
    looks[zone] = {
      tint: place >= 0 ? 2 : 0,
      text: place >= 0 ? String(place + 1) : undefined,
      says: place >= 0 ? `number ${place + 1}` : "left out",
    };
  }
  return (
    <>
      <Strip title="By hand" code={locked ? "the treatment is open" : "within the day’s limits"} />
      {plan.contactSeconds !== undefined && (
        <Stepper
          label="contact limit"
          value={clock(plan.contactSeconds * 1000)}
          onLess={
            off || plan.contactSeconds <= 60
              ? undefined
              : () => onKeep({ ...now, contactSeconds: plan.contactSeconds! - 15 })
          }
          onMore={
            off ? undefined : () => onKeep({ ...now, contactSeconds: plan.contactSeconds! + 15 })
          }
        />
      )}
      <Stepper
        label="layers"
        value={
          plan.layersPlanned === plan.layersAtMost
            ? String(plan.layersPlanned)
            : `${plan.layersPlanned}, at most ${plan.layersAtMost}`
        }
        onLess={
          off || plan.layersPlanned <= 1
            ? undefined
            : () => onKeep({ ...now, layersPlanned: plan.layersPlanned - 1 })
        }
        onMore={
          off || plan.layersPlanned >= station.mostLayersToday
            ? undefined
            : () =>
                onKeep({
                  ...now,
                  layersPlanned: plan.layersPlanned + 1,
                  layersAtMost: station.mostLayersToday,
                })
        }
      />
      <div className="line">
        <span>zones, in order</span>
        <span className="value">
          <Button size="small" aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
            {plan.zones.length} zones
          </Button>
        </span>
      </div>
      {choosing && (
        <div className={cx("zone-choice")}>
          <FaceMap
            zones={looks}
            figure={figure}
            onPick={off ? undefined : toggle}
            crop="neck"
            label="Zones of the plan; choose one to take it in or leave it out"
          />
          <p className="small soft">
            {plan.zones.map((zone) => zoneName(zone)).join(", ")}.
            {figure === "FACE" && " Eye contours need their own formula."}
          </p>
        </div>
      )}
    </>
  );
}

const FACE_ZONES: Zone[] = [
  "FOREHEAD",
  "TEMPLE_RIGHT",
  "CHEEK_RIGHT",
  "JAW_RIGHT",
  "TEMPLE_LEFT",
  "CHEEK_LEFT",
  "JAW_LEFT",
  "CHIN",
  "UPPER_LIP",
  "GLABELLA",
  "NOSE",
];
