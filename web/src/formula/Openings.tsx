import Button from "@mui/material/Button";
import { api, body } from "../api/client";
import type { Shelf } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { dayOfYear } from "../parts/words";
import { useShelfWrite } from "./shelfQueries";

type Restricted = Shelf["restricted"][number]["id"];

/** What only the supervising clinician opens for the practice, once. */
export function Openings({ shelf }: { shelf: Shelf }) {
  const set = useShelfWrite(async ({ id, open }: { id: Restricted; open: boolean }) => {
    const params = { path: { restricted: id } };
    return body(
      open
        ? await api.PUT("/api/shelf/openings/{restricted}", { params })
        : await api.DELETE("/api/shelf/openings/{restricted}", { params }),
    );
  });
  return (
    <>
      <Strip title="Opened by the clinician" />
      <p className="pad-small soft">
        Some countries restrict TCA and resorcinol for cosmetic use. The local law decides; then the
        supervising clinician opens them for the practice, once.
      </p>
      {shelf.restricted.map((one) => (
        <div key={one.id} className="line wrap">
          <div className="grow">
            <b>{one.label}</b>
            <span className="under">
              {one.opened
                ? `opened by ${one.opened.by}, ${dayOfYear(one.opened.at)}`
                : "shut on every rack"}
            </span>
            <span className="under mono">{one.formulas.join(", ")}</span>
          </div>
          {shelf.mayOpen && (
            <Button onClick={() => set.mutate({ id: one.id, open: !one.opened })}>
              {one.opened ? "Shut again" : "Open"}
            </Button>
          )}
        </div>
      ))}
      <ErrorNote error={set.error} />
      {!shelf.mayOpen && (
        <p className="pad-small small soft">The supervising clinician signs in to change this.</p>
      )}
      <p className="pad-small soft">Pick a formula to see its label and its bottles.</p>
    </>
  );
}
