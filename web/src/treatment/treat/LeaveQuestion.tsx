import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useEffect } from "react";
import { useBlocker } from "react-router";

/** Couch screens, which show what runs in other rooms. */
const COUCH = /\/(ready|treat|settle)$/;

/**
 * Leaving while acid is on asks first, whether by a link or by closing the page; not on the way to
 * another room's couch, at whose top this one stays.
 */
export function LeaveQuestion({ running, away }: { running: boolean; away: boolean }) {
  const blocker = useBlocker(
    ({ nextLocation }) => running && (away || !COUCH.test(nextLocation.pathname)),
  );
  useEffect(() => {
    if (!running) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [running]);
  if (blocker.state !== "blocked") return null;
  return (
    <Dialog open onClose={() => blocker.reset()} aria-labelledby="leave">
      <DialogTitle id="leave">Acid is on. Leave this screen?</DialogTitle>
      <DialogContent>
        {away
          ? "The server does not answer: no other screen can show this peel. What you entered is kept here."
          : "The clocks go on. The peel shows at the top of every other screen until it is ended."}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={() => blocker.proceed()}>
          Leave
        </Button>
        <Button variant="contained" autoFocus onClick={() => blocker.reset()}>
          Stay
        </Button>
      </DialogActions>
    </Dialog>
  );
}
