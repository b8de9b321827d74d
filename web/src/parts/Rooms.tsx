import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "react-router";
import type { Visit } from "../api/types";
import { overLimit, pastLimit, sinceTouch } from "./running";
import { offsetOf } from "./steadyNow";
import { todayQuery } from "./today";
import { useNow } from "./useNow";
import { clock, firstName } from "./words";
import styles from "./Rooms.module.css";

const cx = classNames.bind(styles);

/** Without an answer for so long the state of a room is marked as old, ms; it is asked every 5 s. */
const UNHEARD = 15_000;

/** Not at rest yet: somebody has to look, ask or end. */
const WATCHED = ["ACID", "ENDING", "SETTLING"];

/** What runs or stands in alarm in other rooms, on every screen; alarms and what is overdue first. */
export function Rooms({ but }: { but?: string }) {
  const today = useQuery(todayQuery);
  const { data, dataUpdatedAt } = today;
  const offset = useMemo(
    () => (data ? offsetOf(data.serverNow, dataUpdatedAt) : 0),
    [data, dataUpdatedAt],
  );
  const now = useNow(offset, 500);
  const others = (today.data?.visits ?? [])
    .filter((visit) => visit.id !== but)
    .filter(({ running }) => running?.alarm !== undefined || WATCHED.includes(running?.phase ?? ""))
    .sort((one, other) => rank(one, now) - rank(other, now));
  if (others.length === 0) return null;
  return (
    <span className={cx("rooms")} role="region" aria-label="Other rooms">
      {others.map((visit) => (
        <Room
          key={visit.id}
          visit={visit}
          now={now}
          silent={data ? now - Date.parse(data.serverNow) : 0}
        />
      ))}
    </span>
  );
}

function rank(visit: Visit, now: number): number {
  return visit.running?.alarm !== undefined
    ? 0
    : visit.running && overLimit(visit.running, now)
      ? 1
      : 2;
}

/** @param silent since the server was heard last, ms: what it said then may hold no more */
function Room({ visit, now, silent }: { visit: Visit; now: number; silent: number }) {
  const { running } = visit;
  if (!running) return null;
  const over = pastLimit(running, now);
  const unheard = silent > UNHEARD;
  const said = running.alarm ?? (over || (unheard ? "" : running.advice));
  return (
    <Link
      to={`/visits/${visit.id}/${visit.here.toLowerCase()}`}
      className={cx(
        "room",
        running.alarm !== undefined || over ? "over" : "",
        unheard ? "unheard" : "",
      )}
    >
      <span>
        {firstName(visit.clientName)}, {visit.room}{" "}
        <b className="mono">{sinceTouch(running, now)}</b>
      </span>{" "}
      <span className={cx("advice")}>
        {[said, unheard && `not heard for ${clock(silent)}`].filter(Boolean).join(" · ")}
      </span>
    </Link>
  );
}
