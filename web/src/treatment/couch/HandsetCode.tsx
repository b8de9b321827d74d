import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { api, body } from "../../api/client";
import type { Treatment } from "../../api/types";
import { ErrorNote } from "../../parts/ErrorNote";
import { QrCode } from "../../parts/QrCode";

/** A code for the client's phone; the one shown before is out. */
export function HandsetCode({ treatment }: { treatment: Treatment }) {
  const show = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/treatments/{id}/handset", { params: { path: { id: treatment.id } } }),
      ),
  });
  if (!show.data) {
    return (
      <>
        <p className="soft">
          The client&apos;s phone says a number, a hot spot or stop. A new code puts the handset of
          before out.
        </p>
        <ErrorNote error={show.error} />
        <Button variant="contained" onClick={() => show.mutate()}>
          Show a code
        </Button>
      </>
    );
  }
  const { code, ...qr } = show.data;
  return (
    <QrCode {...qr} says="Once, within 15 minutes.">
      <p>
        <b className="mono">{code}</b>
      </p>
    </QrCode>
  );
}
