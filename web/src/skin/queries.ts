import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

/** The words of the consult, which do not change while a page is open. */
export const consultWordsQuery = queryOptions({
  queryKey: keys.words("consult"),
  queryFn: async () => body(await api.GET("/api/words/consult")),
  staleTime: Infinity,
});

export function consultQuery(id: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "consult"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/consult", { params: { path: { id } } })),
  });
}

export const productKindsQuery = queryOptions({
  queryKey: keys.productKinds,
  queryFn: async () => body(await api.GET("/api/product-kinds")),
});
