import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { practiceIsIn } from "./words";

/** Who is signed in. */
export const sessionQuery = queryOptions({
  queryKey: keys.session,
  queryFn: async () => {
    const session = body(await api.GET("/api/session"));
    practiceIsIn(session.zone);
    return session;
  },
  staleTime: 60_000,
});
