import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { numbersQuery } from "../treatment/alarm/numbers";

const KINDS = [
  { kind: "EMERGENCY", label: "Emergency number", field: "emergency" },
  { kind: "POISON_CENTRE", label: "Poison centre", field: "poisonCentre" },
] as const;

/** Whom an alarm on the couch calls; asked for until it is set. */
export function Numbers() {
  const numbers = useQuery(numbersQuery).data;
  const missing = KINDS.filter(({ field }) => numbers && !numbers[field]).length;
  return (
    <>
      <Strip title="Numbers an alarm shows" code={missing === 0 ? "set" : "not set"} />
      {missing > 0 && (
        <p className="warn">
          An alarm has no number to call until {missing === 1 ? "it is" : "they are"} set here.
        </p>
      )}
      <div className="pad-small stack">
        {numbers &&
          KINDS.map(({ kind, label, field }) => (
            <NumberLine
              key={kind}
              kind={kind}
              label={label}
              number={numbers[field] ?? ""}
              maySet={numbers.maySet}
            />
          ))}
      </div>
    </>
  );
}

function NumberLine({
  kind,
  label,
  number,
  maySet,
}: {
  kind: (typeof KINDS)[number]["kind"];
  label: string;
  number: string;
  maySet: boolean;
}) {
  const queries = useQueryClient();
  const [text, setText] = useState(number);
  const set = useMutation({
    mutationFn: async () =>
      body(
        await api.PUT("/api/practice/numbers/{kind}", {
          params: { path: { kind } },
          body: { number: text },
        }),
      ),
    onSuccess: (fresh) => queries.setQueryData(numbersQuery.queryKey, fresh),
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    set.mutate();
  }
  return (
    <form onSubmit={submit} className="row">
      <TextField
        label={label}
        value={text}
        disabled={!maySet}
        onChange={(e) => setText(e.target.value)}
        slotProps={{ htmlInput: { inputMode: "tel", maxLength: 30 } }}
      />
      {maySet && (
        <Button type="submit" disabled={text.trim() === number || set.isPending}>
          Set
        </Button>
      )}
      <ErrorNote error={set.error} />
    </form>
  );
}
