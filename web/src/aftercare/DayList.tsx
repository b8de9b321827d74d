import classNames from "classnames/bind";
import type { After } from "../api/types";
import { day } from "../parts/words";
import styles from "./DayList.module.css";

const cx = classNames.bind(styles);

/** The client's days, each with what it brings; dates, not day numbers. */
export function DayList({ after }: { after: After }) {
  return (
    <ol className={cx("day-list")}>
      {after.sheet.days.map((entry) => (
        <li key={entry.date}>
          <span className="mono">{day(entry.date)}</span>
          <i className={cx(entry.mark.toLowerCase())} aria-hidden="true" />
          <span>{entry.lines.join(" · ")}</span>
        </li>
      ))}
    </ol>
  );
}
