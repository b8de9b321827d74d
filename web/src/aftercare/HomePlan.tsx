import classNames from "classnames/bind";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, body } from "../api/client";
import type { After, HomePlanState } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { useMay } from "../parts/practice";
import styles from "./HomePlan.module.css";

const cx = classNames.bind(styles);

type Item = HomePlanState["items"][number];
type Having = NonNullable<Item["having"]>;

const HAVING: { id: Having; label: string }[] = [
  { id: "HAS", label: "has" },
  { id: "BOUGHT", label: "bought" },
  { id: "DECLINED", label: "declined" },
];

/** Morning and night at home, what returns when, what rests, and what may not meet. */
export function HomePlan({ visitId, plan }: { visitId: string; plan: HomePlanState }) {
  const queries = useQueryClient();
  const treats = useMay("TREAT");
  const say = useMutation({
    mutationFn: async ({ item, having }: { item: Item["item"]; having?: Having }) =>
      body(
        await api.PUT("/api/visits/{id}/aftercare/home-plan/{item}", {
          params: { path: { id: visitId, item } },
          body: { having },
        }),
      ),
    onSuccess: ({ having }) =>
      queries.setQueriesData(
        { queryKey: keys.visitPart(visitId, "after") },
        (after: After | undefined) => after && withHaving(after, having),
      ),
  });
  return (
    <div>
      {plan.items.map((item) => (
        <div key={item.item} className={cx("item", item.having === "DECLINED" ? "out" : "")}>
          <span className={cx("when")}>
            {[item.morning && plan.morning, item.night && plan.night].filter(Boolean).join(" · ")}
          </span>
          <span>{item.words}</span>
          <Segments
            label={item.words}
            value={item.having}
            options={HAVING}
            disabled={!treats}
            onChange={(having) => say.mutate({ item: item.item, having })}
          />
        </div>
      ))}
      <ErrorNote error={say.error} />
      {plan.leftOut.map((line) => (
        <p key={line} className={cx("own", "warn")}>
          {line}
        </p>
      ))}
      {plan.own.map((line) => (
        <p key={line} className={cx("own")}>
          {line}
        </p>
      ))}
      {plan.clashes.map((line) => (
        <p key={line} className={cx("own", "warn")}>
          {line}
        </p>
      ))}
    </div>
  );
}

function withHaving(after: After, having: Partial<Record<Item["item"], Having>>): After {
  const { home } = after.sheet;
  const items = home.items.map((one) => ({ ...one, having: having[one.item] }));
  return { ...after, sheet: { ...after.sheet, home: { ...home, items } } };
}
