import classNames from "classnames/bind";
import type { KeyBinding } from "./useKeys";
import styles from "./KeyHelp.module.css";

const cx = classNames.bind(styles);

const NAMES: Record<string, string> = { pedal: "Space", "0-9": "0 to 9", Escape: "Esc" };

/** The table of a screen's keys, as it is used. */
export function KeyHelp({ table }: { table: KeyBinding[] }) {
  return (
    <dl className={cx("key-help")} aria-label="Keys of this screen">
      {table.map(({ on, says }) => (
        <div key={on + says}>
          <dt>
            <kbd>{NAMES[on] ?? on}</kbd>
          </dt>
          <dd>{says}</dd>
        </div>
      ))}
    </dl>
  );
}
