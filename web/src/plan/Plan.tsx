import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useReducer, useState } from "react";
import { useNavigate } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import { SEVERITIES } from "../api/enumWords";
import type { Judged, PlanStation, Run } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Ribbon } from "../parts/Ribbon";
import { ribbonOfPlan, ribbonOfSteps } from "../parts/ribbonModel";
import { day, plural } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { todayQuery } from "../parts/today";
import { judgedQuery, planQuery } from "./queries";
import { begin, changed } from "./script";
import { RibbonHands } from "./RibbonHands";
import { StepsOfVisit } from "./StepsOfVisit";
import styles from "./Plan.module.css";
import { Prep } from "./Prep";
import { Trolley } from "./Trolley";
import { Figures } from "./Figures";

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
