import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { useSession } from "./session";
import { SignInForm } from "./SignInForm";
import { SignOut } from "./SignOut";
import styles from "./Person.module.css";

const cx = classNames.bind(styles);

/** Who is signed in: the tablet changes hands here, by a PIN. */
export function Person() {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const session = useSession().data;
  const account = session?.account;
  if (!account) return null;
  const others = session.byPin.filter(({ username }) => username !== account.username);
  const short = /^(?:Dr\.? )?\S+/.exec(account.name)?.[0] ?? account.name;
  const close = () => setOpen(false);
  return (
    <>
      <button
        type="button"
        className={cx("who")}
        aria-haspopup="dialog"
        data-person={account.username}
        onClick={() => setOpen(true)}
      >
        {short}
        <span className={cx("rest")}>{account.name.slice(short.length)}</span>
      </button>
      {open && (
        <Dialog open onClose={close} maxWidth="xs" fullWidth aria-labelledby="person">
          <DialogTitle id="person">{account.name}</DialogTitle>
          <DialogContent>
            <div className="stack">
              <p>
                <Link to="/self" onClick={close}>
                  Your sign-in: password, PIN, second factor
                </Link>
              </p>
              <h3>Somebody else takes over</h3>
              {others.length === 0 && (
                <p className="soft">
                  Who has given the password on this device and set a PIN can take over by it.
                </p>
              )}
              <SignInForm
                byPin={others}
                onIn={() => {
                  close();
                  void queries.invalidateQueries();
                }}
              />
            </div>
          </DialogContent>
          <DialogActions>
            <Button color="inherit" onClick={close}>
              Leave it
            </Button>
            <SignOut />
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
