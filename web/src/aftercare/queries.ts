import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Language } from "../api/types";

/** The sheet in a language; in the client's own where none is asked for. */
export function afterQuery(id: string, language?: Language) {
  return queryOptions({
    queryKey: ["visit", id, "after", language ?? "own"],
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/aftercare", {
          params: { path: { id }, query: { in: language } },
        }),
      ),
  });
}
