import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, useVisitChanged } from "../api/client";
import type { Visit } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { atPractice, instantOf } from "../parts/words";

/** Moves the visit; everything that counts from its date moves with it. */
export function MoveDate({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visit.id);
  const [start, setStart] = useState(atPractice(visit.startsAt));
  const move = useMutation({
    mutationFn: () =>
      api.PUT("/api/visits/{id}/start", {
        params: { path: { id: visit.id } },
        body: { startsAt: instantOf(start) },
      }),
    onSuccess: async () => {
      await changed();
      await queries.invalidateQueries({ queryKey: keys.today });
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    move.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="move">
      <form onSubmit={submit}>
        <DialogTitle id="move">Move the date</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8 }}>
            <TextField
              label="Peel on"
              type="datetime-local"
              autoFocus
              required
              value={start}
              onChange={(e) => setStart(e.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
              helperText="Verdict, rack and prep calendar are worked out again for that day."
            />
            <ErrorNote error={move.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave
          </Button>
          <Button type="submit" variant="contained">
            Move
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
