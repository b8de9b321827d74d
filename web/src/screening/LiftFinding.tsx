import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body, useVisitChanged } from "../api/client";
import type { Finding } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { screeningQuery } from "./queries";

/** An override with a written reason, or a clearance with a clinician's name. */
export function LiftFinding({
  visitId,
  finding,
  onClose,
}: {
  visitId: string;
  finding: Finding;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visitId);
  const [text, setText] = useState("");
  const clearance = finding.verdict === "REFER";
  const lift = useMutation({
    mutationFn: async () => {
      const params = { path: { id: visitId } };
      return clearance
        ? body(
            await api.POST("/api/visits/{id}/clearances", {
              params,
              body: { finding: finding.id, clinician: text },
            }),
          )
        : body(
            await api.POST("/api/visits/{id}/overrides", {
              params,
              body: { finding: finding.id, reason: text },
            }),
          );
    },
    onSuccess: async (state) => {
      queries.setQueryData(screeningQuery(visitId).queryKey, state);
      await changed("screening");
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    lift.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="lift">
      <form onSubmit={submit}>
        <DialogTitle id="lift">
          {clearance ? "Cleared by a clinician" : "Override with a reason"}
        </DialogTitle>
        <DialogContent>
          <div className="stack">
            <p>
              <b>{finding.said}.</b> {finding.why}
            </p>
            <TextField
              autoFocus
              required
              multiline={!clearance}
              minRows={clearance ? undefined : 3}
              label={clearance ? "Name of the clinician who cleared it" : "Why it may go on"}
              value={text}
              onChange={(e) => setText(e.target.value)}
              helperText="It goes into the audit trail with your name."
            />
            <ErrorNote error={lift.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!text.trim() || lift.isPending}>
            {clearance ? "Record clearance" : "Override"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
