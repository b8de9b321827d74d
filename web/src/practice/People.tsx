import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import type { Person } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { plural } from "../parts/words";
import { PersonForm } from "./PersonForm";
import { peopleQuery } from "./queries";
import { SCOPES } from "./scopes";
import styles from "./People.module.css";

const cx = classNames.bind(styles);

/** Who works here, and what each role may. */
export default function People() {
  const people = useQuery(peopleQuery);
  const [editing, setEditing] = useState<Person | "new" | null>(null);
  const [code, setCode] = useState<{ username: string; code: string } | null>(null);
  const roles = people.data?.roles ?? [];
  const role = (id: Person["role"]) => roles.find((one) => one.id === id)?.label ?? id;
  return (
    <main className={cx("columns", "people")}>
      <section className="pad" aria-label="People">
        <div className="row wrap">
          <h1 className="grow">Who works here</h1>
          <Button variant="contained" onClick={() => setEditing("new")}>
            Add somebody
          </Button>
        </div>
        <ErrorNote error={people.error} />
        {code && <OneTimeCode {...code} onClose={() => setCode(null)} />}
        <ul className={cx("list")}>
          {people.data?.people.map((person) => (
            <li key={person.username} className={cx(person.locked ? "locked" : "")}>
              <span className={cx("name")}>
                <b>{person.name}</b>
                <small className="mono">{person.username}</small>
              </span>
              <span>
                {role(person.role)}
                {person.scope && (
                  <small className="under">
                    licence: {SCOPES.find(({ id }) => id === person.scope)?.label}
                  </small>
                )}
              </span>
              <span className="soft small">{standing(person)}</span>
              <span className={cx("row", "deeds")}>
                <Button size="small" onClick={() => setEditing(person)}>
                  Change
                </Button>
                <Reset person={person} onCode={setCode} />
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section className="side" aria-label="What each role may" tabIndex={0}>
        {roles.map((one) => (
          <div key={one.id}>
            <Strip title={one.label} />
            <ul className="pad-small">
              {one.rights.map((right) => (
                <li key={right}>{right}</li>
              ))}
            </ul>
          </div>
        ))}
        <p className="pad-small soft">
          Clearances and firm limits are the supervising clinician’s alone, whoever is signed in: by
          their own password or PIN at the spot.
        </p>
      </section>
      {editing && (
        <PersonForm
          person={editing === "new" ? null : editing}
          roles={roles}
          onClose={() => setEditing(null)}
          onCode={setCode}
        />
      )}
    </main>
  );
}

function standing(person: Person): string {
  if (person.locked) return "locked: cannot sign in";
  if (!person.hasPassword) return "has not signed in yet: waits for a one-time code";
  const has = [person.hasFactor && "second factor", person.hasPin && "PIN"].filter(Boolean);
  const here =
    person.signedIn > 0 ? `signed in on ${plural(person.signedIn, "device")}` : "not signed in";
  return [here, ...has].join(" · ");
}

function Reset({
  person,
  onCode,
}: {
  person: Person;
  onCode: (code: { username: string; code: string }) => void;
}) {
  const queries = useQueryClient();
  const [sure, setSure] = useState(false);
  const reset = useMutation({
    mutationFn: async () =>
      body(
        await api.POST("/api/people/{username}/reset", {
          params: { path: { username: person.username } },
        }),
      ),
    onSuccess: async (code) => {
      onCode(code);
      setSure(false);
      await queries.invalidateQueries({ queryKey: keys.people });
    },
  });
  if (person.locked) return null;
  return sure ? (
    <Button size="small" color="error" disabled={reset.isPending} onClick={() => reset.mutate()}>
      Sign out everywhere, give a code
    </Button>
  ) : (
    <Button size="small" color="inherit" onClick={() => setSure(true)}>
      Reset
    </Button>
  );
}

/** Shown this once. */
function OneTimeCode({
  username,
  code,
  onClose,
}: {
  username: string;
  code: string;
  onClose: () => void;
}) {
  return (
    <section className={cx("code")} aria-label="One-time code" role="status">
      <p>
        <b>{username}</b> signs in by “I have a one-time code” within 24 hours and sets a password.
        It is shown this once; say it, do not send it.
      </p>
      <p className={cx("mono", "letters")}>{code}</p>
      <Button size="small" onClick={onClose}>
        Noted
      </Button>
    </section>
  );
}
