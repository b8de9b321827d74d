import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { todayQuery } from "../parts/today";
import { firstName } from "../parts/words";
import { signOut, useSession } from "./session";

/** Signs out; with acid of one's own on a skin it asks first. */
export function SignOut() {
  const [asking, setAsking] = useState(false);
  const name = useSession().data?.account?.name;
  const today = useQuery(todayQuery);
  const own = (today.data?.visits ?? []).find(
    ({ therapist, running }) =>
      therapist === name && (running?.phase === "ACID" || running?.alarm !== undefined),
  );
  return (
    <>
      <Button
        color="inherit"
        variant="text"
        onClick={() => (own ? setAsking(true) : void signOut())}
      >
        Sign out
      </Button>
      {asking && own && (
        <Dialog open onClose={() => setAsking(false)} maxWidth="xs" fullWidth aria-labelledby="out">
          <DialogTitle id="out">
            {own.running?.alarm
              ? `An alarm of ${firstName(own.clientName)} is open`
              : `Acid is on ${firstName(own.clientName)}`}
          </DialogTitle>
          <DialogContent>
            <p>
              {own.room}. Its clock runs on without you, and everything said so far is kept. Nobody
              answers on this screen until somebody signs in again.
            </p>
          </DialogContent>
          <DialogActions>
            <Button color="error" onClick={() => void signOut()}>
              Sign out all the same
            </Button>
            <Button
              variant="contained"
              component={Link}
              to={`/visits/${own.id}/${own.here.toLowerCase()}`}
              onClick={() => setAsking(false)}
            >
              Back to {firstName(own.clientName)}
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
