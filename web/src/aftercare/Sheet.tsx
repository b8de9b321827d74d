import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import type { After, HomePlanState, Language } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { LanguageChoice } from "../parts/LanguageChoice";
import { DayList } from "./DayList";
import { afterQuery } from "./queries";
import styles from "./Sheet.module.css";

const cx = classNames.bind(styles);

/** The client's own page, in the client's language; it prints on one side of A4 or Letter. */
export default function Sheet() {
  const { visitId = "" } = useParams();
  const [language, setLanguage] = useState<Language>();
  const [brief, setBrief] = useState(false);
  const after = useQuery({
    ...afterQuery(visitId, language),
    placeholderData: (shown) => shown,
  });
  const shown = after.data?.sheet;
  const file = (name: string, more = "") =>
    `/api/visits/${visitId}/aftercare/${name}?in=${shown?.language}${more}`;
  return (
    <main className={cx("sheet")}>
      <ErrorNote error={after.error} />
      {shown && (
        <>
          <div className={cx("tools", "no-print")}>
            <LanguageChoice value={shown.language} onChange={setLanguage} />
            <span className="grow" />
            <Button color="inherit" onClick={() => window.history.back()}>
              Back
            </Button>
          </div>
          <div className={cx("tools", "no-print")}>
            <Button variant="contained" onClick={() => window.print()}>
              Print
            </Button>
            <Button href={file("sheet.pdf", "&paper=A4")} target="_blank">
              PDF, A4
            </Button>
            <Button href={file("sheet.pdf", "&paper=LETTER")} target="_blank">
              PDF, Letter
            </Button>
            <Button href={file("sheet.ics")} download>
              Calendar file
            </Button>
            <Button color="inherit" aria-expanded={brief} onClick={() => setBrief(!brief)}>
              Short form
            </Button>
          </div>
          {brief && <Brief words={shown.brief} />}
          <Page sheet={shown} />
        </>
      )}
    </main>
  );
}

/** A few lines for the client's phone. */
function Brief({ words }: { words: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <section className={cx("brief", "no-print")} aria-label="Short form">
      <p>{words}</p>
      <Button onClick={() => void navigator.clipboard.writeText(words).then(() => setCopied(true))}>
        {copied ? "Copied" : "Copy"}
      </Button>
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
