import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Catalogue } from "../api/types";
import { keys } from "../api/keys";

export const catalogueQuery = queryOptions({
  queryKey: keys.products,
  queryFn: async () => body(await api.GET("/api/products")),
});

/** Writes to the catalogue; what was kept shows at once, and every script is judged anew. */
export function useCatalogueWrite<T>(write: (value: T) => Promise<Catalogue>, done?: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: async (fresh) => {
      queries.setQueryData(catalogueQuery.queryKey, fresh);
      done?.();
      await Promise.all(
        [keys.visits, keys.scriptWords, keys.protocols, keys.judged()].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      );
    },
  });
}
