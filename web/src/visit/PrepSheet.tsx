import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import type { Language } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { LanguageChoice } from "../parts/LanguageChoice";
import { prepSheetQuery } from "../plan/queries";
import styles from "./PrepSheet.module.css";

const cx = classNames.bind(styles);

/** The weeks before, for the client's hand: one page in black and white, dates instead of day counts. */
export default function PrepSheet() {
  const { visitId = "" } = useParams();
  const [language, setLanguage] = useState<Language>();
  const sheet = useQuery({
    ...prepSheetQuery(visitId, language),
    placeholderData: (shown) => shown,
  });
  const shown = sheet.data;
  return (
    <main className={cx("prep-sheet")}>
      <ErrorNote error={sheet.error} />
      {shown && (
        <>
          <div className="row wrap no-print">
            <LanguageChoice value={shown.language} onChange={setLanguage} />
            <span className="grow" />
            <Button variant="contained" onClick={() => window.print()}>
              Print
            </Button>
            <Button href={`/api/visits/${visitId}/prep.ics?in=${shown.language}`} download>
              Calendar file
            </Button>
            <Button color="inherit" onClick={() => window.history.back()}>
              Back
            </Button>
          </div>
          <article lang={shown.language.toLowerCase()}>
            <header>
              <h1>{shown.title}</h1>
              <p>{shown.subtitle}</p>
            </header>
            <table>
              <tbody>
                {shown.rows.map((row) => (
                  <tr key={row.item}>
                    <th scope="row">{row.day}</th>
                    <td>{row.item === "PEEL" ? <b>{row.what}</b> : row.what}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p>{shown.last}</p>
            {shown.reach && <p>{shown.reach}</p>}
          </article>
        </>
      )}
    </main>
  );
}
