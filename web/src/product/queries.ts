import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { Catalogue } from "../api/types";

export const catalogueQuery = queryOptions({
  queryKey: ["products"],
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
        ["visit", "script-words", "protocols", "judged"].map((key) =>
          queries.invalidateQueries({ queryKey: [key] }),
        ),
      );
    },
  });
}
