import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, body, NoServer } from "../api/client";
import type { Consult, ConsultState } from "../api/types";
import { consultQuery } from "./queries";

/**
 * The consult of a visit, saved as it is given: each change is shown at once and sent after the one
 * before it. What could not be sent stays on the screen and is sent again.
 */
export function useConsult(visitId: string) {
  const queries = useQueryClient();
  const query = useQuery(consultQuery(visitId));
  const [draft, setDraft] = useState<Consult | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [savedAt, setSavedAt] = useState<Date | null>(null);
  const waiting = useRef<Consult | null>(null);
  const sending = useRef(false);

  async function send() {
    if (sending.current) return;
    sending.current = true;
    while (waiting.current) {
      const consult: Consult = waiting.current;
      waiting.current = null;
      const key = consultQuery(visitId).queryKey;
      const version = queries.getQueryData<ConsultState>(key)?.version ?? 0;
      try {
        const saved = body(
          await api.PUT("/api/visits/{id}/consult", {
            params: { path: { id: visitId } },
            body: { consult, version },
          }),
        );
        queries.setQueryData(key, saved);
        setError(null);
        setSavedAt(new Date());
        if (!waiting.current) setDraft(null);
      } catch (problem) {
        setError(problem);
        if (problem instanceof NoServer) {
          waiting.current ??= consult;
          window.setTimeout(() => void send(), 2000);
        }
        break;
      }
    }
    sending.current = false;
    await queries.invalidateQueries({
      queryKey: ["visit", visitId],
      exact: true,
    });
  }

  function change(part: Partial<Consult>) {
    const base = draft ?? query.data?.consult;
    if (!base) return;
    const next = { ...base, ...part };
    setDraft(next);
    waiting.current = next;
    void send();
  }

  return {
    state: query.data,
    consult: draft ?? query.data?.consult,
    change,
    error: error ?? query.error,
    savedAt,
    reload: async () => {
      setDraft(null);
      setError(null);
      await query.refetch();
    },
  };
}
