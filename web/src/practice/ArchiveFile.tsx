import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { csrf, Problem } from "../api/client";
import type { TakenIn } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { records } from "../parts/tableWords";
import styles from "./ArchiveFile.module.css";

interface Sending {
  path: string;
  file: File;
}

/** Sends a file as it is, since it may be large; the server reads it while it comes. */
function send(
  { path, file }: Sending,
  stop: AbortSignal,
  onSent: (share: number) => void,
): Promise<TakenIn> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", path);
    request.responseType = "json";
    request.setRequestHeader("Content-Type", "application/octet-stream");
    for (const [name, value] of Object.entries(csrf())) request.setRequestHeader(name, value);
    request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0);
    request.onload = () => {
      const said = request.response as (TakenIn & { detail?: string }) | null;
      if (request.status === 200 && said) resolve(said);
      else reject(new Problem(request.status, said?.detail ?? `It answered ${request.status}.`));
    };
    request.onerror = () =>
      reject(
        new Problem(0, "The server did not answer. Read the file once more to see what holds."),
      );
    request.onabort = () => reject(new Problem(0, "Stopped. Nothing was written."));
    stop.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}

/** Everything as a file, and a file taken in: first what it would do, then all or nothing. */
export function ArchiveFile() {
  const queries = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const stop = useRef(new AbortController());
  const [file, setFile] = useState<File | null>(null);
  const [sent, setSent] = useState(0);
  const look = useMutation({
    mutationFn: (picked: File) =>
      send({ path: "/api/archive/preview", file: picked }, stop.current.signal, setSent),
  });
  const take = useMutation({
    mutationFn: (picked: File) =>
      send({ path: "/api/archive", file: picked }, stop.current.signal, setSent),
    onSuccess: () => queries.invalidateQueries(),
  });
  const busy = look.isPending || take.isPending;
  const taken = take.data ?? look.data;
  const effects = (taken?.effects ?? []).filter(({ fresh, differing }) => fresh + differing > 0);
  const differs = effects.some(({ differing }) => differing > 0);
  function begin() {
    stop.current = new AbortController();
    setSent(0);
  }
  function leave() {
    look.reset();
    take.reset();
    setFile(null);
  }
  return (
    <>
      <Strip title="Everything as a file" />
      <div className="pad-small stack">
        <p className="soft small">
          All records, without passwords and without the audit trail, which belongs to this
          installation. The file holds people&apos;s health: keep it locked.
        </p>
        <div className="row wrap">
          <Button href="/api/archive" download>
            Take all out, JSON
          </Button>
          <Button href="/api/archive/tables" download>
            Take all out, tables
          </Button>
          <Button color="inherit" disabled={busy} onClick={() => picker.current?.click()}>
            Read a file in
          </Button>
          <input
            ref={picker}
            type="file"
            hidden
            accept=".json,.zip,.ics,application/json,application/zip,text/calendar"
            aria-label="File to read in"
            onChange={(event) => {
              const picked = event.target.files?.[0];
              event.target.value = "";
              if (!picked) return;
              take.reset();
              setFile(picked);
              begin();
              look.mutate(picked);
            }}
          />
        </div>
        <p className="soft small">
          Read in: records that were taken out here or by another Ivesk (JSON, or the ZIP of
          tables), one client as HL7 FHIR R4, closed days as a calendar (.ics).
        </p>
        {busy && (
          <div className="row">
            <progress className={styles.progress} value={sent} max={1} aria-label="Reading" />
            <span className="mono small">
              {sent < 1 ? `${Math.floor(sent * 100)} %` : "every chart is opened once"}
            </span>
            <Button
              size="small"
              color="inherit"
              disabled={take.isPending && sent >= 1}
              onClick={() => stop.current.abort()}
            >
              Stop
            </Button>
          </div>
        )}
        <ErrorNote error={look.error ?? take.error} />
        {file && !busy && taken && (
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
                  {effect.fresh > 0 && `${records(effect.table, effect.fresh)} more`}
                  {effect.differing > 0 && (
                    <b className="warn">
                      {effect.fresh > 0 && ", "}
                      {records(effect.table, effect.differing)} stand here otherwise
                    </b>
                  )}
                </li>
              ))}
            </ul>
            {taken.notes.length > 0 && (
              <p className="soft small">Not read, or to be known: {taken.notes.join("; ")}.</p>
            )}
            {differs && <p className="warn">What is here stays: this file cannot be taken in.</p>}
            {!take.data && !differs && (effects.length > 0 || taken.notes.length > 0) && (
              <div className="row">
                <Button
                  variant="contained"
                  onClick={() => {
                    begin();
                    take.mutate(file);
                  }}
                >
                  Take it in
                </Button>
                <Button color="inherit" onClick={leave}>
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
