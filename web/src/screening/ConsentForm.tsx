import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, useVisitChanged } from "../api/client";
import type { Family, ScreeningState, Visit } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { screeningQuery } from "./queries";

/** Consent by family of formulas, valid for twelve months. */
export function ConsentForm({ visit, state }: { visit: Visit; state: ScreeningState }) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visit.id);
  const missing = state.consents.filter((family) => !family.signed).map((family) => family.id);
  const [families, setFamilies] = useState<Family[] | null>(null);
  const [name, setName] = useState("");
  const [guardian, setGuardian] = useState("");
  const chosen = (families ?? missing).filter((family) => missing.includes(family));
  const sign = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/visits/{id}/consents", {
          params: { path: { id: visit.id } },
          body: {
            families: chosen,
            signedBy: name,
            guardian: guardian || undefined,
          },
        }),
      ),
    onSuccess: async (fresh) => {
      queries.setQueryData(screeningQuery(visit.id).queryKey, fresh);
      setFamilies(null);
      await changed();
    },
  });
  const toggle = (family: Family) =>
    setFamilies(chosen.includes(family) ? chosen.filter((f) => f !== family) : [...chosen, family]);
  return (
    <div className="group">
      <Strip
        title="Consent"
        code={`${state.consents.length - missing.length} of ${state.consents.length} families`}
      />
      <div className="consent">
        <p className="small">
          Read together: what the acid does, what it will feel like, the days after, dark or light
          marks, infection, cold sores, scars; that it may be ended at any time.
        </p>
        <div className="row wrap">
          {state.consents.map((family) =>
            family.signed ? (
              <span key={family.id} className="family signed">
                {family.label} signed
              </span>
            ) : (
              <button
                key={family.id}
                type="button"
                className="family"
                aria-pressed={chosen.includes(family.id)}
                onClick={() => toggle(family.id)}
              >
                {family.label}
              </button>
            ),
          )}
        </div>
        {missing.length > 0 && (
          <div className="row wrap">
            <TextField
              label="Client signs with full name"
              value={name}
              onChange={(e) => setName(e.target.value)}
              sx={{ flex: "1 1 220px" }}
            />
            {state.minor && (
              <TextField
                label="Guardian signs with full name"
                value={guardian}
                onChange={(e) => setGuardian(e.target.value)}
                sx={{ flex: "1 1 220px" }}
              />
            )}
            <Button
              disabled={!name.trim() || chosen.length === 0 || sign.isPending}
              onClick={() => sign.mutate()}
            >
              Sign consent
            </Button>
          </div>
        )}
        <ErrorNote error={sign.error} />
      </div>
    </div>
  );
}
