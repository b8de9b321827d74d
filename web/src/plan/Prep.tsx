import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, body } from "../api/client";
import type { PlanStation } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day } from "../parts/words";
import { planQuery } from "./queries";
import styles from "./Plan.module.css";

const cx = classNames.bind(styles);

type PrepItem = PlanStation["prep"][number]["item"];

/** What is to be done in the weeks before, and what the client told of it. */
export function Prep({
  station,
  visitId,
  onTheDay,
}: {
  station: PlanStation;
  visitId: string;
  onTheDay: boolean;
}) {
  const queries = useQueryClient();
  const tell = useMutation({
    mutationFn: async ({ item, kept }: { item: PrepItem; kept: boolean | undefined }) =>
      body(
        await api.PUT("/api/visits/{id}/prep/{item}", {
          params: { path: { id: visitId, item } },
          body: { kept },
        }),
      ),
    onSuccess: (fresh) => queries.setQueryData(planQuery(visitId).queryKey, fresh),
  });
  const told = station.prepTold;
  const late = station.prep.filter((step) => step.late && told[step.item] !== true).length;
  const broken = station.prep.filter((step) => told[step.item] === false).length;
  return (
    <section aria-label="Back from the date" tabIndex={0}>
      <Strip
        title="Back from the date"
        code={broken > 0 ? `${broken} not kept` : late === 0 ? "in time" : `${late} late`}
      />
      <ErrorNote error={tell.error} />
      {station.prep.map((step) => {
        const said = told[step.item];
        const against = station.prepAgainst[step.item];
        const warn = said === false || against !== undefined || (step.late && said !== true);
        return (
          <div key={step.item} className={cx("line", "dated", warn ? "warn" : "")}>
            <span className="mono">{day(step.day)}</span>
            <span className="grow">
              {step.what}
              {said === undefined &&
                step.late &&
                step.earliest &&
                `: too late, earliest peel is ${day(step.earliest)}`}
              {said === false && ": not kept. Ask it again in Screen"}
              {against && `: told kept, but ${against}. Ask once more`}
              {step.doneOn && ` (${day(step.doneOn)})`}
              {said === undefined && step.kept && step.doneOn && (
                <small className="soft"> kept</small>
              )}
            </span>
            {onTheDay && (
              <span className={cx("told")} role="group" aria-label={`Kept: ${step.what}`}>
                <button
                  type="button"
                  aria-pressed={said === true}
                  onClick={() =>
                    tell.mutate({ item: step.item, kept: said === true ? undefined : true })
                  }
                >
                  kept
                </button>
                <button
                  type="button"
                  aria-pressed={said === false}
                  onClick={() =>
                    tell.mutate({ item: step.item, kept: said === false ? undefined : false })
                  }
                >
                  not
                </button>
              </span>
            )}
          </div>
        );
      })}
      <div className={cx("line", "dated", "peel")}>
        <span className="mono">peel</span>
        <span>{station.plan.formulaName}</span>
      </div>
      <div className="pad-small row wrap">
        <Button component={Link} to={`/visits/${visitId}/prep`}>
          Sheet
        </Button>
        <Button component="a" href={`/api/visits/${visitId}/prep.ics`} download>
          .ics
        </Button>
      </div>
    </section>
  );
}
