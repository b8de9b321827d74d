import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, useVisitChanged } from "../api/client";
import { FAMILIES } from "../api/enumWords";
import type { Family, ScreeningState, Visit } from "../api/types";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day, hour } from "../parts/words";
import { ReadPatch } from "./ReadPatch";
import screenStyles from "./Screen.module.css";
import askStyles from "./Ask.module.css";
import consentsStyles from "./Consents.module.css";

const cx = classNames.bind({ ...screenStyles, ...askStyles, ...consentsStyles });

/** Patch tests by family: placed, then read after 24 and 48 hours. */
export function PatchTests({ visit, state }: { visit: Visit; state: ScreeningState }) {
  const [placing, setPlacing] = useState(false);
  const changed = useVisitChanged(visit.id);
  const placed = state.patchTests.reduce((sum, { families }) => sum + families.length, 0);
  return (
    <div className={cx("group")}>
      <Strip title="Patch tests" code={`${placed} placed`} />
      {state.patchTests.map((test) => {
        const named = test.families.map((family) => FAMILIES[family]).join(", ");
        return (
          <div key={`${named} ${test.placedAt} ${test.site}`} className={cx("question")}>
            <span className="grow">
              {named}
              <small className="under">
                {test.site}, placed {day(test.placedAt)}
                {test.due && ` ${hour(test.placedAt)}`}
              </small>
            </span>
            <span className={reacted(test) ? "warn" : "soft"}>{result(test)}</span>
            {test.due && (
              <ReadPatch
                id={test.due.id}
                label={named}
                read={test.due.read}
                dueAt={test.due.at}
                onRead={changed}
              />
            )}
          </div>
        );
      })}
      <div className={cx("consent")}>
        <p className="small soft">
          A family is open once its patch test was read: for a new client, a new family, or
          sensitive skin.
        </p>
        <div>
          <Button onClick={() => setPlacing(true)}>Place a patch test</Button>
        </div>
      </div>
      {placing && <Place visit={visit} state={state} onClose={() => setPlacing(false)} />}
    </div>
  );
}

type Patch = ScreeningState["patchTests"][number];

function reacted({ results }: Patch): boolean {
  return Object.values(results).includes("REACTION");
}

function result({ results }: Patch): string {
  const said: Record<string, string> = { NOTHING: "nothing", REACTION: "reaction" };
  return [
    results.AT_24_H && `24 h: ${said[results.AT_24_H]}`,
    results.AT_48_H && `48 h: ${said[results.AT_48_H]}`,
  ]
    .filter(Boolean)
    .join(" · ");
}

function Place({
  visit,
  state,
  onClose,
}: {
  visit: Visit;
  state: ScreeningState;
  onClose: () => void;
}) {
  const changed = useVisitChanged(visit.id);
  const [families, setFamilies] = useState<Family[]>([]);
  const [site, setSite] = useState("inner left arm");
  const place = useMutation({
    mutationFn: () =>
      api.POST("/api/visits/{id}/patch-tests", {
        params: { path: { id: visit.id } },
        body: { families, site },
      }),
    onSuccess: async () => {
      await changed();
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    place.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="place">
      <form onSubmit={submit}>
        <DialogTitle id="place">Place a patch test</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8 }}>
            <p>
              A drop of each family behind the ear or on the inner arm, as the maker says. It is
              read after 24 and 48 hours; Today reminds you.
            </p>
            <Chips
              label="Families to test"
              options={state.consents.map(({ id }) => ({ id, label: FAMILIES[id] }))}
              chosen={families}
              onChange={setFamilies}
            />
            <TextField label="Where" value={site} onChange={(e) => setSite(e.target.value)} />
            <ErrorNote error={place.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={families.length === 0}>
            Placed now
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
