import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQueryClient } from "@tanstack/react-query";
import type { Session } from "../api/types";
import { SignInForm } from "./SignInForm";

/** Over the screen as it was: clocks and limit go on behind it, and nothing that was said is lost. */
export function ComeBack({ byPin }: { byPin: Session["byPin"] }) {
  const queries = useQueryClient();
  return (
    <Dialog open maxWidth="xs" fullWidth aria-labelledby="come-back">
      <DialogTitle id="come-back">You are signed out</DialogTitle>
      <DialogContent>
        <div className="stack">
          <p className="soft">
            Clocks go on. What was said and not yet saved is kept on this screen, under the name of
            who said it.
          </p>
          <SignInForm byPin={byPin} onIn={() => void queries.invalidateQueries()} />
        </div>
      </DialogContent>
    </Dialog>
  );
}
