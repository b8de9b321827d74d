import classNames from "classnames/bind";
import dayjs from "dayjs";
import utc from "dayjs/plugin/utc";
import { DEPTHS } from "../api/enumWords";
import type { Judged, PlanStation } from "../api/types";
import { Strip } from "../parts/Strip";
import { day, decimal } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { EdgeOfPeel } from "./EdgeOfPeel";
import styles from "./Plan.module.css";

dayjs.extend(utc);
const cx = classNames.bind(styles);

/** What the steps come to: acid, base, flaking, the edge of the peel. */
export function Figures({
  station,
  judged,
  visit: { id: visitId, day: date, treatmentId },
}: StationProps & {
  station: PlanStation;
  judged: Judged;
}) {
  const locked = treatmentId !== undefined;
  const { plan } = station;
  const { ledger } = judged;
  const flakes = (days: number) => day(dayjs.utc(date).add(days, "day").format("YYYY-MM-DD"));
  return (
    <>
      <Strip title="What it comes to" code={judged.depth && DEPTHS[judged.depth]} />
      {judged.stages.map((stage, i) => (
        <Line
          key={`${stage.run} ${stage.code} ${i}`}
          label={judged.stages.length > 1 ? `${stage.code}, free acid` : "free acid"}
          value={`${decimal(stage.freeAcidPercent, 1)} %`}
          note={
            `${decimal(stage.percentWv, 0)} %` +
            (stage.ph === undefined ? "" : ` at pH ${decimal(stage.ph, 1)}`) +
            `; ${decimal(stage.mgPerCm2, 2)} mg/cm² on the skin, ${decimal(stage.layerMl, 1)} mL a` +
            ` layer on ${decimal(stage.areaCm2, 0)} cm²`
          }
        />
      ))}
      {ledger.salicylateShare > 0 && (
        <Line
          label="salicylate, of the yardstick"
          value={`${decimal(ledger.salicylateShare * 100, 0)} %`}
          note={`${decimal(ledger.salicylicG, 2)} g; above 25 % think twice, above 40 % shut`}
          warn={ledger.salicylateShare > 0.25}
        />
      )}
      {ledger.resorcinolMg > 0 && (
        <Line label="resorcinol carried" value={`${decimal(ledger.resorcinolMg, 0)} mg`} />
      )}
      <Line
        label="base laid out"
        value={ledger.acidMmol > 0 ? `${decimal(ledger.baseMmol, 1)} mmol` : "none"}
        note={
          ledger.acidMmol > 0
            ? `${decimal(ledger.acidMmol, 1)} mmol of acid` +
              (ledger.ratio === undefined ? "" : `: ${decimal(ledger.ratio, 1)} times by mole`)
            : plan.mayCrystallise ||
                plan.ending === "FROST_IS_THE_END" ||
                plan.ending === "SELF_LIMITING"
              ? "it does not undo a frost"
              : "no acid here is ended by base"
        }
        warn={ledger.ratio !== undefined && ledger.ratio < 1}
      />
      <Line
        label="flaking"
        value={
          judged.flakingLast === 0
            ? "none"
            : `${flakes(judged.flakingFirst)} – ${flakes(judged.flakingLast)}`
        }
      />
      <EdgeOfPeel station={station} visitId={visitId} locked={locked} />
      {plan.doneWhen && <Line label="done when" value="" note={`${plan.doneWhen}, by its label`} />}
    </>
  );
}

function Line({
  label,
  value,
  note,
  warn,
}: {
  label: string;
  value: string;
  note?: string;
  warn?: boolean;
}) {
  return (
    <div className={cx("line", "figure")}>
      <span>
        {label}
        {note && <small className={warn ? "warn" : "soft"}>{note}</small>}
      </span>
      <span className="value mono">{value}</span>
    </div>
  );
}
