import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { COMPLAINTS } from "../api/enumWords";
import type { ContactState, Flag } from "../api/types";
import { Strip } from "../parts/Strip";
import { useMay } from "../parts/practice";
import { day, hour } from "../parts/words";
import { AskCheckIn } from "./AskCheckIn";
import { CloseFlag } from "./CloseFlag";
import { contactQuery } from "./contactQueries";
import { DiaryLink } from "./DiaryLink";
import styles from "./Contact.module.css";

const cx = classNames.bind(styles);

const STATES: Record<ContactState["planned"][number]["state"], string> = {
  COMING: "to come",
  DUE: "due",
  UNANSWERED: "nobody answered",
  TOLD: "told",
  PASSED: "not told",
};

/** What was heard after a visit: planned check-ins, what was told, flags open and closed. */
export function Contact({ visitId, name }: { visitId: string; name: string }) {
  const { data } = useQuery(contactQuery(visitId));
  const [asking, setAsking] = useState(false);
  const [linking, setLinking] = useState(false);
  const [closing, setClosing] = useState<Flag | null>(null);
  const treats = useMay("TREAT");
  if (!data) return null;
  return (
    <section aria-label="Contact after the peel">
      <Strip
        title="Heard since"
        code={data.flags.some(({ closedAt }) => !closedAt) ? "red flag open" : data.told.length}
      />
      <ol className={cx("planned")}>
        {data.planned.map((planned) => (
          <li key={planned.day} className={cx(planned.state.toLowerCase())}>
            <span className="mono">{day(planned.on)}</span>
            <b>day {planned.day}</b>
            <span>{STATES[planned.state]}</span>
          </li>
        ))}
      </ol>
      {data.flags.map((flag) => (
        <FlagLine key={flag.id} flag={flag} onClose={treats ? () => setClosing(flag) : undefined} />
      ))}
      {data.told.map((told) => (
        <ToldLine key={told.id} told={told} />
      ))}
      {treats && (
        <p className={cx("keys")}>
          <Button size="small" onClick={() => setAsking(true)}>
            Ask how it is
          </Button>
          {data.diary && (
            <Button size="small" color="inherit" onClick={() => setLinking(true)}>
              Page for the client&apos;s phone
            </Button>
          )}
        </p>
      )}
      {linking && <DiaryLink visitId={visitId} />}
      {asking && (
        <AskCheckIn
          visitId={visitId}
          name={name}
          peelOn={data.peelOn}
          onClose={() => setAsking(false)}
        />
      )}
      {closing && <CloseFlag flag={closing} onClose={() => setClosing(null)} />}
    </section>
  );
}

function FlagLine({ flag, onClose }: { flag: Flag; onClose?: () => void }) {
  return (
    <div className={cx("flag", flag.closedAt ? "closed" : "")}>
      <b className="grow">
        Red flag of {day(flag.openedOn)}: {flag.severityLabel}
      </b>
      {flag.closedAt ? (
        <span>
          closed {day(flag.closedAt)} by {flag.closedBy}: {flag.note}
          {flag.harmless && " No harm was done."}
        </span>
      ) : (
        onClose && (
          <Button size="small" color="error" onClick={onClose}>
            Close with a note
          </Button>
        )
      )}
    </div>
  );
}

function ToldLine({ told }: { told: ContactState["told"][number] }) {
  const said = [
    `feels ${told.sensation}`,
    `flakes ${told.flaking} of 3`,
    `redness ${told.redness} of 3`,
    ...told.complaints.map((one) => COMPLAINTS[one]),
  ];
  return (
    <div className={cx("report")}>
      <span className="mono">
        {day(told.toldAt)} {hour(told.toldAt)}
      </span>
      <div>
        <b>{told.severityLabel}</b>
        <p>{said.join(" · ")}</p>
        {told.words && <p>“{told.words}”</p>}
        {told.found.map((found) => (
          <p key={found.id} className="small soft">
            {found.question}: {found.advice}
          </p>
        ))}
        <p className="small soft">{told.byClient ? "by the client" : `to ${told.toldTo}`}</p>
      </div>
      {told.hasPhoto && (
        <a href={`/api/check-ins/${told.id}/photo`} target="_blank" rel="noreferrer">
          <img src={`/api/check-ins/${told.id}/photo`} alt={`Photo of ${day(told.toldAt)}`} />
        </a>
      )}
    </div>
  );
}
