import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export function visitQuery(id: string) {
  return queryOptions({
    queryKey: ["visit", id],
    queryFn: async () => body(await api.GET("/api/visits/{id}", { params: { path: { id } } })),
  });
}
