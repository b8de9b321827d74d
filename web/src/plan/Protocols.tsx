import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { Link, useNavigate } from "react-router";
import { api, body } from "../api/client";
import { SEVERITIES } from "../api/enumWords";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { dayOfYear, plural } from "../parts/words";
import { keepDraft } from "./draft";
import { protocolsQuery, scriptWordsQuery } from "./queries";
import styles from "./Protocols.module.css";

const cx = classNames.bind(styles);

/** The practice's written sheets. */
export default function Protocols() {
  const protocols = useQuery(protocolsQuery);
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const read = useMutation({
    mutationFn: async (chosen: File) =>
      body(await api.POST("/api/protocols/reading", { body: { text: await chosen.text() } })),
    onSuccess: (sheet) => {
      const id = crypto.randomUUID();
      keepDraft(id, { sheet, over: 0 });
      void navigate(`/practice/protocols/${id}`);
    },
  });
  const all = protocols.data ?? [];
  const rules = useQuery(scriptWordsQuery).data?.rules ?? [];
  return (
    <main className={cx("pad", "protocols")}>
      <div className="row wrap">
        <h1 className="grow">Protocols</h1>
        <Button
          variant="contained"
          onClick={() => void navigate(`/practice/protocols/${crypto.randomUUID()}`)}
        >
          Write a new one
        </Button>
        <Button onClick={() => file.current?.click()}>Read from a file</Button>
        <input
          ref={file}
          hidden
          type="file"
          accept=".json,application/json"
          aria-label="File of a protocol"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) read.mutate(chosen);
            e.target.value = "";
          }}
        />
      </div>
      <p className="soft">
        The sheet that hangs on the wall, line by line, checked as it is written. A visit copies it
        and may change its copy; the record keeps what was written and what was done.
      </p>
      <ErrorNote error={protocols.error ?? read.error} />
      <Strip title="Written sheets" code={all.length} />
      {all.map((one) => (
        <Link key={one.id} to={`/practice/protocols/${one.id}`} className={cx("sheet-line")}>
          <b>{one.name}</b>
          <span className="soft">{one.regionLabel}</span>
          <span>{plural(one.steps, "line")}</span>
          <span className="mono">{one.minutes} min</span>
          <span className={one.shut > 0 ? "end" : one.mind > 0 ? "warn" : "soft"}>
            {one.shut > 0
              ? `${one.shut} shut`
              : one.mind > 0
                ? `${one.mind} to mind`
                : "no objection"}
          </span>
          <span className="small soft">
            version {one.version}, {dayOfYear(one.keptAt)}
          </span>
        </Link>
      ))}
      {protocols.data && all.length === 0 && (
        <p className="empty">
          No sheet is written yet. Write the first one, or read one from a file. Without one Ivesk
          composes each visit from formula, skin and policy.
        </p>
      )}
      <Strip title="What is objected to" code={`${rules.length} rules`} />
      <table className={cx("rules")}>
        <tbody>
          {rules.map((rule) => (
            <tr key={rule.id}>
              <th scope="row" className="mono small">
                {rule.id}
              </th>
              <td className={cx("severity", rule.severity.toLowerCase())}>
                {SEVERITIES[rule.severity]}
              </td>
              <td>{rule.when}</td>
              <td className="small soft">{rule.source}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
