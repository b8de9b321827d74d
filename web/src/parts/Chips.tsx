import classNames from "classnames";
import styles from "./Chips.module.css";

/** Any of several, all in sight. */
export function Chips<T extends string>({
  label,
  options,
  chosen,
  onChange,
}: {
  label: string;
  options: readonly { id: T; label: string }[];
  chosen: readonly T[];
  onChange: (chosen: T[]) => void;
}) {
  return (
    <div className={classNames("chips", styles.chips)} role="group" aria-label={label}>
      {options.map(({ id, label: words }) => (
        <button
          key={id}
          type="button"
          aria-pressed={chosen.includes(id)}
          onClick={() =>
            onChange(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id])
          }
        >
          {words}
        </button>
      ))}
    </div>
  );
}
