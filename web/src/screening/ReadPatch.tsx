import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { api } from "../api/client";
import { ErrorNote } from "../parts/ErrorNote";
import { day, hour } from "../parts/words";

/** Notes what is seen; nothing only once the hours are over, a reaction at any time. */
export function ReadPatch({
  id,
  label,
  read,
  dueAt,
  onRead,
}: {
  id: string;
  label: string;
  read: "AT_24_H" | "AT_48_H";
  dueAt: string;
  onRead: () => Promise<unknown>;
}) {
  const note = useMutation({
    mutationFn: (result: "NOTHING" | "REACTION") =>
      api.POST("/api/patch-tests/{id}/reads", { params: { path: { id } }, body: { result } }),
    onSuccess: onRead,
  });
  const hours = read === "AT_24_H" ? "24 h" : "48 h";
  return (
    <span className="row wrap">
      <span className="small soft">
        {hours}: {day(dueAt)} {hour(dueAt)}
      </span>
      <Button
        size="small"
        aria-label={`${label}, ${hours}: nothing to see`}
        onClick={() => note.mutate("NOTHING")}
      >
        Nothing
      </Button>
      <Button
        size="small"
        color="error"
        aria-label={`${label}, ${hours}: reaction`}
        onClick={() => note.mutate("REACTION")}
      >
        Reaction
      </Button>
      <ErrorNote error={note.error} />
    </span>
  );
}
