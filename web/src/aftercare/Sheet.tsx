import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { ErrorNote } from "../parts/ErrorNote";
import { day } from "../parts/words";
import { visitQuery } from "../visit/queries";
import { DayList } from "./DayList";
import { afterQuery } from "./queries";
import styles from "./Sheet.module.css";

const cx = classNames.bind(styles);

/** The client's own page: prints on one side of A4 or Letter, in black and white. */
export default function Sheet() {
  const { visitId = "" } = useParams();
  const after = useQuery(afterQuery(visitId));
  const visit = useQuery(visitQuery(visitId));
  return (
    <main className={cx("sheet")}>
      <ErrorNote error={after.error} />
      {after.data && visit.data && (
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
            <h1>After your peel</h1>
            <p>
              {visit.data.clientName} · {after.data.formulaName} · {day(after.data.endedAt)} · with{" "}
              {visit.data.therapist}
            </p>
          </header>
          <DayList after={after.data} />
          <h2>Until then</h2>
          <table>
            <tbody>
              {after.data.sheet.rules.map((rule) => (
                <tr key={rule.what}>
                  <th scope="row">No {rule.what}</th>
                  <td>
                    until <b>{day(rule.free)}</b>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p>No flakes does not mean that it did not work. Do not pick, pull or scrub.</p>
          <h2>Call the same day</h2>
          <p>
            Blister, crust, fever, spreading pain, a tingling lip, or skin that turns grey. Swelling
            of the face, trouble with breath or sight: emergency number, at once.
          </p>
          <p>
            Next peel: {day(after.data.next.earliest)} at the earliest. Your practice comes first if
            it has told you otherwise.
          </p>
        </>
      )}
    </main>
  );
}
