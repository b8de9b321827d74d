import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { CommitField } from "../parts/CommitField";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { capital, plural } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";
import consultStyles from "./Consult.module.css";
import styles from "./Phototype.module.css";

const cx = classNames.bind({ ...consultStyles, ...styles });

const BANDS: { type: NonNullable<ConsultPart["state"]["phototype"]>; to: number }[] = [
  { type: "I", to: 6 },
  { type: "II", to: 13 },
  { type: "III", to: 20 },
  { type: "IV", to: 27 },
  { type: "V", to: 34 },
  { type: "VI", to: 40 },
];
const PARTS = {
  INHERITED: "What was inherited",
  REACTION: "What the sun does",
  HABITS: "What is done",
} as const;

/** The type with its total, and the ten questions behind it. */
export function Phototype({ words, consult, state, change, submit }: ConsultPart) {
  const [asking, setAsking] = useState(false);
  const [settling, setSettling] = useState(false);
  const scores = consult.phototypeScores;
  const answered = words.phototypeItems.filter((item) => scores[item.id] !== undefined).length;
  const open = words.phototypeItems.length - answered;
  async function paperTotal(typed: string) {
    const total = typed.trim() === "" ? undefined : Number(typed);
    if (total !== undefined && !Number.isInteger(total)) {
      throw new Error(`"${typed}" is no whole number. The total is 0 to 40.`);
    }
    await submit({ phototypeTotal: total });
  }
  return (
    <>
      <Strip title="Phototype" code={`${state.total} of 40`} />
      <div className={cx("phototype")}>
        <b>{state.phototype ?? "?"}</b>
        <p>
          {state.complete
            ? `type ${state.typeByTotal} by ten answers.`
            : state.typeByTotal
              ? `type ${state.typeByTotal} by ${consult.phototypeTotal} of 40 on paper.`
              : `${plural(open, "answer")} open. The type stands when all ten are given.`}
          {state.arm &&
            ` ${capital(state.arm.label)} by instrument, beside type ${state.arm.type}.`}
          {consult.phototypeSet &&
            ` Settled as ${consult.phototypeSet}: ${consult.phototypeReason}.`}
          {state.phototype && " The darkest rules the limits."}
        </p>
      </div>
      {state.dispute && (
        <p className={cx("mind")} role="status">
          <b>Two readings, {state.dispute}.</b> Settle the type before acid is chosen.
        </p>
      )}
      <div className={cx("scale")} role="img" aria-label={`${state.total} of 40`}>
        {BANDS.map((band, i) => (
          <span
            key={band.type}
            className={cx(state.phototype === band.type ? "here" : "")}
            style={{ flex: band.to - (BANDS[i - 1]?.to ?? -1) }}
          >
            {band.type}
          </span>
        ))}
        <i style={{ left: `${((state.total + 0.5) / 41) * 100}%` }} />
      </div>
      <div className="pad-small row wrap">
        <Button onClick={() => setAsking(true)}>
          {answered === 0 ? "Ask the ten questions" : open > 0 ? "Go on asking" : "See the answers"}
        </Button>
        <Button
          color="inherit"
          variant={state.dispute ? "contained" : "text"}
          onClick={() => setSettling(true)}
        >
          Settle the type
        </Button>
      </div>
      {settling && (
        <SettleType consult={consult} submit={submit} onClose={() => setSettling(false)} />
      )}
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        maxWidth="lg"
        fullWidth
        aria-labelledby="ten"
      >
        <DialogTitle id="ten" className="row">
          <span className="grow">Ten questions</span>
          <span className="mono" role="status">
            {state.total} of 40
            {state.typeByTotal && ` · type ${state.typeByTotal}`}
          </span>
        </DialogTitle>
        <DialogContent dividers>
          {(Object.keys(PARTS) as (keyof typeof PARTS)[]).map((part) => (
            <section key={part} className={cx("ten")}>
              <h3>{PARTS[part]}</h3>
              {words.phototypeItems
                .filter((item) => item.part === part)
                .map((item) => (
                  <div key={item.id} className={cx("ten-item")}>
                    <span>{item.question}</span>
                    <Segments
                      label={item.question}
                      value={scores[item.id]?.toString()}
                      options={item.answers.map((answer, score) => ({
                        id: String(score),
                        label: answer,
                      }))}
                      onChange={(score) =>
                        change({
                          phototypeScores: {
                            ...scores,
                            [item.id]: Number(score),
                          },
                        })
                      }
                    />
                  </div>
                ))}
            </section>
          ))}
        </DialogContent>
        <DialogActions>
          {open > 0 && (
            <CommitField
              label="Total from a form on paper"
              value={consult.phototypeTotal?.toString() ?? ""}
              onCommit={paperTotal}
              slotProps={{ htmlInput: { inputMode: "numeric" } }}
              sx={{ maxWidth: 460, marginRight: "auto" }}
            />
          )}
          <Button variant="contained" onClick={() => setAsking(false)}>
            Done
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/** The therapist's own type, with a reason. */
function SettleType({
  consult,
  submit,
  onClose,
}: Pick<ConsultPart, "consult" | "submit"> & { onClose: () => void }) {
  const [type, setType] = useState(consult.phototypeSet);
  const [reason, setReason] = useState(consult.phototypeReason ?? "");
  const [refused, setRefused] = useState<unknown>(null);
  function save(event: FormEvent) {
    event.preventDefault();
    submit({ phototypeSet: type, phototypeReason: reason }).then(onClose, setRefused);
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="settle-type">
      <form onSubmit={save}>
        <DialogTitle id="settle-type">Settle the type</DialogTitle>
        <DialogContent>
          <div className="stack">
            <p>
              Your own judgement, beside answers and instrument. Of all three the darkest rules the
              limits.
            </p>
            <Segments
              label="Type"
              value={type}
              options={BANDS.map(({ type: id }) => ({ id, label: id }))}
              onChange={setType}
            />
            <TextField
              label="Why this type"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              multiline
              minRows={2}
            />
            <ErrorNote error={refused} />
          </div>
        </DialogContent>
        <DialogActions>
          {consult.phototypeSet && (
            <Button
              color="inherit"
              onClick={() =>
                submit({ phototypeSet: undefined, phototypeReason: undefined }).then(
                  onClose,
                  setRefused,
                )
              }
            >
              Take it back
            </Button>
          )}
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!type || !reason.trim()}>
            Settle
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
