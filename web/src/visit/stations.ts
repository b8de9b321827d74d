import type { StationId } from "../api/types";

export const STATIONS: { id: StationId; label: string; path: string }[] = [
  { id: "CONSULT", label: "Consult", path: "consult" },
  { id: "SCREEN", label: "Screen", path: "screen" },
  { id: "CHOOSE", label: "Choose", path: "choose" },
  { id: "PLAN", label: "Plan", path: "plan" },
  { id: "READY", label: "Ready", path: "ready" },
  { id: "TREAT", label: "Treat", path: "treat" },
  { id: "SETTLE", label: "Settle", path: "settle" },
  { id: "AFTER", label: "After", path: "after" },
];
