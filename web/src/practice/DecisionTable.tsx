import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { decisionTableQuery } from "./queries";
import styles from "./DecisionTable.module.css";

const cx = classNames.bind(styles);

/** The decision after every look, as the live session takes it, for a clinician to read. */
export default function DecisionTable() {
  const table = useQuery(decisionTableQuery);
  return (
    <main className={cx("pad", "decision")}>
      <h1>The decision after every look</h1>
      <p className="soft">
        The first line that matches answers. What may be passed, only with a few words of reason; no
        layer is advised at or above the hold line, whatever was passed. Common practice; the
        maker’s label, the law, the licence and the supervising clinician come before it.
      </p>
      <ErrorNote error={table.error} />
      <Strip title="Decision table" code={`${table.data?.length ?? 0} lines`} />
      <table>
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col">When</th>
            <th scope="col">Advice</th>
            <th scope="col">May be passed</th>
          </tr>
        </thead>
        <tbody>
          {table.data?.map((line) => (
            <tr key={line.row}>
              <th scope="row" className="mono">
                {line.number}
              </th>
              <td>{line.when}</td>
              <td>
                <b>{line.then}</b>
              </td>
              <td>{line.passable ? "with a reason" : "no"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
