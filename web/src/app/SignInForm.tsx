import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useRef, useState } from "react";
import type { Session } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { signIn, signInByCode, signInByPin, type Tried } from "./session";
import styles from "./SignInForm.module.css";

const cx = classNames.bind(styles);

type Way = "pin" | "password" | "code";

/** In by PIN where the password was given lately, by password, or by a one-time code. */
export function SignInForm({
  byPin,
  unreachable,
  onIn,
}: {
  byPin: Session["byPin"];
  unreachable?: unknown;
  onIn: () => void;
}) {
  const [way, setWay] = useState<Way>(byPin.length > 0 ? "pin" : "password");
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function take(trying: Promise<Tried>): Promise<Tried> {
    setBusy(true);
    const came = await trying;
    setBusy(false);
    setRefused(came.codeNeeded ? null : came.refused);
    if (came.refused === null) onIn();
    return came;
  }
  function turn(next: Way) {
    setWay(next);
    setRefused(null);
  }
  const problem = <ErrorNote error={refused ?? unreachable} />;
  return (
    <div className={cx("stack", "ways")}>
      {way === "pin" && <ByPin byPin={byPin} busy={busy} take={take} problem={problem} />}
      {way === "password" && <ByPassword busy={busy} take={take} problem={problem} />}
      {way === "code" && <ByCode busy={busy} take={take} problem={problem} />}
      <p className={cx("others")}>
        {way !== "password" && (
          <Button size="small" onClick={() => turn("password")}>
            With name and password
          </Button>
        )}
        {way !== "pin" && byPin.length > 0 && (
          <Button size="small" onClick={() => turn("pin")}>
            With a PIN
          </Button>
        )}
        {way !== "code" && (
          <Button size="small" onClick={() => turn("code")}>
            I have a one-time code
          </Button>
        )}
      </p>
    </div>
  );
}

interface WayProps {
  busy: boolean;
  take: (trying: Promise<Tried>) => Promise<Tried>;
  problem: React.ReactNode;
}

/** A name, then digits: no more, so that a tablet changes hands in a moment. */
function ByPin({ byPin, busy, take, problem }: WayProps & { byPin: Session["byPin"] }) {
  const [username, setUsername] = useState(byPin.length === 1 ? byPin[0]!.username : "");
  const [pin, setPin] = useState("");
  const digits = useRef<HTMLInputElement>(null);
  async function submit(event: FormEvent) {
    event.preventDefault();
    const came = await take(signInByPin(username, pin));
    if (came.refused !== null) setPin("");
  }
  return (
    <form onSubmit={submit} className="stack">
      <div className={cx("people")} role="group" aria-label="Who">
        {byPin.map((one) => (
          <button
            key={one.username}
            type="button"
            aria-pressed={one.username === username}
            onClick={() => {
              setUsername(one.username);
              setPin("");
              digits.current?.focus();
            }}
          >
            {one.name}
          </button>
        ))}
      </div>
      <TextField
        inputRef={digits}
        label="PIN"
        type="password"
        autoComplete="off"
        autoFocus={username !== ""}
        required
        value={pin}
        onChange={(e) => setPin(e.target.value.replace(/[^0-9]/g, ""))}
        slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 8 } }}
      />
      {problem}
      <Button type="submit" variant="contained" disabled={busy || username === "" || pin === ""}>
        Sign in
      </Button>
    </form>
  );
}

function ByPassword({ busy, take, problem }: WayProps) {
  const [username, setUsername] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState("");
  const [codeNeeded, setCodeNeeded] = useState(false);
  async function submit(event: FormEvent) {
    event.preventDefault();
    const came = await take(signIn(username, password, code));
    if (came.codeNeeded) setCodeNeeded(true);
    setCode("");
  }
  return (
    <form onSubmit={submit} className="stack">
      <TextField
        label="Name"
        autoComplete="username"
        autoFocus
        required
        value={username}
        onChange={(e) => setUsername(e.target.value)}
        slotProps={{ htmlInput: { autoCapitalize: "none" } }}
      />
      <TextField
        label="Password"
        type="password"
        autoComplete="current-password"
        required
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      {codeNeeded && (
        <TextField
          label="Code of the second factor"
          autoComplete="one-time-code"
          autoFocus
          required
          value={code}
          onChange={(e) => setCode(e.target.value)}
          helperText="Six digits of this moment, or one of your recovery codes."
        />
      )}
      {problem}
      <Button type="submit" variant="contained" disabled={busy}>
        Sign in
      </Button>
    </form>
  );
}

function ByCode({ busy, take, problem }: WayProps) {
  const [username, setUsername] = useState("");
  const [code, setCode] = useState("");
  const [password, setPassword] = useState("");
  function submit(event: FormEvent) {
    event.preventDefault();
    void take(signInByCode(username, code, password));
  }
  return (
    <form onSubmit={submit} className="stack">
      <TextField
        label="Name"
        autoComplete="username"
        autoFocus
        required
        value={username}
        onChange={(e) => setUsername(e.target.value)}
      />
      <TextField
        label="One-time code"
        autoComplete="off"
        required
        value={code}
        onChange={(e) => setCode(e.target.value)}
        helperText="From the owner of the practice; it holds 24 hours and does once."
      />
      <TextField
        label="Your own password"
        type="password"
        autoComplete="new-password"
        required
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        helperText="12 letters or more; several words are best."
      />
      {problem}
      <Button type="submit" variant="contained" disabled={busy}>
        Set it and sign in
      </Button>
    </form>
  );
}
