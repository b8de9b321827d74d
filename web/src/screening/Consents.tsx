import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, useVisitChanged } from "../api/client";
import { FAMILIES } from "../api/enumWords";
import type { Family, ScreeningState, Visit } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { dayOfYear } from "../parts/words";
import { consentQuery } from "./queries";
import { SignConsent } from "./SignConsent";
import screenStyles from "./Screen.module.css";
import styles from "./Consents.module.css";

const cx = classNames.bind({ ...screenStyles, ...styles });

/** Consent by family of formulas, valid for twelve months. */
export function Consents({ visit, state }: { visit: Visit; state: ScreeningState }) {
  const [signing, setSigning] = useState<Family[] | null>(null);
  const [reading, setReading] = useState<{ family: Family; id: string } | null>(null);
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
                onClick={() => setReading({ family: family.id, id: family.consentId! })}
              >
                {FAMILIES[family.id]}{" "}
                {family.signed ? "signed" : family.withdrawn ? "withdrawn" : "not valid then"}
              </button>
            ) : (
              <span key={family.id} className={cx("family")}>
                {FAMILIES[family.id]}
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
      {reading && <ReadConsent visit={visit} {...reading} onClose={() => setReading(null)} />}
    </div>
  );
}

/** A consent as it was signed, with the way to take it back. */
function ReadConsent({
  visit,
  family,
  id,
  onClose,
}: {
  visit: Visit;
  family: Family;
  id: string;
  onClose: () => void;
}) {
  const changed = useVisitChanged(visit.id);
  const queries = useQueryClient();
  const consent = useQuery(consentQuery(id));
  const signed = consent.data;
  const open = signed !== undefined && signed.withdrawnOn === undefined;
  const [why, setWhy] = useState("");
  const withdraw = useMutation({
    mutationFn: () =>
      api.POST("/api/consents/{id}/withdrawal", {
        params: { path: { id } },
        body: { why },
      }),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: consentQuery(id).queryKey });
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
        <DialogTitle id="read-consent">Consent to {FAMILIES[family]}</DialogTitle>
        <DialogContent>
          <div className="stack">
            {signed && (
              <>
                <p>
                  Signed by <b>{signed.signedBy}</b> on {dayOfYear(signed.signedOn)}, text version{" "}
                  {signed.textVersion}.{" "}
                  {signed.withdrawnOn
                    ? `Withdrawn on ${dayOfYear(signed.withdrawnOn)}.`
                    : `Valid until ${dayOfYear(signed.validUntil)}.`}
                </p>
                <Signature id={signed.picture} of={signed.signedBy} />
                {signed.guardian && (
                  <p>
                    Guardian: <b>{signed.guardian}</b>
                  </p>
                )}
                <Signature id={signed.guardianPicture} of={signed.guardian} />
              </>
            )}
            {open && (
              <TextField
                label="Why it is withdrawn, if said"
                value={why}
                onChange={(e) => setWhy(e.target.value)}
                helperText="From now on nothing of this family may be peeled until it is signed again."
              />
            )}
            <ErrorNote error={consent.error ?? withdraw.error} />
          </div>
        </DialogContent>
        <DialogActions>
          {open && (
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

function Signature({ id, of }: { id: string | undefined; of: string | undefined }) {
  return (
    id && (
      <img className={cx("signature")} src={`/api/signatures/${id}`} alt={`Signature of ${of}`} />
    )
  );
}
