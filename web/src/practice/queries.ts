import { queryOptions } from "@tanstack/react-query";
import { api, body } from "../api/client";

export const policiesQuery = queryOptions({
  queryKey: ["policies"],
  queryFn: async () => body(await api.GET("/api/practice/policies")),
});

export const decisionTableQuery = queryOptions({
  queryKey: ["decision-table"],
  queryFn: async () => body(await api.GET("/api/decision-table")),
  staleTime: Infinity,
});

export const peopleQuery = queryOptions({
  queryKey: ["people"],
  queryFn: async () => body(await api.GET("/api/people")),
});

export const healthQuery = queryOptions({
  queryKey: ["health"],
  queryFn: async () => body(await api.GET("/api/health")),
});

export const selfQuery = queryOptions({
  queryKey: ["self"],
  queryFn: async () => body(await api.GET("/api/self")),
});

export const pastTimeQuery = queryOptions({
  queryKey: ["past-time"],
  queryFn: async () => body(await api.GET("/api/past-time")),
});
