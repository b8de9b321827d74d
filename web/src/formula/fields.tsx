import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { BenchWords, Substance } from "../api/types";

/** One of the substances; only acids where `acids` is set. */
export function SubstanceField({
  words,
  acids,
  value,
  onChange,
}: {
  words: BenchWords;
  acids?: boolean;
  value: Substance;
  onChange: (value: Substance) => void;
}) {
  return (
    <TextField
      select
      label="Substance"
      value={value}
      onChange={(e) => onChange(e.target.value as Substance)}
    >
      {words.substances
        .filter((substance) => !acids || substance.pKas.length > 0)
        .map(({ id, label }) => (
          <MenuItem key={id} value={id}>
            {label}
          </MenuItem>
        ))}
    </TextField>
  );
}
