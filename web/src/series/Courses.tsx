import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import type { CourseState } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { useMay } from "../parts/practice";
import { day } from "../parts/words";
import { BookCourse } from "./BookCourse";
import { ChangeCourse, type CourseChange } from "./ChangeCourse";
import { coursesQuery } from "./queries";
import styles from "./Courses.module.css";

const cx = classNames.bind(styles);

const STATES: Record<CourseState["peels"][number]["state"], string> = {
  DONE: "done",
  BOOKED: "",
  SKIPPED: "skipped",
  PAUSED: "paused",
};

/** The courses of a client: booked as one, moved as one, skipped one, paused and resumed. */
export function Courses({ clientId }: { clientId: string }) {
  const { data, error } = useQuery(coursesQuery(clientId));
  const [booking, setBooking] = useState(false);
  const [change, setChange] = useState<CourseChange | null>(null);
  const treats = useMay("TREAT");
  return (
    <>
      <ErrorNote error={error} />
      {data?.courses.map((course) => (
        <Course key={course.id} course={course} onChange={treats ? setChange : undefined} />
      ))}
      {data && treats && (
        <p className={cx("keys")}>
          <Button variant="contained" disabled={!data.proposal} onClick={() => setBooking(true)}>
            Book a course
          </Button>
          {!data.proposal && (
            <span className="small soft">
              After the first peel, with no red flag open, a course can be booked.
            </span>
          )}
        </p>
      )}
      {booking && data?.proposal && (
        <BookCourse
          clientId={clientId}
          proposal={data.proposal}
          formulas={data.formulas}
          alternative={data.alternative}
          onClose={() => setBooking(false)}
        />
      )}
      {change && (
        <ChangeCourse clientId={clientId} change={change} onClose={() => setChange(null)} />
      )}
    </>
  );
}

function Course({
  course,
  onChange,
}: {
  course: CourseState;
  onChange?: (change: CourseChange) => void;
}) {
  const done = course.peels.filter(({ state }) => state === "DONE").length;
  const ahead = course.peels.filter(({ state }) => state === "BOOKED" || state === "PAUSED");
  return (
    <section aria-label="Course">
      <Strip
        title={course.maintenance ? "Maintenance" : "The course"}
        code={`${done} of ${course.peels.length}`}
      />
      {course.paused && <p className={cx("peel", "warn")}>Paused: {course.paused}</p>}
      <ol>
        {course.peels.map((peel) => (
          <li key={peel.number} className={cx("peel", peel.state.toLowerCase())}>
            <b className="mono">{day(peel.on)}</b>
            <span>
              <Link to={`/visits/${peel.visitId}/consult`}>
                {peel.formula}
                {peel.layers > 1 && `, ${peel.layers} layers`}
              </Link>{" "}
              {STATES[peel.state]}
              <small className="soft">{peel.skipped ?? peel.why.join(" · ")}</small>
            </span>
          </li>
        ))}
      </ol>
      <p className={cx("keys")}>
        {onChange && ahead.length > 0 && !course.paused && (
          <>
            <Button size="small" onClick={() => onChange({ course, kind: "move" })}>
              Move the course
            </Button>
            <Button size="small" color="inherit" onClick={() => onChange({ course, kind: "skip" })}>
              Skip one
            </Button>
            <Button
              size="small"
              color="inherit"
              onClick={() => onChange({ course, kind: "pause" })}
            >
              Pause
            </Button>
          </>
        )}
        {onChange && course.paused && (
          <Button size="small" onClick={() => onChange({ course, kind: "resume" })}>
            Resume
          </Button>
        )}
        <Button size="small" color="inherit" href={`/api/courses/${course.id}/course.ics`} download>
          Calendar file
        </Button>
      </p>
    </section>
  );
}
