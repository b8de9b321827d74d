import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { Link } from "react-router";
import { api, body, useVisitChanged } from "../api/client";
import type { ScreeningState } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { VerdictMark } from "../parts/VerdictMark";
import { day, firstName, zoneName } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { Ask, type Given } from "./Ask";
import { Consents } from "./Consents";
import { OutsidePeels } from "./OutsidePeels";
import { MoveDate } from "./MoveDate";
import { PatchTests } from "./PatchTests";
import { questionWordsQuery, screeningQuery } from "./queries";
import { type Question, questionsOf } from "./questions";
import { NoneApplies } from "./NoneApplies";
import { VerdictPanel } from "./VerdictPanel";
import { WhatChanged } from "./WhatChanged";
import styles from "./Screen.module.css";

const cx = classNames.bind(styles);

type Group = Question["group"];
type Rest = "AS_LAST_TIME" | "NONE_APPLIES";

export default function Screen({ visit }: StationProps) {
  const queries = useQueryClient();
  const changed = useVisitChanged(visit.id);
  const screening = useQuery(screeningQuery(visit.id));
  const words = useQuery(questionWordsQuery);
  const [moving, setMoving] = useState(false);
  const [reading, setReading] = useState(false);
  const scope = { id: `screening-${visit.id}` };
  const onSuccess = async (state: ScreeningState) => {
    queries.setQueryData(screeningQuery(visit.id).queryKey, state);
    await changed("screening");
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
  /** Every question that is open in these groups, in one go. */
  const rest = useMutation({
    mutationFn: async ({ groups, how }: { groups: Group[]; how: Rest }) =>
      body(
        await api.PUT("/api/visits/{id}/screening/groups", {
          params: { path: { id: visit.id } },
          body: { groups, rest: how },
        }),
      ),
    scope,
    onSuccess,
  });

  const { mutate } = answer;
  const onAnswer = useCallback(
    (question: Question["id"], given: Given) => mutate({ question, given }),
    [mutate],
  );

  if (!screening.data || !words.data) {
    return (
      <main className="pad">
        <ErrorNote error={screening.error ?? words.error} />
      </main>
    );
  }
  const state = screening.data;
  const questions = questionsOf(words.data, state.questions);
  const groups = [...new Set(questions.map((question) => question.group))];
  const toRepeat = groups.filter((group) =>
    questions.some(
      (question) => question.group === group && !question.answered && question.lastTime,
    ),
  );
  const open = groups.filter((group) =>
    questions.some((question) => question.group === group && !question.answered),
  );
  return (
    <main className={cx("columns", "screen")}>
      <section className="pad" aria-label="Questions">
        <h1>May {firstName(visit.clientName)} have a peel, and within which limits</h1>
        <ErrorNote error={answer.error ?? rest.error} />
        {state.returning && <WhatChanged visit={visit} />}
        {toRepeat.length > 0 && (
          <div className="row">
            <Button
              variant="contained"
              disabled={rest.isPending}
              onClick={() => rest.mutate({ groups: toRepeat, how: "AS_LAST_TIME" })}
            >
              Nothing changed
            </Button>
            <span className="soft">each was asked again, and is as it was</span>
          </div>
        )}
        {groups.map((group) => (
          <Questions
            key={group}
            questions={questions.filter((question) => question.group === group)}
            families={state.consents}
            onAnswer={onAnswer}
            onRest={(how) => rest.mutate({ groups: [group], how })}
          />
        ))}
        {open.length > 1 && (
          <div className="row wrap">
            <Button disabled={rest.isPending} onClick={() => setReading(true)}>
              None of the rest applies, in {open.length} groups
            </Button>
          </div>
        )}
        <OutsidePeels visit={visit} state={state} />
        <Consents visit={visit} state={state} />
        <PatchTests visit={visit} state={state} />
      </section>
      <section className="side" aria-label="Verdict">
        <VerdictPanel
          visitId={visit.id}
          peelDate={state.peelDate}
          outcome={state.outcome}
          questions={questions}
        />
        <div className="foot">
          <span className={cx("row", "foot-verdict")}>
            <VerdictMark verdict={state.outcome.verdict} /> <b>{state.outcome.verdict}</b>
          </span>
          <ToChoose visitId={visit.id} state={state} />
          {!visit.treatmentId && <Button onClick={() => setMoving(true)}>Move the date</Button>}
        </div>
      </section>
      {reading && (
        <NoneApplies
          questions={questions.filter((question) => !question.answered)}
          onConfirm={() => {
            rest.mutate({ groups: open, how: "NONE_APPLIES" });
            setReading(false);
          }}
          onClose={() => setReading(false)}
        />
      )}
      {moving && <MoveDate visit={visit} onClose={() => setMoving(false)} />}
    </main>
  );
}

function ToChoose({ visitId, state }: { visitId: string; state: ScreeningState }) {
  const { verdict, open, unasked } = state.outcome;
  const may = (verdict === "PROCEED" || verdict === "ADAPT") && open > 0;
  return may ? (
    <Button variant="contained" component={Link} to={`/visits/${visitId}/choose`}>
      Choose acid
    </Button>
  ) : unasked === 0 ? (
    <Button component={Link} to={`/visits/${visitId}/choose`}>
      What instead
    </Button>
  ) : (
    <Button variant="contained" disabled>
      Choose acid
    </Button>
  );
}

/**
 * One group of questions; what is open in it can be answered at one tap. For a returning client it
 * begins folded to what was said last time, and to what was never asked.
 */
function Questions({
  questions,
  families,
  onAnswer,
  onRest,
}: {
  questions: Question[];
  families: ScreeningState["consents"];
  onAnswer: (question: Question["id"], given: Given) => void;
  onRest: (how: Rest) => void;
}) {
  const known = questions.filter(
    ({ lastTime, told, seen }) => lastTime !== undefined || (told && seen === undefined),
  );
  const [shown, setShown] = useState(known.length < 2);
  const open = questions.filter((question) => !question.answered);
  const openKnown = open.filter((question) => question.lastTime !== undefined);
  const label = questions[0]?.groupLabel ?? "";
  return (
    <div className={cx("group")}>
      <Strip title={label} code={`${questions.length - open.length} of ${questions.length}`} />
      {!shown && (
        <p className={cx("said")}>
          {known.map((question) => (
            <span key={question.id}>
              {question.text}:{" "}
              <b>{question.answered ? answerWords(question) : question.lastTime}</b>
            </span>
          ))}
        </p>
      )}
      {(open.length > 1 || !shown) && (
        <div className={cx("rest")}>
          <span className="grow small soft">{restWords(open.length, openKnown.length, shown)}</span>
          {!shown && (
            <Button
              size="small"
              color="inherit"
              variant="text"
              aria-label={`Show them: ${label}`}
              onClick={() => setShown(true)}
            >
              Show them
            </Button>
          )}
          {openKnown.length > 0 && (
            <Button
              size="small"
              aria-label={`${label}: nothing changed`}
              onClick={() => onRest("AS_LAST_TIME")}
            >
              Nothing changed
            </Button>
          )}
        </div>
      )}
      {(shown ? questions : questions.filter((q) => !known.includes(q))).map((question) => (
        <Ask key={question.id} question={question} families={families} onAnswer={onAnswer} />
      ))}
      {shown && openKnown.length === 0 && open.length > 1 && (
        <div className={cx("rest")}>
          <span className="grow" />
          <Button
            size="small"
            color="inherit"
            aria-label={`${label}: none of the rest applies`}
            onClick={() => onRest("NONE_APPLIES")}
          >
            None of the rest applies
          </Button>
        </div>
      )}
    </div>
  );
}

function restWords(open: number, openKnown: number, shown: boolean): string {
  if (openKnown > 0) return "Said last time. Read them out, and ask what changed.";
  if (open > 1) return "Read them out. What applies, answer below.";
  return shown ? "" : "All answered for this visit.";
}

function answerWords(question: Question): string {
  if (question.products.length > 0) return question.products.join(", ");
  const option = question.options.find(({ id }) => id === question.choice);
  return [option?.label, question.on && day(question.on), ...question.zones.map(zoneName)]
    .filter(Boolean)
    .join(", ");
}
