import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { api, body } from "../api/client";
import type { ContactState, NewCheckIn } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { capital } from "../parts/words";
import { numbersQuery } from "../treatment/alarm/numbers";
import { asSent, CheckInFields, EMPTY_CHECK_IN } from "./CheckInFields";
import { atOnceQuery, checkInWordsQuery, useHeard } from "./contactQueries";
import styles from "./AskCheckIn.module.css";

const cx = classNames.bind(styles);

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
              <AtOnce visitId={visitId} complaints={draft.complaints} />
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

function isGrave({ severity }: Pick<ContactState["told"][number], "severity">) {
  return severity === "EMERGENCY" || severity === "CLINICIAN_TODAY";
}

/** What is grave is said while it is told; the rest of the form waits. */
function AtOnce({
  visitId,
  complaints,
}: {
  visitId: string;
  complaints: NewCheckIn["complaints"];
}) {
  const { data } = useQuery(atOnceQuery(visitId, complaints));
  const numbers = useQuery(numbersQuery).data;
  const missing = "not set in Practice";
  if (complaints.length === 0 || !data || !isGrave(data)) return null;
  return (
    <div className={cx("stack", "at-once")} role="alert">
      <Found told={data} />
      <p className="mono">
        {data.severity === "EMERGENCY"
          ? `emergency ${numbers?.emergency ?? missing} · poison centre ${numbers?.poisonCentre ?? missing}`
          : `supervising clinician: ${numbers?.clinicians.join(", ") || missing}`}
      </p>
    </div>
  );
}

function Found({
  told,
}: {
  told: Pick<ContactState["told"][number], "severity" | "severityLabel" | "found">;
}) {
  return (
    <>
      <h2 style={{ color: isGrave(told) ? "var(--madder)" : undefined }}>
        {capital(told.severityLabel)}
      </h2>
      {told.found.map((found) => (
        <p key={found.id}>
          <b>{found.question}.</b> {found.advice}
        </p>
      ))}
    </>
  );
}

function Judged({ told }: { told: ContactState["told"][number] | undefined }) {
  if (!told) return null;
  return (
    <div className="stack" role="status">
      <Found told={told} />
      {told.found.length === 0 && <p>Bland cream, mineral sunscreen, and no pulling at flakes.</p>}
      {told.severity !== "AS_EXPECTED" && told.severity !== "REASSURE" && (
        <p className="soft">
          A red flag is open: no next peel is planned before it is closed with a note. The
          supervising clinician is told.
        </p>
      )}
    </div>
  );
}
