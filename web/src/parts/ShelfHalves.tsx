import classNames from "classnames/bind";
import { NavLink } from "react-router";
import styles from "./ShelfHalves.module.css";

const cx = classNames.bind(styles);

/** The two halves of the shelf: peels, and everything else that touches skin. */
export function ShelfHalves() {
  return (
    <nav className={cx("halves")} aria-label="Halves of the shelf">
      <NavLink to="/shelf" end>
        Peels
      </NavLink>
      <NavLink to="/shelf/products">Products</NavLink>
    </nav>
  );
}
