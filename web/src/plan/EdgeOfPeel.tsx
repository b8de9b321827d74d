import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { EDGES } from "../api/enumWords";
import type { Edge, PlanStation } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { FaceMap } from "../parts/FaceMap";
import { planQuery } from "./queries";
import styles from "./EdgeOfPeel.module.css";

/** How far the peel of a face goes below, and fades; chosen once, it is taken up next time. */
export function EdgeOfPeel({
  station,
  visitId,
  locked,
}: {
  station: PlanStation;
  visitId: string;
  locked: boolean;
}) {
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: async (edge: Edge) =>
      body(
        await api.PUT("/api/visits/{id}/edge", {
          params: { path: { id: visitId } },
          body: { edge },
        }),
      ),
    onSuccess: (fresh) => queries.setQueryData(planQuery(visitId).queryKey, fresh),
  });
  const { edge } = station.plan;
  if (edge === undefined) return null;
  return (
    <div className={styles.edge}>
      <FaceMap
        zones={Object.fromEntries(station.plan.zones.map((zone) => [zone, { tint: 1 }]))}
        crop="neck"
        edge={edge}
        label="Where the peel fades"
      />
      <fieldset>
        <legend>Its edge</legend>
        {station.edges.map((one) => (
          <label key={one}>
            <input
              type="radio"
              name="edge"
              checked={one === edge}
              disabled={locked || choose.isPending || station.edges.length === 1}
              onChange={() => choose.mutate(one)}
            />
            {EDGES[one]}
          </label>
        ))}
        <small className="soft">by light dabs, never a hard stop</small>
        <ErrorNote error={choose.error} />
      </fieldset>
    </div>
  );
}
