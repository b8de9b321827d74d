import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../../api/client";
import type { Treatment } from "../../api/types";
import { ClinicianSignIn, isGiven, NOBODY_AT_THE_SPOT } from "../../parts/ClinicianSignIn";
import { ErrorNote } from "../../parts/ErrorNote";
import { sessionQuery } from "../../parts/session";
import { treatmentQuery } from "../couch/useTreatment";
import styles from "./Ready.module.css";

const cx = classNames.bind(styles);

/** The supervising clinician is in the room: ticked by their own sign-in, or at the spot. */
export function ClinicianPresent({
  treatment,
  allows = false,
  onDone,
}: {
  treatment: Treatment;
  /** After an alarm: acid may go on, with a reason. */
  allows?: boolean;
  onDone: () => void;
}) {
  const [reason, setReason] = useState("");
  const queries = useQueryClient();
  const own = useQuery(sessionQuery).data?.account?.role === "SUPERVISOR";
  const [given, setGiven] = useState(NOBODY_AT_THE_SPOT);
  const present = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/treatments/{id}/clinician", {
          params: { path: { id: treatment.id } },
          body: {
            id: crypto.randomUUID(),
            clinician: own ? undefined : given,
            allows: allows ? reason.trim() : undefined,
          },
        }),
      ),
    onSuccess: (fresh) => {
      queries.setQueryData(treatmentQuery(treatment.id).queryKey, fresh);
      onDone();
    },
  });
  return (
    <form
      className="stack"
      onSubmit={(event) => {
        event.preventDefault();
        present.mutate();
      }}
    >
      {allows ? (
        <TextField
          label="Why acid may go on"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
      ) : (
        <>
          <h1>The supervising clinician is in the room</h1>
          <p className={cx("how")}>
            {treatment.plan.formulaCode}, up to {treatment.plan.layersAtMost}: by the practice’s
            policy with the clinician present. Their own sign-in says so.
          </p>
        </>
      )}
      {!own && (
        <div className="row wrap">
          <ClinicianSignIn given={given} onChange={setGiven} autoFocus={!allows} />
        </div>
      )}
      <ErrorNote error={present.error} />
      <div className="row">
        <Button
          type="submit"
          variant="contained"
          autoFocus={own && !allows}
          disabled={
            present.isPending || (!own && !isGiven(given)) || (allows && reason.trim() === "")
          }
        >
          {allows ? "Let acid go on" : "Present, next"}
        </Button>
      </div>
    </form>
  );
}
