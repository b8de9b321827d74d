import type { ReactNode } from "react";

/** A section's heading: what it is at the left, a code or a count at the right. */
export function Strip({ title, code }: { title: string; code?: ReactNode }) {
  return (
    <div className="strip">
      <h2>{title}</h2>
      {code !== undefined && <span>{code}</span>}
    </div>
  );
}
