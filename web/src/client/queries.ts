import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export const clientsQuery = queryOptions({
  queryKey: ["clients"],
  queryFn: async () => body(await api.GET("/api/clients")),
});

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
