import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";

/** One of a few answers, all in sight. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T | undefined;
  options: { id: T; label: string }[];
  onChange: (value: T) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
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
