import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Rack } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { day, firstName, plural } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { Beside } from "./Beside";
import { Detail } from "./Detail";
import { RackOf } from "./RackOf";
import { rackQuery } from "./queries";
import { Stages } from "./Stages";
import { TryNumbers } from "./TryNumbers";
import styles from "./Choose.module.css";

const cx = classNames.bind(styles);

type Side = "why" | "beside" | "try" | "stages";

/** Which acid, how strong and why: the rack, and one formula or two of it read closely. */
export default function Choose({ visit }: StationProps) {
  const rack = useQuery(rackQuery(visit.id));
  const [picked, setPicked] = useState<string | null>(null);
  const [beside, setBeside] = useState<string | null>(null);
  const [side, setSide] = useState<Side>("why");
  if (!rack.data) {
    return (
      <main className="pad">
        <ErrorNote error={rack.error} />
      </main>
    );
  }
  const tiles = rack.data.tiles;
  const code = picked ?? visit.formula ?? rack.data.ranked[0];
  const tile = tiles.find((t) => t.code === code);
  const other = tiles.find((t) => t.code === beside);
  const back = () => {
    setSide("why");
    setBeside(null);
  };
  function pick(next: string) {
    // The one picked first stays; each further tap changes the one beside it.
    if (side === "beside" && next !== code) setBeside(next);
    else {
      setPicked(next);
      if (side !== "try") back();
    }
  }
  return (
    <main className={cx("columns", "choose")}>
      <section className={cx("pad", "rack-column")} aria-label="The rack">
        <h1>
          What fits {firstName(visit.clientName)}’s skin on {day(rack.data.peelDate)}
        </h1>
        <p className="soft">
          {rack.data.open === 0
            ? `None of the ${rack.data.here} made for ${rack.data.region} is open; each says why.`
            : `${rack.data.open} of ${rack.data.here} made for ${rack.data.region} are open. Fill shows the score, 0 to 100; one strength of a family competes, the others stand in brackets.`}
        </p>
        <Ladders rack={rack.data} />
        {rack.data.advice && <CounselNote counsel={rack.data.advice} />}
        <RackOf rack={rack.data} picked={code} beside={beside} onPick={pick} />
      </section>
      <section className="side" aria-label="The formula picked">
        {!tile && <p className="pad soft">Pick a formula to see why it fits or is shut.</p>}
        {tile && side === "beside" && (
          <Beside rack={rack.data} one={tile} other={other} onBack={back} />
        )}
        {tile && side === "try" && (
          <TryNumbers
            key={tile.code}
            visitId={visit.id}
            rack={rack.data}
            tile={tile}
            onBack={back}
          />
        )}
        {tile && side === "stages" && (
          <Stages key={tile.code} visit={visit} rack={rack.data} tile={tile} onBack={back} />
        )}
        {tile && side === "why" && (
          <Detail
            visitId={visit.id}
            rack={rack.data}
            tile={tile}
            locked={!!visit.treatmentId}
            onBeside={() => setSide("beside")}
            onTry={() => setSide("try")}
            onStages={() => setSide("stages")}
          />
        )}
      </section>
    </main>
  );
}

/** Where a returning client stands with each family that she has had. */
function Ladders({ rack }: { rack: Rack }) {
  if (rack.ladders.length === 0) return null;
  return (
    <ul className={cx("ladders")} aria-label="Ladder and series">
      {rack.ladders.map((ladder) => (
        <li key={ladder.family} title={ladder.why}>
          <b>{ladder.label}</b>
          <span className="mono">rung {ladder.rung}</span>
          <span className="soft">
            {ladder.why || plural(ladder.peels, "peel")}
            {ladder.running && "; running series"}
          </span>
        </li>
      ))}
    </ul>
  );
}

function CounselNote({ counsel }: { counsel: NonNullable<Rack["advice"]> }) {
  return (
    <div className={cx("advice-note")} role="note">
      <p>
        <b>{counsel.said}</b>
      </p>
      {counsel.instead.map((words) => (
        <p key={words}>{words}</p>
      ))}
      {counsel.refer && <p>Refer to {counsel.refer}.</p>}
    </div>
  );
}
