import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

export function progressQuery(clientId: string) {
  return queryOptions({
    queryKey: keys.clientPart(clientId, "progress"),
    queryFn: async () =>
      body(await api.GET("/api/clients/{id}/progress", { params: { path: { id: clientId } } })),
  });
}

export function coursesQuery(clientId: string) {
  return queryOptions({
    queryKey: keys.clientPart(clientId, "courses"),
    queryFn: async () =>
      body(await api.GET("/api/clients/{id}/courses", { params: { path: { id: clientId } } })),
  });
}

export const scoreWordsQuery = queryOptions({
  queryKey: keys.words("scores"),
  staleTime: Infinity,
  queryFn: async () => body(await api.GET("/api/words/scores")),
});
