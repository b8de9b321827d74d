import classNames from "classnames/bind";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { api, body } from "../api/client";
import type { Policy } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { practiceQuery, useMay } from "../parts/practice";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { plural } from "../parts/words";
import { Numbers } from "./Numbers";
import { PracticeForm } from "./PracticeForm";
import { ProductKinds } from "./ProductKinds";
import { policiesQuery } from "./queries";
import styles from "./Practice.module.css";

const cx = classNames.bind(styles);

/** The practice itself, and who works in it. */
function Details() {
  const practice = useQuery(practiceQuery).data;
  const maySet = useMay("PRACTICE");
  const mayPeople = useMay("PEOPLE");
  const mayWatch = useMay("WATCH");
  const [editing, setEditing] = useState(false);
  if (!practice) return null;
  return (
    <>
      <Strip title="The practice" code={practice.town} />
      <div className="pad-small">
        <p>
          <b>{practice.name || "has no name yet"}</b>
        </p>
        <p className="soft small">
          {practice.rooms.join(", ")} · {practice.zone}
        </p>
        <p className="row wrap">
          <Button size="small" component={Link} to="/practice/protocols">
            Protocols
          </Button>
          {maySet && (
            <Button size="small" onClick={() => setEditing(true)}>
              Change
            </Button>
          )}
          {mayPeople && (
            <Button size="small" component={Link} to="/practice/people">
              Who works here
            </Button>
          )}
          {mayWatch && (
            <Button size="small" component={Link} to="/practice/health">
              How it is
            </Button>
          )}
        </p>
      </div>
      {editing && <PracticeForm practice={practice} onClose={() => setEditing(false)} />}
    </>
  );
}

/** What the practice does where the schools differ, and its kinds of home products. */
export default function Practice() {
  const queries = useQueryClient();
  const policies = useQuery(policiesQuery);
  const set = useMutation({
    mutationFn: async ({ question, answer }: { question: Policy["id"]; answer: string }) =>
      body(
        await api.PUT("/api/practice/policies/{question}", {
          params: { path: { question } },
          body: { answer },
        }),
      ),
    onSuccess: async (fresh) => {
      queries.setQueryData(policiesQuery.queryKey, fresh);
      await queries.invalidateQueries({ queryKey: keys.visits });
      await queries.invalidateQueries({ queryKey: keys.today });
    },
  });
  const state = policies.data;
  const changed = state?.policies.filter((policy) => policy.answer !== policy.usual).length ?? 0;
  return (
    <>
      <main className={cx("columns", "practice")}>
        <section className="pad" aria-label="Policies">
          <h1>Where the schools differ</h1>
          <p className="soft">
            Set once, followed everywhere. The maker’s instruction on a product comes before any of
            these.
            {state && !state.maySet && " Owner and supervising clinician change them."}{" "}
            <Link to="/practice/decisions">The decision after every look</Link>
          </p>
          <ErrorNote error={policies.error ?? set.error} />
          <Strip
            title="Policies"
            code={changed === 0 ? "all usual" : `${plural(changed, "answer")} not the usual`}
          />
          {state?.policies.map((policy) => (
            <div key={policy.id} className={cx("line", "wrap", "policy")}>
              <span className="grow">{policy.label}</span>
              <Segments
                label={policy.label}
                value={policy.answer}
                disabled={!state.maySet}
                options={policy.options.map(({ id, label }) => ({
                  id,
                  label: id === policy.usual ? `${label} · usual` : label,
                }))}
                onChange={(answer) => set.mutate({ question: policy.id, answer })}
              />
            </div>
          ))}
        </section>
        <section
          className="side"
          aria-label="The practice, numbers and kinds of home products"
          tabIndex={0}
        >
          <Details />
          <Numbers />
          <ProductKinds />
        </section>
      </main>
    </>
  );
}
