import { queryOptions, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { NewCheckIn } from "../api/types";
import { keys } from "../api/keys";

export const hearFromQuery = queryOptions({
  queryKey: keys.checkIns,
  queryFn: async () => body(await api.GET("/api/check-ins")),
  refetchInterval: 60_000,
});

export function contactQuery(visitId: string) {
  return queryOptions({
    queryKey: keys.visitPart(visitId, "contact"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/contact", { params: { path: { id: visitId } } })),
  });
}

/** What complaints come to by themselves, while they are told. */
export function atOnceQuery(visitId: string, complaint: NewCheckIn["complaints"]) {
  return queryOptions({
    queryKey: keys.visitPart(visitId, "contact", "at once", complaint),
    enabled: complaint.length > 0,
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/contact/at-once", {
          params: { path: { id: visitId }, query: { complaint } },
        }),
      ),
  });
}

export const checkInWordsQuery = queryOptions({
  queryKey: keys.words("check-in"),
  staleTime: Infinity,
  queryFn: async () => body(await api.GET("/api/words/check-in")),
});

export const outboxQuery = queryOptions({
  queryKey: keys.outbox,
  queryFn: async () => body(await api.GET("/api/outbox")),
});

/** What was heard changes Today, the chart, the verdict of the next visit and its date. */
export function useHeard() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      [keys.checkIns, keys.visits, keys.clients, keys.today, keys.outbox].map((queryKey) =>
        queries.invalidateQueries({ queryKey }),
      ),
    );
}
