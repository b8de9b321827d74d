import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export const todayQuery = queryOptions({
  queryKey: ["today"],
  queryFn: async () => body(await api.GET("/api/today")),
  refetchInterval: 5000,
});

export function visitQuery(id: string) {
  return queryOptions({
    queryKey: ["visit", id],
    queryFn: async () => body(await api.GET("/api/visits/{id}", { params: { path: { id } } })),
  });
}
