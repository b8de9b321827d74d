import { useQuery } from "@tanstack/react-query";
import type { Treatment } from "../../api/types";
import { ErrorNote } from "../../parts/ErrorNote";
import { summaryQuery } from "./useTreatment";

/** The whole peel in words, so far or as it is signed. */
export function Summary({ treatment, className }: { treatment: Treatment; className?: string }) {
  const summary = useQuery(summaryQuery(treatment));
  return summary.isError ? (
    <ErrorNote error={summary.error} />
  ) : (
    <p className={className}>{summary.data}</p>
  );
}
