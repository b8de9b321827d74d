import { queryOptions, useQuery } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Right } from "../api/types";
import { keys } from "../api/keys";
import { sessionQuery } from "./session";

/** The practice: its rooms, opening and closed days. */
export const practiceQuery = queryOptions({
  queryKey: keys.practice,
  queryFn: async () => body(await api.GET("/api/practice")),
  staleTime: 60_000,
});

/** Whether who is signed in may do what belongs to a right; the server asks it again. */
export function useMay(right: Right): boolean {
  return useQuery(sessionQuery).data?.rights.includes(right) ?? false;
}
