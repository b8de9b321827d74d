import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Shelf } from "../api/types";
import { keys } from "../api/keys";

export const shelfQuery = queryOptions({
  queryKey: keys.shelf,
  queryFn: async () => body(await api.GET("/api/shelf")),
});

/** Writes to the shelf; what was kept shows at once, and every rack is judged anew. */
export function useShelfWrite<T>(write: (value: T) => Promise<Shelf>, done?: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: async (fresh) => {
      queries.setQueryData(shelfQuery.queryKey, fresh);
      done?.();
      await queries.invalidateQueries({ queryKey: keys.visits });
      await queries.invalidateQueries({ queryKey: keys.bench() });
    },
  });
}
