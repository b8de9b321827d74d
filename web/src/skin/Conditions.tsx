import classNames from "classnames/bind";
import type { Condition, ConsultWords } from "../api/types";
import { Chips } from "../parts/Chips";
import { Grade } from "../parts/Grade";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { capital } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";
import consultStyles from "./Consult.module.css";
import styles from "./Conditions.module.css";

const cx = classNames.bind({ ...consultStyles, ...styles });

const GOAL = ["first", "second", "third"];
/** Of these only one kind holds at a time. */
const ONE_KIND = ["MELASMA"];

interface Row {
  label: string;
  group?: string;
  kinds: ConsultWords["conditions"];
}

/** Conditions without kinds stand alone, those of a group share a line. */
function rows(conditions: ConsultWords["conditions"]): Row[] {
  const found: Row[] = [];
  for (const condition of conditions) {
    const { group } = condition;
    const of = group && found.find((row) => row.group === group);
    if (of) of.kinds.push(condition);
    else {
      found.push({
        label: group ? condition.groupLabel : condition.label,
        group,
        kinds: [condition],
      });
    }
  }
  return found;
}

export function Conditions({
  words,
  consult,
  state,
  peels,
  change,
}: ConsultPart & { peels: number }) {
  const plateau = consult.plateau ?? state.sameScores;
  return (
    <>
      <Strip title="Conditions" code="0 – 3 · goals in order" />
      {rows(words.conditions).map((row) => (
        <ConditionRow key={row.label} row={row} consult={consult} change={change} />
      ))}
      <div className={cx("line", "tight")}>
        <span className="grow">
          Ageing by the sun, Glogau
          <small className="under">
            {words.glogau.find((g) => g.id === consult.glogau)?.label ?? "not graded"}
          </small>
        </span>
        <Segments
          label="Ageing by the sun, Glogau"
          value={consult.glogau}
          options={words.glogau.map(({ id }) => ({ id, label: id }))}
          onChange={(glogau) => change({ glogau })}
        />
      </div>
      {peels >= 3 && (
        <div className={cx("line", "tight")}>
          <span className="grow">
            Scores the same over the last three peels
            <small className="under">
              a plateau: the running series has no advantage then
              {consult.plateau === undefined && state.sameScores && "; so the scores on record say"}
            </small>
          </span>
          <Segments
            label="Scores the same over the last three peels"
            value={plateau ? "YES" : "NO"}
            options={[
              { id: "NO", label: "no" },
              { id: "YES", label: "yes" },
            ]}
            onChange={(said) => change({ plateau: said === "YES" })}
          />
        </div>
      )}
    </>
  );
}

function ConditionRow({
  row,
  consult,
  change,
}: { row: Row } & Pick<ConsultPart, "consult" | "change">) {
  const ids = row.kinds.map((kind) => kind.id);
  const graded = ids.filter((id) => (consult.conditions[id] ?? 0) > 0);
  const shown = graded[0] ?? ids[0]!;
  const value = Math.max(0, ...ids.map((id) => consult.conditions[id] ?? 0));
  const place = consult.goals.findIndex((goal) => ids.includes(goal));
  const full = consult.goals.length >= 3 && place < 0;

  function set(grades: Partial<Record<Condition, number>>) {
    const conditions = { ...consult.conditions, ...grades };
    const main = ids.find((id) => (conditions[id] ?? 0) > 0);
    const goals = consult.goals
      .map((goal) => (ids.includes(goal) ? main : goal))
      .filter((goal): goal is Condition => goal !== undefined);
    change({ conditions, goals });
  }
  function grade(next: number) {
    const which = graded.length > 0 ? graded : [shown];
    set(Object.fromEntries(which.map((id) => [id, next])));
  }
  function kinds(chosen: Condition[]) {
    const added = chosen.find((id) => !graded.includes(id));
    const kept = row.group && ONE_KIND.includes(row.group) && added ? [added] : chosen;
    set(Object.fromEntries(ids.map((id) => [id, kept.includes(id) ? value || 1 : 0])));
  }
  function goal() {
    change({
      goals:
        place >= 0
          ? consult.goals.filter((g) => !ids.includes(g))
          : [...consult.goals, shown].slice(0, 3),
    });
  }

  return (
    <div className={cx("line", "tight", "wrap")}>
      <span className="grow">{capital(row.label)}</span>
      <Grade label={row.label} value={value} onChange={grade} />
      <button
        type="button"
        className={cx("goal", place >= 0 ? "on" : "")}
        aria-pressed={place >= 0}
        aria-label={place >= 0 ? `${row.label}: ${GOAL[place]} goal` : `make ${row.label} a goal`}
        disabled={full}
        onClick={goal}
      >
        {place >= 0 ? GOAL[place] : full ? "" : "goal"}
      </button>
      {row.kinds.length > 1 && value > 0 && (
        <div className={cx("kinds")}>
          <Chips
            label={`Kind of ${row.label}`}
            options={row.kinds.map((kind) => ({ id: kind.id, label: kind.kind }))}
            chosen={graded}
            onChange={(chosen) => kinds(chosen)}
          />
        </div>
      )}
    </div>
  );
}
