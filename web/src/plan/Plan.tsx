import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useReducer, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import dayjs from "dayjs";
import utc from "dayjs/plugin/utc";
import { DEPTHS, SEVERITIES } from "../api/enumWords";
import type { Judged, PlanStation, Run } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Ribbon } from "../parts/Ribbon";
import { ribbonOfPlan, ribbonOfSteps } from "../parts/ribbonModel";
import { Strip } from "../parts/Strip";
import { day, decimal, plural } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { todayQuery } from "../parts/today";
import { EdgeOfPeel } from "./EdgeOfPeel";
import { judgedQuery, planQuery } from "./queries";
import { begin, changed } from "./script";
import { RibbonHands } from "./RibbonHands";
import { StepsOfVisit } from "./StepsOfVisit";
import styles from "./Plan.module.css";

dayjs.extend(utc);
type PrepItem = PlanStation["prep"][number]["item"];

const cx = classNames.bind(styles);

/** The visit as it will be done: its steps, the weeks before, the trolley, what it comes to. */
export default function Plan({ visit }: StationProps) {
  const plan = useQuery(planQuery(visit.id));
  if (!plan.data) {
    return (
      <main className="pad">
        <ErrorNote error={plan.error} />
      </main>
    );
  }
  const { data } = plan;
  // Steps that somebody else changed meanwhile are shown anew; what is being written stays.
  return <Planned key={`${data.version} ${data.plan.formulaCode}`} visit={visit} station={data} />;
}

function Planned({ visit, station }: StationProps & { station: PlanStation }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const visitChanged = useVisitChanged(visit.id);
  const isToday = useQuery(todayQuery).data?.today === visit.day;
  const [writing, change] = useReducer(changed, begin(station.runs));
  const [steps, setSteps] = useState(false);
  const [picked, setPicked] = useState<{ run: number; line: number }>({ run: 0, line: 0 });
  const touched = writing.before.length > 0;
  const fresh = useQuery({
    ...judgedQuery(writing.runs, visit.id),
    enabled: touched && writing.runs.every((run) => run.steps.length > 0),
  });
  const judged = (touched && fresh.data) || station.judged;
  const locked = visit.treatmentId !== undefined;
  const ready = `/visits/${visit.id}/ready`;
  const keep = useMutation({
    mutationFn: async (whole: boolean) =>
      body(
        touched
          ? await api.PUT("/api/visits/{id}/steps", {
              params: { path: { id: visit.id } },
              body: { runs: writing.runs, over: station.version, whole },
            })
          : await api.PUT("/api/visits/{id}/plan", { params: { path: { id: visit.id } } }),
      ),
    onSuccess: async (kept) => {
      queries.setQueryData(planQuery(visit.id).queryKey, kept);
      if (isToday && kept.kept) void navigate(ready);
      await visitChanged("plan");
    },
  });
  const line = lineAt(judged, writing.runs, picked);
  return (
    <main className={cx("plan")}>
      <section className={cx("plan-top")}>
        <div className="row wrap">
          <h1 className="grow">
            {day(visit.startsAt)}, {judged.minutes} of {station.bookedMinutes} minutes
          </h1>
          <span className="soft">
            minutes from the chair{steps && !locked && " · drag an edge or type"}
          </span>
          {!locked && (
            <Button aria-pressed={steps} onClick={() => setSteps(!steps)}>
              {steps ? "Weeks before and trolley" : "Change the steps"}
            </Button>
          )}
        </div>
        <Ribbon
          model={
            steps || touched
              ? ribbonOfSteps(
                  judged.outline,
                  steps && line
                    ? { start: line.startSeconds, end: line.startSeconds + line.lengthSeconds }
                    : undefined,
                )
              : ribbonOfPlan(station)
          }
          unit="minutes"
          label="The visit in outline"
          hands={
            steps && !locked
              ? (lane) => (
                  <RibbonHands
                    lane={lane}
                    judged={judged}
                    runs={writing.runs}
                    picked={picked}
                    onPick={setPicked}
                    change={change}
                  />
                )
              : undefined
          }
        />
        <Said
          judged={judged}
          runs={writing.runs}
          onShow={(run, at) => {
            setSteps(true);
            setPicked({ run, line: at });
          }}
        />
      </section>
      {steps ? (
        <StepsOfVisit
          visitId={visit.id}
          writing={writing}
          judged={judged}
          picked={picked}
          onPick={setPicked}
          change={change}
        >
          <Figures station={station} judged={judged} visit={visit} />
          <ErrorNote error={keep.error ?? fresh.error} />
          <Keep />
        </StepsOfVisit>
      ) : (
        <div className={cx("columns", "plan-columns")}>
          <Prep station={station} visitId={visit.id} onTheDay={isToday && !locked} />
          <Trolley station={station} visitId={visit.id} locked={locked} />
          <section className="side" aria-label="What it comes to">
            <Figures station={station} judged={judged} visit={visit} />
            <ErrorNote error={keep.error ?? fresh.error} />
            <Keep />
          </section>
        </div>
      )}
    </main>
  );

  function Keep() {
    return (
      <div className="foot">
        {station.kept && !touched ? (
          <Button variant="contained" onClick={() => void navigate(ready)}>
            Go to Ready
          </Button>
        ) : (
          <Button
            variant="contained"
            disabled={keep.isPending || !judged.mayBeKept}
            onClick={() => keep.mutate(true)}
          >
            {isToday ? "Keep and go to Ready" : "Keep plan"}
          </Button>
        )}
        {touched && !judged.mayBeKept && (
          <Button disabled={keep.isPending} onClick={() => keep.mutate(false)}>
            Keep the steps so far
          </Button>
        )}
        {touched && (
          <Button color="inherit" onClick={() => change({ type: "undo" })}>
            Undo
          </Button>
        )}
      </div>
    );
  }
}

function lineAt(judged: Judged, runs: Run[], picked: { run: number; line: number }) {
  const id = runs[picked.run]?.steps[picked.line]?.id;
  return judged.runs[picked.run]?.lines.find((line) => line.id === id);
}

/** What is objected to, in one place; the line itself has its swap. */
function Said({
  judged,
  runs,
  onShow,
}: {
  judged: Judged;
  runs: Run[];
  onShow: (run: number, line: number) => void;
}) {
  const said = judged.objections.filter((one) => one.severity !== "NOTE");
  if (said.length === 0) return null;
  const first = said.find((one) => one.severity === "SHUT") ?? said[0]!;
  const line = runs[first.run]?.steps.findIndex((step) => step.id === first.step) ?? -1;
  return (
    <p className={cx("said")}>
      <b className={first.severity === "SHUT" ? "end" : "warn"}>{SEVERITIES[first.severity]}</b>{" "}
      line {line + 1}: {first.words}
      {said.length > 1 && `, and ${plural(said.length - 1, "more")}`}.{" "}
      <Button size="small" onClick={() => onShow(first.run, Math.max(0, line))}>
        Show the line
      </Button>
    </p>
  );
}

function Prep({
  station,
  visitId,
  onTheDay,
}: {
  station: PlanStation;
  visitId: string;
  onTheDay: boolean;
}) {
  const queries = useQueryClient();
  const tell = useMutation({
    mutationFn: async ({ item, kept }: { item: PrepItem; kept: boolean | undefined }) =>
      body(
        await api.PUT("/api/visits/{id}/prep/{item}", {
          params: { path: { id: visitId, item } },
          body: { kept },
        }),
      ),
    onSuccess: (fresh) => queries.setQueryData(planQuery(visitId).queryKey, fresh),
  });
  const told = station.prepTold;
  const late = station.prep.filter((step) => step.late && told[step.item] !== true).length;
  const broken = station.prep.filter((step) => told[step.item] === false).length;
  return (
    <section aria-label="Back from the date" tabIndex={0}>
      <Strip
        title="Back from the date"
        code={broken > 0 ? `${broken} not kept` : late === 0 ? "in time" : `${late} late`}
      />
      <ErrorNote error={tell.error} />
      {station.prep.map((step) => {
        const said = told[step.item];
        const against = station.prepAgainst[step.item];
        const warn = said === false || against !== undefined || (step.late && said !== true);
        return (
          <div key={step.item} className={cx("line", "dated", warn ? "warn" : "")}>
            <span className="mono">{day(step.day)}</span>
            <span className="grow">
              {step.what}
              {said === undefined &&
                step.late &&
                step.earliest &&
                `: too late, earliest peel is ${day(step.earliest)}`}
              {said === false && ": not kept. Ask it again in Screen"}
              {against && `: told kept, but ${against}. Ask once more`}
              {step.doneOn && ` (${day(step.doneOn)})`}
              {said === undefined && step.kept && step.doneOn && (
                <small className="soft"> kept</small>
              )}
            </span>
            {onTheDay && (
              <span className={cx("told")} role="group" aria-label={`Kept: ${step.what}`}>
                <button
                  type="button"
                  aria-pressed={said === true}
                  onClick={() =>
                    tell.mutate({ item: step.item, kept: said === true ? undefined : true })
                  }
                >
                  kept
                </button>
                <button
                  type="button"
                  aria-pressed={said === false}
                  onClick={() =>
                    tell.mutate({ item: step.item, kept: said === false ? undefined : false })
                  }
                >
                  not
                </button>
              </span>
            )}
          </div>
        );
      })}
      <div className={cx("line", "dated", "peel")}>
        <span className="mono">peel</span>
        <span>{station.plan.formulaName}</span>
      </div>
      <div className="pad-small row wrap">
        <Button component={Link} to={`/visits/${visitId}/prep`}>
          Sheet
        </Button>
        <Button component="a" href={`/api/visits/${visitId}/prep.ics`} download>
          .ics
        </Button>
      </div>
    </section>
  );
}

function Trolley({
  station,
  visitId,
  locked,
}: {
  station: PlanStation;
  visitId: string;
  locked: boolean;
}) {
  const queries = useQueryClient();
  const tick = useMutation({
    mutationFn: async ({ item, laidOut }: { item: string; laidOut: boolean }) =>
      body(
        await api.PUT("/api/visits/{id}/trolley/{item}", {
          params: { path: { id: visitId, item } },
          body: { laidOut },
        }),
      ),
    onSuccess: (kept) => queries.setQueryData(planQuery(visitId).queryKey, kept),
  });
  const out = station.trolley.filter((thing) => station.laidOut.includes(thing.id)).length;
  return (
    <section aria-label="Trolley" tabIndex={0}>
      <Strip title="Trolley" code={`${station.trolley.length} · ${out} laid out`} />
      <ErrorNote error={tick.error} />
      {station.trolley.map((thing) => (
        <label key={thing.id} className={cx("line", "thing")}>
          <input
            type="checkbox"
            disabled={locked}
            checked={station.laidOut.includes(thing.id)}
            onChange={(e) => tick.mutate({ item: thing.id, laidOut: e.target.checked })}
          />
          <span>
            {thing.what}
            {thing.note && <small className={thing.mind ? "warn" : "soft"}>{thing.note}</small>}
          </span>
          <span className="value mono">{thing.quantity}</span>
        </label>
      ))}
    </section>
  );
}

function Figures({
  station,
  judged,
  visit: { id: visitId, day: date, treatmentId },
}: StationProps & {
  station: PlanStation;
  judged: Judged;
}) {
  const locked = treatmentId !== undefined;
  const { plan } = station;
  const { ledger } = judged;
  const flakes = (days: number) => day(dayjs.utc(date).add(days, "day").format("YYYY-MM-DD"));
  return (
    <>
      <Strip title="What it comes to" code={judged.depth && DEPTHS[judged.depth]} />
      {judged.stages.map((stage, i) => (
        <Line
          key={`${stage.run} ${stage.code} ${i}`}
          label={judged.stages.length > 1 ? `${stage.code}, free acid` : "free acid"}
          value={`${decimal(stage.freeAcidPercent, 1)} %`}
          note={
            `${decimal(stage.percentWv, 0)} %` +
            (stage.ph === undefined ? "" : ` at pH ${decimal(stage.ph, 1)}`) +
            `; ${decimal(stage.mgPerCm2, 2)} mg/cm² on the skin, ${decimal(stage.layerMl, 1)} mL a` +
            ` layer on ${decimal(stage.areaCm2, 0)} cm²`
          }
        />
      ))}
      {ledger.salicylateShare > 0 && (
        <Line
          label="salicylate, of the yardstick"
          value={`${decimal(ledger.salicylateShare * 100, 0)} %`}
          note={`${decimal(ledger.salicylicG, 2)} g; above 25 % think twice, above 40 % shut`}
          warn={ledger.salicylateShare > 0.25}
        />
      )}
      {ledger.resorcinolMg > 0 && (
        <Line label="resorcinol carried" value={`${decimal(ledger.resorcinolMg, 0)} mg`} />
      )}
      <Line
        label="base laid out"
        value={ledger.acidMmol > 0 ? `${decimal(ledger.baseMmol, 1)} mmol` : "none"}
        note={
          ledger.acidMmol > 0
            ? `${decimal(ledger.acidMmol, 1)} mmol of acid` +
              (ledger.ratio === undefined ? "" : `: ${decimal(ledger.ratio, 1)} times by mole`)
            : plan.mayCrystallise ||
                plan.ending === "FROST_IS_THE_END" ||
                plan.ending === "SELF_LIMITING"
              ? "it does not undo a frost"
              : "no acid here is ended by base"
        }
        warn={ledger.ratio !== undefined && ledger.ratio < 1}
      />
      <Line
        label="flaking"
        value={
          judged.flakingLast === 0
            ? "none"
            : `${flakes(judged.flakingFirst)} – ${flakes(judged.flakingLast)}`
        }
      />
      <EdgeOfPeel station={station} visitId={visitId} locked={locked} />
      {plan.doneWhen && <Line label="done when" value="" note={`${plan.doneWhen}, by its label`} />}
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
