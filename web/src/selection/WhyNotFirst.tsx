import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { ErrorNote } from "../parts/ErrorNote";

/** A few words for taking another than the first choice. */
export function WhyNotFirst({
  code,
  first,
  error,
  onLeave,
  onTake,
}: {
  code: string;
  first: string | undefined;
  error: unknown;
  onLeave: () => void;
  onTake: (reason: string) => void;
}) {
  const [reason, setReason] = useState("");
  function submit(event: FormEvent) {
    event.preventDefault();
    onTake(reason);
  }
  return (
    <Dialog open onClose={onLeave} maxWidth="sm" fullWidth aria-labelledby="why-not">
      <form onSubmit={submit}>
        <DialogTitle id="why-not">
          {code} instead of {first ?? "none"}
        </DialogTitle>
        <DialogContent>
          <TextField
            autoFocus
            required
            multiline
            minRows={2}
            margin="dense"
            label="Why this one"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            helperText="A few words; they stay in the record."
          />
          <ErrorNote error={error} />
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onLeave}>
            Leave
          </Button>
          <Button type="submit" variant="contained" disabled={!reason.trim()}>
            Plan {code}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
