import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { ErrorNote } from "../parts/ErrorNote";
import { practiceQuery } from "../parts/practice";
import { capital, day, hour } from "../parts/words";
import { visitQuery } from "./queries";
import { planQuery } from "../plan/queries";
import styles from "./PrepSheet.module.css";

const cx = classNames.bind(styles);

/** The weeks before, for the client's hand: one page in black and white, dates instead of day counts. */
export default function PrepSheet() {
  const { visitId = "" } = useParams();
  const plan = useQuery(planQuery(visitId));
  const visit = useQuery(visitQuery(visitId));
  const practice = useQuery(practiceQuery).data;
  return (
    <main className={cx("prep-sheet")}>
      <ErrorNote error={plan.error ?? visit.error} />
      {plan.data && visit.data && (
        <>
          <div className="row no-print">
            <Button variant="contained" onClick={() => window.print()}>
              Print
            </Button>
            <Button color="inherit" onClick={() => window.history.back()}>
              Back
            </Button>
          </div>
          <header>
            <h1>Before your peel</h1>
            <p>
              {visit.data.clientName} · {day(visit.data.startsAt)}, {hour(visit.data.startsAt)}
              {practice?.name && ` · ${practice.name}`}
            </p>
          </header>
          <table>
            <tbody>
              {plan.data.prep.map((step) => (
                <tr key={step.item}>
                  <th scope="row">{day(step.day)}</th>
                  <td>{capital(step.what)}</td>
                </tr>
              ))}
              <tr>
                <th scope="row">{day(visit.data.startsAt)}</th>
                <td>
                  <b>Your peel, {hour(visit.data.startsAt)}</b>
                </td>
              </tr>
            </tbody>
          </table>
          <p>
            Could you not keep one of these, or is something new: a medicine, a cold sore, sunburn,
            a pregnancy? Tell us before you come; we move the date rather than the rule.
          </p>
        </>
      )}
    </main>
  );
}
