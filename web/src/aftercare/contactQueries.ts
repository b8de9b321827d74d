import { queryOptions, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { NewCheckIn } from "../api/types";

export const hearFromQuery = queryOptions({
  queryKey: ["check-ins"],
  queryFn: async () => body(await api.GET("/api/check-ins")),
  refetchInterval: 60_000,
});

export function contactQuery(visitId: string) {
  return queryOptions({
    queryKey: ["visit", visitId, "contact"],
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/contact", { params: { path: { id: visitId } } })),
  });
}

/** What complaints come to by themselves, while they are told. */
export function atOnceQuery(visitId: string, complaint: NewCheckIn["complaints"]) {
  return queryOptions({
    queryKey: ["visit", visitId, "contact", "at once", complaint],
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
  queryKey: ["words", "check-in"],
  staleTime: Infinity,
  queryFn: async () => body(await api.GET("/api/words/check-in")),
});

export const outboxQuery = queryOptions({
  queryKey: ["outbox"],
  queryFn: async () => body(await api.GET("/api/outbox")),
});

/** What was heard changes Today, the chart, the verdict of the next visit and its date. */
export function useHeard() {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      [["check-ins"], ["visit"], ["clients"], ["today"], ["outbox"]].map((queryKey) =>
        queries.invalidateQueries({ queryKey }),
      ),
    );
}
