import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { CommitField } from "../parts/CommitField";

const MOST_DAYS = 30;

function flakesQuery(visitId: string) {
  return queryOptions({
    queryKey: keys.visitPart(visitId, "flakes"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/flakes", { params: { path: { id: visitId } } })),
  });
}

/** From which day to which the skin flaked after a peel, as the client tells it. */
export function FlakesTold({ visitId }: { visitId: string }) {
  const queries = useQueryClient();
  const told = useQuery(flakesQuery(visitId)).data?.told;
  return (
    <CommitField
      label="Flakes after it, from day to day"
      value={told === undefined ? "" : told.last === 0 ? "none" : `${told.first}-${told.last}`}
      helperText="like 2-5, or none; from three peels on these days count instead of the formula’s"
      onCommit={async (text) => {
        const days = daysOf(text);
        if (!days) throw new Error(`“${text}” is not possible; it looks like 2-5, or none`);
        const fresh = body(
          await api.PUT("/api/visits/{id}/flakes", {
            params: { path: { id: visitId } },
            body: days,
          }),
        );
        queries.setQueryData(flakesQuery(visitId).queryKey, fresh);
        await queries.invalidateQueries({ queryKey: keys.visits });
      }}
    />
  );
}

/** "2-5", "3", or "none"; nothing for anything else. */
export function daysOf(text: string): { firstDay: number; lastDay: number } | undefined {
  const words = text.trim().toLowerCase();
  if (words === "none" || words === "0") return { firstDay: 0, lastDay: 0 };
  const read = /^(\d{1,2})(?:\s*(?:-|–|to)\s*(\d{1,2}))?$/.exec(words);
  if (!read) return undefined;
  const firstDay = Number(read[1]);
  const lastDay = Number(read[2] ?? read[1]);
  return lastDay >= firstDay && lastDay <= MOST_DAYS ? { firstDay, lastDay } : undefined;
}
