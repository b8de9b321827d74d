import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, body } from "../api/client";
import type { Client } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { dayOfYear, plural } from "../parts/words";

/** Erasure at the client's own wish: what goes now, and what the law makes one keep, until when. */
export function EraseAtWish({ client, onClose }: { client: Client; onClose: () => void }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const path = { clientId: client.id };
  const wish = useQuery({
    queryKey: keys.clientPart(client.id, "erasure"),
    queryFn: async () =>
      body(await api.GET("/api/clients/{clientId}/erasure", { params: { path } })),
    staleTime: 0,
  });
  const erase = useMutation({
    mutationFn: async () =>
      body(await api.POST("/api/clients/{clientId}/erasure", { params: { path } })),
    onSuccess: async ({ whole }) => {
      if (whole) await navigate("/clients");
      onClose();
      await queries.invalidateQueries();
    },
  });
  const would = wish.data;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="wish-title">
      <DialogTitle id="wish-title">{client.name} asks to be erased</DialogTitle>
      <DialogContent>
        <div className="stack">
          <ErrorNote error={wish.error ?? erase.error} />
          {would?.whole && (
            <p>
              Nothing was put on this skin here, so nothing must be kept:{" "}
              <b>the whole chart is erased for good.</b>
            </p>
          )}
          {would && !would.whole && (
            <>
              <p>
                <b>
                  Kept, since records of treatments must be, until{" "}
                  {dayOfYear(would.keptUntil ?? "")}:
                </b>{" "}
                name and day of birth, allergies, what was asked, consents with their signatures,
                patch tests, plans, peels, check-ins, red flags with their photos, scores, addenda.
                The years are set with the practice&apos;s details; whether the law here asks for
                more or less is yours to know.
              </p>
              <p>
                <b>Erased now:</b> occupation, home plan, courses, place on the waiting list, the
                diary&apos;s link, photos of check-ins without a red flag.{" "}
                {would.visitsAhead > 0 &&
                  `${plural(would.visitsAhead, "visit")} ahead ${would.visitsAhead === 1 ? "is" : "are"} called off. `}
                The chart is put away.
              </p>
              <p>
                From the day after, the chart stands under “Charts past their time” (How it is), and
                is erased there whole.
              </p>
              {would.askedOn && (
                <p className="soft">Asked before, on {dayOfYear(would.askedOn)}.</p>
              )}
            </>
          )}
          <p className="soft small">
            Backups made before hold it until they are rotated out, within a year. The audit trail
            keeps that it was erased, without a name.
          </p>
        </div>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Leave it
        </Button>
        <Button color="error" disabled={!would || erase.isPending} onClick={() => erase.mutate()}>
          {would?.whole ? "Erase for good" : "Erase what may go"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
