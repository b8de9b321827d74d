import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { csrf, Problem } from "../api/client";
import type { ArchiveEffect } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { plural } from "../parts/words";
import styles from "./ArchiveFile.module.css";

/** Sends a file as it is; it may be large. */
async function send(path: string, file: File, stop: AbortSignal): Promise<ArchiveEffect[]> {
  const answer = await fetch(path, {
    method: "POST",
    body: file,
    headers: { "Content-Type": "application/octet-stream", ...csrf() },
    signal: stop,
  });
  const said = (await answer.json().catch(() => ({}))) as { detail?: string };
  if (!answer.ok) throw new Problem(answer.status, said.detail ?? `It answered ${answer.status}.`);
  return said as ArchiveEffect[];
}

/** Everything as a JSON file, and a file taken in: first what it would do, then all or nothing. */
export function ArchiveFile() {
  const queries = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const stop = useRef(new AbortController());
  const [file, setFile] = useState<File | null>(null);
  const look = useMutation({
    mutationFn: (picked: File) => send("/api/archive/preview", picked, stop.current.signal),
  });
  const take = useMutation({
    mutationFn: (picked: File) => send("/api/archive", picked, stop.current.signal),
    onSuccess: () => queries.invalidateQueries(),
  });
  const busy = look.isPending || take.isPending;
  const effects = (take.data ?? look.data ?? []).filter(
    ({ fresh, differing }) => fresh + differing > 0,
  );
  const differs = effects.some(({ differing }) => differing > 0);
  function cancel() {
    stop.current.abort();
    stop.current = new AbortController();
    look.reset();
    take.reset();
    setFile(null);
  }
  return (
    <>
      <Strip title="Everything as a file" code="JSON" />
      <div className="pad-small stack">
        <p className="soft small">
          All records, without passwords and without the audit trail, which belongs to this
          installation. The file holds people&apos;s health: keep it locked.
        </p>
        <div className="row wrap">
          <Button href="/api/archive" download>
            Take everything out
          </Button>
          <Button color="inherit" disabled={busy} onClick={() => picker.current?.click()}>
            Read a file in
          </Button>
          <input
            ref={picker}
            type="file"
            hidden
            accept=".json,application/json"
            aria-label="File to read in"
            onChange={(event) => {
              const picked = event.target.files?.[0];
              event.target.value = "";
              if (!picked) return;
              take.reset();
              setFile(picked);
              look.mutate(picked);
            }}
          />
        </div>
        {busy && (
          <div className="row">
            <progress className={styles.progress} aria-label="Reading" />
            <Button size="small" color="inherit" onClick={cancel}>
              Stop
            </Button>
          </div>
        )}
        <ErrorNote error={look.error ?? take.error} />
        {file && !busy && (look.data || take.data) && (
          <>
            <p>
              <b>{file.name}</b>{" "}
              {take.data
                ? "was taken in."
                : effects.length === 0
                  ? "holds nothing that is not here."
                  : "would do this; nothing is written yet."}
            </p>
            <ul>
              {effects.map((effect) => (
                <li key={effect.table}>
                  {effect.table}: {plural(effect.fresh, "new row")}
                  {effect.differing > 0 && (
                    <b className="warn">, {effect.differing} are here otherwise</b>
                  )}
                </li>
              ))}
            </ul>
            {differs && <p className="warn">What is here stays: this file cannot be taken in.</p>}
            {!take.data && !differs && effects.length > 0 && (
              <div className="row">
                <Button variant="contained" onClick={() => take.mutate(file)}>
                  Take it in
                </Button>
                <Button color="inherit" onClick={cancel}>
                  Leave it
                </Button>
              </div>
            )}
          </>
        )}
      </div>
    </>
  );
}
