import classNames from "classnames/bind";
import { useQuery } from "@tanstack/react-query";
import { memo } from "react";
import { Link } from "react-router";
import type { Visit, Zone } from "../api/types";
import { clientVisitsQuery } from "../client/queries";
import { Ribbon } from "../parts/Ribbon";
import { ribbonsOfRecord } from "../parts/ribbonModel";
import { Strip } from "../parts/Strip";
import { day, firstName, zoneName } from "../parts/words";
import { Summary } from "../treatment/couch/Summary";
import { treatmentQuery } from "../treatment/couch/useTreatment";
import { FlakesTold } from "./FlakesTold";
import styles from "./WhatChanged.module.css";

const cx = classNames.bind(styles);

/** A returning client's last peel: its ribbon, its hot spots, its worst answer, its note. */
export const WhatChanged = memo(function WhatChanged({
  visit,
}: {
  visit: Pick<Visit, "id" | "clientId" | "clientName" | "startsAt">;
}) {
  const visits = useQuery(clientVisitsQuery(visit.clientId));
  const last = (visits.data ?? []).findLast(
    (earlier) => earlier.signedAt && earlier.startsAt < visit.startsAt,
  );
  const treatment = useQuery({
    ...treatmentQuery(last?.treatmentId ?? ""),
    enabled: last?.treatmentId !== undefined,
  });
  if (!last || !treatment.data) return null;
  const data = treatment.data;
  const signature = data.events.findLast(({ fact }) => fact?.type === "Signed");
  const spots = Object.entries(data.zones).filter(([, state]) => state.hotSpot !== undefined);
  return (
    <section className={cx("changed")} aria-label="What changed">
      <Strip title="What changed" code={`${last.formula}, ${day(last.startsAt)}`} />
      {ribbonsOfRecord(data).map(({ label, model }, i, all) => (
        <div key={label}>
          {all.length > 1 && <p className="small soft">{label}</p>}
          <Ribbon
            model={model}
            unit="clock"
            label={`Peel of ${day(last.startsAt)}${all.length > 1 ? `, ${i + 1}` : ""}`}
          />
        </div>
      ))}
      <Summary treatment={data} />
      {spots.length > 0 && (
        <p>
          <b>Hot spots:</b>{" "}
          {spots.map(([zone, state]) => `${zoneName(zone as Zone)} ${state.hotSpot}`).join(", ")}
        </p>
      )}
      {signature?.fact?.type === "Signed" && (
        <p>
          <b>For this time:</b> {signature.fact.nextTime}
        </p>
      )}
      <div className={cx("flakes")}>
        <FlakesTold visitId={last.id} />
      </div>
      <p className="small">
        <Link to={`/visits/${visit.id}/consult`}>Consult</Link> is as it was. Ask{" "}
        {firstName(visit.clientName)} what can change since then:
      </p>
    </section>
  );
}, isSameVisit);

function isSameVisit(was: { visit: { id: string } }, is: { visit: { id: string } }) {
  return was.visit.id === is.visit.id;
}
