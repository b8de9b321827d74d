import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Region } from "../api/types";
import { CommitField } from "../parts/CommitField";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { capital, dayOfYear, decimal } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";
import consultStyles from "./Consult.module.css";

const cx = classNames.bind(consultStyles);

/** What time allows: days of flaking, and days that want clear skin. */
export function Life({ consult, change, submit }: ConsultPart) {
  const [name, setName] = useState("");
  const [on, setOn] = useState("");
  const [refused, setRefused] = useState<unknown>(null);
  async function add() {
    try {
      await submit({ events: [...consult.events, { name: name.trim(), on }] });
      setName("");
      setOn("");
      setRefused(null);
    } catch (error) {
      setRefused(error);
    }
  }
  return (
    <>
      <Strip title="Life" code="what time allows" />
      <div className="line">
        <span>Days of flaking that fit</span>
        <span className="value">
          <Segments
            label="Days of flaking that fit"
            value={consult.flakingDaysThatFit?.toString()}
            options={["0", "3", "7", "10"].map((id) => ({ id, label: id === "10" ? "10+" : id }))}
            onChange={(days) => change({ flakingDaysThatFit: Number(days) })}
          />
        </span>
      </div>
      {consult.events.map((event, i) => (
        <div key={`${event.name} ${event.on}`} className={cx("line", "tight")}>
          <span className="grow">{capital(event.name)}, wants clear skin</span>
          <span className="mono">{dayOfYear(event.on)}</span>
          <Button
            size="small"
            color="inherit"
            variant="text"
            aria-label={`Remove ${event.name}`}
            onClick={() => change({ events: consult.events.filter((_, n) => n !== i) })}
          >
            Remove
          </Button>
        </div>
      ))}
      <form
        className="line wrap"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <TextField
          label="Event that wants clear skin"
          value={name}
          onChange={(e) => setName(e.target.value)}
          sx={{ flex: "1 1 180px" }}
        />
        <TextField
          label="Day of the event"
          type="date"
          value={on}
          onChange={(e) => setOn(e.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ flex: "0 1 170px" }}
        />
        <Button type="submit" disabled={!name.trim() || !on}>
          Add
        </Button>
        <ErrorNote error={refused} />
      </form>
    </>
  );
}

/** Where the peel is planned, and how large that is. */
export function Area({ words, consult, state, change, submit }: ConsultPart) {
  const area = state.areas.find((a) => a.region === consult.region);
  async function enter(value: string) {
    const others = Object.entries(consult.areas).filter(([region]) => region !== consult.region);
    const areas: Record<string, number> = Object.fromEntries(others);
    if (value.trim() !== "") areas[consult.region] = Number(value.replace(",", "."));
    if (Object.values(areas).some((cm2) => Number.isNaN(cm2))) {
      throw new Error(`"${value}" is no number. Give the area in cm², 1 to 10,000.`);
    }
    await submit({ areas });
  }
  return (
    <>
      <Strip title="Area" code={area && `${decimal(area.cm2, 0)} cm²`} />
      <div className="line wrap">
        <span>Region of this peel</span>
        <Segments
          label="Region of this peel"
          value={consult.region}
          options={words.regions.map(({ id, label }) => ({ id: id as Region, label }))}
          onChange={(region) => change({ region })}
        />
      </div>
      <div className="line wrap">
        <p className="small soft grow">
          {area &&
            `${decimal(area.computedCm2, 0)} cm² by ${
              state.measured
                ? "height and weight"
                : "1.75 m² of skin: height or weight is not known"
            } and age. The client’s palm is about ${decimal(state.palmCm2, 0)} cm².`}
        </p>
        <CommitField
          key={consult.region}
          label="Area by hand, cm²"
          value={consult.areas[consult.region]?.toString() ?? ""}
          onCommit={enter}
          slotProps={{ htmlInput: { inputMode: "decimal" } }}
          sx={{ flex: "0 1 200px" }}
        />
      </div>
    </>
  );
}

export function Notes({ consult, submit }: ConsultPart) {
  return (
    <>
      <Strip title="Notes" code="for you and the next visit" />
      <div className="line">
        <CommitField
          label="Notes"
          multiline
          minRows={2}
          maxRows={8}
          value={consult.notes}
          onCommit={(notes) => submit({ notes })}
        />
      </div>
    </>
  );
}
