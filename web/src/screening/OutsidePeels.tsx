import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, useVisitChanged } from "../api/client";
import { OUTCOMES } from "../api/enumWords";
import type { PeelOutcome, ScreeningState, Visit } from "../api/types";
import { shelfQuery } from "../formula/shelfQueries";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { dayOfYear } from "../parts/words";
import screenStyles from "./Screen.module.css";
import askStyles from "./Ask.module.css";
import consentsStyles from "./Consents.module.css";

const cx = classNames.bind({ ...screenStyles, ...askStyles, ...consentsStyles });

/** Peels that the client had elsewhere: their intervals run here too. */
export function OutsidePeels({ visit, state }: { visit: Visit; state: ScreeningState }) {
  const [entering, setEntering] = useState(false);
  const changed = useVisitChanged(visit.id);
  const withdraw = useMutation({
    mutationFn: (id: string) =>
      api.DELETE("/api/clients/{clientId}/outside-peels/{id}", {
        params: { path: { clientId: visit.clientId, id } },
      }),
    onSuccess: () => changed(),
  });
  return (
    <div className={cx("group")}>
      <Strip title="Peels done elsewhere" code={state.outsidePeels.length || "none told"} />
      {state.outsidePeels.map((peel) => (
        <div key={peel.id} className={cx("question")}>
          <span className="grow">
            {peel.what}
            <small className="under">
              {dayOfYear(peel.on)}, {peel.seen ? "record seen" : "told"}
              {peel.higherBecause && `; one rung higher: ${peel.higherBecause}`}
            </small>
          </span>
          <Button size="small" color="inherit" onClick={() => withdraw.mutate(peel.id)}>
            Take out
          </Button>
        </div>
      ))}
      <div className={cx("consent")}>
        <ErrorNote error={withdraw.error} />
        <div>
          <Button onClick={() => setEntering(true)}>Enter a peel done elsewhere</Button>
        </div>
      </div>
      {entering && <Enter visit={visit} state={state} onClose={() => setEntering(false)} />}
    </div>
  );
}

function Enter({
  visit,
  state,
  onClose,
}: {
  visit: Visit;
  state: ScreeningState;
  onClose: () => void;
}) {
  const changed = useVisitChanged(visit.id);
  const shelf = useQuery(shelfQuery);
  const [formula, setFormula] = useState("");
  const [on, setOn] = useState("");
  const [outcome, setOutcome] = useState<PeelOutcome>();
  const [seen, setSeen] = useState<"SEEN" | "TOLD">();
  const [higherBecause, setHigherBecause] = useState("");
  const enter = useMutation({
    mutationFn: (body: { outcome: PeelOutcome; seen: boolean }) =>
      api.POST("/api/clients/{clientId}/outside-peels", {
        params: { path: { clientId: visit.clientId } },
        body: {
          ...body,
          formula,
          region: state.region,
          on,
          higherBecause: higherBecause.trim() || undefined,
        },
      }),
    onSuccess: async () => {
      await changed();
      onClose();
    },
  });
  const whole = formula && on && outcome && seen;
  function submit(event: FormEvent) {
    event.preventDefault();
    if (outcome && seen) enter.mutate({ outcome, seen: seen === "SEEN" });
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="elsewhere">
      <form onSubmit={submit}>
        <DialogTitle id="elsewhere">A peel done elsewhere</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <p>
              On {state.regionLabel}. Its interval runs as for a peel done here; it is no part of a
              series.
            </p>
            <TextField
              select
              autoFocus
              label="Nearest formula"
              value={formula}
              onChange={(e) => setFormula(e.target.value)}
              helperText="In doubt take the stronger one: its interval is longer."
            >
              {(shelf.data?.items ?? []).map(({ label: { code, name } }) => (
                <MenuItem key={code} value={code}>
                  {code}, {name}
                </MenuItem>
              ))}
            </TextField>
            <TextField
              label="Done on"
              type="date"
              value={on}
              onChange={(e) => setOn(e.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Segments
              label="How it went"
              value={outcome}
              options={(Object.keys(OUTCOMES) as PeelOutcome[]).map((id) => ({
                id,
                label: OUTCOMES[id],
              }))}
              onChange={setOutcome}
            />
            <Segments
              label="How it is known"
              value={seen}
              options={[
                { id: "SEEN", label: "record seen" },
                { id: "TOLD", label: "told" },
              ]}
              onChange={setSeen}
            />
            <TextField
              label="One rung higher than a first peel, because"
              value={higherBecause}
              onChange={(e) => setHigherBecause(e.target.value)}
              helperText="Only after a well-taken one within six months. Leave it empty to start where everybody does."
            />
            <ErrorNote error={enter.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!whole || enter.isPending}>
            Keep
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
