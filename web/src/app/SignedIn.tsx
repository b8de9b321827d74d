import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useState } from "react";
import { ErrorNote } from "../parts/ErrorNote";
import { RoomOf } from "./RoomOf";
import { signIn, useSession } from "./session";
import styles from "./SignedIn.module.css";

const cx = classNames.bind(styles);

/** Everything but the sign-in page needs a signed-in person. */
export function SignedIn({ children }: { children: ReactNode }) {
  const session = useSession();
  if (session.isPending) return null;
  if (session.data?.account) return children;
  return (
    <RoomOf room="desk">
      <SignInPage unreachable={session.error} />
    </RoomOf>
  );
}

function SignInPage({ unreachable }: { unreachable: unknown }) {
  const queries = useQueryClient();
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const [refused, setRefused] = useState<string | null>(null);

  async function submit(event: FormEvent) {
    event.preventDefault();
    const why = await signIn(username, password);
    setRefused(why);
    if (why === null) await queries.invalidateQueries();
  }

  return (
    <main className={cx("sign-in")}>
      <section aria-label="Ivesk">
        <h1>ivesk</h1>
        <p>Superficial peels, from the first question to the signed record.</p>
        <p className="small">
          Ivesk computes, times, reminds and records. It does not diagnose. The maker’s label, the
          law, your licence and the supervising clinician come before any number here.
        </p>
      </section>
      <form onSubmit={submit} className="stack">
        <h2>Sign in</h2>
        <TextField
          label="Name"
          autoComplete="username"
          autoFocus
          required
          value={username}
          onChange={(e) => setUsername(e.target.value)}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <ErrorNote error={refused ?? unreachable} />
        <Button type="submit" variant="contained">
          Sign in
        </Button>
      </form>
    </main>
  );
}
