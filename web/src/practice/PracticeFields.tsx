import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Practice } from "../api/types";
import { Chips } from "../parts/Chips";
import { wholeDay } from "../parts/words";

type Day = Practice["opening"][number];

const DAYS: { id: Day; label: string }[] = [
  { id: "MONDAY", label: "Monday" },
  { id: "TUESDAY", label: "Tuesday" },
  { id: "WEDNESDAY", label: "Wednesday" },
  { id: "THURSDAY", label: "Thursday" },
  { id: "FRIDAY", label: "Friday" },
  { id: "SATURDAY", label: "Saturday" },
  { id: "SUNDAY", label: "Sunday" },
];

const ZONES = Intl.supportedValuesOf("timeZone");

/** The practice as it is made at the first start and changed later. */
export function PracticeFields({
  value,
  onChange,
}: {
  value: Practice;
  onChange: (value: Practice) => void;
}) {
  const set = (part: Partial<Practice>) => onChange({ ...value, ...part });
  return (
    <>
      <TextField
        label="Practice"
        required
        value={value.name}
        onChange={(e) => set({ name: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <TextField
        label="Town"
        required
        value={value.town}
        onChange={(e) => set({ town: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
      />
      <TextField
        label="Telephone for clients"
        value={value.telephone ?? ""}
        onChange={(e) => set({ telephone: e.target.value })}
        slotProps={{ htmlInput: { inputMode: "tel", maxLength: 30 } }}
        helperText="It stands on every sheet, short form, diary and calendar file."
      />
      <TextField
        label="Hours in which somebody answers"
        value={value.hours ?? ""}
        onChange={(e) => set({ hours: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 120 } }}
        helperText="As clients read it: Mon to Fri, 9:00 to 18:00"
      />
      <TextField
        label="Charts are kept, years"
        type="number"
        required
        value={value.keepYears}
        onChange={(e) => set({ keepYears: Number(e.target.value) })}
        slotProps={{ htmlInput: { min: 1, max: 60 } }}
        helperText="After the last visit; of who was a child then, after coming of age. The local law decides."
      />
      <Autocomplete
        options={ZONES.includes(value.zone) ? ZONES : [value.zone, ...ZONES]}
        value={value.zone}
        disableClearable
        onChange={(_, zone) => set({ zone })}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Time zone"
            required
            helperText="Every hour and day is said in it, wherever it is read."
          />
        )}
      />
      <TextField
        label="Rooms"
        required
        value={value.rooms.join(", ")}
        onChange={(e) => set({ rooms: e.target.value.split(/,\s*/) })}
        helperText="With commas between them: room 1, room 2"
      />
      <span className="small soft" style={{ marginBottom: -12 }}>
        Open on
      </span>
      <Chips
        label="Open on"
        options={DAYS}
        chosen={value.opening}
        onChange={(opening) => set({ opening })}
      />
      <ClosedDays days={value.closedDays} onChange={(closedDays) => set({ closedDays })} />
    </>
  );
}

function ClosedDays({
  days,
  onChange,
}: {
  days: Practice["closedDays"];
  onChange: (days: Practice["closedDays"]) => void;
}) {
  const [day, setDay] = useState("");
  const [why, setWhy] = useState("");
  const add = () => {
    onChange(
      [...days.filter((one) => one.day !== day), { day, why: why.trim() }].sort((a, b) =>
        a.day.localeCompare(b.day),
      ),
    );
    setDay("");
    setWhy("");
  };
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend className="small soft">Closed on single days</legend>
      {days.map((one) => (
        <div key={one.day} className="row">
          <span className="grow">
            {wholeDay(one.day)}, {one.why}
          </span>
          <Button size="small" onClick={() => onChange(days.filter(({ day }) => day !== one.day))}>
            Open again
          </Button>
        </div>
      ))}
      <div className="row wrap" style={{ marginTop: 6 }}>
        <TextField
          label="Day"
          type="date"
          size="small"
          value={day}
          onChange={(e) => setDay(e.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          label="Why"
          size="small"
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <Button disabled={day === "" || why.trim() === ""} onClick={add}>
          Add day
        </Button>
      </div>
    </fieldset>
  );
}
