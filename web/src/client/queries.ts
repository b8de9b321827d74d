import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

/** So many entries the server says at a time. */
const AUDIT_PAGE = 200;

/** Clients by any part of the name; the answer before stays in sight until the next is there. */
export function findClientsQuery(find: string, archived = false) {
  return queryOptions({
    queryKey: keys.clientsFound(find.trim(), archived),
    queryFn: async () =>
      body(await api.GET("/api/clients", { params: { query: { find: find.trim(), archived } } })),
    placeholderData: keepPreviousData,
  });
}

/** The same as the list of Clients shows it: all of them by pages, or the ones found. */
export function listedClientsQuery(find: string, archived: boolean) {
  return infiniteQueryOptions({
    queryKey: keys.clientsListed(find.trim(), archived),
    queryFn: async ({ pageParam }) =>
      body(
        await api.GET("/api/clients", {
          params: { query: { find: find.trim(), archived, after: pageParam } },
        }),
      ),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last, pages) =>
      !find.trim() && pages.flatMap((page) => page.clients).length < last.total
        ? last.clients.at(-1)?.id
        : undefined,
    placeholderData: keepPreviousData,
  });
}

export function clientQuery(id: string) {
  return queryOptions({
    queryKey: keys.client(id),
    queryFn: async () => body(await api.GET("/api/clients/{id}", { params: { path: { id } } })),
  });
}

export function clientVisitsQuery(clientId: string) {
  return queryOptions({
    queryKey: keys.clientPart(clientId, "visits"),
    queryFn: async () =>
      body(
        await api.GET("/api/clients/{clientId}/visits", {
          params: { path: { clientId } },
        }),
      ),
  });
}

/** Who looked at something and who changed it, the newest first. */
export function auditQuery(id: string) {
  return infiniteQueryOptions({
    queryKey: keys.audit(id),
    queryFn: async ({ pageParam }) =>
      body(
        await api.GET("/api/audit/{id}", {
          params: { path: { id }, query: { before: pageParam } },
        }),
      ),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (last) => (last.length === AUDIT_PAGE ? last.at(-1)?.id : undefined),
    staleTime: 0,
  });
}
