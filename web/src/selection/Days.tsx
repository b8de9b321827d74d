import classNames from "classnames/bind";
import dayjs from "dayjs";
import type { Rack } from "../api/types";
import styles from "./Days.module.css";

const cx = classNames.bind(styles);

/** The days after, against the event. */
export function Days({
  rack,
  tile,
}: {
  rack: Rack;
  tile: { peelingFirst: number; peelingLast: number };
}) {
  const peel = dayjs(rack.peelDate);
  const event = rack.event ? dayjs(rack.event).diff(peel, "day") : -1;
  return (
    <ol className={cx("days")} aria-label="Days after the peel">
      {Array.from({ length: 12 }, (_, n) => {
        const flaking = tile.peelingLast > 0 && n >= tile.peelingFirst && n <= tile.peelingLast;
        return (
          <li
            key={n}
            className={cx(n === 0 ? "peel" : n === event ? "event" : flaking ? "flaking" : "")}
          >
            {peel.add(n, "day").date()}
            {n === 0 && <small>peel</small>}
            {n === event && <small>{rack.eventName ?? "event"}</small>}
          </li>
        );
      })}
    </ol>
  );
}
