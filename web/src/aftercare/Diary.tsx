import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { api, body, Problem } from "../api/client";
import type { DiaryState } from "../api/types";
import { asSent, CheckInFields, EMPTY_CHECK_IN } from "./CheckInFields";
import styles from "./Diary.module.css";

const cx = classNames.bind(styles);

/** The client's own page of the days after. Its word stands behind the # and goes in a header. */
export default function Diary() {
  const [word] = useState(() => window.location.hash.slice(1));
  const [state, setState] = useState<DiaryState | null>(null);
  const [why, setWhy] = useState("");
  useEffect(() => {
    const ask = { params: { header: { "X-Diary": word } } };
    // The page's own token first, which a write needs.
    void api
      .GET("/api/session")
      .then(() => api.GET("/api/diary", ask))
      .then((answer) => setState(body(answer)))
      .catch((problem: Error) => setWhy(problem.message));
  }, [word]);
  return (
    <main className={cx("diary")} lang={state?.language.toLowerCase()}>
      {why && (
        <p role="alert" className={cx("closed")}>
          {why}
        </p>
      )}
      {state && <Form state={state} word={word} />}
    </main>
  );
}

/** The numbers of the practice and of help. */
function Reach({ lines }: { lines: string[] }) {
  return (
    <>
      {lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </>
  );
}

function Form({ state, word }: { state: DiaryState; word: string }) {
  const [draft, setDraft] = useState(EMPTY_CHECK_IN);
  const [id, setId] = useState(() => crypto.randomUUID());
  const [answer, setAnswer] = useState<{ answer: string; number?: string } | null>(null);
  const [fault, setFault] = useState("");
  const [busy, setBusy] = useState(false);
  const sent = asSent(draft, id);
  const { words } = state;
  async function send() {
    if (!sent) return;
    setBusy(true);
    try {
      const told = await api.POST("/api/diary", {
        params: { header: { "X-Diary": word } },
        body: sent,
      });
      setAnswer(body(told));
      setFault("");
    } catch (problem) {
      setFault(problem instanceof Problem ? problem.message : words.notSent);
    } finally {
      setBusy(false);
    }
  }
  if (answer) {
    return (
      <section className={cx("answer")} role="status">
        <h1>{answer.answer}</h1>
        {answer.number && (
          <a className={cx("call")} href={`tel:${answer.number}`}>
            {answer.number}
          </a>
        )}
        <Reach lines={state.reach} />
        <p className={cx("sheet")}>{state.sheet}</p>
        <Button
          color="inherit"
          onClick={() => {
            setAnswer(null);
            setDraft(EMPTY_CHECK_IN);
            setId(crypto.randomUUID());
          }}
        >
          {state.hello}
        </Button>
      </section>
    );
  }
  return (
    <form
      className={cx("form")}
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <h1>{state.hello}</h1>
      <CheckInFields
        words={words}
        draft={draft}
        days={{ from: state.peelOn, to: state.today }}
        onChange={setDraft}
      />
      {fault && (
        <p role="alert" className="warn">
          {fault}
        </p>
      )}
      <Button type="submit" variant="contained" size="large" disabled={!sent || busy}>
        {words.send}
      </Button>
      <Reach lines={state.reach} />
    </form>
  );
}
