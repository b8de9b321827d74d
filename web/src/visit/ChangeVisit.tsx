import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { Visit } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { practiceQuery } from "../parts/practice";
import { Segments } from "../parts/Segments";
import { atPractice, instantOf } from "../parts/words";

/** Another time, length or room for a visit, or that it does not take place. */
export function ChangeVisit({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  const queries = useQueryClient();
  const [start, setStart] = useState(atPractice(visit.startsAt));
  const [minutes, setMinutes] = useState(String(visit.minutes));
  const [room, setRoom] = useState(visit.room);
  const rooms = useQuery(practiceQuery).data?.rooms ?? [];
  const [why, setWhy] = useState("");
  const [cancelling, setCancelling] = useState(false);
  const params = { path: { id: visit.id } };
  const change = useMutation({
    mutationFn: async () =>
      cancelling
        ? body(await api.POST("/api/visits/{id}/cancellation", { params, body: { why } }))
        : body(
            await api.PUT("/api/visits/{id}/booking", {
              params,
              body: { startsAt: instantOf(start), minutes: Number(minutes), room },
            }),
          ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: keys.today });
      await queries.invalidateQueries({ queryKey: keys.visit(visit.id) });
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    change.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="change-visit">
      <form onSubmit={submit}>
        <DialogTitle id="change-visit">
          {cancelling ? `Cancel ${visit.clientName}'s visit` : `${visit.clientName}'s visit`}
        </DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            {cancelling ? (
              <TextField
                autoFocus
                required
                label="Why it does not take place"
                value={why}
                onChange={(e) => setWhy(e.target.value)}
                slotProps={{ htmlInput: { maxLength: 200 } }}
                helperText="It stays in the book with this reason."
              />
            ) : (
              <>
                <TextField
                  label="Starts"
                  type="datetime-local"
                  required
                  value={start}
                  onChange={(e) => setStart(e.target.value)}
                  slotProps={{ inputLabel: { shrink: true } }}
                />
                <TextField
                  label="Minutes"
                  type="number"
                  required
                  value={minutes}
                  onChange={(e) => setMinutes(e.target.value)}
                  slotProps={{ htmlInput: { min: 10, max: 240 } }}
                  helperText="10 to 240. Long wear needs 100 and more."
                />
                <Segments
                  label="Room"
                  value={room}
                  // A room that the practice has given up stays where it was booked.
                  options={[...new Set([...rooms, visit.room])].map((id) => ({ id, label: id }))}
                  onChange={setRoom}
                />
              </>
            )}
            <ErrorNote error={change.error} />
          </div>
        </DialogContent>
        <DialogActions>
          {!cancelling && (
            <Button color="error" onClick={() => setCancelling(true)}>
              Cancel the visit
            </Button>
          )}
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={change.isPending || (cancelling && !why.trim())}
          >
            {cancelling ? "It is cancelled" : "Keep"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
