import classNames from "classnames/bind";
import type { Advice, NewEvent, Treatment } from "../../api/types";
import { type Tint, tint } from "./advice";
import styles from "./SensationKeys.module.css";

const cx = classNames.bind(styles);

/** The answer that was tapped last and not sent yet: it lights at once. */
export function toldNow(unsent: NewEvent[]): number | undefined {
  const last = unsent.findLast(({ fact }) => fact.type === "SensationAnswered");
  return last?.fact.type === "SensationAnswered" ? last.fact.value : undefined;
}

/** "handset", where the client's own phone said the newest number. */
export function toldBy(treatment: Treatment): string | undefined {
  const last = treatment.events.findLast(
    ({ fact, takenBack }) => !takenBack && fact?.type === "SensationAnswered",
  );
  return last?.who.endsWith("handset") ? "handset" : undefined;
}

const WORDS: Record<number, string> = {
  0: "nothing",
  3: "tingle",
  5: "hot",
  8: "hard",
  10: "burning",
};
const LEADS = { go: "goes on", hold: "hold", end: "end" };

/** The eleven answers; each key shows by its tint what it leads to. */
export function SensationKeys({
  answers,
  told,
  source,
  leads: given,
  words,
  onAnswer,
}: {
  answers: Advice[];
  /** What each answer leads to, where no advice says it: at gate A. */
  leads?: Tint[];
  /** What that is called there. */
  words?: Partial<Record<Tint, string>>;
  told: number | undefined;
  /** Who said the last one, where it was not said to the therapist. */
  source?: string;
  onAnswer: (value: number) => void;
}) {
  return (
    <section className="keys" aria-label="How does it feel, 0 to 10">
      {Array.from({ length: 11 }, (_, value) => {
        const leads = given?.[value] ?? tint(answers[value]);
        return (
          <button
            key={value}
            type="button"
            className={cx(leads === "go" ? "" : leads, told === value ? "told" : "")}
            onClick={() => onAnswer(value)}
          >
            <b>{value}</b>
            <small>{source && told === value ? source : (WORDS[value] ?? "")}</small>
            <span className="hidden">: {words?.[leads] ?? LEADS[leads]}</span>
          </button>
        );
      })}
    </section>
  );
}
