import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api } from "../api/client";
import type { DueCheckIn } from "../api/types";
import { CallLink } from "../parts/CallLink";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day, firstName } from "../parts/words";
import { AskCheckIn } from "./AskCheckIn";
import { hearFromQuery, useHeard } from "./contactQueries";
import styles from "./HearFrom.module.css";

const cx = classNames.bind(styles);

/** People to hear from today, and red flags that stand open. */
export function HearFrom() {
  const { data } = useQuery(hearFromQuery);
  if (!data || data.due.length + data.flags.length === 0) return null;
  return (
    <>
      {data.flags.length > 0 && <Strip title="Red flags open" code={data.flags.length} />}
      {data.flags.map(({ clientId, clientName, telephone, flag }) => (
        <div key={flag.id} className={cx("line")}>
          <div className="row">
            <b className="grow">
              <Link to={`/clients/${clientId}`}>{clientName}</Link>
            </b>
            <CallLink number={telephone} whose={clientName} />
            <span className={cx("flag")}>{flag.severityLabel}</span>
          </div>
          <p className="small soft">
            since {day(flag.openedOn)}; no next plan before it is closed in the chart
          </p>
        </div>
      ))}
      {data.due.length > 0 && <Strip title="To hear from" code={data.due.length} />}
      {data.due.map((due) => (
        <Due key={due.visitId} due={due} />
      ))}
    </>
  );
}

function Due({ due }: { due: DueCheckIn }) {
  const [asking, setAsking] = useState(false);
  const heard = useHeard();
  const tried = useMutation({
    mutationFn: () =>
      api.POST("/api/visits/{id}/contact/tries", { params: { path: { id: due.visitId } } }),
    onSuccess: heard,
  });
  return (
    <div className={cx("line")}>
      <div className="row">
        <b className="grow">
          <Link to={`/clients/${due.clientId}`}>{due.clientName}</Link>
        </b>
        <CallLink number={due.telephone} whose={due.clientName} />
        <span className={`small ${due.state === "UNANSWERED" ? "warn" : "soft"}`}>
          {due.state === "UNANSWERED" ? `nobody answered, ${due.tries} tries` : `day ${due.day}`}
        </span>
      </div>
      <p className="small soft">
        peel on {day(due.peelOn)}, due {day(due.on)}
        {due.state === "DUE" && due.tries > 0 && ", nobody answered once"}
      </p>
      <span className="row wrap">
        <Button size="small" onClick={() => setAsking(true)}>
          Ask {firstName(due.clientName)}
        </Button>
        <Button size="small" color="inherit" onClick={() => tried.mutate()}>
          Nobody answers
        </Button>
      </span>
      <ErrorNote error={tried.error} />
      {asking && (
        <AskCheckIn
          visitId={due.visitId}
          name={firstName(due.clientName)}
          peelOn={due.peelOn}
          onClose={() => setAsking(false)}
        />
      )}
    </div>
  );
}
