import type { Verdict } from "../api/types";

const COLOUR: Record<Verdict, string> = {
  PROCEED: "var(--accent)",
  ADAPT: "var(--resin)",
  WAIT: "var(--slate)",
  REFER: "var(--resin)",
  STOP: "var(--madder)",
};

/** The shape of a verdict; the word always stands beside it. */
export function VerdictMark({ verdict, size = 17 }: { verdict: Verdict; size?: number }) {
  const colour = COLOUR[verdict];
  return (
    <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true" style={{ flex: "none" }}>
      {verdict === "PROCEED" && <circle cx="10" cy="10" r="9" fill={colour} />}
      {verdict === "ADAPT" && (
        <>
          <circle cx="10" cy="10" r="8" fill="none" stroke={colour} strokeWidth="2" />
          <path d="M 10 2 A 8 8 0 0 0 10 18 Z" fill={colour} />
        </>
      )}
      {verdict === "WAIT" && <path d="M 10 10 V 1 A 9 9 0 1 1 1 10 Z" fill={colour} />}
      {verdict === "REFER" && (
        <path d="M 10 2 L 18 10 L 10 18 L 2 10 Z" fill="none" stroke={colour} strokeWidth="2.4" />
      )}
      {verdict === "STOP" && <rect x="2" y="2" width="16" height="16" fill={colour} />}
    </svg>
  );
}
