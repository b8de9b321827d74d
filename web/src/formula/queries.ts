import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

/** Substances and formulas to start from; they do not change while a page is open. */
export const benchWordsQuery = queryOptions({
  queryKey: keys.bench("words"),
  queryFn: async () => body(await api.GET("/api/bench")),
  staleTime: Infinity,
});

/** An answer as one types: the one before stays until the next is there; nothing is saved. */
export function answerQuery<F, A>(tool: string, facts: F | null, ask: (facts: F) => Promise<A>) {
  return queryOptions({
    queryKey: keys.bench(tool, facts),
    queryFn: () => ask(facts as F),
    enabled: facts !== null,
    retry: false,
    placeholderData: facts === null ? undefined : keepPreviousData,
  });
}
