import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { NumberFields, numbers } from "../parts/NumberField";
import { Strip } from "../parts/Strip";
import { answerQuery } from "./queries";
import { Result } from "./Result";
import toolStyles from "./Tool.module.css";

const cx = classNames.bind(toolStyles);

interface Answer {
  value: string;
  more?: string;
  working: string;
  drawing?: ReactNode;
}

/** A tool of some numbers: they are typed at the left, what they come to stands at the right. */
export function NumbersTool<K extends string, A>({
  tool,
  heading,
  code,
  fields,
  ask,
  title,
  show,
  source,
}: {
  tool: string;
  heading: string;
  code?: string;
  fields: { name: K; label: string; unit: string; start: string }[];
  ask: (facts: Record<K, number>) => Promise<A>;
  title: string;
  show: (answer: A) => Answer;
  source: string;
}) {
  const [typed, setTyped] = useState(
    () => Object.fromEntries(fields.map(({ name, start }) => [name, start])) as Record<K, string>,
  );
  const answer = useQuery(answerQuery(tool, numbers(typed), ask));
  const shown = answer.data && show(answer.data);
  return (
    <>
      <section className={cx("bench-inputs")} aria-label={heading}>
        <Strip title={heading} code={code} />
        <div className={cx("bench-group")}>
          <NumberFields typed={typed} onChange={setTyped} fields={fields} />
        </div>
      </section>
      <Result
        title={title}
        value={shown?.value}
        more={shown?.more}
        working={shown?.working}
        source={source}
        error={answer.error}
      >
        {shown?.drawing}
      </Result>
    </>
  );
}
