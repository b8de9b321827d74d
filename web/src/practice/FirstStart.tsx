import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api } from "../api/client";
import type { Practice } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { PracticeFields } from "./PracticeFields";
import { SCOPES } from "./scopes";
import styles from "./FirstStart.module.css";

const cx = classNames.bind(styles);

const EMPTY: Practice = {
  name: "",
  town: "",
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  rooms: ["room 1", "room 2"],
  opening: ["MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY"],
  closedDays: [],
  keepYears: 10,
};

/** Makes the practice and its owner, by the address that the terminal has shown. */
export default function FirstStart() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [code] = useState(() => window.location.hash.slice(1));
  const [practice, setPractice] = useState(EMPTY);
  const [owner, setOwner] = useState({ name: "", username: "", password: "", again: "" });
  const [emergency, setEmergency] = useState("");
  const [poisonCentre, setPoisonCentre] = useState("");
  const [scope, setScope] = useState<(typeof SCOPES)[number]["id"]>("SUPERFICIAL");
  const differ = owner.again !== "" && owner.again !== owner.password;
  const begin = useMutation({
    mutationFn: async () => {
      await api.GET("/api/session");
      const { name, username, password } = owner;
      await api.POST("/api/first-start", {
        body: { code, name, username, password, practice, emergency, poisonCentre, scope },
      });
    },
    onSuccess: async () => {
      await queries.invalidateQueries();
      await navigate("/?tour", { replace: true });
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    if (!differ) begin.mutate();
  }
  const own = (part: Partial<typeof owner>) => setOwner({ ...owner, ...part });
  return (
    <main className={cx("first")}>
      <header>
        <h1>ivesk</h1>
        <p>
          A practice of your own. What you enter stays on this machine; all of it can be changed
          later under Practice.
        </p>
      </header>
      <form onSubmit={submit}>
        <section aria-label="The practice">
          <Strip title="The practice" />
          <div className={cx("fields")}>
            <PracticeFields value={practice} onChange={setPractice} />
          </div>
        </section>
        <section aria-label="You and your licence">
          <Strip title="You, its owner" />
          <div className={cx("fields")}>
            <TextField
              label="Your name"
              required
              value={owner.name}
              onChange={(e) => own({ name: e.target.value })}
            />
            <TextField
              label="Sign-in name"
              required
              autoComplete="username"
              value={owner.username}
              onChange={(e) => own({ username: e.target.value.toLowerCase() })}
              helperText="Small letters, digits, dots and dashes."
            />
            <TextField
              label="Password"
              type="password"
              required
              autoComplete="new-password"
              value={owner.password}
              onChange={(e) => own({ password: e.target.value })}
              helperText="12 letters or more; several words are best."
            />
            <TextField
              label="Password once more"
              type="password"
              required
              autoComplete="new-password"
              value={owner.again}
              onChange={(e) => own({ again: e.target.value })}
              error={differ}
              helperText={differ ? "The two differ." : " "}
            />
          </div>
          <Strip title="Licence" />
          <div className={cx("fields")}>
            <TextField
              select
              label="What it covers"
              value={scope}
              onChange={(e) => setScope(e.target.value as typeof scope)}
              helperText="What is deeper is shut in the whole practice. The licence and the law decide, not Ivesk."
            >
              {SCOPES.map(({ id, label }) => (
                <MenuItem key={id} value={id}>
                  {label}
                </MenuItem>
              ))}
            </TextField>
          </div>
          <Strip title="Numbers an alarm shows" />
          <div className={cx("fields")}>
            <TextField
              label="Emergency number"
              value={emergency}
              onChange={(e) => setEmergency(e.target.value)}
              slotProps={{ htmlInput: { inputMode: "tel", maxLength: 30 } }}
            />
            <TextField
              label="Poison centre"
              value={poisonCentre}
              onChange={(e) => setPoisonCentre(e.target.value)}
              slotProps={{ htmlInput: { inputMode: "tel", maxLength: 30 } }}
              helperText="An alarm on the couch shows them large. Asked for until they are set."
            />
          </div>
          <div className={cx("go")}>
            <ErrorNote error={begin.error} />
            <Button type="submit" variant="contained" size="large" disabled={begin.isPending}>
              Make the practice
            </Button>
          </div>
        </section>
      </form>
    </main>
  );
}
