import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Language } from "../api/types";
import { keys } from "../api/keys";

/** The sheet in a language; in the client's own where none is asked for. */
export function afterQuery(id: string, language?: Language) {
  return queryOptions({
    queryKey: keys.visitPart(id, "after", language ?? "own"),
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/aftercare", {
          params: { path: { id }, query: { in: language } },
        }),
      ),
  });
}

/** What the client was given, the oldest first. */
export function givenQuery(id: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "given"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/aftercare/given", { params: { path: { id } } })),
  });
}

/** One of them, word for word. */
export function givenSheetQuery(id: string, given: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "given", given),
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/aftercare/given/{given}", {
          params: { path: { id, given } },
        }),
      ),
  });
}
