import classNames from "classnames/bind";
import type { NewEvent, Treatment } from "../../api/types";
import { useNow } from "../../parts/useNow";
import { clock, left } from "../../parts/words";
import { askAfter } from "./advice";
import paneStyles from "./Panes.module.css";

const cx = classNames.bind(paneStyles);

/** When the acid first touched and when its limit is, also while the server has not yet heard of it. */
export function contactOf(treatment: Treatment, unsent: NewEvent[]) {
  const pending = unsent.find(({ fact }) => fact.type === "LayerStarted");
  const first = treatment.clocks.firstTouch ?? pending?.at;
  const start = first === undefined ? undefined : Date.parse(first);
  const seconds = treatment.contactLimitSeconds;
  return {
    start,
    limit: start === undefined || seconds === undefined ? undefined : start + seconds * 1000,
  };
}

export function Clocks({
  treatment,
  unsent,
  offset,
}: {
  treatment: Treatment;
  unsent: NewEvent[];
  offset: number;
}) {
  const running = useNow(offset, 250);
  const { start, limit } = contactOf(treatment, unsent);
  // END that is not sent yet stops the clocks of the acid here all the same.
  const end = unsent.find(({ fact }) => fact.type === "EndingStarted");
  const now = end ? Math.min(running, Date.parse(end.at)) : running;
  const settled = treatment.clocks.settledAt && Date.parse(treatment.clocks.settledAt);
  const told = unsent.findLast(({ fact }) => fact.type === "SensationAnswered");
  const ask =
    (told && askAfter(treatment, told)) ??
    (treatment.clocks.askAt === undefined ? undefined : Date.parse(treatment.clocks.askAt));
  const limitSeconds = treatment.contactLimitSeconds;
  const over = limit !== undefined && now >= limit;
  const dwell = treatment.plan.dwellSeconds;
  return (
    <div className={cx("clocks")}>
      <div className={cx("main", over ? "over" : "")}>
        <span>
          {limitSeconds === undefined
            ? "contact · no limit, frost or layers end it"
            : over
              ? `past the limit by ${clock(now - limit)}`
              : `contact · limit ${clock(limitSeconds * 1000)}`}
        </span>
        <b className="mono" role="timer" aria-label="contact">
          {start === undefined ? "0:00" : clock(now - start)}
        </b>
        <Bar
          part={limit === undefined || start === undefined ? 0 : (now - start) / (limit - start)}
        />
      </div>
      {dwell > 0 ? (
        <div>
          <span>layer settles in</span>
          <b className="mono" role="timer" aria-label="layer settles in">
            {settled ? left(settled - now) : "–"}
          </b>
          <Bar part={settled ? 1 - (settled - now) / (dwell * 1000) : 0} />
        </div>
      ) : (
        <div>
          <span>limit in</span>
          <b className="mono" role="timer" aria-label="limit in">
            {limit === undefined ? "–" : left(limit - now)}
          </b>
          <Bar
            part={limit === undefined || start === undefined ? 0 : (now - start) / (limit - start)}
          />
        </div>
      )}
      <div className={cx(ask && now >= ask ? "due" : "")}>
        <span>{ask && now >= ask ? "ask now" : "ask again in"}</span>
        <b className="mono" role="timer" aria-label="ask again in">
          {ask ? left(ask - now) : "–"}
        </b>
        <Bar part={ask ? 1 - (ask - now) / 30000 : 0} />
      </div>
    </div>
  );
}

function Bar({ part }: { part: number }) {
  return (
    <i className={cx("bar")} aria-hidden="true">
      <i style={{ width: `${Math.max(0, Math.min(1, part)) * 100}%` }} />
    </i>
  );
}
