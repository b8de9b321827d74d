import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

/** Clients by any part of the name; the answer before stays in sight until the next is there. */
export function findClientsQuery(find: string, archived = false) {
  return queryOptions({
    queryKey: ["clients", "found", find.trim(), archived],
    queryFn: async () =>
      body(await api.GET("/api/clients", { params: { query: { find: find.trim(), archived } } })),
    placeholderData: keepPreviousData,
  });
}

export function clientQuery(id: string) {
  return queryOptions({
    queryKey: ["clients", id],
    queryFn: async () => body(await api.GET("/api/clients/{id}", { params: { path: { id } } })),
  });
}

export function clientVisitsQuery(clientId: string) {
  return queryOptions({
    queryKey: ["clients", clientId, "visits"],
    queryFn: async () =>
      body(
        await api.GET("/api/clients/{clientId}/visits", {
          params: { path: { clientId } },
        }),
      ),
  });
}

export function auditQuery(id: string) {
  return queryOptions({
    queryKey: ["audit", id],
    queryFn: async () => body(await api.GET("/api/audit/{id}", { params: { path: { id } } })),
    staleTime: 0,
  });
}
