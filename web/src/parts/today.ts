import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

export const todayQuery = queryOptions({
  queryKey: keys.today,
  queryFn: async () => body(await api.GET("/api/today")),
  refetchInterval: 5000,
});

/** Another day's visits. */
export function dayQuery(day: string) {
  return queryOptions({
    queryKey: keys.todayOf(day),
    queryFn: async () => body(await api.GET("/api/today", { params: { query: { day } } })),
  });
}
