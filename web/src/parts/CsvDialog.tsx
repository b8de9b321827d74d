import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { CsvPreview } from "../api/types";
import { ErrorNote } from "./ErrorNote";
import { Segments } from "./Segments";
import { plural } from "./words";
import styles from "./CsvDialog.module.css";

const cx = classNames.bind(styles);

/** A table that can be saved as a file and taken in from one. */
export interface CsvTable {
  id: string;
  label: string;
  href: string;
  file: string;
  preview: (text: string) => Promise<CsvPreview>;
  take: (text: string) => Promise<CsvPreview>;
}

/** Tables out as files; tables in with a look at what they would do first. */
export function CsvDialog({ tables, onClose }: { tables: CsvTable[]; onClose: () => void }) {
  const [chosen, setChosen] = useState(tables[0]!);
  const [text, setText] = useState("");
  const file = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const preview = useMutation({ mutationFn: (csv: string) => chosen.preview(csv) });
  const take = useMutation({
    mutationFn: () => chosen.take(text),
    onSuccess: () => queries.invalidateQueries(),
  });
  async function choose(one: File | undefined) {
    if (!one) return;
    take.reset();
    const csv = await one.text();
    setText(csv);
    preview.mutate(csv);
  }
  const seen = preview.data;
  const writes = seen ? seen.fresh + seen.changed : 0;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="tables-title">
      <DialogTitle id="tables-title">Tables in and out</DialogTitle>
      <DialogContent className="stack">
        {tables.length > 1 && (
          <Segments
            label="Table"
            value={chosen.id}
            options={tables}
            onChange={(next) => {
              setChosen(tables.find((table) => table.id === next)!);
              setText("");
              preview.reset();
              take.reset();
            }}
          />
        )}
        <div className="row wrap">
          <Button component="a" href={chosen.href} download={chosen.file}>
            Save {chosen.label} as CSV
          </Button>
          <Button onClick={() => file.current?.click()}>Choose a file</Button>
          <input
            ref={file}
            hidden
            type="file"
            accept=".csv,text/csv,text/plain"
            aria-label="CSV file"
            onChange={(e) => {
              void choose(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
        </div>
        <p className="soft small">
          Comma, semicolon, tab or bar; the first line names the columns, as in the saved file. It
          comes in whole or not at all.
        </p>
        <ErrorNote error={preview.error ?? take.error} />
        {seen && !take.data && <Seen preview={seen} />}
        {take.data && (
          <p role="status">
            <b>Taken.</b> {take.data.fresh} new, {take.data.changed} changed.
          </p>
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        {seen && !take.data && (
          <Button
            variant="contained"
            disabled={seen.faults.length > 0 || writes === 0 || take.isPending}
            onClick={() => take.mutate()}
          >
            Take {plural(writes, "line")}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function Seen({ preview }: { preview: CsvPreview }) {
  const faults = preview.faults;
  return (
    <div aria-live="polite" className="stack">
      <p>
        {plural(preview.rows, "line")} read, separated by {preview.separator}: {preview.fresh} new,{" "}
        {preview.changed} changed, {preview.same} as they are.
      </p>
      {faults.length > 0 && (
        <div className={cx("csv-faults")}>
          <p className="warn">
            {plural(faults.length, "line")} cannot be taken. Nothing is written until they are
            right.
          </p>
          <ul>
            {faults.slice(0, 100).map((fault) => (
              <li key={`${fault.line} ${fault.words}`}>
                <b className="mono">line {fault.line}</b> {fault.words}
              </li>
            ))}
          </ul>
        </div>
      )}
      {preview.shown.length > 0 && (
        <table className={cx("csv-lines")}>
          <thead>
            <tr>
              <th scope="col">line</th>
              <th scope="col">code</th>
              <th scope="col">what</th>
              <th scope="col">would be</th>
            </tr>
          </thead>
          <tbody>
            {preview.shown.slice(0, 50).map((line) => (
              <tr key={line.line}>
                <td className="mono">{line.line}</td>
                <td className="mono">{line.code}</td>
                <td>{line.name}</td>
                <td>{line.effect === "NEW" ? "new" : "changed"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
