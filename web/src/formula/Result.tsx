import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { useState } from "react";
import { ErrorNote } from "../parts/ErrorNote";
import styles from "./Result.module.css";

const cx = classNames.bind(styles);

/** What came out, large; the formula behind it with its numbers; a drawing; copy and print. */
export function Result({
  title,
  value,
  more,
  working,
  source,
  error,
  waiting = "Give each number; the answer comes as you type.",
  children,
}: {
  title: string;
  value: string | undefined;
  more?: string;
  working?: string | false;
  source?: string;
  error: unknown;
  waiting?: string;
  children?: ReactNode;
}) {
  const [copied, setCopied] = useState(false);
  const text = [`${title}: ${value}`, more, working, source].filter(Boolean).join("\n");
  return (
    <section className={cx("bench-result")} aria-label={title} aria-live="polite">
      <h1>{title}</h1>
      <ErrorNote error={error} />
      {!error && value !== undefined && (
        <>
          <p className={cx("bench-value", "mono")}>{value}</p>
          {more && <p className={cx("bench-more")}>{more}</p>}
          {working && <p className={cx("bench-working", "mono")}>{working}</p>}
          {source && <p className="soft small">{source}</p>}
          {children}
          <p className="row no-print">
            <Button
              onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
            >
              {copied ? "Copied" : "Copy"}
            </Button>
            <Button onClick={() => window.print()}>Print card</Button>
          </p>
        </>
      )}
      {!error && value === undefined && <p className="soft">{waiting}</p>}
      <p className={cx("soft", "small", "bench-defer")}>
        Compounding is for those whom the law allows it; the maker’s label comes before any of this.
        Always acid into water.
      </p>
    </section>
  );
}
