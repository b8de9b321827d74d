import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Treatment } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import styles from "./HandsetCode.module.css";

const ALONE = /^https?:\/\/(127\.|localhost)/;

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
  const { code, address, qr, size } = show.data;
  return (
    <div className={styles.code}>
      <svg viewBox={`0 0 ${size} ${size}`} role="img" aria-label={`QR code of ${address}`}>
        <path d={qr} />
      </svg>
      <div>
        <p>{address.split("#")[0]}</p>
        <p>
          <b className="mono">{code}</b>
        </p>
        <p className="soft">Once, within 15 minutes.</p>
        {ALONE.test(address) && (
          <p className="warn">
            This Ivesk is open to this machine alone: a phone reaches it once it is started with
            --lan.
          </p>
        )}
      </div>
    </div>
  );
}
