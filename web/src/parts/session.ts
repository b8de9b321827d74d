import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

/** Who is signed in. */
export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: async () => body(await api.GET("/api/session")),
  staleTime: 60_000,
});
