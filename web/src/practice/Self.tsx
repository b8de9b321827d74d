import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useState } from "react";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day, hour } from "../parts/words";
import { selfQuery } from "./queries";
import { deviceName } from "./deviceName";
import styles from "./Self.module.css";

const cx = classNames.bind(styles);

/** One's own sign-in; each change asks for the password once more. */
export default function Self() {
  const self = useQuery(selfQuery);
  const state = self.data;
  return (
    <main className={cx("columns", "self")}>
      <section className="pad" aria-label="Your sign-in">
        <h1>Your sign-in</h1>
        <ErrorNote error={self.error} />
        <Strip title="Password" />
        <NewPassword />
        <Strip title="PIN" code={state?.hasPin ? "set" : "none"} />
        <p className={cx("soft", "words")}>
          Four to eight digits that take a shared tablet over in a moment. It does only on a device
          on which you gave your password in the last 14 days.
        </p>
        <NewPin />
        <Strip title="Second factor" code={state?.hasFactor ? "on" : "off"} />
        {state && <SecondFactor on={state.hasFactor} left={state.recoveryCodesLeft} />}
      </section>
      <section className="side" aria-label="Where you are signed in" tabIndex={0}>
        <Strip title="Signed in" code={state?.signIns.length} />
        {state?.signIns.map((one) => (
          <SignInLine key={one.id} one={one} />
        ))}
      </section>
    </main>
  );
}

function SignInLine({
  one,
}: {
  one: { id: string; browser: string; address: string; since: string; seen: string; here: boolean };
}) {
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: async () =>
      api.DELETE("/api/self/sign-ins/{id}", { params: { path: { id: one.id } } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.self }),
  });
  return (
    <div className="line">
      <span className="grow">
        {deviceName(one.browser)}, {one.address}
        <small className="under">
          since {day(one.since)} {hour(one.since)}, last {day(one.seen)} {hour(one.seen)}
        </small>
      </span>
      {one.here ? (
        <b>here</b>
      ) : (
        <Button size="small" disabled={end.isPending} onClick={() => end.mutate()}>
          End
        </Button>
      )}
    </div>
  );
}

/** A form that asks for the password once more and says what came of it. */
function Proven({
  label,
  save,
  children,
  onSaved,
}: {
  label: string;
  save: (password: string) => Promise<unknown>;
  children?: ReactNode;
  onSaved?: () => void;
}) {
  const queries = useQueryClient();
  const [password, setPassword] = useState("");
  const saving = useMutation({
    mutationFn: () => save(password),
    onSuccess: async () => {
      setPassword("");
      onSaved?.();
      await queries.invalidateQueries({ queryKey: keys.self });
      await queries.invalidateQueries({ queryKey: keys.session });
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    saving.mutate();
  }
  return (
    <form onSubmit={submit} className={cx("form")}>
      <TextField
        label="Your password of now"
        type="password"
        autoComplete="current-password"
        required
        value={password}
        onChange={(e) => setPassword(e.target.value)}
      />
      {children}
      <Button type="submit" variant="outlined" disabled={saving.isPending}>
        {label}
      </Button>
      <span role="status" className={cx("soft", "came")}>
        {saving.isSuccess && password === "" ? "Done." : ""}
      </span>
      <ErrorNote error={saving.error} />
    </form>
  );
}

function NewPassword() {
  const [fresh, setFresh] = useState("");
  return (
    <Proven
      label="Set password"
      save={async (password) => api.PUT("/api/self/password", { body: { password, fresh } })}
      onSaved={() => setFresh("")}
    >
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        required
        value={fresh}
        onChange={(e) => setFresh(e.target.value)}
        helperText="12 letters or more; several words are best. You are signed out elsewhere."
      />
    </Proven>
  );
}

function NewPin() {
  const [pin, setPin] = useState("");
  return (
    <Proven
      label="Set PIN"
      save={async (password) => api.PUT("/api/self/pin", { body: { password, pin } })}
      onSaved={() => setPin("")}
    >
      <TextField
        label="PIN"
        type="password"
        autoComplete="off"
        required
        value={pin}
        onChange={(e) => setPin(e.target.value.replace(/[^0-9]/g, ""))}
        slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 8 } }}
      />
    </Proven>
  );
}

function SecondFactor({ on, left }: { on: boolean; left: number }) {
  const queries = useQueryClient();
  const [factor, setFactor] = useState<{ key: string; qr: string; size: number } | null>(null);
  const [code, setCode] = useState("");
  const [recovery, setRecovery] = useState<string[] | null>(null);
  const confirm = useMutation({
    mutationFn: async () => body(await api.PUT("/api/self/factor", { body: { code } })),
    onSuccess: async ({ codes }) => {
      setRecovery(codes);
      setFactor(null);
      setCode("");
      await queries.invalidateQueries({ queryKey: keys.self });
    },
  });
  if (recovery) {
    return (
      <div className={cx("words")}>
        <p>
          <b>On.</b> Write these down and keep them away from the telephone: each takes its place
          once. They are not shown again.
        </p>
        <ul className={cx("mono", "recovery")}>
          {recovery.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
        <Button variant="outlined" onClick={() => setRecovery(null)}>
          Written down
        </Button>
      </div>
    );
  }
  if (factor) {
    return (
      <form
        className={cx("form", "factor")}
        onSubmit={(event) => {
          event.preventDefault();
          confirm.mutate();
        }}
      >
        <svg
          viewBox={`0 0 ${factor.size} ${factor.size}`}
          role="img"
          aria-label="QR code of the key below"
        >
          <path d={factor.qr} />
        </svg>
        <div className="stack">
          <p>
            Scan it with the authenticator application on your telephone, or type the key{" "}
            <b className="mono">{factor.key.replace(/(.{4})/g, "$1 ").trim()}</b>
          </p>
          <TextField
            label="The six digits it shows"
            autoFocus
            required
            autoComplete="one-time-code"
            value={code}
            onChange={(e) => setCode(e.target.value)}
            slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 6 } }}
          />
          <ErrorNote error={confirm.error} />
          <div className="row">
            <Button type="submit" variant="contained" disabled={confirm.isPending}>
              Turn it on
            </Button>
            <Button color="inherit" onClick={() => setFactor(null)}>
              Leave it
            </Button>
          </div>
        </div>
      </form>
    );
  }
  return (
    <>
      <p className={cx("soft", "words")}>
        {on
          ? `Signing in by password asks for six digits of this moment. ${left} of 10 recovery codes are left.`
          : "Besides the password, six digits that only your telephone knows."}
      </p>
      {on ? (
        <Proven
          label="Turn it off"
          save={async (password) => api.POST("/api/self/factor/removal", { body: { password } })}
        />
      ) : (
        <Proven
          label="Show a key"
          save={async (password) =>
            setFactor(body(await api.POST("/api/self/factor", { body: { password } })))
          }
        />
      )}
    </>
  );
}
