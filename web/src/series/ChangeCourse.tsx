import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { CourseState } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { atPractice, day } from "../parts/words";
import { coursesQuery } from "./queries";

export interface CourseChange {
  course: CourseState;
  kind: "move" | "skip" | "pause" | "resume";
}

/** A day of the practice, as a date field has it. */
function tomorrow() {
  return atPractice(new Date(Date.now() + 24 * 3_600_000)).slice(0, 10);
}

function notBefore(least: string, on: string) {
  return on < least ? least : on;
}

const TITLES: Record<CourseChange["kind"], string> = {
  move: "Move the course",
  skip: "Skip one peel",
  pause: "Pause the course",
  resume: "Resume the course",
};

/** One change to a course: what follows moves with it. */
export function ChangeCourse({
  clientId,
  change: { course, kind },
  onClose,
}: {
  clientId: string;
  change: CourseChange;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const ahead = course.peels.filter(({ state }) => state === "BOOKED" || state === "PAUSED");
  const [number, setNumber] = useState(ahead[0]?.number ?? 1);
  const [to, setTo] = useState(ahead[0] ? notBefore(tomorrow(), ahead[0].on) : "");
  const [why, setWhy] = useState("");
  const params = { path: { id: course.id } };
  const save = useMutation({
    mutationFn: async () => {
      switch (kind) {
        case "move":
          return body(await api.POST("/api/courses/{id}/move", { params, body: { number, to } }));
        case "skip":
          return body(await api.POST("/api/courses/{id}/skip", { params, body: { number, why } }));
        case "pause":
          return body(await api.POST("/api/courses/{id}/pause", { params, body: { why } }));
        case "resume":
          return body(await api.POST("/api/courses/{id}/resume", { params, body: { from: to } }));
      }
    },
    onSuccess: async (changed) => {
      queries.setQueryData(coursesQuery(clientId).queryKey, changed);
      await queries.invalidateQueries({ queryKey: keys.client(clientId) });
      await queries.invalidateQueries({ queryKey: keys.today });
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    save.mutate();
  }
  const asksWhich = kind === "move" || kind === "skip";
  const asksDay = kind === "move" || kind === "resume";
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="change-course">
      <form onSubmit={submit}>
        <DialogTitle id="change-course">{TITLES[kind]}</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ gap: 16, paddingTop: 8 }}>
            {asksWhich && (
              <TextField
                select
                label={kind === "move" ? "From peel" : "Peel"}
                value={number}
                onChange={(e) => {
                  const picked = ahead.find(({ number }) => number === Number(e.target.value));
                  if (!picked) return;
                  setNumber(picked.number);
                  setTo(notBefore(tomorrow(), picked.on));
                }}
              >
                {ahead.map((peel) => (
                  <MenuItem key={peel.number} value={peel.number}>
                    {peel.number}, {day(peel.on)}, {peel.formula}
                  </MenuItem>
                ))}
              </TextField>
            )}
            {asksDay && (
              <TextField
                type="date"
                required
                label={kind === "move" ? "To" : "From"}
                value={to}
                onChange={(e) => setTo(e.target.value)}
                slotProps={{ inputLabel: { shrink: true } }}
              />
            )}
            {!asksDay && (
              <TextField
                required
                autoFocus
                label="Why"
                value={why}
                onChange={(e) => setWhy(e.target.value)}
                slotProps={{ htmlInput: { maxLength: 200 } }}
              />
            )}
            <p className="small soft">
              {kind === "skip"
                ? "The others keep their days."
                : "All that follow are laid anew by interval, around closed days and events."}
            </p>
            <ErrorNote error={save.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={save.isPending}>
            {TITLES[kind].split(" ")[0]}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
