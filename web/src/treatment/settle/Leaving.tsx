import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { Treatment, Visit, Zone } from "../../api/types";
import { firstName, plural, zoneName } from "../../parts/words";
import { type LiveTreatment } from "../couch/useTreatment";
import { Care, type CareStep } from "./Care";
import { NextStage } from "./NextStage";
import styles from "./Settle.module.css";

const cx = classNames.bind(styles);

/** What goes on calm skin, in order, and the check before the client leaves. */
export function Leaving({
  visit,
  treatment,
  live,
  chosen,
  steps,
  taking,
  onTake,
  filled,
  onLeft,
}: {
  visit: Visit;
  treatment: Treatment;
  live: LiveTreatment;
  chosen: Zone[];
  steps: CareStep[];
  taking: string | null;
  onTake: (step: string) => void;
  /** Nothing else is to be done first. */
  filled: boolean;
  onLeft: () => void;
}) {
  const pink = treatment.plan.zones.filter((zone) => (treatment.zones[zone]?.redness ?? 0) > 0);
  return (
    <div className={cx("leaving")}>
      <h2>{treatment.care.length > 0 ? "On calm skin, in order" : "Nothing on the skin"}</h2>
      {treatment.care.length === 0 && treatment.stage.next === undefined && (
        <p className="soft">It stays as it is: no water, no product for the hours of the sheet.</p>
      )}
      <Care steps={steps} treatment={treatment} live={live} taking={taking} onTake={onTake} />
      <NextStage treatment={treatment} live={live} />
      <p className="soft">
        {chosen.length > 0
          ? `Still pink: ${chosen.map(zoneName).join(", ")}.`
          : pink.length > 0
            ? `Pink as noted on ${plural(pink.length, "zone")}.`
            : "No zone noted as pink."}{" "}
        Ask: does anything burn?
      </p>
      {treatment.phase === "CHECKED" ? (
        <Button variant="contained" component={Link} to={`/visits/${visit.id}/after`}>
          Go to After
        </Button>
      ) : (
        <Button
          data-leaving
          variant={filled ? "contained" : "outlined"}
          onClick={() => {
            live.say({
              type: "LeavingChecked",
              noBurning: true,
              stillPink: chosen.length > 0 ? chosen : pink,
            });
            window.setTimeout(onLeft, 400);
          }}
        >
          {firstName(visit.clientName)} says: no burning
        </Button>
      )}
    </div>
  );
}
