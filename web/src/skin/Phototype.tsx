import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { plural } from "../parts/words";
import type { ConsultPart } from "./Consult";

const BANDS = [
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
export function Phototype({ words, consult, state, change }: ConsultPart) {
  const [asking, setAsking] = useState(false);
  const scores = consult.phototypeScores;
  const answered = words.phototypeItems.filter((item) => scores[item.id] !== undefined).length;
  const open = words.phototypeItems.length - answered;
  return (
    <>
      <Strip title="Phototype" code={`${state.total} of 40`} />
      <div className="phototype">
        <b>{state.phototype ?? "?"}</b>
        <p>
          {state.complete
            ? "by ten answers. The darker of two readings rules the limits."
            : `${plural(open, "answer")} open. The type stands when all ten are given.`}
        </p>
      </div>
      <div className="scale" role="img" aria-label={`${state.total} of 40`}>
        {BANDS.map((band, i) => (
          <span
            key={band.type}
            className={state.phototype === band.type ? "here" : ""}
            style={{ flex: band.to - (BANDS[i - 1]?.to ?? -1) }}
          >
            {band.type}
          </span>
        ))}
        <i style={{ left: `${((state.total + 0.5) / 41) * 100}%` }} />
      </div>
      <div className="pad-small">
        <Button onClick={() => setAsking(true)}>
          {answered === 0 ? "Ask the ten questions" : open > 0 ? "Go on asking" : "See the answers"}
        </Button>
      </div>
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
            <section key={part} className="ten">
              <h3>{PARTS[part]}</h3>
              {words.phototypeItems
                .filter((item) => item.part === part)
                .map((item) => (
                  <div key={item.id} className="ten-item">
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
          <Button variant="contained" onClick={() => setAsking(false)}>
            Done
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
