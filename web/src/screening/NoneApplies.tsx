import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { plural } from "../parts/words";
import type { Question } from "./questions";
import styles from "./NoneApplies.module.css";

const cx = classNames.bind(styles);

/** Every question that is still open, to be read out before all of them are answered at once. */
export function NoneApplies({
  questions,
  onConfirm,
  onClose,
}: {
  questions: Question[];
  onConfirm: () => void;
  onClose: () => void;
}) {
  const groups = [...new Set(questions.map(({ groupLabel }) => groupLabel))];
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="none-applies">
      <DialogTitle id="none-applies">
        Read these out: {plural(questions.length, "question")}
      </DialogTitle>
      <DialogContent dividers tabIndex={0}>
        <div className={cx("groups")}>
          {groups.map((group) => (
            <section key={group} aria-label={group}>
              <h3>{group}</h3>
              <ul>
                {questions
                  .filter(({ groupLabel }) => groupLabel === group)
                  .map(({ id, text }) => (
                    <li key={id}>{text}</li>
                  ))}
              </ul>
            </section>
          ))}
        </div>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Back to the questions
        </Button>
        <Button variant="contained" onClick={onConfirm}>
          All were asked, none applies
        </Button>
      </DialogActions>
    </Dialog>
  );
}
