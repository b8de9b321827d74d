import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { Link, NavLink, useLocation } from "react-router";
import type { Visit } from "../api/types";
import { useNow } from "../parts/useNow";
import { clock, firstName } from "../parts/words";
import { todayQuery } from "../visit/queries";
import { Finder } from "./Finder";
import { signOut, useSession } from "./session";
import styles from "./Top.module.css";

const cx = classNames.bind(styles);

/** The top of every desk screen. */
export function Top() {
  const session = useSession();
  return (
    <header className={cx("top")}>
      <Link to="/" className={cx("brand")} aria-label="ivesk, to Today">
        ivesk
      </Link>
      <nav aria-label="Rooms">
        <NavLink to="/" end>
          Today
        </NavLink>
        <NavLink to="/clients">Clients</NavLink>
        <NavLink to="/bench">Bench</NavLink>
        <NavLink to="/shelf">Shelf</NavLink>
        <NavLink to="/practice">Practice</NavLink>
      </nav>
      <Running />
      <Finder />
      <span className={cx("who", "soft")}>{session.data?.account?.name}</span>
      <Button color="inherit" variant="text" onClick={() => void signOut()}>
        Sign out
      </Button>
    </header>
  );
}

/** Peels that run in other rooms, on every screen; Today shows them large. */
function Running() {
  const today = useQuery(todayQuery);
  const { pathname } = useLocation();
  if (pathname === "/") return null;
  const offset = today.data ? Date.parse(today.data.serverNow) - today.dataUpdatedAt : 0;
  return today.data?.visits
    .filter((visit) => visit.running?.phase === "ACID")
    .map((visit) => <RunningLink key={visit.id} visit={visit} offset={offset} />);
}

function RunningLink({ visit, offset }: { visit: Visit; offset: number }) {
  const now = useNow(offset, 500);
  const { elapsed, limitAt } = visit.running ?? {};
  const over = limitAt !== undefined && now >= Date.parse(limitAt);
  return (
    <Link to={`/visits/${visit.id}/treat`} className={cx("top-running", over ? "over" : "")}>
      {firstName(visit.clientName)}, {visit.room}{" "}
      <b className="mono">{elapsed && clock(now - Date.parse(elapsed))}</b>
      {over && " end now"}
    </Link>
  );
}
