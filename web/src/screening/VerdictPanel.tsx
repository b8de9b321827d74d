import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Finding, Outcome, Verdict } from "../api/types";
import { Strip } from "../parts/Strip";
import { VerdictMark } from "../parts/VerdictMark";
import { day, plural } from "../parts/words";
import { LiftFinding } from "./LiftFinding";
import type { Question } from "./questions";
import styles from "./VerdictPanel.module.css";

const cx = classNames.bind(styles);

/** The verdict for the day, rebuilt at every answer, with what it stands on. */
export function VerdictPanel({
  visitId,
  peelDate,
  outcome: state,
  questions,
}: {
  visitId: string;
  peelDate: string;
  outcome: Outcome;
  questions: Question[];
}) {
  const [lifting, setLifting] = useState<Finding | null>(null);
  const [listed, setListed] = useState(false);
  const waiting = questions.filter(({ id }) => state.toAsk.includes(id));
  return (
    <>
      <Strip
        title={`Verdict for ${day(peelDate)}`}
        code={plural(state.findings.length + Math.min(1, waiting.length), "finding")}
      />
      <div className={cx("verdict")} role="status">
        <VerdictMark verdict={state.verdict} size={34} />
        <div>
          <b>{state.verdict}</b>
          <p className="soft">{words(state)}</p>
        </div>
      </div>
      <ul className={cx("findings")}>
        {waiting.length > 0 && (
          <li>
            <button type="button" aria-expanded={listed} onClick={() => setListed(!listed)}>
              <VerdictMark verdict="WAIT" />
              <span className="grow">
                <b>WAIT</b> {plural(waiting.length, "question")} not asked
              </span>
              <span className={cx("limit")}>until asked</span>
            </button>
            {listed && (
              <ol className={cx("why")}>
                {waiting.map(({ id, text }) => (
                  <li key={id}>{text}</li>
                ))}
              </ol>
            )}
          </li>
        )}
        {state.findings.map((finding) => (
          <FindingLine key={finding.id} finding={finding} onLift={() => setLifting(finding)} />
        ))}
      </ul>
      {state.opensMost && (
        <p className={cx("opens")}>
          <b>Opens the most:</b> {state.opensMost}
        </p>
      )}
      <p className={cx("small", "soft", "defer")}>
        The maker’s label, the law, your licence and the supervising clinician come before this.
      </p>
      {lifting && (
        <LiftFinding visitId={visitId} finding={lifting} onClose={() => setLifting(null)} />
      )}
    </>
  );
}

function words(state: Outcome): string {
  if (state.unasked > 0) {
    return `${plural(state.unasked, "answer")} missing. Each counts as the unsafe answer until it is asked.`;
  }
  // How many formulas are open stands in Choose, where the other gates count too.
  const said: Record<Verdict, string> = {
    PROCEED: "Nothing stands in the way.",
    ADAPT: `Go on within ${plural(state.limits.length, "limit")}.`,
    WAIT: state.until
      ? `Not before ${day(state.until)}.`
      : state.findings.every(({ verdict, settled }) => settled || verdict !== "WAIT")
        ? "Nothing is open within these limits."
        : "Not until what is named is done.",
    REFER: `Only with a named clinician’s clearance.${state.until ? ` Not before ${day(state.until)}.` : ""}`,
    STOP: "No peel.",
  };
  return said[state.verdict];
}

function FindingLine({ finding, onLift }: { finding: Finding; onLift: () => void }) {
  const [open, setOpen] = useState(false);
  const lifted = finding.settled !== undefined;
  const may = !lifted && !finding.unasked && (finding.overridable || finding.verdict === "REFER");
  return (
    <li className={cx(lifted ? "lifted" : "")}>
      <button type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
        <VerdictMark verdict={finding.verdict} />
        <span className="grow">
          <b>{finding.verdict}</b> {finding.said}
          {finding.scope && <small>for {finding.scope}</small>}
          {lifted && <small>{finding.settled}</small>}
        </span>
        <span className={cx("limit")}>
          {finding.unasked
            ? "until asked"
            : finding.until
              ? `until ${day(finding.until)}`
              : finding.limits.slice(0, 2).join(" · ")}
        </span>
      </button>
      {open && (
        <div className={cx("why")}>
          <p>{finding.why}</p>
          {finding.until && <p>Clears on {day(finding.until)} by itself.</p>}
          {finding.limits.length > 0 && <p>Limits: {finding.limits.join(" · ")}.</p>}
          {finding.clearedBy && <p>Clears by: {finding.clearedBy}.</p>}
          <p className="soft mono">
            {finding.ruleId} · {finding.source}
          </p>
          {may && (
            <Button size="small" onClick={onLift}>
              {finding.verdict === "REFER" ? "Record a clearance" : "Override with a reason"}
            </Button>
          )}
        </div>
      )}
    </li>
  );
}
