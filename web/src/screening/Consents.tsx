import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, useVisitChanged } from "../api/client";
import type { Family, FamilyConsent, ScreeningState, Visit } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { dayOfYear } from "../parts/words";
import { SignConsent } from "./SignConsent";
import screenStyles from "./Screen.module.css";
import styles from "./Consents.module.css";

const cx = classNames.bind({ ...screenStyles, ...styles });

/** Consent by family of formulas, valid for twelve months. */
export function Consents({ visit, state }: { visit: Visit; state: ScreeningState }) {
  const [signing, setSigning] = useState<Family[] | null>(null);
  const [reading, setReading] = useState<FamilyConsent | null>(null);
  const missing = state.consents.filter((family) => !family.signed);
  const toSign = missing.filter((family) => family.asked);
  return (
    <div className={cx("group")}>
      <Strip
        title="Consent"
        code={`${state.consents.length - missing.length} of ${state.consents.length} families`}
      />
      <div className={cx("consent")}>
        <div className="row wrap">
          {state.consents.map((family) =>
            family.consentId ? (
              <button
                key={family.id}
                type="button"
                className={cx("family", family.signed ? "signed" : "lapsed")}
                onClick={() => setReading(family)}
              >
                {family.label}{" "}
                {family.signed ? "signed" : family.withdrawnOn ? "withdrawn" : "not valid then"}
              </button>
            ) : (
              <span key={family.id} className={cx("family")}>
                {family.label}
              </span>
            ),
          )}
        </div>
        {missing.length > 0 && (
          <div>
            <Button
              variant={toSign.length > 0 ? "outlined" : "text"}
              onClick={() => setSigning(toSign.map((family) => family.id))}
            >
              {toSign.length > 0 ? "Read and sign consent" : "Sign for another family"}
            </Button>
          </div>
        )}
      </div>
      {signing && (
        <SignConsent visit={visit} state={state} asked={signing} onClose={() => setSigning(null)} />
      )}
      {reading && <ReadConsent visit={visit} family={reading} onClose={() => setReading(null)} />}
    </div>
  );
}

/** A consent as it was signed, with the way to take it back. */
function ReadConsent({
  visit,
  family,
  onClose,
}: {
  visit: Visit;
  family: FamilyConsent;
  onClose: () => void;
}) {
  const changed = useVisitChanged(visit.id);
  const [why, setWhy] = useState("");
  const withdraw = useMutation({
    mutationFn: () =>
      api.POST("/api/consents/{id}/withdrawal", {
        params: { path: { id: family.consentId! } },
        body: { why },
      }),
    onSuccess: async () => {
      await changed();
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    withdraw.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="read-consent">
      <form onSubmit={submit}>
        <DialogTitle id="read-consent">Consent to {family.label}</DialogTitle>
        <DialogContent>
          <div className="stack">
            <p>
              Signed by <b>{family.signedBy}</b> on {family.signedOn && dayOfYear(family.signedOn)},
              text version {family.textVersion}.{" "}
              {family.withdrawnOn
                ? `Withdrawn on ${dayOfYear(family.withdrawnOn)}.`
                : `Valid until ${family.validUntil && dayOfYear(family.validUntil)}.`}
            </p>
            {family.picture && (
              <img
                className={cx("signature")}
                src={`/api/signatures/${family.picture}`}
                alt={`Signature of ${family.signedBy}`}
              />
            )}
            {family.guardian && (
              <p>
                Guardian: <b>{family.guardian}</b>
              </p>
            )}
            {family.guardianPicture && (
              <img
                className={cx("signature")}
                src={`/api/signatures/${family.guardianPicture}`}
                alt={`Signature of ${family.guardian}`}
              />
            )}
            {!family.withdrawnOn && (
              <TextField
                label="Why it is withdrawn, if said"
                value={why}
                onChange={(e) => setWhy(e.target.value)}
                helperText="From now on nothing of this family may be peeled until it is signed again."
              />
            )}
            <ErrorNote error={withdraw.error} />
          </div>
        </DialogContent>
        <DialogActions>
          {!family.withdrawnOn && (
            <Button type="submit" color="error" disabled={withdraw.isPending}>
              Withdraw consent
            </Button>
          )}
          <Button color="inherit" onClick={onClose}>
            Close
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
