import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import Button from "@mui/material/Button";
import { type ComponentType, lazy, type ReactNode, useState } from "react";
import { Link, useParams } from "react-router";
import type { StationId, Visit } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import type { StationProps } from "../parts/StationProps";
import { VerdictMark } from "../parts/VerdictMark";
import { day, hour } from "../parts/words";
import { ChangeVisit } from "../visit/ChangeVisit";
import { visitQuery } from "../visit/queries";
import { STATIONS } from "../visit/stations";
import { PersonSlot } from "../parts/personSlot";
import { Person } from "./Person";
import { RoomOf } from "./RoomOf";
import { Top } from "./Top";
import whoStripStyles from "../parts/WhoStrip.module.css";
import styles from "./VisitStation.module.css";

const cx = classNames.bind({ ...whoStripStyles, ...styles });

const SCREENS: Record<StationId, ComponentType<StationProps>> = {
  CONSULT: lazy(() => import("../skin/Consult")),
  SCREEN: lazy(() => import("../screening/Screen")),
  CHOOSE: lazy(() => import("../selection/Choose")),
  PLAN: lazy(() => import("../plan/Plan")),
  READY: lazy(() => import("../treatment/ready/Ready")),
  TREAT: lazy(() => import("../treatment/treat/Treat")),
  SETTLE: lazy(() => import("../treatment/settle/Settle")),
  AFTER: lazy(() => import("../aftercare/After")),
};
const COUCH: StationId[] = ["READY", "TREAT", "SETTLE"];

/** One station of one visit: its path and strip above it at the desk, alone on the couch. */
export default function VisitStation() {
  const { visitId = "", station = "" } = useParams();
  const visit = useQuery(visitQuery(visitId));
  const here = STATIONS.find((s) => s.path === station) ?? STATIONS[0]!;
  if (!visit.data) {
    const couch = COUCH.includes(here.id);
    return (
      <RoomOf room={couch ? "couch" : "desk"}>
        {!couch && <Top />}
        <main className="pad">
          <ErrorNote error={visit.error} />
        </main>
      </RoomOf>
    );
  }
  const state = visit.data.stations.find((s) => s.id === here.id);
  const Screen = SCREENS[here.id];
  const alarmed = here.id === "AFTER" && visit.data.running?.alarm !== undefined;
  // Between two couch stations the path of the visit comes a moment later: the couch stays the couch.
  const treating = COUCH.includes(here.id) && visit.data.treatmentId !== undefined;
  if (treating || ((COUCH.includes(here.id) || alarmed) && state?.missing === undefined)) {
    return (
      <RoomOf room="couch">
        <PersonSlot.Provider value={<Person />}>
          <Screen visit={visit.data} />
        </PersonSlot.Provider>
      </RoomOf>
    );
  }
  return (
    <Desk visit={visit.data} here={here.id}>
      {state?.missing === undefined ? (
        <Screen visit={visit.data} />
      ) : (
        <main className="pad">
          <h1>{here.label} is not open yet</h1>
          <p>It needs something first: {state.missing}.</p>
          <p>
            <Link to={`/visits/${visitId}/${visit.data.here.toLowerCase()}`}>
              Go to where this visit is
            </Link>
          </p>
        </main>
      )}
    </Desk>
  );
}

function Desk({ visit, here, children }: { visit: Visit; here: StationId; children: ReactNode }) {
  return (
    <RoomOf room="desk">
      <div className="station">
        <Top />
        <nav className={cx("path")} aria-label="Stations of this visit">
          {STATIONS.map((station) => {
            const state = visit.stations.find((s) => s.id === station.id);
            const words = (
              <>
                <b>{station.label}</b>
                <small>{state?.answer || "–"}</small>
              </>
            );
            return state?.missing === undefined ? (
              <Link
                key={station.id}
                to={`/visits/${visit.id}/${station.path}`}
                aria-current={station.id === here ? "step" : undefined}
              >
                {words}
              </Link>
            ) : (
              <span key={station.id} className={cx("shut")} title={state.missing}>
                {words}
              </span>
            );
          })}
        </nav>
        <WhoStrip visit={visit} />
        {children}
      </div>
    </RoomOf>
  );
}

/** Who is on the couch and what holds today; on every station. */
function WhoStrip({ visit }: { visit: Visit }) {
  const [changing, setChanging] = useState(false);
  const limits = visit.screened?.limits ?? [];
  return (
    <section className={cx("who-strip")} aria-label="Client">
      <span className={cx("name")}>{visit.clientName}</span>
      <span>{visit.age}</span>
      {visit.phototype && <span>type {visit.phototype}</span>}
      <span>{visit.allergies || "no allergies told"}</span>
      {visit.comfort && <span>{visit.comfort}</span>}
      {limits.length > 0 && (
        <span className="warn row" style={{ gap: 6 }}>
          <VerdictMark verdict="ADAPT" size={14} />
          {limits.slice(0, 3).join(" · ")}
          {limits.length > 3 && ` and ${limits.length - 3} more`}
        </span>
      )}
      <span className={cx("right")}>
        {visit.cancelled ? (
          <b className="warn">cancelled: {visit.cancelled}</b>
        ) : (
          <>
            peel on <b>{day(visit.startsAt)}</b>, {hour(visit.startsAt)}, {visit.minutes} min,{" "}
            {visit.room}
          </>
        )}
        {visit.treatmentId === undefined && !visit.cancelled && (
          <Button size="small" color="inherit" sx={{ ml: 1.5 }} onClick={() => setChanging(true)}>
            change
          </Button>
        )}
      </span>
      {changing && <ChangeVisit visit={visit} onClose={() => setChanging(false)} />}
    </section>
  );
}
