import classNames from "classnames/bind";
import { CLEARINGS } from "../api/enumWords";
import type { Tile } from "../api/types";
import { day } from "../parts/words";
import styles from "./ShutList.module.css";

const cx = classNames.bind(styles);

/** Every reason, and what would open it. */
export function ShutList({ shut }: { shut: Tile["shut"] }) {
  return (
    <ul className={cx("shut-list")}>
      {shut.map((reason) => (
        <li key={reason.ruleId + reason.words} title={reason.ruleId}>
          {reason.words}
          {reason.until && `, until ${day(reason.until)}`}
          {CLEARINGS[reason.opens] && <small>opens with: {CLEARINGS[reason.opens]}</small>}
        </li>
      ))}
    </ul>
  );
}
