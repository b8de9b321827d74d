import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import type { Fact, Treatment, Zone } from "../../api/types";
import { capital, clock, zoneName } from "../../parts/words";
import styles from "./EndedZones.module.css";

const cx = classNames.bind(styles);

/** Zones that were ended while the rest runs on: off, then asked to their own rest. */
export function EndedZones({
  treatment,
  onSay,
  onAsk,
}: {
  treatment: Treatment;
  onSay: (fact: Fact) => void;
  onAsk: (zone: Zone) => void;
}) {
  if (treatment.endedZones.length === 0) return null;
  return (
    <div className={cx("ended-zones")} role="group" aria-label="Ended zones">
      {treatment.endedZones.map(({ zone, endedAt, offAt, told, restAt }) => {
        const name = zoneName(zone);
        if (restAt) {
          return (
            <span key={zone}>
              {name} at rest after{" "}
              <b className="mono">{clock(Date.parse(restAt) - Date.parse(endedAt))}</b>
            </span>
          );
        }
        return offAt ? (
          <Button key={zone} color="inherit" onClick={() => onAsk(zone)}>
            {capital(name)}: ask{told !== undefined && `, was ${told}`}
          </Button>
        ) : (
          <Button key={zone} color="error" onClick={() => onSay({ type: "ZoneTakenOff", zone })}>
            {capital(name)}: acid is off
          </Button>
        );
      })}
    </div>
  );
}
