import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { useParams, useSearchParams } from "react-router";
import { api, body } from "../api/client";
import type { After, GivenSheet, GivenWay, HomePlanState, Language } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { LanguageChoice } from "../parts/LanguageChoice";
import { DayList } from "./DayList";
import { givenWords } from "./Given";
import { afterQuery, givenQuery, givenSheetQuery } from "./queries";
import styles from "./Sheet.module.css";

const cx = classNames.bind(styles);

/**
 * The client's own page, in the client's language; it prints on one side of A4 or Letter. What
 * leaves is kept first, and made of what was kept.
 */
export default function Sheet() {
  const { visitId = "" } = useParams();
  const [search] = useSearchParams();
  const given = search.get("given");
  return (
    <main className={cx("sheet")}>
      {given ? <AsGiven visitId={visitId} given={given} /> : <ToGive visitId={visitId} />}
    </main>
  );
}

/** What the client has in hand. */
function AsGiven({ visitId, given }: { visitId: string; given: string }) {
  const kept = useQuery(givenSheetQuery(visitId, given));
  return (
    <>
      <ErrorNote error={kept.error} />
      {kept.data && (
        <>
          <div className={cx("tools", "no-print")}>
            <p className="grow">
              As it was given {givenWords(kept.data.given)}
              {!kept.data.given.holds && ". The sheet says something else now"}
            </p>
            <Back />
          </div>
          <div className={cx("tools", "no-print")}>
            <Button onClick={() => window.print()}>Print this one</Button>
            <Button href={pdf(visitId, given, "A4")} target="_blank">
              PDF, A4
            </Button>
            <Button href={pdf(visitId, given, "LETTER")} target="_blank">
              PDF, Letter
            </Button>
          </div>
          {kept.data.given.way === "SHORT_FORM" ? (
            <p className={cx("brief")}>{kept.data.sheet.brief}</p>
          ) : (
            <Page sheet={kept.data.sheet} />
          )}
        </>
      )}
    </>
  );
}

function ToGive({ visitId }: { visitId: string }) {
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<Language>();
  const [brief, setBrief] = useState(false);
  const after = useQuery({
    ...afterQuery(visitId, chosen),
    placeholderData: (shown) => shown,
  });
  const [kept, setKept] = useState<GivenSheet>();
  const giving = useMutation({
    mutationFn: async ({ way, language }: { way: GivenWay; language: Language }) =>
      body(
        await api.POST("/api/visits/{id}/aftercare/given", {
          params: { path: { id: visitId } },
          body: { id: crypto.randomUUID(), way, language },
        }),
      ),
    onSuccess: (now) => {
      // What is printed is what was kept.
      flushSync(() => setKept(now));
      void queries.invalidateQueries({ queryKey: givenQuery(visitId).queryKey });
    },
  });
  const shown = kept?.sheet ?? after.data?.sheet;
  const language = shown?.language;
  // Printed by the browser's own menu it leaves as well.
  const byKey = useRef(false);
  const { mutate } = giving;
  useEffect(() => {
    const printed = () => {
      if (!byKey.current && language) mutate({ way: "PRINTED", language });
    };
    window.addEventListener("beforeprint", printed);
    return () => window.removeEventListener("beforeprint", printed);
  }, [language, mutate]);
  function print() {
    byKey.current = true;
    window.print();
    byKey.current = false;
  }
  if (!shown) return <ErrorNote error={after.error} />;
  const give = (way: GivenWay, then: (id: string) => unknown) =>
    giving.mutate(
      { way, language: shown.language },
      { onSuccess: ({ given }) => void then(given.id) },
    );
  return (
    <>
      <ErrorNote error={after.error ?? giving.error} />
      <div className={cx("tools", "no-print")}>
        <LanguageChoice
          value={shown.language}
          onChange={(next) => {
            setKept(undefined);
            setChosen(next);
          }}
        />
        <span className="grow" />
        <Back />
      </div>
      <div className={cx("tools", "no-print")}>
        <Button
          variant="contained"
          disabled={giving.isPending}
          onClick={() => give("PRINTED", print)}
        >
          Print
        </Button>
        {(["A4", "LETTER"] as const).map((paper) => (
          <Button
            key={paper}
            disabled={giving.isPending}
            onClick={() => give("PDF", (id) => opened(pdf(visitId, id, paper)))}
          >
            PDF, {paper === "A4" ? "A4" : "Letter"}
          </Button>
        ))}
        <Button
          disabled={giving.isPending}
          onClick={() =>
            give("CALENDAR", (id) => window.location.assign(`${address(visitId, id)}/sheet.ics`))
          }
        >
          Calendar file
        </Button>
        <Button color="inherit" aria-expanded={brief} onClick={() => setBrief(!brief)}>
          Short form
        </Button>
      </div>
      {brief && (
        <Brief
          words={shown.brief}
          copied={kept?.given.way === "SHORT_FORM"}
          onCopy={() =>
            void navigator.clipboard
              .writeText(shown.brief)
              .then(() => give("SHORT_FORM", () => undefined))
          }
        />
      )}
      {kept && (
        <p role="status" className="no-print small soft">
          Kept as it was given, {givenWords(kept.given)}.
        </p>
      )}
      <Page sheet={shown} />
    </>
  );
}

function Back() {
  return (
    <Button color="inherit" onClick={() => window.history.back()}>
      Back
    </Button>
  );
}

function address(visitId: string, given: string) {
  return `/api/visits/${visitId}/aftercare/given/${given}`;
}

function pdf(visitId: string, given: string, paper: "A4" | "LETTER") {
  return `${address(visitId, given)}/sheet.pdf?paper=${paper}`;
}

/** In a tab of its own; in this one where the browser lets none be opened. */
function opened(file: string) {
  if (!window.open(file, "_blank")) window.location.assign(file);
}

/** A few lines for the client's phone. */
function Brief({ words, copied, onCopy }: { words: string; copied: boolean; onCopy: () => void }) {
  return (
    <section className={cx("brief", "no-print")} aria-label="Short form">
      <p>{words}</p>
      <Button onClick={onCopy}>{copied ? "Copied" : "Copy"}</Button>
    </section>
  );
}

function AtHome({ home }: { home: HomePlanState }) {
  const wanted = home.items.filter(({ having }) => having !== "DECLINED");
  return (
    <>
      <h2>{home.title}</h2>
      <table>
        <tbody>
          {(["morning", "night"] as const).map((when) => (
            <tr key={when}>
              <th scope="row">{home[when]}</th>
              <td>
                {wanted
                  .filter((item) => item[when])
                  .map((item) => (
                    <div key={item.item}>{item.words}</div>
                  ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {[...home.own, ...home.clashes].map((line) => (
        <p key={line}>{line}</p>
      ))}
    </>
  );
}

function Page({ sheet }: { sheet: After["sheet"] }) {
  return (
    <article lang={sheet.language.toLowerCase()}>
      <header>
        <h1>{sheet.title}</h1>
        <p>{sheet.subtitle}</p>
        <p>{sheet.facts.join(" · ")}</p>
        {sheet.onTheSkin.length > 0 && (
          <p>
            <b>{sheet.headings.onTheSkin}</b> {sheet.onTheSkin.join(", ")}
          </p>
        )}
      </header>
      <div className={cx("halves")}>
        <section>
          <h2>{sheet.headings.days}</h2>
          <DayList days={sheet.days} />
          <AtHome home={sheet.home} />
        </section>
        <section>
          <h2>{sheet.headings.rules}</h2>
          <table>
            <tbody>
              {sheet.rules.map((rule) => (
                <tr key={rule.what}>
                  <th scope="row">{rule.until}</th>
                  <td>{rule.what}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2>{sheet.headings.answers}</h2>
          {sheet.answers.map(({ question, answer }) => (
            <p key={question}>
              <b>{question}</b> {answer}
            </p>
          ))}
        </section>
      </div>
      <section className={cx("call")}>
        <h2>{sheet.headings.call}</h2>
        {sheet.call.map((line) => (
          <p key={line}>{line}</p>
        ))}
      </section>
      {sheet.last.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </article>
  );
}
