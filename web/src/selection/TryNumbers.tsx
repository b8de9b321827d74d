import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { DEPTHS, SUBSTANCES } from "../api/enumWords";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { NumbersTried, Rack, Tile } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { number, NumberField } from "../parts/NumberField";
import { Stepper } from "../parts/Stepper";
import { Strip } from "../parts/Strip";
import { clock, decimal, plural } from "../parts/words";
import { Days } from "./Days";
import { Figure } from "./Figure";
import { flaking } from "./figures";
import { tryQuery } from "./queries";
import { ShutList } from "./ShutList";
import chooseStyles from "./Choose.module.css";
import styles from "./TryNumbers.module.css";

const cx = classNames.bind({ ...chooseStyles, ...styles });

const STEP = 30;
/** Other strengths, pH, time and layers, and what they would do; nothing is kept. */
export function TryNumbers({
  visitId,
  rack,
  tile,
  onBack,
}: {
  visitId: string;
  rack: Rack;
  tile: Tile;
  onBack: () => void;
}) {
  const [percents, setPercents] = useState(() => tile.components.map((c) => String(c.percentWv)));
  const [ph, setPh] = useState(tile.ph === undefined ? "" : String(tile.ph));
  const [seconds, setSeconds] = useState(tile.contactSeconds);
  const [layers, setLayers] = useState(tile.layers);
  const strengths = percents.map(number);
  const acidity = tile.ph === undefined ? undefined : number(ph);
  const numbers: NumbersTried | null =
    strengths.some((one) => one === null) || acidity === null
      ? null
      : {
          formula: tile.code,
          percents: strengths.map((one) => one ?? 0),
          layers,
          ...(acidity !== undefined && { ph: acidity }),
          ...(seconds !== undefined && { contactSeconds: seconds }),
        };
  const tried = useQuery(tryQuery(visitId, numbers));
  const names = tile.components.map((c) => SUBSTANCES[c.substance]);
  const answer = tried.data;
  return (
    <>
      <Strip title={`Numbers tried on ${tile.code}`} code="nothing is kept" />
      <div className={cx("try-fields")}>
        {tile.components.map((component, i) =>
          component.percentWv === 0 ? null : (
            <NumberField
              key={component.substance}
              label={names[i] ?? ""}
              unit="% w/v"
              value={percents[i] ?? ""}
              onChange={(value) => setPercents(percents.map((p, n) => (n === i ? value : p)))}
            />
          ),
        )}
        {tile.ph !== undefined && <NumberField label="pH" unit="" value={ph} onChange={setPh} />}
        {seconds !== undefined && (
          <Stepper
            label="time on the skin"
            value={clock(seconds * 1000)}
            onLess={seconds > STEP ? () => setSeconds(seconds - STEP) : undefined}
            onMore={seconds < 7200 ? () => setSeconds(seconds + STEP) : undefined}
          />
        )}
        <Stepper
          label="layers"
          value={String(layers)}
          onLess={layers > 1 ? () => setLayers(layers - 1) : undefined}
          onMore={layers < 9 ? () => setLayers(layers + 1) : undefined}
        />
      </div>
      <ErrorNote error={tried.error} />
      {answer && !tried.error && (
        <div aria-live="polite">
          <dl className={cx("figures")}>
            <Figure value={decimal(answer.freeAcidPercent, 1)} words="free acid %" />
            <Figure value={decimal(answer.mgPerCm2, 2)} words="mg/cm² in all layers" />
            <Figure value={flaking(answer)} words={`days of flaking, as ${answer.flakesLike}`} />
            <Figure value={String(answer.intervalDays)} words="days to the next" />
          </dl>
          <dl className={cx("reasons")}>
            <dt>depth</dt>
            <dd>
              <b>{DEPTHS[answer.depth]}</b>
              <br />
              {answer.depthReasons.join("; ")}
            </dd>
            {answer.salicylateShare > 0 && (
              <>
                <dt>salicylate</dt>
                <dd className={answer.salicylateShare > 0.25 ? "warn" : ""}>
                  {Math.round(answer.salicylateShare * 100)} % of the yardstick; above 25 % warns,
                  above 40 % shuts
                </dd>
              </>
            )}
            {answer.resorcinolG > 0 && (
              <>
                <dt>resorcinol</dt>
                <dd>{decimal(answer.resorcinolG * 1000, 0)} mg carried; on the face only</dd>
              </>
            )}
          </dl>
          <Strip
            title={answer.objections.length === 0 ? "Nothing objects" : "What objects"}
            code={
              answer.objections.length === 0 ? "open" : plural(answer.objections.length, "reason")
            }
          />
          <ShutList shut={answer.objections} />
          {answer.aboveSalonFigure && (
            <p className={cx("salon", "warn")}>
              Above the salon figure of the safety panel: follow your licence and the maker.
            </p>
          )}
          <Days rack={rack} tile={answer} />
        </div>
      )}
      <div className={cx("foot", "choose-foot")}>
        <Button onClick={onBack}>Back to {tile.code}</Button>
        <p className="small soft">
          Depth here is the function’s own; the library’s deeper class holds for the plan.
        </p>
      </div>
    </>
  );
}
