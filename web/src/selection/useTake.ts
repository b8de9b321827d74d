import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import type { NextStage } from "../api/types";

/** Takes a formula, or several stages, into a plan, and goes there. */
export function useTake(visitId: string) {
  const navigate = useNavigate();
  const changed = useVisitChanged(visitId);
  return useMutation({
    mutationFn: async (choice: { formula: string; reason?: string; then?: NextStage[] }) =>
      body(
        await api.PUT("/api/visits/{id}/choice", {
          params: { path: { id: visitId } },
          body: choice,
        }),
      ),
    onSuccess: async () => {
      await changed();
      await navigate(`/visits/${visitId}/plan`);
    },
  });
}
