import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body, useVisitChanged } from "../api/client";
import type { Finding } from "../api/types";
import { ClinicianSignIn, isGiven, NOBODY_AT_THE_SPOT } from "../parts/ClinicianSignIn";
import { ErrorNote } from "../parts/ErrorNote";
import { sessionQuery } from "../parts/session";
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
  const [given, setGiven] = useState(NOBODY_AT_THE_SPOT);
  const session = useQuery(sessionQuery);
  const clearance = finding.verdict === "REFER";
  const needed = clearance || finding.firm;
  const isClinician = session.data?.account?.role === "SUPERVISOR";
  const atTheSpot = needed && !isClinician;
  const clinician = atTheSpot ? given : undefined;
  const lift = useMutation({
    mutationFn: async () => {
      const params = { path: { id: visitId } };
      return clearance
        ? body(
            await api.POST("/api/visits/{id}/clearances", {
              params,
              body: { finding: finding.id, clinician },
            }),
          )
        : body(
            await api.POST("/api/visits/{id}/overrides", {
              params,
              body: { finding: finding.id, reason: text, clinician },
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
            {!clearance && (
              <TextField
                autoFocus
                required
                multiline
                minRows={3}
                label="Why it may go on"
                value={text}
                onChange={(e) => setText(e.target.value)}
                helperText="It goes into the audit trail with your name."
              />
            )}
            {atTheSpot && (
              <>
                <p className="soft">
                  {clearance
                    ? "The supervising clinician clears it, with their own sign-in."
                    : "This limit is firm: the supervising clinician lifts it, with their own sign-in."}
                </p>
                <ClinicianSignIn given={given} onChange={setGiven} autoFocus={clearance} />
              </>
            )}
            {clearance && isClinician && (
              <p className="soft">It is recorded with your name and today’s date.</p>
            )}
            <ErrorNote error={lift.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={
              (!clearance && !text.trim()) || (atTheSpot && !isGiven(given)) || lift.isPending
            }
          >
            {clearance ? "Record clearance" : "Override"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
