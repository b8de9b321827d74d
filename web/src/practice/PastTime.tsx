import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { PastTime as Chart } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { dayOfYear } from "../parts/words";
import { pastTimeQuery } from "./queries";

/** Charts that need not be kept any longer; each is taken out by hand. */
export function PastTime() {
  const queries = useQueryClient();
  const past = useQuery(pastTimeQuery);
  const [erasing, setErasing] = useState<Chart | null>(null);
  const erase = useMutation({
    mutationFn: async (clientId: string) =>
      body(await api.DELETE("/api/past-time/{clientId}", { params: { path: { clientId } } })),
    onSuccess: async (left) => {
      queries.setQueryData(pastTimeQuery.queryKey, left);
      setErasing(null);
      await queries.invalidateQueries({ queryKey: keys.clients });
    },
  });
  return (
    <section aria-label="Charts past their time">
      <Strip title="Charts past their time" code={past.data?.length} />
      <ErrorNote error={past.error} />
      {past.data?.length === 0 && (
        <p className="pad-small soft small">
          None. How many years charts are kept is set with the practice&apos;s details.
        </p>
      )}
      {past.data?.map((chart) => (
        <div key={chart.clientId} className="line">
          <span className="grow">
            {chart.name}
            <small className="under">
              last visit {dayOfYear(chart.lastVisit)}, to be kept until {dayOfYear(chart.keptUntil)}
              {chart.askedOn && `, asked to be erased ${dayOfYear(chart.askedOn)}`}
            </small>
          </span>
          <Button size="small" color="inherit" onClick={() => setErasing(chart)}>
            Erase
          </Button>
        </div>
      ))}
      {erasing && (
        <Dialog open onClose={() => setErasing(null)} aria-labelledby="erase-title">
          <DialogTitle id="erase-title">Erase the chart of {erasing.name}?</DialogTitle>
          <DialogContent>
            <p>
              Everything is taken out for good: visits, answers, consents with their signatures,
              plans, peels. What stays is the line in the audit trail that you erased it, without a
              name, and the backups made before, until they are rotated out within a year. Whether
              the law asks for longer is yours to know.
            </p>
            <ErrorNote error={erase.error} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setErasing(null)}>Keep it</Button>
            <Button
              color="error"
              disabled={erase.isPending}
              onClick={() => erase.mutate(erasing.clientId)}
            >
              Erase for good
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </section>
  );
}
