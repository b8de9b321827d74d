import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { DEPTHS } from "../api/enumWords";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { NextStage, Rack, Tile, Visit, Zone } from "../api/types";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { plural, zoneName } from "../parts/words";
import { Days } from "./Days";
import { Figure } from "./Figure";
import { flaking, howLong } from "./figures";
import { chainQuery } from "./queries";
import { ShutList } from "./ShutList";
import { useTake } from "./useTake";
import { WhyNotFirst } from "./WhyNotFirst";
import chooseStyles from "./Choose.module.css";
import styles from "./Stages.module.css";

const cx = classNames.bind({ ...chooseStyles, ...styles });

/** Stages after the first: a retinoid after the acid, another formula on zones of its own. */
export function Stages({
  visit,
  rack,
  tile,
  onBack,
}: {
  visit: Visit;
  rack: Rack;
  tile: Tile;
  onBack: () => void;
}) {
  const [then, setThen] = useState<NextStage[]>([]);
  const [asking, setAsking] = useState(false);
  const chain = useQuery(chainQuery(visit.id, tile.code, then));
  const take = useTake(visit.id);
  const zones = rack.zones.map((id) => ({ id, label: zoneName(id) }));
  const candidates = rack.tiles.filter((one) => one.here && one.code !== tile.code);
  const of = (code: string) => rack.tiles.find((one) => one.code === code);
  const answer = then.length > 0 ? chain.data : null;
  const first = rack.ranked[0];
  const plan = (reason?: string) => take.mutate({ formula: tile.code, then, reason });
  const change = (i: number, next: Partial<NextStage>) =>
    setThen(then.map((stage, n) => (n === i ? { ...stage, ...next } : stage)));
  return (
    <>
      <Strip title="Stages of the visit" code={plural(then.length + 1, "stage")} />
      <ol className={cx("stages")}>
        <li>
          <b className="mono">{tile.code}</b> {tile.name}, {howLong(tile)}
        </li>
        {then.map((stage, i) => {
          const next = of(stage.formula);
          return (
            <li key={i} className="stack">
              <p className="small soft">Gate B: the skin is looked at before it goes on.</p>
              <div className="row">
                <TextField
                  select
                  fullWidth
                  label={`Stage ${i + 2}`}
                  value={stage.formula}
                  onChange={(e) => change(i, { formula: e.target.value, zones: [] })}
                >
                  {candidates.map((one) => (
                    <MenuItem key={one.code} value={one.code}>
                      {one.code}, {one.name}
                      {one.shut.length > 0 && ` (shut · ${one.shut.length})`}
                    </MenuItem>
                  ))}
                </TextField>
                <Button
                  color="inherit"
                  onClick={() => setThen(then.filter((_, n) => n !== i))}
                  aria-label={`Take away, stage ${i + 2}`}
                >
                  Take away
                </Button>
              </div>
              {next && next.staysHours === undefined && (
                <Chips<Zone>
                  label={`Zones of stage ${i + 2}`}
                  options={zones}
                  chosen={stage.zones}
                  onChange={(chosen) => change(i, { zones: chosen })}
                />
              )}
            </li>
          );
        })}
      </ol>
      {then.length < 2 && (
        <div className="pad-small">
          <Button
            onClick={() =>
              setThen([
                ...then,
                {
                  formula:
                    candidates.find((one) => one.staysHours !== undefined)?.code ??
                    candidates[0]?.code ??
                    tile.code,
                  zones: [],
                },
              ])
            }
          >
            Add a stage after it
          </Button>
        </div>
      )}
      <ErrorNote error={chain.error ?? (asking ? null : take.error)} />
      {answer && (
        <div aria-live="polite">
          <dl className={cx("figures")}>
            <Figure value={String(answer.minutes)} words="min in the room" />
            <Figure value={flaking(answer)} words="days of flaking" />
            <Figure value={String(answer.intervalDays)} words="days to the next" />
          </dl>
          <dl className={cx("reasons")}>
            <dt>together</dt>
            <dd>
              <b>{DEPTHS[answer.depth]}</b>
              <br />
              {answer.depthReasons.join("; ")}
            </dd>
          </dl>
          <ShutList shut={answer.objections} />
          <Days rack={rack} tile={answer} />
        </div>
      )}
      <div className={cx("foot", "choose-foot")}>
        <div className="row wrap">
          <Button
            variant="contained"
            disabled={!answer || answer.objections.length > 0 || take.isPending}
            onClick={() => (tile.code === first ? plan() : setAsking(true))}
          >
            Plan these
          </Button>
          <Button onClick={onBack}>Back to {tile.code}</Button>
        </div>
      </div>
      {asking && (
        <WhyNotFirst
          code={tile.code}
          first={first}
          error={take.error}
          onLeave={() => setAsking(false)}
          onTake={plan}
        />
      )}
    </>
  );
}
