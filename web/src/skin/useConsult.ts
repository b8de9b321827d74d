import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, body, NoServer, Problem } from "../api/client";
import type { Consult } from "../api/types";
import { keys } from "../api/keys";
import { consultQuery } from "./queries";

interface Waiting {
  part: Partial<Consult>;
  done: (error?: unknown) => void;
}

/**
 * The consult of a visit, saved as it is given: each change is shown at once and sent after the one
 * before it. What could not be sent stays on the screen and is sent again; what the server will not
 * have is taken back alone, with its reason.
 */
export function useConsult(visitId: string) {
  const queries = useQueryClient();
  const query = useQuery(consultQuery(visitId));
  const [unsaved, setUnsaved] = useState<Partial<Consult>[]>([]);
  const [error, setError] = useState<unknown>(null);
  const [savedAt, setSavedAt] = useState<Date | null>(null);
  const queue = useRef<Waiting[]>([]);
  const sending = useRef(false);
  const key = consultQuery(visitId).queryKey;

  function show() {
    setUnsaved(queue.current.map((waiting) => waiting.part));
  }

  async function send() {
    if (sending.current) return;
    sending.current = true;
    for (let next = queue.current[0]; next; next = queue.current[0]) {
      const saved = queries.getQueryData(key);
      if (!saved) break;
      let refused: unknown;
      try {
        const fresh = body(
          await api.PUT("/api/visits/{id}/consult", {
            params: { path: { id: visitId } },
            body: { consult: { ...saved.consult, ...next.part }, version: saved.version },
          }),
        );
        queries.setQueryData(key, fresh);
        setError(null);
        setSavedAt(new Date());
      } catch (problem) {
        setError(problem);
        if (problem instanceof NoServer || (problem instanceof Problem && problem.status === 409)) {
          if (problem instanceof NoServer) window.setTimeout(() => void send(), 2000);
          break;
        }
        refused = problem;
      }
      queue.current = queue.current.slice(1);
      show();
      next.done(refused);
    }
    sending.current = false;
    await queries.invalidateQueries({ queryKey: keys.visit(visitId), exact: true });
    await queries.invalidateQueries({ queryKey: keys.visitPart(visitId, "screening") });
  }

  /** Resolves once it is saved; rejects when the server will not have it. */
  function change(part: Partial<Consult>): Promise<void> {
    return new Promise((resolve, reject) => {
      queue.current = [
        ...queue.current,
        {
          part,
          done: (refused) =>
            refused === undefined
              ? resolve()
              : reject(refused instanceof Error ? refused : new Error(String(refused))),
        },
      ];
      show();
      void send();
    });
  }

  const consult = query.data && Object.assign({}, query.data.consult, ...unsaved);
  return {
    state: query.data,
    consult: consult as Consult | undefined,
    /** For a tap, whose refusal stands at the top of the screen. */
    change: (part: Partial<Consult>) => void change(part).catch(() => undefined),
    /** For a form that shows the refusal itself. */
    submit: (part: Partial<Consult>) =>
      change(part).catch((refused: unknown) => {
        setError(null);
        throw refused;
      }),
    error: error ?? query.error,
    savedAt,
    /** Takes what another screen saved, and sends what is still unsaved here on top of it. */
    reload: async () => {
      setError(null);
      await query.refetch();
      await send();
    },
  };
}
