import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, body } from "../api/client";
import type { Client } from "../api/types";
import { keys } from "../api/keys";
import { ClientPicker } from "../client/ClientPicker";
import { CallLink } from "../parts/CallLink";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day, hour } from "../parts/words";
import styles from "./WaitingList.module.css";

const cx = classNames.bind(styles);

/** Who waits for a slot, and slots that were given back. */
export function WaitingList() {
  const queries = useQueryClient();
  const { data, error } = useQuery({
    queryKey: keys.waiting,
    queryFn: async () => body(await api.GET("/api/waiting")),
  });
  const [adding, setAdding] = useState(false);
  const changed = (fresh: typeof data) => {
    queries.setQueryData(keys.waiting, fresh);
    void queries.invalidateQueries({ queryKey: keys.today });
  };
  const remove = useMutation({
    mutationFn: async (id: string) =>
      body(await api.DELETE("/api/waiting/{id}", { params: { path: { id } } })),
    onSuccess: changed,
  });
  const book = useMutation({
    mutationFn: async ({ id, slotId }: { id: string; slotId: string }) =>
      body(
        await api.POST("/api/waiting/{id}/booking", {
          params: { path: { id } },
          body: { slotId },
        }),
      ),
    onSuccess: changed,
  });
  if (!data) return <ErrorNote error={error} />;
  return (
    <>
      <Strip title="Waiting for a slot" code={data.waiting.length} />
      {data.slots.map((slot) => (
        <p key={slot.visitId} className={cx("line")}>
          <b>
            {day(slot.startsAt)} {hour(slot.startsAt)}
          </b>{" "}
          is free again, {slot.room}, {slot.minutes} min
        </p>
      ))}
      {data.waiting.map((one) => (
        <div key={one.id} className={cx("line")}>
          <div className="row">
            <b className="grow">
              <Link to={`/clients/${one.clientId}`}>{one.clientName}</Link>
            </b>
            <CallLink number={one.telephone} whose={one.clientName} />
          </div>
          <p className="small soft">
            since {day(one.since)}
            {one.wish && `; ${one.wish}`}
          </p>
          <span className="row wrap">
            {data.slots.map((slot) => (
              <Button
                key={slot.visitId}
                size="small"
                onClick={() => book.mutate({ id: one.id, slotId: slot.visitId })}
              >
                {day(slot.startsAt)} {hour(slot.startsAt)}
              </Button>
            ))}
            <Button size="small" color="inherit" onClick={() => remove.mutate(one.id)}>
              No longer
            </Button>
          </span>
        </div>
      ))}
      <ErrorNote error={remove.error ?? book.error} />
      {adding ? (
        <Add onDone={() => setAdding(false)} onAdded={changed} />
      ) : (
        <p className={cx("line")}>
          <Button size="small" color="inherit" onClick={() => setAdding(true)}>
            Somebody waits
          </Button>
        </p>
      )}
    </>
  );
}

function Add({
  onDone,
  onAdded,
}: {
  onDone: () => void;
  onAdded: (fresh: Awaited<ReturnType<typeof add>>) => void;
}) {
  const [whom, setWhom] = useState<Client | null>(null);
  const [wish, setWish] = useState("");
  const save = useMutation({
    mutationFn: () => add(whom!.id, wish),
    onSuccess: (fresh) => {
      onAdded(fresh);
      onDone();
    },
  });
  return (
    <form
      className={cx("line", "add")}
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <ClientPicker label="Who waits" value={whom} onChange={setWhom} />
      <TextField label="When it suits" value={wish} onChange={(e) => setWish(e.target.value)} />
      <ErrorNote error={save.error} />
      <span className="row">
        <Button type="submit" size="small" disabled={!whom || save.isPending}>
          Put on the list
        </Button>
        <Button size="small" color="inherit" onClick={onDone}>
          Leave it
        </Button>
      </span>
    </form>
  );
}

async function add(clientId: string, wish: string) {
  return body(await api.POST("/api/waiting", { body: { clientId, wish } }));
}
