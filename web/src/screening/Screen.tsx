import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import type { Question, ScreeningState } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { VerdictMark } from "../parts/VerdictMark";
import { firstName } from "../parts/words";
import type { StationProps } from "../visit/VisitStation";
import { ConsentForm } from "./ConsentForm";
import { MoveDate } from "./MoveDate";
import { screeningQuery } from "./queries";
import { VerdictPanel } from "./VerdictPanel";
import "./screen.css";

const NOT_ASKED = "not-asked";

export default function Screen({ visit }: StationProps) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visit.id);
  const screening = useQuery(screeningQuery(visit.id));
  const [moving, setMoving] = useState(false);

  const answer = useMutation({
    mutationFn: async ({ id, choice, on }: { id: Question["id"]; choice?: string; on?: string }) =>
      body(
        await api.PUT("/api/visits/{id}/screening/{question}", {
          params: { path: { id: visit.id, question: id } },
          body: { choice, on },
        }),
      ),
    scope: { id: `screening-${visit.id}` },
    onSuccess: async (state) => {
      queries.setQueryData(screeningQuery(visit.id).queryKey, state);
      await changed();
    },
  });

  if (!screening.data) {
    return (
      <main className="pad">
        <ErrorNote error={screening.error} />
      </main>
    );
  }
  const state = screening.data;
  const groups = [...new Set(state.questions.map((question) => question.group))];
  return (
    <main className="columns screen">
      <section className="pad" aria-label="Questions">
        <h1>May {firstName(visit.clientName)} have a peel, and within which limits</h1>
        <ErrorNote error={answer.error} />
        {groups.map((group) => {
          const own = state.questions.filter((question) => question.group === group);
          const asked = own.filter((question) => question.answered).length;
          return (
            <div key={group} className="group">
              <Strip title={group} code={`${asked} of ${own.length}`} />
              {own.map((question) => (
                <Ask
                  key={question.id}
                  question={question}
                  onAnswer={(choice, on) => answer.mutate({ id: question.id, choice, on })}
                />
              ))}
            </div>
          );
        })}
        <ConsentForm visit={visit} state={state} />
      </section>
      <section className="side" aria-label="Verdict">
        <VerdictPanel visitId={visit.id} state={state} />
        <div className="foot">
          <span className="row foot-verdict">
            <VerdictMark verdict={state.verdict} /> <b>{state.verdict}</b>
          </span>
          <ToChoose visitId={visit.id} state={state} />
          {!visit.treatmentId && <Button onClick={() => setMoving(true)}>Move the date</Button>}
        </div>
      </section>
      {moving && <MoveDate visit={visit} onClose={() => setMoving(false)} />}
    </main>
  );
}

function ToChoose({ visitId, state }: { visitId: string; state: ScreeningState }) {
  const open = state.verdict === "PROCEED" || state.verdict === "ADAPT";
  return open ? (
    <Button variant="contained" component={Link} to={`/visits/${visitId}/choose`}>
      Choose acid
    </Button>
  ) : (
    <Button variant="contained" disabled>
      Choose acid
    </Button>
  );
}

/** One question with its answers; a date is asked for where the answer needs one. */
function Ask({
  question,
  onAnswer,
}: {
  question: Question;
  onAnswer: (choice?: string, on?: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const option = question.options.find((o) => o.id === question.choice);
  return (
    <div className="question">
      {!question.answered && <i className="open" aria-hidden="true" />}
      <span className="grow">{question.text}</span>
      {option?.dateLabel && (
        <TextField
          type="date"
          label={option.dateLabel}
          value={typed ?? question.on ?? ""}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={() => {
            if (typed !== null && typed !== (question.on ?? "")) {
              onAnswer(question.choice, typed || undefined);
            }
            setTyped(null);
          }}
          onKeyDown={(e) => e.key === "Enter" && (e.target as HTMLElement).blur()}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 170 }}
        />
      )}
      <Segments
        label={question.text}
        value={question.choice ?? NOT_ASKED}
        options={[
          ...question.options.map(({ id, label }) => ({ id, label })),
          { id: NOT_ASKED, label: "not asked" },
        ]}
        onChange={(choice) => {
          setTyped(null);
          if (choice === NOT_ASKED) onAnswer();
          else onAnswer(choice, question.on);
        }}
      />
    </div>
  );
}
