import type { ReactNode } from "react";
import styles from "./QrCode.module.css";

const ALONE = /^https?:\/\/(127\.|localhost)/;

/** An address to be taken up by a phone. */
export function QrCode({
  address,
  qr,
  size,
  says,
  children,
}: {
  address: string;
  qr: string;
  size: number;
  says: string;
  children?: ReactNode;
}) {
  return (
    <div className={styles.code}>
      <svg viewBox={`0 0 ${size} ${size}`} role="img" aria-label={`QR code of ${address}`}>
        <path d={qr} />
      </svg>
      <div>
        <p>{address.split("#")[0]}</p>
        {children}
        <p className="soft">{says}</p>
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
