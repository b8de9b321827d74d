import classNames from "classnames/bind";
import styles from "./Grade.module.css";

const cx = classNames.bind(styles);

/** Three boxes, 0 none to 3 severe. Tapping the highest filled box takes it off. */
export function Grade({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (grade: number) => void;
}) {
  return (
    <span className={cx("grade")} role="group" aria-label={`${label}, ${value} of 3`}>
      {[1, 2, 3].map((box) => (
        <button
          key={box}
          type="button"
          aria-pressed={value >= box}
          aria-label={`${label} ${box}`}
          onClick={() => onChange(value === box ? box - 1 : box)}
        />
      ))}
    </span>
  );
}
