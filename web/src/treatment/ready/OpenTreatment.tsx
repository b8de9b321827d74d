import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, body, useVisitChanged } from "../../api/client";
import type { Visit } from "../../api/types";
import { ErrorNote } from "../../parts/ErrorNote";
import { treatmentQuery } from "../couch/useTreatment";
import couchStyles from "../couch/Couch.module.css";
import styles from "./Ready.module.css";

const cx = classNames.bind({ ...couchStyles, ...styles });

/** The client comes in: from here on the plan is fixed and everything is recorded. */
export function OpenTreatment({ visit }: { visit: Visit }) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visit.id);
  const open = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/visits/{visitId}/treatment", {
          params: { path: { visitId: visit.id } },
        }),
      ),
    onSuccess: async (treatment) => {
      queries.setQueryData(treatmentQuery(treatment.couch.id).queryKey, treatment);
      await changed();
    },
  });
  return (
    <main className={cx("couch-screen", "open-treatment")}>
      <h1>{visit.clientName} is here</h1>
      <p>
        {visit.formula} in {visit.room}. From now on every step is kept with its time.
      </p>
      <ErrorNote error={open.error} />
      <div className="row">
        <Button
          variant="contained"
          autoFocus
          onClick={() => open.mutate()}
          disabled={open.isPending}
        >
          Begin
        </Button>
        <Button color="inherit" component={Link} to={`/visits/${visit.id}/plan`}>
          Back to Plan
        </Button>
      </div>
    </main>
  );
}
