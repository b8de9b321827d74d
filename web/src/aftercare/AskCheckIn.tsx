import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { api, body } from "../api/client";
import type { ContactState } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { asSent, CheckInFields, EMPTY_CHECK_IN } from "./CheckInFields";
import { checkInWordsQuery, useHeard } from "./contactQueries";

/** What a client tells by phone; what it comes to is said at once. */
export function AskCheckIn({
  visitId,
  name,
  peelOn,
  onClose,
}: {
  visitId: string;
  name: string;
  peelOn: string;
  onClose: () => void;
}) {
  const words = useQuery(checkInWordsQuery);
  const [draft, setDraft] = useState(EMPTY_CHECK_IN);
  const [id] = useState(() => crypto.randomUUID());
  const heard = useHeard();
  const sent = asSent(draft, id);
  const save = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/visits/{id}/contact", {
          params: { path: { id: visitId } },
          body: sent!,
        }),
      ),
    onSuccess: heard,
  });
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="check-in">
      <DialogTitle id="check-in">How is it, {name}?</DialogTitle>
      <DialogContent>
        {save.data ? (
          <Judged told={save.data.told[0]} />
        ) : (
          words.data && (
            <div className="stack" style={{ gap: 16 }}>
              <CheckInFields
                words={words.data}
                draft={draft}
                days={{ from: peelOn, to: dayjs().format("YYYY-MM-DD") }}
                onChange={setDraft}
              />
              <ErrorNote error={save.error} />
            </div>
          )
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          {save.data ? "Close" : "Leave it"}
        </Button>
        {!save.data && (
          <Button
            variant="contained"
            disabled={!sent || save.isPending}
            onClick={() => save.mutate()}
          >
            Keep it
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function Judged({ told }: { told: ContactState["told"][number] | undefined }) {
  if (!told) return null;
  const grave = told.severity === "EMERGENCY" || told.severity === "CLINICIAN_TODAY";
  return (
    <div className="stack" role="status">
      <h2 style={{ color: grave ? "var(--madder)" : undefined }}>{told.severityLabel}</h2>
      {told.found.length === 0 && <p>Bland cream, mineral sunscreen, and no pulling at flakes.</p>}
      {told.found.map((found) => (
        <p key={found.id}>
          <b>{found.question}.</b> {found.advice}
        </p>
      ))}
      {told.severity !== "AS_EXPECTED" && told.severity !== "REASSURE" && (
        <p className="soft">
          A red flag is open: no next peel is planned before it is closed with a note. The
          supervising clinician is told.
        </p>
      )}
    </div>
  );
}
