import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export function afterQuery(id: string) {
  return queryOptions({
    queryKey: ["visit", id, "after"],
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/aftercare", {
          params: { path: { id } },
        }),
      ),
  });
}
