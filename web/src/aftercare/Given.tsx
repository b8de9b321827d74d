import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { LANGUAGES } from "../api/enumWords";
import type { GivenSheet, GivenWay } from "../api/types";
import { day, hour } from "../parts/words";
import { givenQuery } from "./queries";

const WAYS: Record<GivenWay, string> = {
  PRINTED: "printed",
  PDF: "as PDF",
  CALENDAR: "as calendar file",
  SHORT_FORM: "in short",
};

/** When, how and by whom a sheet was given. */
export function givenWords({ at, way, language, who }: GivenSheet["given"]): string {
  return `${day(at)}, ${hour(at)}, ${WAYS[way]}, in ${LANGUAGES[language]}, by ${who}`;
}

/** The sheets that the client has in hand, each as it was given. */
export function Given({ visitId }: { visitId: string }) {
  const given = useQuery(givenQuery(visitId));
  if (!given.data || given.data.length === 0) return null;
  return (
    <ul className="small" aria-label="Given to the client">
      {given.data.map((one) => (
        <li key={one.id}>
          <Link to={`/visits/${visitId}/sheet?given=${one.id}`}>Given {givenWords(one)}</Link>
          {!one.holds && " · the sheet says something else now: give it anew"}
        </li>
      ))}
    </ul>
  );
}
