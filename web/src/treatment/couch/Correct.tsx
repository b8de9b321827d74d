import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import type { Fact, Treatment } from "../../api/types";
import { factWords } from "../../parts/factWords";
import { number } from "../../parts/NumberField";
import { second } from "../../parts/words";
import panelStyles from "./Panels.module.css";
import styles from "./Correct.module.css";

const cx = classNames.bind({ ...panelStyles, ...styles });

/** An entry that was wrong: another time, or it did not happen. Both entries stay in the log. */
export function Correct({
  treatment,
  onSay,
}: {
  treatment: Treatment;
  onSay: (fact: Fact) => void;
}) {
  const [picked, setPicked] = useState<string>();
  const [reason, setReason] = useState("");
  const [earlier, setEarlier] = useState("");
  const entries = treatment.events.filter(({ correctable }) => correctable !== "NOTHING");
  const entry = entries.find(({ id }) => id === picked);
  if (!entry?.fact) {
    return (
      <ol className={cx("entries")} aria-label="Entries, the newest first">
        {entries.toReversed().map(({ id, at, fact }) => (
          <li key={id}>
            <Button color="inherit" onClick={() => setPicked(id)}>
              <span className="mono">{second(at)}</span> {fact && factWords(fact)}
            </Button>
          </li>
        ))}
        {entries.length === 0 && <li>Nothing was said yet that could be corrected.</li>}
      </ol>
    );
  }
  const seconds = number(earlier);
  const said = (at?: string) => onSay({ type: "Corrected", event: entry.id, at, reason });
  function submit(event: FormEvent) {
    event.preventDefault();
    if (entry && seconds !== null) {
      said(new Date(Date.parse(entry.at) - seconds * 1000).toISOString());
    }
  }
  return (
    <form onSubmit={submit} className={cx("correct")}>
      <p>
        <span className="mono">{second(entry.at)}</span> {factWords(entry.fact)}
      </p>
      <TextField
        autoFocus
        label="What was wrong"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 500 } }}
      />
      <TextField
        label="Seconds earlier"
        value={earlier}
        onChange={(e) => setEarlier(e.target.value)}
        slotProps={{ htmlInput: { inputMode: "numeric" } }}
      />
      <Button type="submit" disabled={!reason.trim() || seconds === null}>
        Correct its time
      </Button>
      {entry.correctable === "WHOLE" && (
        <Button color="error" disabled={!reason.trim()} onClick={() => said()}>
          It did not happen
        </Button>
      )}
    </form>
  );
}
