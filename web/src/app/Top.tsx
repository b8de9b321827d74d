import classNames from "classnames/bind";
import { Link, NavLink, useLocation } from "react-router";
import { useMay } from "../parts/practice";
import { Rooms } from "../parts/Rooms";
import { Finder } from "./Finder";
import { Person } from "./Person";
import styles from "./Top.module.css";

const cx = classNames.bind(styles);

/** The top of every desk screen. */
export function Top() {
  const { pathname, search } = useLocation();
  const reads = useMay("RECORD");
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
        {reads && <NavLink to="/shelf">Shelf</NavLink>}
        <NavLink to="/practice">Practice</NavLink>
      </nav>
      {(pathname !== "/" || search.includes("day=")) && <Rooms />}
      <Finder />
      <Person />
    </header>
  );
}
