import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

export function visitQuery(id: string) {
  return queryOptions({
    queryKey: keys.visit(id),
    queryFn: async () => body(await api.GET("/api/visits/{id}", { params: { path: { id } } })),
  });
}
