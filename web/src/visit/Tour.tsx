import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, body } from "../api/client";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import styles from "./Tour.module.css";

/** What a visit is, in the order of the work; each line opens the made-up client's own. */
const STEPS: { station: string; label: string; says: string }[] = [
  {
    station: "consult",
    label: "Consult",
    says: "type the skin, grade what is seen, note products and plans",
  },
  {
    station: "screen",
    label: "Screen",
    says: "read the questions out; the verdict says why, and until when",
  },
  {
    station: "choose",
    label: "Choose",
    says: "what is open for this skin, and what is shut by what",
  },
  { station: "plan", label: "Plan", says: "layers, minutes, the trolley, the days before" },
  { station: "ready", label: "Ready", says: "step by step to the armed timer" },
  {
    station: "treat",
    label: "Treat and settle",
    says: "one key an answer; Space takes the advice, ? shows the keys",
  },
];

/** A visit to try everything on, with a client who does not exist and can be thrown away. */
export function Tour({ visitId, offered }: { visitId?: string; offered: boolean }) {
  const queries = useQueryClient();
  const again = () =>
    Promise.all(
      [keys.today, keys.clients].map((queryKey) => queries.invalidateQueries({ queryKey })),
    );
  const begin = useMutation({
    mutationFn: async () => body(await api.POST("/api/tour")),
    onSuccess: again,
  });
  const end = useMutation({
    mutationFn: async () => body(await api.DELETE("/api/tour")),
    onSuccess: again,
  });
  if (visitId === undefined && !offered) return null;
  return (
    <section aria-label="A short tour">
      <Strip title="A short tour" />
      <div className={`pad-small stack ${styles.tour}`}>
        {visitId === undefined ? (
          <>
            <p>
              Try a whole visit with a client who does not exist. Nothing of it stays when you throw
              her away.
            </p>
            <Button variant="outlined" disabled={begin.isPending} onClick={() => begin.mutate()}>
              Begin the tour
            </Button>
          </>
        ) : (
          <>
            <p>Nora Tryout does not exist. Each step is hers:</p>
            <ol>
              {STEPS.map(({ station, label, says }) => (
                <li key={station}>
                  <Link to={`/visits/${visitId}/${station}`}>{label}</Link>: {says}
                </li>
              ))}
            </ol>
            <Button color="inherit" disabled={end.isPending} onClick={() => end.mutate()}>
              Throw Nora Tryout away
            </Button>
          </>
        )}
        <ErrorNote error={begin.error ?? end.error} />
      </div>
    </section>
  );
}
