import { useQuery } from "@tanstack/react-query";
import classNames from "classnames/bind";
import type { Row, Treatment } from "../../api/types";
import { ErrorNote } from "../../parts/ErrorNote";
import { whyQuery } from "./useTreatment";
import styles from "./Why.module.css";

const cx = classNames.bind(styles);

/** The row of the table behind the standing advice, the values that matched it, and its source. */
export function Why({ treatment, row }: { treatment: Treatment; row: Row | undefined }) {
  const asked = useQuery(whyQuery(treatment, row));
  if (asked.isError) return <ErrorNote error={asked.error} />;
  if (asked.isPending) return null;
  const why = asked.data?.row === row ? asked.data : undefined;
  if (!why) {
    return (
      <p className="soft">
        The line has moved on since the server last looked; its values come with the next answer.
      </p>
    );
  }
  return (
    <div className={cx("why")} role="region" aria-label="Why" tabIndex={0}>
      <p>
        <b className="mono">{why.number}</b> {why.when}: <b>{why.then}</b>
      </p>
      <dl>
        {why.values.map(({ what, value }) => (
          <div key={what}>
            <dt>{what}</dt>
            <dd className="mono">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="soft">
        Common practice. The maker&apos;s label, the law, your licence and the supervising clinician
        come before it.
      </p>
    </div>
  );
}
