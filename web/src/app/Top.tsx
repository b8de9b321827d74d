import Button from "@mui/material/Button";
import { Link, NavLink } from "react-router";
import { signOut, useSession } from "./session";

/** The top of every desk screen. */
export function Top() {
  const session = useSession();
  return (
    <header className="top">
      <Link to="/" className="brand" aria-label="Ivesk, to Today">
        ivesk
      </Link>
      <nav aria-label="Rooms">
        <NavLink to="/" end>
          Today
        </NavLink>
        <NavLink to="/clients">Clients</NavLink>
      </nav>
      <span className="who soft">{session.data?.account?.name}</span>
      <Button color="inherit" variant="text" onClick={() => void signOut()}>
        Sign out
      </Button>
    </header>
  );
}
