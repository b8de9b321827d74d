import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { NextStage, NumbersTried } from "../api/types";
import { keys } from "../api/keys";

export function rackQuery(id: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "selection"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/selection", { params: { path: { id } } })),
  });
}

/** What other numbers would do; the answer before stays until the next is there. */
export function tryQuery(id: string, numbers: NumbersTried | null) {
  return queryOptions({
    queryKey: keys.visitPart(id, "selection", "try", numbers),
    queryFn: async () =>
      body(
        await api.POST("/api/visits/{id}/selection/try", {
          params: { path: { id } },
          body: numbers!,
        }),
      ),
    enabled: numbers !== null,
    retry: false,
    placeholderData: keepPreviousData,
  });
}

/** What some stages would be together. */
export function chainQuery(id: string, formula: string, then: NextStage[]) {
  return queryOptions({
    queryKey: keys.visitPart(id, "selection", "chain", formula, then),
    queryFn: async () =>
      (
        await api.POST("/api/visits/{id}/chain", {
          params: { path: { id } },
          body: { formula, then },
        })
      ).data ?? null,
    enabled: then.length > 0,
    retry: false,
    placeholderData: keepPreviousData,
  });
}
