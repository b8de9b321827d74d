import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import Button from "@mui/material/Button";
import { type ReactNode, use } from "react";
import { Link } from "react-router";
import type { Treatment, Visit } from "../../api/types";
import { ErrorNote } from "../../parts/ErrorNote";
import { FIGURE_LABELS, figureOf } from "../../parts/figures";
import { PersonSlot } from "../../parts/personSlot";
import { sessionQuery } from "../../parts/session";
import { Rooms } from "../../parts/Rooms";
import { stageWords } from "./stage";
import { useNow } from "../../parts/useNow";
import { factWords } from "../../parts/factWords";
import { VerdictMark } from "../../parts/VerdictMark";
import { clock, hour, second, zoneName } from "../../parts/words";
import { useCountOnce } from "./useCountOnce";
import type { LiveTreatment } from "./useTreatment";
import styles from "./Couch.module.css";

const cx = classNames.bind(styles);

/** The top of every couch screen: who, the limits, what is on, the time. */
export function CouchTop({
  visit,
  treatment,
  live,
  onAlarm,
}: {
  visit: Visit;
  treatment: Treatment;
  live: LiveTreatment;
  /** Opens what can be seen or said that is an alarm. */
  onAlarm: () => void;
}) {
  const now = useNow(live.offset, 1000);
  const layers = treatment.layers.length;
  const opened = treatment.events[0];
  const limits = visit.screened?.limits ?? [];
  return (
    <header className={cx("couch-top")}>
      <Link to="/" className={cx("name")} aria-label={`${visit.clientName}, to Today`}>
        {visit.clientName}
      </Link>
      <span>
        {visit.age} · type {treatment.plan.phototype}
        {visit.comfort && ` · ${visit.comfort}`}
      </span>
      {visit.allergies && <b className={cx("allergies")}>{visit.allergies}</b>}
      {limits.length > 0 && (
        <span className={cx("limits")} title={limits.join(" · ")}>
          <VerdictMark verdict="ADAPT" size={18} />
          <span>{limits.join(" · ")}</span>
        </span>
      )}
      <span>
        {treatment.plan.formulaCode} · {placeWords(treatment)}
        {layers > 0 && ` · layer ${layers} of ${Math.max(layers, treatment.layersPlanned)}`}
      </span>
      <Rooms but={visit.id} />
      <TakeOver treatment={treatment} live={live} />
      {use(PersonSlot)}
      <span className={cx("mono", "time")}>
        {hour(new Date(now))}
        {opened && (
          <>
            {" · "}
            <span className={cx("with")}>with client </span>
            {clock(now - Date.parse(opened.at))}
          </>
        )}
      </span>
      <button type="button" className={cx("alarm-key")} onClick={onAlarm}>
        <kbd>a</kbd> alarm
      </button>
    </header>
  );
}

/** Whoever is signed in and is not who treats may take over; both names stay, from which second. */
function TakeOver({ treatment, live }: { treatment: Treatment; live: LiveTreatment }) {
  const account = useQuery(sessionQuery).data?.account;
  if (!account || account.username === treatment.therapist) return null;
  if (["SIGNED", "STOPPED"].includes(treatment.phase)) return null;
  return (
    <Button
      color="inherit"
      aria-label={`take over from ${treatment.therapist}`}
      title={`from ${treatment.therapist}`}
      onClick={() => live.say({ type: "HandedOver", from: treatment.therapist })}
    >
      take over
    </Button>
  );
}

/** Where one is in a visit of several stages; nothing where there is but one. */
export function StagePlace({ treatment }: { treatment: Treatment }) {
  const words = stageWords(treatment);
  return words && <p className={cx("stage-place")}>{words}</p>;
}

function placeWords({ plan }: Treatment): string {
  return plan.zones.length > 3
    ? FIGURE_LABELS[figureOf(plan.zones[0])]
    : plan.zones.map(zoneName).join(", ");
}

/** What was not taken, not sent, or not reachable; said once, where it matters. */
export function CouchNotes({ live }: { live: LiveTreatment }) {
  const twice = useCountOnce();
  return (
    <div role="status" className={cx("couch-notes")}>
      {live.unkept && (
        <p className="end">
          This device has no room left: what was just said is kept by this page alone. Do not close
          or reload it before it is saved.
        </p>
      )}
      {live.unsent.length > 0 && live.away && (
        <p className="warn">
          {live.full
            ? `The server's disk is full. Not saved yet: ${live.unsent.length}. Kept on this screen, sent when there is room.`
            : `Not saved yet: ${live.unsent.length}. Kept on this screen, sent when the server is back.`}
        </p>
      )}
      {live.away && live.unsent.length === 0 && (
        <p className="warn">The server does not answer. Clocks and limit go on here.</p>
      )}
      {live.treatment?.clockJump !== undefined && (
        <p className="warn">{live.treatment.clockJump}</p>
      )}
      {live.treatment?.conflicts.map((conflict) => (
        <p key={`${conflict.kind} ${conflict.at} ${conflict.other.at}`} className="warn">
          {conflictWords(conflict)} Both are kept; correct the one that is wrong.
        </p>
      ))}
      {twice && <p>Tapped twice: counted once.</p>}
      {live.refused && <ErrorNote error={live.refused} />}
    </div>
  );
}

function conflictWords({ kind, one, other }: Treatment["conflicts"][number]): string {
  if (kind === "LAYER_AFTER_END") {
    return `END was said by ${one.who} at ${second(one.at)} and stands. ${other.who} put a layer on at ${second(other.at)} without knowing: take it off.`;
  }
  return kind === "BOTH_ENDED"
    ? `Two screens said END: ${one.who} at ${second(one.at)}, which counts, and ${other.who} at ${second(other.at)}.`
    : `Two screens said different numbers: ${one.value} by ${one.who} at ${second(one.at)}, ${other.value} by ${other.who} at ${second(other.at)}.`;
}

/** Takes a mistaken tap back, for ten seconds; it keeps its place, so that nothing jumps. */
export function TakeBackKey({ live, now }: { live: LiveTreatment; now: number }) {
  const undo = undoNow(live, now);
  const tapped = live.treatment?.events.find(({ id }) => id === undo?.event)?.fact;
  return (
    <Button color="inherit" disabled={!undo} onClick={() => takeBack(live, now)}>
      <kbd>u</kbd> take back
      {tapped && <span className="hidden">: {factWords(tapped)}</span>}
    </Button>
  );
}

/** How long a mistaken tap can be taken back by one key, as the server has it. */
const TAKE_BACK_MS = 10_000;

/** What can be taken back now. */
function undoNow({ treatment, unsent, away }: LiveTreatment, now: number) {
  const undo = treatment?.undo;
  if (unsent.length === 0) return undo && now <= Date.parse(undo.until) ? undo : undefined;
  // Without a server the last tap of this screen can be taken back all the same: both are sent.
  const last = unsent.at(-1)!;
  const until = Date.parse(last.at) + TAKE_BACK_MS;
  return away && now <= until
    ? { event: last.id, until: new Date(until).toISOString() }
    : undefined;
}

/** Takes the last tap back, where it can be. */
export function takeBack(live: LiveTreatment, now: number) {
  const undo = undoNow(live, now);
  if (undo) live.say({ type: "TakenBack", event: undo.event });
}

/** A screen that waits for its treatment. */
export function CouchWait({ error }: { error: unknown }): ReactNode {
  return (
    <main className={cx("couch-wait")}>
      <ErrorNote error={error} />
    </main>
  );
}
