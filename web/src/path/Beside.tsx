import { useQuery } from "@tanstack/react-query";
import type { Treatment, Visit } from "../api/types";
import { Ribbon } from "../parts/Ribbon";
import { ribbonOfTreatment } from "../parts/ribbonModel";
import { Strip } from "../parts/Strip";
import { day } from "../parts/words";
import { Summary } from "../treatment/couch/Summary";
import { treatmentQuery } from "../treatment/couch/useTreatment";

/** Two visits, their ribbons one under the other on one scale. */
export function Beside({ one, other }: { one: Visit; other: Visit }) {
  const first = useQuery({ ...treatmentQuery(one.treatmentId ?? ""), enabled: !!one.treatmentId });
  const second = useQuery({
    ...treatmentQuery(other.treatmentId ?? ""),
    enabled: !!other.treatmentId,
  });
  if (!first.data || !second.data) return null;
  const models = [first.data, second.data].map((treatment) => ribbonOfTreatment(treatment));
  const from = Math.min(...models.map((model) => model?.from ?? 0));
  const to = Math.max(...models.map((model) => model?.to ?? 0));
  return (
    <>
      <Strip title="Side by side" code="one scale" />
      {[one, other].map((visit, i) => {
        const model = models[i];
        const treatment = [first.data, second.data][i] as Treatment;
        return (
          <section key={visit.id} aria-label={`Visit of ${day(visit.startsAt)}`}>
            <h2 className="pad">
              {day(visit.startsAt)}, {treatment.plan.formulaName}
            </h2>
            {model && (
              <Ribbon
                model={{ ...model, from, to }}
                unit="clock"
                label={`Peel of ${day(visit.startsAt)}`}
              />
            )}
            <Summary treatment={treatment} className="pad" />
          </section>
        );
      })}
    </>
  );
}
