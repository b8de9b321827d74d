import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ErrorNote } from "../parts/ErrorNote";
import { day, hour } from "../parts/words";
import { auditQuery } from "../client/queries";
import styles from "./Chart.module.css";

const cx = classNames.bind(styles);

/** Who read or changed a chart or a visit, when and from where; the newest first. */
export function AuditTrail({
  title,
  about,
  narrow = false,
}: {
  title: string;
  about: string;
  narrow?: boolean;
}) {
  const [open, setOpen] = useState(false);
  const audit = useInfiniteQuery({ ...auditQuery(about), enabled: open });
  return (
    <details className={cx("log", { narrow })} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{title}</summary>
      <ErrorNote error={audit.error} />
      <ol>
        {audit.data?.pages.flat().map((entry) => (
          <li key={entry.id}>
            <span className="mono">{`${day(entry.at)} ${hour(entry.at)}`}</span>
            <span>
              {entry.what}
              {entry.details && <small className="under">{entry.details}</small>}
            </span>
            <span className="soft">
              {entry.who}
              {entry.address && <small className="under mono">{entry.address}</small>}
            </span>
          </li>
        ))}
      </ol>
      {audit.hasNextPage && (
        <Button onClick={() => void audit.fetchNextPage()} disabled={audit.isFetchingNextPage}>
          Show older
        </Button>
      )}
    </details>
  );
}
