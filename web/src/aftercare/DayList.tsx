import classNames from "classnames/bind";
import type { After } from "../api/types";
import styles from "./DayList.module.css";

const cx = classNames.bind(styles);

/** The client's days, each with what it brings; dates, not day numbers. */
export function DayList({ days }: { days: After["sheet"]["days"] }) {
  return (
    <ol className={cx("day-list")}>
      {days.map((entry) => (
        <li key={entry.date}>
          <span className="mono">{entry.day}</span>
          <i className={cx(entry.mark.toLowerCase())} aria-hidden="true" />
          <span>
            {entry.lines.map((line) => (
              <span key={line} className={cx("one")}>
                {line}
              </span>
            ))}
          </span>
        </li>
      ))}
    </ol>
  );
}
