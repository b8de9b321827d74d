import TextField, { type TextFieldProps } from "@mui/material/TextField";
import { useState } from "react";

/** A field that is saved when it is left. What was refused stays in it, with the reason below. */
export function CommitField({
  value,
  onCommit,
  ...field
}: { value: string; onCommit: (value: string) => Promise<void> } & Omit<
  TextFieldProps,
  "value" | "onChange" | "onBlur"
>) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  async function commit() {
    if (typed === null || typed === value) return;
    try {
      await onCommit(typed);
      setTyped(null);
      setRefused(null);
    } catch (error) {
      setRefused(error instanceof Error ? error.message : String(error));
    }
  }
  return (
    <TextField
      {...field}
      value={typed ?? value}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={() => void commit()}
      onKeyDown={(e) => e.key === "Enter" && !field.multiline && (e.target as HTMLElement).blur()}
      error={refused !== null}
      helperText={refused ?? field.helperText}
    />
  );
}
