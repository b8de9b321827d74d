import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { Problem } from "../api/client";
import { ErrorNote } from "../parts/ErrorNote";
import { day, firstName, hour } from "../parts/words";
import type { StationProps } from "../parts/StationProps";
import { Barrier } from "./Barrier";
import { Colour } from "./Colour";
import { Conditions } from "./Conditions";
import { Area, Life, Notes } from "./Life";
import { Looks } from "./Looks";
import { Phototype } from "./Phototype";
import { Products } from "./Products";
import { consultWordsQuery } from "./queries";
import { useConsult } from "./useConsult";
import styles from "./Consult.module.css";

const cx = classNames.bind(styles);

export default function Consult({ visit }: StationProps) {
  const words = useQuery(consultWordsQuery);
  const { state, consult, change, submit, error, savedAt, reload } = useConsult(visit.id);
  if (!words.data || !state || !consult) {
    return (
      <main className="pad">
        <ErrorNote error={error} />
      </main>
    );
  }
  const part = { visitId: visit.id, words: words.data, consult, state, change, submit };
  return (
    <main className={cx("columns", "consult")}>
      <Looks {...part} />
      <section className={cx("middle")} aria-label="Conditions and life">
        <div className="row">
          <h1 className="grow">What {firstName(visit.clientName)} sees, what you see</h1>
        </div>
        {state.carriedFrom && (
          <p className={cx("soft", "carried")}>
            As on {day(state.carriedFrom)}. Looks and last uses are of their day: take them again.
          </p>
        )}
        <ErrorNote error={error} />
        {error instanceof Problem && error.status === 409 && (
          <Button onClick={() => void reload()}>Reload, then keep mine on top</Button>
        )}
        <Conditions {...part} peels={visit.screened?.pastPeels ?? 0} />
        <Life {...part} />
        <Area {...part} />
        <Notes {...part} />
        <p className={cx("small", "soft", "kept")} role="status">
          {savedAt ? `kept ${hour(savedAt)}` : "answers are kept as they are given"}
        </p>
      </section>
      <section className="side" aria-label="Phototype, barrier, home products">
        <Phototype {...part} />
        <Colour {...part} />
        <Barrier {...part} />
        <Products {...part} />
        <div className="foot">
          <Button variant="contained" component={Link} to={`/visits/${visit.id}/screen`}>
            Go to Screen
          </Button>
        </div>
      </section>
    </main>
  );
}
