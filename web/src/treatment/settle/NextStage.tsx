import Button from "@mui/material/Button";
import { REGIONS } from "../../api/enumWords";
import type { Treatment } from "../../api/types";
import { capital } from "../../parts/words";
import type { LiveTreatment } from "../couch/useTreatment";

/** The stage after this one, gate B before it; not there at the last. */
export function NextStage({ treatment, live }: { treatment: Treatment; live: LiveTreatment }) {
  const { next, number, of } = treatment.stage;
  if (!next || treatment.phase === "CHECKED") return null;
  return (
    <div role="group" aria-label="Next stage">
      <h2>
        Stage {number + 1} of {of}
      </h2>
      <p>
        {next.code}, {REGIONS[next.region]}
      </p>
      {next.notNow !== undefined && <p className="warn">{capital(next.notNow)}.</p>}
      <Button
        variant="outlined"
        disabled={next.notNow !== undefined || live.away}
        onClick={() => live.say({ type: "StageOpened" })}
      >
        {next.sameSkin ? "Go on" : `Ready the ${REGIONS[next.region]}`}
      </Button>
      {live.away && <p className="soft">The next stage waits for the server.</p>}
    </div>
  );
}
