import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { LANGUAGES } from "../api/enumWords";
import type { After as AfterState, Fact, Treatment, Visit } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { StagesDone } from "../parts/StagesDone";
import { Strip } from "../parts/Strip";
import { capital, day, firstName, hour, minutes, secondsOf } from "../parts/words";
import { UnderAlarm } from "../treatment/alarm/AlarmScreen";
import { Summary } from "../treatment/couch/Summary";
import { type LiveTreatment, summaryQuery, useTreatment } from "../treatment/couch/useTreatment";
import type { StationProps } from "../parts/StationProps";
import { Contact } from "./Contact";
import { Given } from "./Given";
import { HomePlan } from "./HomePlan";
import { DayList } from "./DayList";
import { afterQuery } from "./queries";
import styles from "./After.module.css";

const cx = classNames.bind(styles);

export default function After({ visit }: StationProps) {
  const after = useQuery(afterQuery(visit.id, "EN"));
  const live = useTreatment(visit.treatmentId ?? "", visit.id);
  if (!after.data || !live.treatment) {
    return (
      <main className="pad">
        <ErrorNote error={after.error ?? live.error} />
      </main>
    );
  }
  return (
    <UnderAlarm treatment={live.treatment} live={live}>
      <main className={cx("columns", "after")}>
        <section className="side pad" aria-label="Sheet">
          <h1>
            For {firstName(visit.clientName)}, after {after.data.formulaName.toLowerCase()}
          </h1>
          <p className="soft">
            One page, printed or sent, in {LANGUAGES[after.data.language]}. Dates, not day numbers.
          </p>
          <DayList days={after.data.sheet.days} />
          <Given visitId={visit.id} />
          <div className="row">
            <Button variant="contained" component={Link} to={`/visits/${visit.id}/sheet`}>
              Sheet to give
            </Button>
            {!visit.signedAt && (
              <Button color="inherit" component={Link} to={`/visits/${visit.id}/settle`}>
                Something is wrong: to the alarms
              </Button>
            )}
          </div>
        </section>
        <section className={cx("after-right")} aria-label="Record">
          <Next after={after.data} />
          <OnTheSkin treatment={live.treatment} />
          <Strip title="At home" code="morning, night" />
          <HomePlan visitId={visit.id} plan={after.data.sheet.home} />
          <Strip title={`What ${firstName(visit.clientName)} may ask`} code="from the plan" />
          {after.data.sheet.answers.map((reply) => (
            <div key={reply.question} className={cx("reply")}>
              <b>{reply.question}</b>
              <p className="soft">{reply.answer}</p>
            </div>
          ))}
          {visit.signedAt && <Contact visitId={visit.id} name={firstName(visit.clientName)} />}
          <Sign visit={visit} after={after.data} treatment={live.treatment} live={live} />
        </section>
      </main>
    </UnderAlarm>
  );
}

function OnTheSkin({ treatment }: { treatment: Treatment }) {
  const put = [...treatment.before.flatMap(({ care }) => care), ...treatment.care].filter(
    ({ doneAt }) => doneAt !== undefined,
  );
  return (
    <>
      <StagesDone treatment={treatment} />
      <Strip title="On the skin now" code="in order" />
      {treatment.addOn.at && !treatment.addOn.offAt && (
        <div className={cx("line", "slim")}>
          <span>
            {treatment.plan.addOn?.name}, {treatment.plan.addOn?.how}
          </span>
          <span className="value mono">{hour(treatment.addOn.at)}</span>
        </div>
      )}
      {put.length === 0 && <p className={cx("reply", "soft")}>No product was recorded.</p>}
      {put.map(({ id, label, doneAt }) => (
        <div key={`${id} ${doneAt}`} className={cx("line", "slim")}>
          <span>{capital(label)}</span>
          <span className="value mono">{hour(doneAt!)}</span>
        </div>
      ))}
    </>
  );
}

function Next({ after }: { after: AfterState }) {
  const { next } = after;
  return (
    <>
      <Strip title="Next" code={`after peel ${next.peelNumber}, series of ${next.seriesMost}`} />
      <div className={cx("next")}>
        <div>
          <h2>{next.held ? "Red flag open" : day(next.earliest)}</h2>
          <b>{next.stepLabel}</b>
        </div>
        <div>
          <p className="small">Earliest: {next.reasons.join("; ")}.</p>
          <p className="small">
            {next.formula && `${next.formula}. `}
            {next.why}
          </p>
        </div>
      </div>
    </>
  );
}

function Sign({
  visit,
  after,
  treatment,
  live,
}: {
  visit: Visit;
  after: AfterState;
  treatment: Treatment;
  live: LiveTreatment;
}) {
  const queries = useQueryClient();
  const [signing, setSigning] = useState(false);
  const summary = useQuery(summaryQuery(treatment)).data;
  const { next } = after;
  const [words, setWords] = useState(
    `${next.stepLabel}${next.formula ? `, ${next.formula}` : ""}, from ${day(next.earliest)}`,
  );
  const { proposal } = next;
  const [time, setTime] = useState(proposal?.contact ? minutes(proposal.contact) : "");
  const [layers, setLayers] = useState(String(proposal?.layers ?? 1));
  const seconds = time === "" ? undefined : secondsOf(time);
  const whole = proposal === undefined || (proposal.contact === undefined) === (time === "");
  if (treatment.phase === "SIGNED") {
    return (
      <div className="foot">
        <p className="grow">
          <b>Signed.</b> The record is closed; it is corrected by addendum only.
        </p>
        <Button variant="contained" component={Link} to={`/clients/${visit.clientId}/progress`}>
          Book the course
        </Button>
        <Button component={Link} to={`/clients/${visit.clientId}`}>
          Read it in the chart
        </Button>
      </div>
    );
  }
  async function submit(event: FormEvent) {
    event.preventDefault();
    const planned: Fact[] = proposal
      ? [
          {
            type: "NextTimePlanned",
            next: {
              formula: proposal.formula,
              contact: seconds === undefined ? undefined : `PT${seconds}S`,
              layers: Number(layers),
            },
          },
        ]
      : [];
    if (summary === undefined) return;
    live.say(...planned, { type: "Signed", summary, nextTime: words });
    setSigning(false);
    await queries.invalidateQueries({ queryKey: keys.today });
    await queries.invalidateQueries({ queryKey: keys.clients });
  }
  return (
    <div className="foot">
      <Button variant="contained" onClick={() => setSigning(true)}>
        Sign the record
      </Button>
      {live.refused && <ErrorNote error={live.refused} />}
      {live.unsent.length > 0 && <p className="warn">Not saved yet; it is sent again.</p>}
      <Dialog
        open={signing}
        onClose={() => setSigning(false)}
        maxWidth="sm"
        fullWidth
        aria-labelledby="sign"
      >
        <form onSubmit={(e) => void submit(e)}>
          <DialogTitle id="sign">Sign the record</DialogTitle>
          <DialogContent>
            <div className="stack">
              <Summary treatment={treatment} />
              <TextField
                label="Plan for next time"
                multiline
                minRows={2}
                required
                autoFocus
                value={words}
                onChange={(e) => setWords(e.target.value)}
                slotProps={{ htmlInput: { maxLength: 1000 } }}
              />
              {proposal && (
                <div className="row">
                  <span className="grow">The next visit proposes {proposal.formula}</span>
                  {proposal.contact && (
                    <TextField
                      label="Contact, min:s"
                      value={time}
                      error={seconds === undefined}
                      onChange={(e) => setTime(e.target.value)}
                      sx={{ width: 140 }}
                    />
                  )}
                  <TextField
                    label="Layers"
                    type="number"
                    value={layers}
                    onChange={(e) => setLayers(e.target.value)}
                    slotProps={{ htmlInput: { min: 1, max: 9 } }}
                    sx={{ width: 100 }}
                  />
                </div>
              )}
              <p className="small soft">A signed record cannot be changed, only added to.</p>
            </div>
          </DialogContent>
          <DialogActions>
            <Button color="inherit" onClick={() => setSigning(false)}>
              Not yet
            </Button>
            <Button
              type="submit"
              variant="contained"
              disabled={
                !summary || !words.trim() || !whole || (time !== "" && seconds === undefined)
              }
            >
              Sign
            </Button>
          </DialogActions>
        </form>
      </Dialog>
    </div>
  );
}
