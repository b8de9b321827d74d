import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import type { Active, HomeProduct, ProductKind } from "../api/types";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { Strip } from "../parts/Strip";
import { day, plural } from "../parts/words";
import type { ConsultPart } from "./ConsultPart";
import { productKindsQuery } from "./queries";

/** Chosen where a product holds nothing that matters to a peel. */
const NONE = "NONE";

/** What the client uses at home; its actives answer the questions about them in Screen. */
export function Products({ words, consult, submit }: ConsultPart) {
  const [editing, setEditing] = useState<number | null>(null);
  const named = (active: Active) => words.actives.find((a) => a.id === active)?.label ?? active;
  return (
    <>
      <Strip title="At home" code={plural(consult.products.length, "product")} />
      {consult.products.map((product, i) => (
        <button
          key={`${product.name} ${i}`}
          type="button"
          className="line product"
          onClick={() => setEditing(i)}
        >
          <span className="grow">
            {product.name}
            {product.actives.length > 0 && (
              <small className="under">
                {product.actives.map(named).join(", ")}
                {product.since && `, since ${day(product.since)}`}
              </small>
            )}
          </span>
          <span className={`mono ${product.actives.length > 0 && !product.lastUse ? "warn" : ""}`}>
            {product.lastUse ? day(product.lastUse) : product.actives.length > 0 ? "last use?" : ""}
          </span>
        </button>
      ))}
      <div className="pad-small">
        <Button onClick={() => setEditing(consult.products.length)}>Add a home product</Button>
      </div>
      {editing !== null && (
        <EditProduct
          words={words}
          product={consult.products[editing]}
          onClose={() => setEditing(null)}
          onSave={(product) =>
            submit({
              products: product
                ? Object.assign([...consult.products], { [editing]: product })
                : consult.products.filter((_, i) => i !== editing),
            })
          }
        />
      )}
    </>
  );
}

function EditProduct({
  words,
  product,
  onSave,
  onClose,
}: {
  words: ConsultPart["words"];
  product: HomeProduct | undefined;
  onSave: (product: HomeProduct | null) => Promise<void>;
  onClose: () => void;
}) {
  const kinds = useQuery(productKindsQuery);
  const [name, setName] = useState(product?.name ?? "");
  const [actives, setActives] = useState<Active[]>(product?.actives ?? []);
  const [since, setSince] = useState(product?.since ?? "");
  const [none, setNone] = useState(product !== undefined && product.actives.length === 0);
  const [lastUse, setLastUse] = useState(product?.lastUse ?? "");
  const [refused, setRefused] = useState<unknown>(null);
  const said = none || actives.length > 0;
  function contains(known: Active[]) {
    setActives(known);
    setNone(known.length === 0);
  }
  function save(event: FormEvent) {
    event.preventDefault();
    onSave({
      name: name.trim(),
      actives,
      since: since || undefined,
      lastUse: lastUse || undefined,
    }).then(onClose, setRefused);
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="product">
      <form onSubmit={save}>
        <DialogTitle id="product">Home product</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <Autocomplete<ProductKind, false, false, true>
              freeSolo
              options={kinds.data ?? []}
              inputValue={name}
              getOptionLabel={(kind) => (typeof kind === "string" ? kind : kind.name)}
              getOptionKey={(kind) => (typeof kind === "string" ? kind : kind.id)}
              onInputChange={(_, typed) => {
                setName(typed);
                const kind = kinds.data?.find(
                  ({ name: known }) => known.toLowerCase() === typed.trim().toLowerCase(),
                );
                if (kind) contains(kind.actives);
              }}
              onChange={(_, kind) => {
                if (kind && typeof kind !== "string") contains(kind.actives);
              }}
              renderInput={(params) => (
                <TextField {...params} label="Product, or its kind" autoFocus required />
              )}
            />
            <div>
              <p className="small">Contains</p>
              <Chips
                label="Contains"
                options={[...words.actives, { id: NONE, label: "none of these" }]}
                chosen={none ? [NONE] : actives}
                onChange={(chosen) => {
                  const wasNone = none;
                  setNone(chosen.includes(NONE) && !wasNone);
                  setActives(
                    chosen.includes(NONE) && !wasNone
                      ? []
                      : chosen.filter((one): one is Active => one !== NONE),
                  );
                }}
              />
              {!said && (
                <p className="small soft">
                  Say what it contains, or none of these: the rules ask for it.
                </p>
              )}
            </div>
            <div className="row">
              <TextField
                label="Started on"
                type="date"
                value={since}
                onChange={(e) => setSince(e.target.value)}
                slotProps={{ inputLabel: { shrink: true } }}
              />
              <TextField
                label="Last used on"
                type="date"
                value={lastUse}
                onChange={(e) => setLastUse(e.target.value)}
                slotProps={{ inputLabel: { shrink: true } }}
              />
            </div>
            <ErrorNote error={refused} />
          </div>
        </DialogContent>
        <DialogActions>
          {product && (
            <Button color="inherit" onClick={() => onSave(null).then(onClose, setRefused)}>
              Remove
            </Button>
          )}
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={!name.trim() || !said}>
            Keep product
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
