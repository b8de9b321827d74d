import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Language, Region, Run } from "../api/types";
import { keys } from "../api/keys";

export const scriptWordsQuery = queryOptions({
  queryKey: keys.scriptWords,
  queryFn: async () => body(await api.GET("/api/words/script")),
});

export const protocolsQuery = queryOptions({
  queryKey: keys.protocols,
  queryFn: async () => body(await api.GET("/api/protocols")),
});

export function protocolQuery(id: string) {
  return queryOptions({
    queryKey: keys.protocol(id),
    queryFn: async () => body(await api.GET("/api/protocols/{id}", { params: { path: { id } } })),
  });
}

export function protocolVersionQuery(id: string, version: number) {
  return queryOptions({
    queryKey: keys.protocol(id, version),
    queryFn: async () =>
      body(
        await api.GET("/api/protocols/{id}/versions/{version}", {
          params: { path: { id, version } },
        }),
      ),
  });
}

/** What there is to say to some steps, asked anew at each change; until it is answered the last
    answer stands. */
export function judgedQuery(runs: Run[], visit: string | undefined) {
  return queryOptions({
    queryKey: keys.judged(visit ?? "", runs),
    queryFn: async ({ signal }) =>
      body(await api.POST("/api/scripts/judgement", { body: { runs, visit }, signal })),
    placeholderData: keepPreviousData,
    enabled: runs.every((run) => run.steps.length > 0),
    gcTime: 10_000,
  });
}

export function planQuery(id: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "plan"),
    queryFn: async () => body(await api.GET("/api/visits/{id}/plan", { params: { path: { id } } })),
  });
}

export function regionFormulasQuery(id: string, region: Region) {
  return queryOptions({
    queryKey: keys.visitPart(id, "region", region),
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/regions/{region}", { params: { path: { id, region } } }),
      ),
  });
}

/** The weeks before for the client's hand; in the client's own language where none is asked for. */
export function prepSheetQuery(id: string, language?: Language) {
  return queryOptions({
    queryKey: keys.visitPart(id, "prep-sheet", language ?? "own"),
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/prep-sheet", {
          params: { path: { id }, query: { in: language } },
        }),
      ),
  });
}
