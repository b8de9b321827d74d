import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Client } from "../api/types";
import { keys } from "../api/keys";
import { ClientPicker } from "../client/ClientPicker";
import { ErrorNote } from "../parts/ErrorNote";
import { records } from "../parts/tableWords";
import { dayOfYear } from "../parts/words";

function counted(rows: Record<string, number>): string {
  return Object.entries(rows)
    .map(([table, n]) => records(table, n))
    .join(", ");
}

/** So many pairs of visits are named, the others counted. */
const NAMED = 3;

/** Joins the chart of the same person, that was begun twice, into this one. */
export function JoinCharts({ client, onClose }: { client: Client; onClose: () => void }) {
  const queries = useQueryClient();
  const [other, setOther] = useState<Client | null>(null);
  const path = { id: client.id, other: other?.id ?? "" };
  const preview = useQuery({
    queryKey: keys.clientPart(client.id, "joined", other?.id),
    queryFn: async () =>
      body(await api.GET("/api/clients/{id}/joined/{other}", { params: { path } })),
    enabled: other !== null,
    staleTime: 0,
  });
  const join = useMutation({
    mutationFn: async () => api.POST("/api/clients/{id}/joined/{other}", { params: { path } }),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose();
    },
  });
  const would = preview.data;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="join-title">
      <DialogTitle id="join-title">Another chart of {client.name}</DialogTitle>
      <DialogContent>
        <div className="stack">
          <p>The same person, entered twice: the other chart is joined into this one.</p>
          <ClientPicker
            label="The other chart"
            value={other}
            onChange={setOther}
            without={client.id}
            said={(one) => `${one.name}, born ${dayOfYear(one.dateOfBirth)}`}
          />
          <ErrorNote error={preview.error ?? join.error} />
          {would && (
            <>
              {would.refused && <p className="warn">{would.refused}</p>}
              {!would.refused && (
                <>
                  {would.other.dateOfBirth !== client.dateOfBirth && (
                    <p className="warn">
                      The days of birth differ: {dayOfYear(client.dateOfBirth)} here,{" "}
                      {dayOfYear(would.other.dateOfBirth)} there. Is it one person?
                    </p>
                  )}
                  <p>
                    <b>Comes over:</b> {counted(would.moved) || "nothing that was recorded"}.
                  </p>
                  {Object.keys(would.stays).length > 0 && (
                    <p>
                      <b>Stays there, since this chart has its own:</b> {counted(would.stays)}.
                    </p>
                  )}
                  <p>
                    <b>Allergies and comforts of both hold.</b> Told here:{" "}
                    {client.allergies || "none"}; there: {would.other.allergies || "none"}.
                  </p>
                  {would.near.length > 0 && (
                    <div className="warn">
                      Booked too near to each other; move one of each:
                      <ul>
                        {would.near.slice(0, NAMED).map((pair) => (
                          <li key={pair}>{pair}</li>
                        ))}
                      </ul>
                      {would.near.length > NAMED && `and ${would.near.length - NAMED} more.`}
                    </div>
                  )}
                  <p className="soft small">
                    Name, day of birth and the rest stay as they are here. The other chart is put
                    away, and can be taken apart again.
                  </p>
                </>
              )}
            </>
          )}
        </div>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Leave both
        </Button>
        <Button
          variant="contained"
          disabled={!would || would.refused !== undefined || join.isPending}
          onClick={() => join.mutate()}
        >
          Join them
        </Button>
      </DialogActions>
    </Dialog>
  );
}
