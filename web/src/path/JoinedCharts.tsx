import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { useMay } from "../parts/practice";
import { dayOfYear } from "../parts/words";

/** Which charts are joined with this one, and the way back. */
export function JoinedCharts({ clientId }: { clientId: string }) {
  const queries = useQueryClient();
  const treats = useMay("TREAT");
  const joined = useQuery({
    queryKey: keys.clientPart(clientId, "joined"),
    queryFn: async () =>
      body(await api.GET("/api/clients/{id}/joined", { params: { path: { id: clientId } } })),
  });
  const apart = useMutation({
    mutationFn: async (id: string) => api.DELETE("/api/joined/{id}", { params: { path: { id } } }),
    onSuccess: () => queries.invalidateQueries(),
  });
  const error = joined.error ?? apart.error;
  if (!error && !joined.data?.length) return null;
  return (
    <section aria-label="Joined charts">
      <ErrorNote error={error} />
      {joined.data?.map((one) => {
        const here = one.kept.id === clientId;
        const other = here ? one.other : one.kept;
        return (
          <p key={one.id} className="pad-small row wrap">
            <span className="grow">
              {here ? "Holds also the chart of " : "Joined into the chart of "}
              <Link to={`/clients/${other.id}`}>{other.name}</Link>, since {dayOfYear(one.on)} by{" "}
              {one.who}.
            </span>
            {treats && (
              <Button
                size="small"
                color="inherit"
                disabled={apart.isPending}
                onClick={() => apart.mutate(one.id)}
              >
                Take apart
              </Button>
            )}
          </p>
        );
      })}
    </section>
  );
}
