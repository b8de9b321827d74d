import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

export function screeningQuery(id: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "screening"),
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/screening", {
          params: { path: { id } },
        }),
      ),
  });
}

/** The questions as they are asked; they change with the program only. */
export const questionWordsQuery = queryOptions({
  queryKey: keys.words("screening"),
  queryFn: async () => body(await api.GET("/api/words/screening")),
  staleTime: Infinity,
});

export function consentQuery(id: string) {
  return queryOptions({
    queryKey: keys.consent(id),
    queryFn: async () => body(await api.GET("/api/consents/{id}", { params: { path: { id } } })),
  });
}

/** The text of the consent; its version is signed with it. */
export const consentWordsQuery = queryOptions({
  queryKey: keys.words("consent"),
  queryFn: async () => body(await api.GET("/api/words/consent")),
});
