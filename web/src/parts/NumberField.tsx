import classNames from "classnames/bind";
import styles from "./NumberField.module.css";

const cx = classNames.bind(styles);

/** A number as typed, with point or comma; null while it is none. */
export function number(typed: string): number | null {
  const value = Number(typed.trim().replace(",", "."));
  return typed.trim() === "" || Number.isNaN(value) ? null : value;
}

/** All of them as numbers, or null while one is none. */
export function numbers<K extends string>(typed: Record<K, string>): Record<K, number> | null {
  const entries = Object.entries<string>(typed).map(([key, text]) => [key, number(text)] as const);
  return entries.some(([, value]) => value === null)
    ? null
    : (Object.fromEntries(entries) as Record<K, number>);
}

export function NumberField({
  label,
  unit,
  value,
  onChange,
}: {
  label: string;
  unit: string;
  value: string;
  onChange: (value: string) => void;
}) {
  const wrong = value.trim() !== "" && number(value) === null;
  return (
    <label className={cx("number-field")}>
      <span>{label} </span>
      <span className="row">
        <input
          inputMode="decimal"
          value={value}
          aria-invalid={wrong}
          onChange={(e) => onChange(e.target.value)}
        />
        <small>{unit}</small>
      </span>
      {wrong && <small className="warn">“{value}” is no number</small>}
    </label>
  );
}

/** Some numbers that are typed together. */
export function NumberFields<K extends string>({
  fields,
  typed,
  onChange,
}: {
  fields: { name: K; label: string; unit: string }[];
  typed: Record<K, string>;
  onChange: (typed: Record<K, string>) => void;
}) {
  return fields.map(({ name, label, unit }) => (
    <NumberField
      key={name}
      label={label}
      unit={unit}
      value={typed[name]}
      onChange={(value) => onChange({ ...typed, [name]: value })}
    />
  ));
}
