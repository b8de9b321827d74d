import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api } from "../api/client";
import type { Active, ProductKind } from "../api/types";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { consultWordsQuery, productKindsQuery } from "../skin/queries";

/** The kinds that Consult offers; what they contain answers the questions of Screen. */
export function ProductKinds() {
  const kinds = useQuery(productKindsQuery);
  const words = useQuery(consultWordsQuery);
  const [editing, setEditing] = useState<ProductKind | null>(null);
  const named = (active: Active) => words.data?.actives.find((a) => a.id === active)?.label;
  return (
    <>
      <Strip title="Kinds of home products" code={kinds.data?.length} />
      <ErrorNote error={kinds.error} />
      {kinds.data?.map((kind) =>
        editing?.id === kind.id ? (
          <EditKind key={kind.id} kind={kind} onClose={() => setEditing(null)} />
        ) : (
          <button
            key={kind.id}
            type="button"
            className="line product"
            onClick={() => setEditing(kind)}
          >
            <span className="grow">{kind.name}</span>
            <span className="small soft">{kind.actives.map(named).join(", ")}</span>
          </button>
        ),
      )}
      {editing && !kinds.data?.some((kind) => kind.id === editing.id) ? (
        <EditKind kind={editing} onClose={() => setEditing(null)} />
      ) : (
        <div className="pad-small">
          <Button onClick={() => setEditing({ id: crypto.randomUUID(), name: "", actives: [] })}>
            Add a kind
          </Button>
        </div>
      )}
    </>
  );
}

function EditKind({ kind, onClose }: { kind: ProductKind; onClose: () => void }) {
  const queries = useQueryClient();
  const words = useQuery(consultWordsQuery);
  const [name, setName] = useState(kind.name);
  const [actives, setActives] = useState<Active[]>(kind.actives);
  const params = { path: { id: kind.id } };
  const write = useMutation({
    mutationFn: async (remove: boolean) => {
      if (remove) await api.DELETE("/api/product-kinds/{id}", { params });
      else await api.PUT("/api/product-kinds/{id}", { params, body: { name, actives } });
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: productKindsQuery.queryKey });
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    write.mutate(false);
  }
  return (
    <form className="ask stack" onSubmit={submit}>
      <TextField
        label="Kind of product"
        autoFocus
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      <Chips
        label="Contains"
        options={words.data?.actives ?? []}
        chosen={actives}
        onChange={setActives}
      />
      <ErrorNote error={write.error} />
      <div className="row">
        <Button type="submit" variant="contained" disabled={!name.trim()}>
          Keep kind
        </Button>
        <Button color="inherit" onClick={onClose}>
          Leave it
        </Button>
        {kind.name && (
          <Button color="inherit" onClick={() => write.mutate(true)}>
            Remove
          </Button>
        )}
      </div>
    </form>
  );
}
