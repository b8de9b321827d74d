import classNames from "classnames/bind";
import type { Row, Treatment } from "../../api/types";
import styles from "./Why.module.css";

const cx = classNames.bind(styles);

/** The row of the table behind the standing advice, the values that matched it, and its source. */
export function Why({ treatment, row }: { treatment: Treatment; row: Row | undefined }) {
  const why = treatment.why?.row === row ? treatment.why : undefined;
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
