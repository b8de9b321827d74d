import classNames from "classnames/bind";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { PlanStation } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { planQuery } from "./queries";
import styles from "./Plan.module.css";

const cx = classNames.bind(styles);

/** What is laid out for the visit, ticked off as it lies there. */
export function Trolley({
  station,
  visitId,
  locked,
}: {
  station: PlanStation;
  visitId: string;
  locked: boolean;
}) {
  const queries = useQueryClient();
  const tick = useMutation({
    mutationFn: async ({ item, laidOut }: { item: string; laidOut: boolean }) =>
      body(
        await api.PUT("/api/visits/{id}/trolley/{item}", {
          params: { path: { id: visitId, item } },
          body: { laidOut },
        }),
      ),
    onSuccess: (kept) => queries.setQueryData(planQuery(visitId).queryKey, kept),
  });
  const out = station.trolley.filter((thing) => station.laidOut.includes(thing.id)).length;
  return (
    <section aria-label="Trolley" tabIndex={0}>
      <Strip title="Trolley" code={`${station.trolley.length} · ${out} laid out`} />
      <ErrorNote error={tick.error} />
      {station.trolley.map((thing) => (
        <label key={thing.id} className={cx("line", "thing")}>
          <input
            type="checkbox"
            disabled={locked}
            checked={station.laidOut.includes(thing.id)}
            onChange={(e) => tick.mutate({ item: thing.id, laidOut: e.target.checked })}
          />
          <span>
            {thing.what}
            {thing.note && <small className={thing.mind ? "warn" : "soft"}>{thing.note}</small>}
          </span>
          <span className="value mono">{thing.quantity}</span>
        </label>
      ))}
    </section>
  );
}
