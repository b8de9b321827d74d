import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import dayjs from "dayjs";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { HearFrom } from "../aftercare/HearFrom";
import type { DueRead, Today as TodayState, Visit } from "../api/types";
import { keys } from "../api/keys";
import { CallLink } from "../parts/CallLink";
import { ErrorNote } from "../parts/ErrorNote";
import { steadyNow } from "../parts/steadyNow";
import { useMay } from "../parts/practice";
import { pastLimit, sinceTouch } from "../parts/running";
import { Strip } from "../parts/Strip";
import { useNow } from "../parts/useNow";
import { VerdictMark } from "../parts/VerdictMark";
import { clock, day, hour, plural, wholeDay } from "../parts/words";
import { ReadPatch } from "../screening/ReadPatch";
import { ChangeVisit } from "./ChangeVisit";
import { NewVisit } from "./NewVisit";
import { Tour } from "./Tour";
import { WaitingList } from "./WaitingList";
import { dayQuery, todayQuery } from "../parts/today";
import styles from "./Today.module.css";

const cx = classNames.bind(styles);

export default function Today() {
  const today = useQuery(todayQuery);
  const [params, setParams] = useSearchParams();
  const [adding, setAdding] = useState(false);
  const reads = useMay("RECORD");
  const day = params.get("day");
  const other = useQuery({ ...dayQuery(day ?? ""), enabled: day !== null });
  const shown = day === null ? today.data : other.data;
  const show = (next: string) =>
    setParams(next === today.data?.today ? {} : { day: next }, { replace: true });
  return (
    <>
      <div className={cx("columns", "today", reads ? "" : "book")}>
        <main className="pad">
          <ErrorNote error={today.error} />
          <ErrorNote error={other.error} />
          {shown && (
            <Visits
              today={shown}
              running={runningOf(today.data ?? shown)}
              onDay={show}
              onAdd={() => setAdding(true)}
            />
          )}
        </main>
        {today.data && (
          <aside className="side" aria-label="What waits">
            {today.data && <Notices notices={today.data.notices} />}
            {today.data && reads && <Tour visitId={today.data.tour} offered={params.has("tour")} />}
            {reads && <HearFrom />}
            {today.data && reads && <PatchReads reads={today.data.patchReads} />}
            {today.data && reads && <Waiting visits={today.data.visits} />}
            <WaitingList />
          </aside>
        )}
      </div>
      {adding && <NewVisit onClose={() => setAdding(false)} />}
    </>
  );
}

/** On the couch now, alarms first. */
function runningOf(today: TodayState): Visit[] {
  return today.visits
    .filter(
      (visit) =>
        alarmed(visit) ||
        (visit.running && visit.running.phase !== "READY" && visit.running.phase !== "CHECKED"),
    )
    .sort((one, two) => Number(alarmed(two)) - Number(alarmed(one)));
}

function Visits({
  today,
  running,
  onDay,
  onAdd,
}: {
  today: TodayState;
  /** What runs or stands in alarm now, whatever day is shown. */
  running: Visit[];
  onDay: (day: string) => void;
  onAdd: () => void;
}) {
  const reads = useMay("RECORD");
  const [changing, setChanging] = useState<Visit | null>(null);
  const [offset] = useState(() => Date.parse(today.serverNow) - steadyNow());
  const away = (days: number) => dayjs(today.day).add(days, "day").format("YYYY-MM-DD");
  return (
    <>
      <header className={cx("today-head")}>
        <h1>{wholeDay(today.day)}</h1>
        <span className="row">
          <Button color="inherit" onClick={() => onDay(away(-1))} aria-label="The day before">
            ‹
          </Button>
          {today.day !== today.today && (
            <Button color="inherit" onClick={() => onDay(today.today)}>
              Today
            </Button>
          )}
          <Button color="inherit" onClick={() => onDay(away(1))} aria-label="The day after">
            ›
          </Button>
        </span>
        <p className="soft">
          {plural(today.visits.length, "visit")}
          {running.length > 0 && `, ${running.length === 1 ? "one" : running.length} on the couch`}
        </p>
      </header>
      {running.map((visit) => (
        <Running key={visit.id} visit={visit} offset={offset} />
      ))}
      {today.visits.length === 0 && (
        <p className="empty">
          Nobody is booked {today.day === today.today ? "today" : "this day"}. Visits stand here
          with what each still needs; add the first one.
        </p>
      )}
      <ul className={cx("visits")}>
        {today.visits.map((visit) => (
          <li key={visit.id} className={cx(visit.signedAt || visit.cancelled ? "signed" : "")}>
            <Link
              to={
                reads
                  ? `/visits/${visit.id}/${visit.here.toLowerCase()}`
                  : `/clients/${visit.clientId}`
              }
            >
              <span className={cx("at", "mono")}>
                {hour(visit.startsAt)}
                {visit.day !== today.day && <small>{day(visit.day)}</small>}
              </span>
              <span>
                <b>{visit.clientName}</b>
                <small>
                  {reads && `${visit.formula ?? "consult"}`}
                  {visit.screened &&
                    visit.screened.pastPeels > 0 &&
                    `, peel ${visit.screened.pastPeels + 1}`}
                  {reads && " · "}
                  {visit.room}
                </small>
                {visit.warnings.map((warning) => (
                  <small key={warning} className="warn">
                    {warning}
                  </small>
                ))}
              </span>
              <span className={cx("needs")}>
                {visit.signedAt ? `signed ${hour(visit.signedAt)}` : visit.needs}
              </span>
              <Steps visit={visit} />
            </Link>
            {!reads && visit.treatmentId === undefined && !visit.cancelled && (
              <Button
                size="small"
                color="inherit"
                className={cx("change")}
                onClick={() => setChanging(visit)}
              >
                Change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {changing && <ChangeVisit visit={changing} onClose={() => setChanging(null)} />}
      <div className="row">
        <Button variant="contained" onClick={onAdd}>
          New visit
        </Button>
      </div>
    </>
  );
}

function alarmed(visit: Visit): boolean {
  return visit.running?.alarm !== undefined;
}

function Running({ visit, offset }: { visit: Visit; offset: number }) {
  const now = useNow(offset, 250);
  const reads = useMay("RECORD");
  const running = visit.running;
  if (!running) return null;
  const over = pastLimit(running, now);
  return (
    <section
      className={cx("couch", "running", over || running.alarm !== undefined ? "over" : "")}
      aria-label={`Running, ${visit.room}`}
    >
      <span className={cx("mono", "big")} role="timer" aria-label="contact time">
        {sinceTouch(running, now) || "–:––"}
      </span>
      <span className="grow">
        <b>
          {visit.clientName} · {visit.room}
        </b>
        <small>
          {reads && (
            <>
              {visit.formula}, layer {running.layer} of{" "}
              {Math.max(running.layer, running.layersPlanned)}
              {running.lastAnswer !== undefined && `, last answer ${running.lastAnswer}`}
              {running.limitAt &&
                running.elapsed &&
                ` · limit at ${clock(Date.parse(running.limitAt) - Date.parse(running.elapsed))}`}{" "}
              ·{" "}
            </>
          )}
          with {visit.therapist}
        </small>
        <small className={cx("advice")}>{running.alarm ?? (over || running.advice)}</small>
      </span>
      {reads && (
        <Link className={cx("open")} to={`/visits/${visit.id}/${visit.here.toLowerCase()}`}>
          Open
        </Link>
      )}
    </section>
  );
}

/** Eight boxes: done filled, the one at work half. */
function Steps({ visit }: { visit: Visit }) {
  const done = visit.stations.filter((station) => station.progress === "DONE").length;
  return (
    <span className={cx("steps")} role="img" aria-label={`${done} of 8 stations done`}>
      {visit.stations.map((station) => (
        <i key={station.id} className={cx(station.progress.toLowerCase())} />
      ))}
    </span>
  );
}

/** What somebody should see to: backups, disk, the machine's clock. */
function Notices({ notices }: { notices: string[] }) {
  if (notices.length === 0) return null;
  return (
    <>
      <Strip title="See to it" code={notices.length} />
      {notices.map((notice) => (
        <p key={notice} className={cx("note-line", "warn")}>
          {notice}
        </p>
      ))}
    </>
  );
}

/** Patch tests to be read by the end of the day. */
function PatchReads({ reads }: { reads: DueRead[] }) {
  const queries = useQueryClient();
  if (reads.length === 0) return null;
  return (
    <>
      <Strip title="Patch tests to read" code={reads.length} />
      {reads.map((read) => (
        <div key={read.patchTestId} className={cx("note-line")}>
          <div className="row">
            <b className="grow">
              <Link to={`/clients/${read.clientId}`}>{read.clientName}</Link>
            </b>
            <span className={`small ${read.overdue ? "warn" : "soft"}`}>
              {read.overdue ? "due now" : "later today"}
            </span>
          </div>
          <p className="small soft">
            {read.familyLabel}, {read.site}
          </p>
          <ReadPatch
            id={read.patchTestId}
            label={`${read.clientName}, ${read.familyLabel}`}
            read={read.read}
            dueAt={read.dueAt}
            onRead={() => queries.invalidateQueries({ queryKey: keys.today })}
          />
        </div>
      ))}
    </>
  );
}

function Waiting({ visits }: { visits: Visit[] }) {
  const open = visits.filter(({ signedAt }) => signedAt === undefined);
  const stopped = open.filter(
    ({ unreadable, screened }) =>
      unreadable !== undefined ||
      (screened && ["WAIT", "REFER", "STOP"].includes(screened.verdict)),
  );
  const limited = open.filter(({ screened }) => screened?.verdict === "ADAPT");
  return (
    <>
      <Strip title="Not yet" code={stopped.length} />
      {stopped.length === 0 && <p className="pad soft">Nobody has to wait.</p>}
      {stopped.map((visit) => (
        <Note key={visit.id} visit={visit} words={visit.needs} />
      ))}
      <Strip title="Within limits" code={limited.length} />
      {limited.length === 0 && <p className="pad soft">No limits today.</p>}
      {limited.map((visit) => (
        <Note key={visit.id} visit={visit} words={visit.screened?.limits.join(" · ") ?? ""} />
      ))}
    </>
  );
}

function Note({ visit, words }: { visit: Visit; words: string }) {
  // Whose record cannot be read here waits until it can.
  const verdict = visit.screened?.verdict ?? "WAIT";
  return (
    <div className={cx("note-line")}>
      <div className="row">
        <b className="grow">{visit.clientName}</b>
        <CallLink number={visit.telephone} whose={visit.clientName} />
        <VerdictMark verdict={verdict} size={14} />
        <span className="small">{verdict}</span>
      </div>
      <p className="small soft">{words || day(visit.day)}</p>
    </div>
  );
}
