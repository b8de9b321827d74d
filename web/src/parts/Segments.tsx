import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";

/** One of a few answers, all in sight. */
export function Segments<T extends string>({
  label,
  value,
  options,
  disabled,
  onChange,
}: {
  label: string;
  value: T | undefined;
  options: { id: T; label: string }[];
  disabled?: boolean;
  onChange: (value: T) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      disabled={disabled}
      aria-label={label}
      value={value ?? null}
      onChange={(_, next: T | null) => next !== null && onChange(next)}
    >
      {options.map((option) => (
        <ToggleButton key={option.id} value={option.id}>
          {option.label}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
