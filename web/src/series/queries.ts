import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export function progressQuery(clientId: string) {
  return queryOptions({
    queryKey: ["clients", clientId, "progress"],
    queryFn: async () =>
      body(await api.GET("/api/clients/{id}/progress", { params: { path: { id: clientId } } })),
  });
}

export function coursesQuery(clientId: string) {
  return queryOptions({
    queryKey: ["clients", clientId, "courses"],
    queryFn: async () =>
      body(await api.GET("/api/clients/{id}/courses", { params: { path: { id: clientId } } })),
  });
}

export const scoreWordsQuery = queryOptions({
  queryKey: ["words", "scores"],
  staleTime: Infinity,
  queryFn: async () => body(await api.GET("/api/words/scores")),
});
