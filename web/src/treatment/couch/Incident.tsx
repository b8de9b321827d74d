import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import type { Fact, Treatment, Zone } from "../../api/types";
import { zoneName } from "../../parts/words";
import { zonesOf } from "./panels";

/** What was seen and where, what was done, who was told; the time and the name are kept with it. */
export function Incident({
  treatment,
  chosen,
  onSay,
}: {
  treatment: Treatment;
  chosen: Zone[];
  onSay: (fact: Fact) => void;
}) {
  const [seen, setSeen] = useState("");
  const [done, setDone] = useState("");
  const [told, setTold] = useState("");
  const zones = zonesOf(treatment, chosen);
  const whole = [seen, done, told].every((words) => words.trim());
  function submit(event: FormEvent) {
    event.preventDefault();
    if (!whole) return;
    onSay({
      type: "IncidentReported",
      zones,
      seen: seen.trim(),
      done: done.trim(),
      told: told.trim(),
    });
  }
  const field = (label: string, value: string, set: (words: string) => void, first = false) => (
    <TextField
      autoFocus={first}
      label={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      slotProps={{ htmlInput: { maxLength: 500 } }}
    />
  );
  return (
    <form onSubmit={submit} className="row wrap">
      {field("What was seen", seen, setSeen, true)}
      {field("What was done", done, setDone)}
      {field("Who was told", told, setTold)}
      <Button type="submit" variant="contained" disabled={!whole}>
        Keep, {zones.length > 4 ? `${zones.length} zones` : zones.map(zoneName).join(", ")}
      </Button>
    </form>
  );
}
