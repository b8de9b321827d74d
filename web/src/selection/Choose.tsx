import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { queryOptions, useMutation, useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import type { Rack, Tile } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { clock, day, decimal, firstName, plural } from "../parts/words";
import type { StationProps } from "../visit/VisitStation";
import "./choose.css";

function rackQuery(id: string) {
  return queryOptions({
    queryKey: ["visit", id, "selection"],
    queryFn: async () =>
      body(
        await api.GET("/api/visits/{id}/selection", {
          params: { path: { id } },
        }),
      ),
  });
}

export default function Choose({ visit }: StationProps) {
  const rack = useQuery(rackQuery(visit.id));
  const [picked, setPicked] = useState<string | null>(null);
  if (!rack.data) {
    return (
      <main className="pad">
        <ErrorNote error={rack.error} />
      </main>
    );
  }
  const code = picked ?? visit.formula ?? rack.data.ranked[0];
  const tile = rack.data.tiles.find((t) => t.code === code);
  return (
    <main className="columns choose">
      <section className="pad rack-column" aria-label="The rack">
        <h1>
          What fits {firstName(visit.clientName)}’s skin on {day(rack.data.peelDate)}
        </h1>
        <p className="soft">
          {rack.data.open} of {rack.data.tiles.length} are open. Fill shows fit; the lowest strength
          that does the work wins a tie.
        </p>
        {rack.data.advice && <p className="advice-note">{rack.data.advice}</p>}
        <RackOf rack={rack.data} picked={code} onPick={setPicked} />
      </section>
      <section className="side" aria-label="The formula picked">
        {tile ? (
          <Detail visitId={visit.id} rack={rack.data} tile={tile} locked={!!visit.treatmentId} />
        ) : (
          <p className="pad soft">Pick a formula to see why it fits or is shut.</p>
        )}
      </section>
    </main>
  );
}

/** Families as columns, mild to strong; rungs upward. */
function RackOf({
  rack,
  picked,
  onPick,
}: {
  rack: Rack;
  picked: string | undefined;
  onPick: (code: string) => void;
}) {
  return (
    <>
      <div className="rack">
        {rack.families.map((family) => (
          <div key={family.id} className="family-column">
            {rack.tiles
              .filter((tile) => tile.family === family.id)
              .toReversed()
              .map((tile) => (
                <TileButton
                  key={tile.code}
                  tile={tile}
                  first={tile.code === rack.ranked[0]}
                  picked={tile.code === picked}
                  onPick={() => onPick(tile.code)}
                />
              ))}
            <span className="family-name">
              {family.id === "AZELAIC_MANDELIC" ? "azelaic +" : family.label}
            </span>
          </div>
        ))}
      </div>
      <p className="row small soft rack-foot">
        <span>milder</span>
        <span className="grow">stronger families to the right, stronger rungs upward</span>
        <span>stronger</span>
      </p>
    </>
  );
}

function TileButton({
  tile,
  first,
  picked,
  onPick,
}: {
  tile: Tile;
  first: boolean;
  picked: boolean;
  onPick: () => void;
}) {
  const open = tile.shut.length === 0;
  const fill = Math.max(0, Math.min(100, tile.score));
  return (
    <button
      type="button"
      className={`tile ${open ? "" : "shut"} ${picked ? "picked" : ""}`}
      aria-pressed={picked}
      onClick={onPick}
    >
      {open && <i style={{ height: `${fill}%` }} />}
      <b className="mono">{tile.code}</b>
      <span>{tile.strength}</span>
      {first && <em>first</em>}
      <small className="mono">{open ? Math.round(tile.score) : `shut · ${tile.shut.length}`}</small>
      <span className="hidden">{tile.name}</span>
    </button>
  );
}

function Detail({
  visitId,
  rack,
  tile,
  locked,
}: {
  visitId: string;
  rack: Rack;
  tile: Tile;
  locked: boolean;
}) {
  const navigate = useNavigate();
  const changed = useVisitChanged(visitId);
  const [asking, setAsking] = useState(false);
  const first = rack.ranked[0];
  const open = tile.shut.length === 0;
  const take = useMutation({
    mutationFn: async (reason: string) =>
      body(
        await api.PUT("/api/visits/{id}/choice", {
          params: { path: { id: visitId } },
          body: { formula: tile.code, reason },
        }),
      ),
    onSuccess: async () => {
      await changed();
      await navigate(`/visits/${visitId}/plan`);
    },
  });
  return (
    <>
      <Strip title={tile.name} code={tile.depthLabel} />
      <div className="picked-head">
        <h2>
          {tile.code}
          {tile.contactSeconds !== undefined
            ? `, ${clock(tile.contactSeconds * 1000)}`
            : `, ${plural(tile.layers, "layer")}`}
        </h2>
        <p>{open ? tile.reasons.fits : `Shut today, ${plural(tile.shut.length, "reason")}.`}</p>
      </div>
      <dl className="figures">
        <Figure
          value={decimal(tile.freeAcidPercent, 1)}
          words={`free acid % at pH ${decimal(tile.ph, 1)}`}
        />
        <Figure
          value={tile.contactSeconds !== undefined ? clock(tile.contactSeconds * 1000) : "–"}
          words="limit, first visit"
        />
        <Figure value={decimal(tile.mgPerCm2, 2)} words="mg/cm² on the face" />
        <Figure
          value={tile.peelingLast === 0 ? "0" : `${tile.peelingFirst}–${tile.peelingLast}`}
          words="days of flaking"
        />
      </dl>
      {!open && (
        <ul className="shut-list">
          {tile.shut.map((shut) => (
            <li key={shut.ruleId + shut.words}>
              <span className="mono">{shut.ruleId}</span>
              <span>
                {shut.words}
                {shut.until && `, until ${day(shut.until)}`}
                {shut.opens && <small>opens with: {shut.opens}</small>}
              </span>
            </li>
          ))}
        </ul>
      )}
      {open && (
        <dl className="reasons">
          <dt>score</dt>
          <dd>
            {Math.round(tile.score)}: {tile.terms.join(" · ")}
          </dd>
          <dt>not weaker</dt>
          <dd>{tile.reasons.notWeaker}</dd>
          <dt>not stronger</dt>
          <dd>{tile.reasons.notStronger}</dd>
          <dt>watch</dt>
          <dd>{tile.reasons.watch}</dd>
        </dl>
      )}
      <Days rack={rack} tile={tile} />
      <div className="foot">
        <Button
          variant="contained"
          disabled={!open || locked || take.isPending}
          onClick={() => (tile.code === first ? take.mutate("") : setAsking(true))}
        >
          Plan this
        </Button>
        <p className="small soft grow">
          {locked
            ? "The treatment is open: its formula stays."
            : "The maker’s label and the supervising clinician come first."}
        </p>
        {!asking && <ErrorNote error={take.error} />}
      </div>
      {asking && (
        <WhyNotFirst
          code={tile.code}
          first={first}
          error={take.error}
          onLeave={() => setAsking(false)}
          onTake={(reason) => take.mutate(reason)}
        />
      )}
    </>
  );
}

function Figure({ value, words }: { value: string; words: string }) {
  return (
    <div>
      <dd className="mono">{value}</dd>
      <dt>{words}</dt>
    </div>
  );
}

/** The days after, against the event. */
function Days({ rack, tile }: { rack: Rack; tile: Tile }) {
  const peel = dayjs(rack.peelDate);
  const event = rack.event ? dayjs(rack.event).diff(peel, "day") : -1;
  return (
    <ol className="days" aria-label="Days after the peel">
      {Array.from({ length: 12 }, (_, n) => {
        const flaking = tile.peelingLast > 0 && n >= tile.peelingFirst && n <= tile.peelingLast;
        return (
          <li
            key={n}
            className={n === 0 ? "peel" : n === event ? "event" : flaking ? "flaking" : ""}
          >
            {peel.add(n, "day").date()}
            {n === 0 && <small>peel</small>}
            {n === event && <small>{rack.eventName ?? "event"}</small>}
          </li>
        );
      })}
    </ol>
  );
}

function WhyNotFirst({
  code,
  first,
  error,
  onLeave,
  onTake,
}: {
  code: string;
  first: string | undefined;
  error: unknown;
  onLeave: () => void;
  onTake: (reason: string) => void;
}) {
  const [reason, setReason] = useState("");
  function submit(event: FormEvent) {
    event.preventDefault();
    onTake(reason);
  }
  return (
    <Dialog open onClose={onLeave} maxWidth="sm" fullWidth aria-labelledby="why-not">
      <form onSubmit={submit}>
        <DialogTitle id="why-not">
          {code} instead of {first ?? "none"}
        </DialogTitle>
        <DialogContent>
          <TextField
            autoFocus
            required
            multiline
            minRows={2}
            margin="dense"
            label="Why this one"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            helperText="A few words; they stay in the record."
          />
          <ErrorNote error={error} />
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onLeave}>
            Leave
          </Button>
          <Button type="submit" variant="contained" disabled={!reason.trim()}>
            Plan {code}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
