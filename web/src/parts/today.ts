import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export const todayQuery = queryOptions({
  queryKey: ["today"],
  queryFn: async () => body(await api.GET("/api/today")),
  refetchInterval: 5000,
});

/** Another day's visits. */
export function dayQuery(day: string) {
  return queryOptions({
    queryKey: ["today", day],
    queryFn: async () => body(await api.GET("/api/today", { params: { query: { day } } })),
  });
}
