import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api } from "../api/client";
import type { Flag } from "../api/types";
import { ClinicianSignIn, isGiven, NOBODY_AT_THE_SPOT } from "../parts/ClinicianSignIn";
import { ErrorNote } from "../parts/ErrorNote";
import { useMay } from "../parts/practice";
import { day } from "../parts/words";
import { useHeard } from "./contactQueries";

/** Closes a red flag with a note; the grave ones are the supervising clinician's. */
export function CloseFlag({ flag, onClose }: { flag: Flag; onClose: () => void }) {
  const own = useMay("CLINICIAN");
  const asks = flag.clinicians && !own;
  const [note, setNote] = useState("");
  const [harmless, setHarmless] = useState(false);
  const [given, setGiven] = useState(NOBODY_AT_THE_SPOT);
  const heard = useHeard();
  const close = useMutation({
    mutationFn: async () =>
      api.POST("/api/flags/{id}/closed", {
        params: { path: { id: flag.id } },
        body: { note, harmless, clinician: asks ? given : undefined },
      }),
    onSuccess: async () => {
      await heard();
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    close.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="close-flag">
      <form onSubmit={submit}>
        <DialogTitle id="close-flag">Close the red flag of {day(flag.openedOn)}</DialogTitle>
        <DialogContent>
          <div className="stack">
            <TextField
              label="What was seen, and what was done"
              required
              autoFocus
              multiline
              minRows={2}
              value={note}
              onChange={(e) => setNote(e.target.value)}
              slotProps={{ htmlInput: { maxLength: 1000 } }}
            />
            {!flag.clinicians && (
              <FormControlLabel
                control={
                  <Checkbox checked={harmless} onChange={(e) => setHarmless(e.target.checked)} />
                }
                label="No harm was done: it does not count against the peel"
              />
            )}
            {asks && <ClinicianSignIn given={given} onChange={setGiven} autoFocus={false} />}
            <p className="small soft">It stays in the chart. The next plan is open again.</p>
            <ErrorNote error={close.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it open
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={!note.trim() || (asks && !isGiven(given)) || close.isPending}
          >
            Close it
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
