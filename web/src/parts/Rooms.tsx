import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "react-router";
import type { Visit } from "../api/types";
import { offsetOf } from "./steadyNow";
import { todayQuery } from "./today";
import { useNow } from "./useNow";
import { clock, firstName } from "./words";
import styles from "./Rooms.module.css";

const cx = classNames.bind(styles);

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
        <Room key={visit.id} visit={visit} now={now} />
      ))}
    </span>
  );
}

function overdue({ running }: Visit, now: number): boolean {
  return running?.limitAt !== undefined && now >= Date.parse(running.limitAt);
}

function rank(visit: Visit, now: number): number {
  return visit.running?.alarm !== undefined ? 0 : overdue(visit, now) ? 1 : 2;
}

function Room({ visit, now }: { visit: Visit; now: number }) {
  const { elapsed, alarm, advice } = visit.running ?? {};
  const over = overdue(visit, now);
  return (
    <Link
      to={`/visits/${visit.id}/${visit.here.toLowerCase()}`}
      className={cx("room", alarm !== undefined || over ? "over" : "")}
    >
      <span>
        {firstName(visit.clientName)}, {visit.room}{" "}
        {elapsed && <b className="mono">{clock(now - Date.parse(elapsed))}</b>}
      </span>{" "}
      <span className={cx("advice")}>{alarm ?? (over ? "end now" : advice)}</span>
    </Link>
  );
}
