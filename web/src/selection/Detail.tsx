import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Rack, Tile } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { clock, decimal, plural } from "../parts/words";
import { Days } from "./Days";
import { Figure } from "./Figure";
import { flaking, freeAcid, howLong } from "./figures";
import { ShutList } from "./ShutList";
import { useTake } from "./useTake";
import { WhyNotFirst } from "./WhyNotFirst";
import chooseStyles from "./Choose.module.css";
import styles from "./Detail.module.css";

const cx = classNames.bind({ ...chooseStyles, ...styles });

/** One formula read closely: fits, limits, watch. */
export function Detail({
  visitId,
  rack,
  tile,
  locked,
  onBeside,
  onTry,
  onStages,
}: {
  visitId: string;
  rack: Rack;
  tile: Tile;
  locked: boolean;
  onBeside: () => void;
  onTry: () => void;
  onStages: () => void;
}) {
  const take = useTake(visitId);
  const [asking, setAsking] = useState(false);
  const first = rack.ranked[0];
  const open = tile.shut.length === 0;
  const addOn = tile.staysHours !== undefined;
  return (
    <>
      <Strip title={tile.name} code={tile.depthLabel} />
      <div className={cx("picked-head")}>
        <h2>
          {tile.code}, {howLong(tile)}
        </h2>
        <p>
          {open
            ? tile.reasons.fits
            : tile.here
              ? `Shut today, ${plural(tile.shut.length, "reason")}.`
              : "Not for this part of the body."}
        </p>
      </div>
      <dl className={cx("figures")}>
        <Figure {...freeAcid(tile)} />
        <Figure
          value={tile.contactSeconds !== undefined ? clock(tile.contactSeconds * 1000) : "–"}
          words={
            tile.leastSeconds !== undefined
              ? `planned; least ${clock(tile.leastSeconds * 1000)}`
              : "limit for today"
          }
        />
        <Figure value={decimal(tile.mgPerCm2, 2)} words="mg/cm² in all layers" />
        <Figure
          value={flaking(tile)}
          words={tile.ownFlaking ? "days of flaking, by own peels" : "days of flaking"}
        />
      </dl>
      {!open && <ShutList shut={tile.shut} />}
      {open && (
        <dl className={cx("reasons")}>
          {tile.reasons.notWeaker && (
            <>
              <dt>score</dt>
              <dd>
                {tile.reasons.standing} {tile.shown} of 100: {tile.terms.join(" · ")}.
              </dd>
              <dt>not weaker</dt>
              <dd>{tile.reasons.notWeaker}</dd>
              <dt>not stronger</dt>
              <dd>{tile.reasons.notStronger}</dd>
            </>
          )}
          <dt>watch</dt>
          <dd>{tile.reasons.watch}</dd>
          {tile.doneWhen && (
            <>
              <dt>done when</dt>
              <dd>{tile.doneWhen}, by its label</dd>
            </>
          )}
          <dt>depth</dt>
          <dd>
            {tile.depthReasons.join("; ")}. <span className="soft">{rack.deepens}</span>
          </dd>
        </dl>
      )}
      {tile.aboveSalonFigure && (
        <p className={cx("salon", "warn")}>
          Above the salon figure of the safety panel (30 % at pH 3.0, CIR 1998): follow your licence
          and the maker.
        </p>
      )}
      <Days rack={rack} tile={tile} />
      <div className={cx("foot", "choose-foot")}>
        <div className="row wrap">
          <Button
            variant="contained"
            disabled={!open || locked || addOn || take.isPending}
            onClick={() =>
              tile.code === first ? take.mutate({ formula: tile.code }) : setAsking(true)
            }
          >
            Plan this
          </Button>
          <Button onClick={onBeside}>Put beside</Button>
          <Button onClick={onTry}>Try numbers</Button>
        </div>
        <div className="row">
          <p className="small soft grow">
            {locked
              ? "The treatment is open: its formula stays."
              : addOn
                ? "It goes on after an acid: pick the acid, then add a stage."
                : "The maker’s label and the supervising clinician come first."}
          </p>
          <Button
            variant="text"
            size="small"
            disabled={!open || locked || addOn}
            onClick={onStages}
          >
            Add a stage
          </Button>
        </div>
        {!asking && <ErrorNote error={take.error} />}
      </div>
      {asking && (
        <WhyNotFirst
          code={tile.code}
          first={first}
          error={take.error}
          onLeave={() => setAsking(false)}
          onTake={(reason) => take.mutate({ formula: tile.code, reason })}
        />
      )}
    </>
  );
}
