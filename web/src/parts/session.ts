import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { practiceIsIn } from "./words";

/** Who is signed in. */
export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: async () => {
    const session = body(await api.GET("/api/session"));
    practiceIsIn(session.zone);
    return session;
  },
  staleTime: 60_000,
});
