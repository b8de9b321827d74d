import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { useMay } from "../parts/practice";
import { useKeys } from "../parts/useKeys";
import { day, plural } from "../parts/words";
import { ProgressChart, ProgressTable } from "./ProgressChart";
import { Courses } from "./Courses";
import { coursesQuery, progressQuery } from "./queries";
import { ScoreForm } from "./ScoreForm";
import styles from "./Progress.module.css";

const cx = classNames.bind(styles);

/** A client over time: ladder, scores, what the record says. */
export function Progress({ clientId }: { clientId: string }) {
  const { data: state, error } = useQuery(progressQuery(clientId));
  const [table, setTable] = useState(false);
  const [scoring, setScoring] = useState(false);
  const courses = useQuery(coursesQuery(clientId));
  const treats = useMay("TREAT");
  useKeys(
    useMemo(
      () => [{ on: "t", says: "Chart or table", does: () => setTable((shown) => !shown) }],
      [],
    ),
  );
  if (!state) return <ErrorNote error={error} />;
  const done = state.peels.filter(({ booked }) => !booked);
  const inCourse = new Set(
    courses.data?.courses.flatMap(({ peels }) => peels.map(({ visitId }) => visitId)),
  );
  const ahead = state.peels.filter(
    ({ booked, visitId }) => booked && visitId !== undefined && !inCourse.has(visitId),
  );
  return (
    <div className={cx("progress")}>
      <section className={cx("main")} aria-label="Progress">
        <h2>{state.title}</h2>
        <p className="soft no-print">
          Peels filled, planned in outline. Arrow keys read along; t shows{" "}
          {table ? "the chart" : "a table"}.
        </p>
        {state.peels.length + state.lines.length === 0 ? (
          <p className="empty">
            Peels and scores stand here on one scale of dates. Score the skin for the first time, or
            book a visit.
          </p>
        ) : table ? (
          <ProgressTable state={state} />
        ) : (
          <ProgressChart state={state} />
        )}
        <p className={cx("keys", "no-print")}>
          {treats && (
            <Button variant="contained" onClick={() => setScoring(true)}>
              Score the skin
            </Button>
          )}
          <Button color="inherit" onClick={() => setTable(!table)}>
            {table ? "Chart" : "Table"}
          </Button>
          <Button color="inherit" onClick={() => window.print()}>
            Progress sheet
          </Button>
          <Button color="inherit" href={`/api/clients/${clientId}/progress.csv`} download>
            Table as CSV
          </Button>
        </p>
      </section>
      <aside className={cx("side")} aria-label="What the record says">
        {ahead.length > 0 && <Strip title="Ahead" code={plural(ahead.length, "visit")} />}
        {ahead.map((peel) => (
          <p key={peel.visitId} className={cx("line")}>
            <b className="mono">{day(peel.on)}</b>
            <Link to={`/visits/${peel.visitId}/consult`}>{peel.formula ?? "formula open"}</Link>
          </p>
        ))}
        <Courses clientId={clientId} />
        <Strip title="What the record says" code={plural(done.length, "peel")} />
        {state.says.length === 0 && (
          <p className="pad soft">After the first peel its reasons stand here.</p>
        )}
        {state.says.map(({ words, why }) => (
          <p key={words} className={cx("says")}>
            <b>{words}</b> {why}
          </p>
        ))}
      </aside>
      {scoring && <ScoreForm clientId={clientId} state={state} onClose={() => setScoring(false)} />}
    </div>
  );
}
