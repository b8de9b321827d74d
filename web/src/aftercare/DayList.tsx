import type { After } from "../api/types";
import { day } from "../parts/words";
import "./after.css";

/** The client's days, each with what it brings; dates, not day numbers. */
export function DayList({ after }: { after: After }) {
  return (
    <ol className="day-list">
      {after.sheet.days.map((entry) => (
        <li key={entry.date}>
          <span className="mono">{day(entry.date)}</span>
          <i className={entry.mark.toLowerCase()} aria-hidden="true" />
          <span>{entry.lines.join(" · ")}</span>
        </li>
      ))}
    </ol>
  );
}
