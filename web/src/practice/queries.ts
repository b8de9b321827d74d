import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";

export const policiesQuery = queryOptions({
  queryKey: keys.policies,
  queryFn: async () => body(await api.GET("/api/practice/policies")),
});

export const decisionTableQuery = queryOptions({
  queryKey: keys.decisionTable,
  queryFn: async () => body(await api.GET("/api/decision-table")),
  staleTime: Infinity,
});

export const peopleQuery = queryOptions({
  queryKey: keys.people,
  queryFn: async () => body(await api.GET("/api/people")),
});

export const healthQuery = queryOptions({
  queryKey: keys.health,
  queryFn: async () => body(await api.GET("/api/health")),
});

export const selfQuery = queryOptions({
  queryKey: keys.self,
  queryFn: async () => body(await api.GET("/api/self")),
});

export const pastTimeQuery = queryOptions({
  queryKey: keys.pastTime,
  queryFn: async () => body(await api.GET("/api/past-time")),
});
