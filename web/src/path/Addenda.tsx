import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { Addenda as State } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { useMay } from "../parts/practice";
import { Segments } from "../parts/Segments";
import { dayOfYear, hour } from "../parts/words";
import styles from "./Addenda.module.css";

const cx = classNames.bind(styles);

type Kind = State["addenda"][number]["kind"];

const KINDS: { id: Kind; label: string }[] = [
  { id: "CORRECTION", label: "Correction" },
  { id: "FOLLOW_UP", label: "Follow-up of an incident" },
];

/** What was added to a signed record; what was signed stays as it is. */
export function Addenda({ visitId }: { visitId: string }) {
  const treats = useMay("TREAT");
  const [adding, setAdding] = useState(false);
  const { data, error } = useQuery({
    queryKey: keys.visitPart(visitId, "addenda"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/addenda", { params: { path: { id: visitId } } })),
  });
  const followed = data?.addenda.some(({ kind }) => kind === "FOLLOW_UP");
  return (
    <section aria-label="Addenda">
      <Strip title="Added since it was signed" code={data?.addenda.length ?? 0} />
      <ErrorNote error={error} />
      {data?.incident && !followed && (
        <p className={cx("line", "warn")}>
          An incident is on record, and nothing of what became of it.
        </p>
      )}
      {data?.addenda.map((one) => (
        <div key={one.id} className={cx("line")}>
          <b>
            {one.kind === "FOLLOW_UP" ? "Follow-up" : "Correction"}, {dayOfYear(one.at)}{" "}
            {hour(one.at)}, {one.who}: {one.why}
          </b>
          <p>{one.words}</p>
        </div>
      ))}
      {treats && (
        <p className={cx("line")}>
          <Button size="small" onClick={() => setAdding(true)}>
            Add to the record
          </Button>
        </p>
      )}
      {adding && (
        <Add
          visitId={visitId}
          kind={data?.incident && !followed ? "FOLLOW_UP" : "CORRECTION"}
          onClose={() => setAdding(false)}
        />
      )}
    </section>
  );
}

function Add({
  visitId,
  kind: first,
  onClose,
}: {
  visitId: string;
  kind: Kind;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const [id] = useState(() => crypto.randomUUID());
  const [kind, setKind] = useState(first);
  const [why, setWhy] = useState("");
  const [words, setWords] = useState("");
  const add = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/visits/{id}/addenda", {
          params: { path: { id: visitId } },
          body: { id, kind, why, words },
        }),
      ),
    onSuccess: (changed) => {
      queries.setQueryData(["visit", visitId, "addenda"], changed);
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    add.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="add-addendum">
      <form onSubmit={submit}>
        <DialogTitle id="add-addendum">Add to the record</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ gap: 16, paddingTop: 8 }}>
            <Segments label="What it is" value={kind} options={KINDS} onChange={setKind} />
            <TextField
              required
              autoFocus
              label="Why"
              value={why}
              onChange={(e) => setWhy(e.target.value)}
              slotProps={{ htmlInput: { maxLength: 200 } }}
            />
            <TextField
              required
              multiline
              minRows={3}
              label="What is right"
              value={words}
              onChange={(e) => setWords(e.target.value)}
              slotProps={{ htmlInput: { maxLength: 4000 } }}
            />
            <p className="small soft">
              What was signed stays as it is. This stands under it with your name and the time, and
              cannot be changed.
            </p>
            <ErrorNote error={add.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={!why.trim() || !words.trim() || add.isPending}
          >
            Add
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
