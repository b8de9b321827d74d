import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import type { Question, ScreeningState } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { VerdictMark } from "../parts/VerdictMark";
import { firstName } from "../parts/words";
import type { StationProps } from "../visit/VisitStation";
import { Ask, type Given } from "./Ask";
import { Consents } from "./Consents";
import { MoveDate } from "./MoveDate";
import { PatchTests } from "./PatchTests";
import { screeningQuery } from "./queries";
import { VerdictPanel } from "./VerdictPanel";
import { WhatChanged } from "./WhatChanged";
import "./screen.css";

type Group = Question["group"];
type Rest = "AS_LAST_TIME" | "NONE_APPLIES";

export default function Screen({ visit }: StationProps) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visit.id);
  const screening = useQuery(screeningQuery(visit.id));
  const [moving, setMoving] = useState(false);
  const scope = { id: `screening-${visit.id}` };
  const onSuccess = async (state: ScreeningState) => {
    queries.setQueryData(screeningQuery(visit.id).queryKey, state);
    await changed();
  };

  const answer = useMutation({
    mutationFn: async ({ question, given }: { question: Question["id"]; given: Given }) =>
      body(
        await api.PUT("/api/visits/{id}/screening/{question}", {
          params: { path: { id: visit.id, question } },
          body: given,
        }),
      ),
    scope,
    onSuccess,
  });
  const rest = useMutation({
    mutationFn: async ({ group, how }: { group: Group; how: Rest }) =>
      body(
        await api.PUT("/api/visits/{id}/screening/groups/{group}", {
          params: { path: { id: visit.id, group } },
          body: { rest: how },
        }),
      ),
    scope,
    onSuccess,
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
        <ErrorNote error={answer.error ?? rest.error} />
        {state.returning && <WhatChanged visit={visit} />}
        {groups.map((group) => (
          <Questions
            key={group}
            questions={state.questions.filter((question) => question.group === group)}
            onAnswer={(question, given) => answer.mutate({ question, given })}
            onRest={(how) => rest.mutate({ group, how })}
          />
        ))}
        <Consents visit={visit} state={state} />
        <PatchTests visit={visit} state={state} />
      </section>
      <section className="side" aria-label="Verdict">
        <VerdictPanel visitId={visit.id} peelDate={state.peelDate} outcome={state.outcome} />
        <div className="foot">
          <span className="row foot-verdict">
            <VerdictMark verdict={state.outcome.verdict} /> <b>{state.outcome.verdict}</b>
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
  const { verdict, open } = state.outcome;
  const may = (verdict === "PROCEED" || verdict === "ADAPT") && open > 0;
  return may ? (
    <Button variant="contained" component={Link} to={`/visits/${visitId}/choose`}>
      Choose acid
    </Button>
  ) : (
    <Button variant="contained" disabled>
      Choose acid
    </Button>
  );
}

/** One group of questions; what is open in it can be answered at one tap. */
function Questions({
  questions,
  onAnswer,
  onRest,
}: {
  questions: Question[];
  onAnswer: (question: Question["id"], given: Given) => void;
  onRest: (how: Rest) => void;
}) {
  const open = questions.filter((question) => !question.answered);
  const [shown, setShown] = useState(() => open.length > 0 || !questions.every((q) => q.lasting));
  const asLastTime = open.filter((question) => question.lastTime !== undefined).length;
  const label = questions[0]?.groupLabel ?? "";
  return (
    <div className="group">
      <Strip title={label} code={`${questions.length - open.length} of ${questions.length}`} />
      {open.length > 1 && (
        <div className="rest">
          <span className="grow small soft">
            {asLastTime > 0
              ? `${asLastTime} were answered last time: read them out, and ask what changed.`
              : "Read them out. What applies, answer below."}
          </span>
          {asLastTime > 0 ? (
            <Button
              size="small"
              aria-label={`${label}: nothing changed`}
              onClick={() => onRest("AS_LAST_TIME")}
            >
              Nothing changed
            </Button>
          ) : (
            <Button
              size="small"
              color="inherit"
              aria-label={`${label}: none of the rest applies`}
              onClick={() => onRest("NONE_APPLIES")}
            >
              None of the rest applies
            </Button>
          )}
        </div>
      )}
      {shown ? (
        questions.map((question) => (
          <Ask
            key={question.id}
            question={question}
            onAnswer={(given) => onAnswer(question.id, given)}
          />
        ))
      ) : (
        <div className="rest">
          <span className="grow small soft">
            {questions.length} answers of earlier visits still hold.
          </span>
          <Button
            size="small"
            color="inherit"
            variant="text"
            aria-label={`Show ${label}`}
            onClick={() => setShown(true)}
          >
            Show them
          </Button>
        </div>
      )}
    </div>
  );
}
