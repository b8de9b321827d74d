import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { Product, Shelf, ShelfItem } from "../api/types";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { number } from "../parts/NumberField";
import { useShelfWrite } from "./shelfQueries";
import { CLASSES, draftOf, ENDINGS, labelOf, type LabelDraft, USES, VEHICLES } from "./labelDraft";

/** A product as its label has it; what is not on the label is left empty. */
export function ProductForm({
  shelf,
  item,
  onClose,
}: {
  shelf: Shelf;
  item?: ShelfItem;
  onClose: (kept?: string) => void;
}) {
  const [draft, setDraft] = useState<LabelDraft>(() => draftOf(item?.label));
  const save = useShelfWrite(
    async (label: Product) =>
      body(await api.PUT("/api/shelf/products", { body: { label, over: item?.version ?? 0 } })),
    () => onClose(draft.code),
  );
  const set = (change: Partial<LabelDraft>) => setDraft({ ...draft, ...change });
  const missing = labelOf(draft) === null;
  function submit(event: FormEvent) {
    event.preventDefault();
    const label = labelOf(draft);
    if (label) save.mutate(label);
  }
  const text = (label: string, name: TextName, helper?: string) => (
    <TextField
      label={label}
      value={draft[name]}
      helperText={helper}
      onChange={(e) => set({ [name]: e.target.value })}
    />
  );
  const amount = (label: string, name: TextName, helper?: string) => {
    const wrong = draft[name].trim() !== "" && number(draft[name]) === null;
    return (
      <TextField
        label={label}
        value={draft[name]}
        error={wrong}
        helperText={wrong ? `“${draft[name]}” is no number` : helper}
        onChange={(e) => set({ [name]: e.target.value })}
        slotProps={{ htmlInput: { inputMode: "decimal" } }}
      />
    );
  };
  const one = <T extends string>(
    label: string,
    name: "family" | "vehicle" | "use" | "depth" | "ending",
    options: readonly { id: T; label: string }[],
  ) => (
    <TextField
      select
      label={label}
      value={draft[name]}
      onChange={(e) => set({ [name]: e.target.value })}
    >
      {options.map((option) => (
        <MenuItem key={option.id} value={option.id}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
  const tick = (label: string, name: "thenFalling" | "bufferedInWater" | "warms") => (
    <FormControlLabel
      label={label}
      control={
        <Checkbox checked={draft[name]} onChange={(e) => set({ [name]: e.target.checked })} />
      }
    />
  );
  const shipped = shelf.items.filter(
    (one) => one.version === 0 && one.label.use !== "OUT_OF_SCOPE",
  );
  return (
    <Dialog open onClose={() => onClose()} maxWidth="md" fullWidth aria-labelledby="label-title">
      <form onSubmit={submit} className="dialog-form">
        <DialogTitle id="label-title">
          {item ? `The label of ${item.label.code}` : "A product from its label"}
        </DialogTitle>
        <DialogContent>
          <div className="product-form">
            {!item && (
              <TextField
                select
                margin="dense"
                label="Start from a shipped formula"
                value=""
                onChange={(e) => {
                  const from = shelf.items.find((i) => i.label.code === e.target.value);
                  if (from) {
                    setDraft({
                      ...draftOf(from.label),
                      code: draft.code,
                      name: draft.name,
                      maker: draft.maker,
                    });
                  }
                }}
              >
                {shipped.map(({ label }) => (
                  <MenuItem key={label.code} value={label.code}>
                    {label.code}, {label.name}
                  </MenuItem>
                ))}
              </TextField>
            )}
            <fieldset>
              <legend>What it is</legend>
              <TextField
                label="Code"
                value={draft.code}
                disabled={!!item}
                helperText="2 to 12 capitals, digits, dashes"
                onChange={(e) => set({ code: e.target.value.toUpperCase() })}
              />
              {text("Name", "name")}
              {text("Maker", "maker")}
              {one("Family", "family", shelf.families)}
              {amount("Rung", "rung", "place on the ladder, 1 lowest")}
              <TextField
                select
                label="Stands in place of"
                value={draft.replaces}
                helperText="takes that one off the rack"
                onChange={(e) => set({ replaces: e.target.value })}
              >
                <MenuItem value="">none</MenuItem>
                {shipped
                  .filter(({ label }) => label.family === draft.family)
                  .map(({ label }) => (
                    <MenuItem key={label.code} value={label.code}>
                      {label.code}
                    </MenuItem>
                  ))}
              </TextField>
            </fieldset>
            <fieldset>
              <legend>What is in it</legend>
              {draft.components.map((part, i) => (
                <div key={i} className="whole parts">
                  <TextField
                    select
                    label={`Substance ${i + 1}`}
                    value={part.substance}
                    onChange={(e) =>
                      set({
                        components: draft.components.map((p, n) =>
                          n === i ? { ...p, substance: e.target.value as typeof p.substance } : p,
                        ),
                      })
                    }
                  >
                    {shelf.substances.map(({ id, label }) => (
                      <MenuItem key={id} value={id}>
                        {label}
                      </MenuItem>
                    ))}
                  </TextField>
                  <TextField
                    label={`% w/v ${i + 1}`}
                    value={part.percent}
                    error={part.percent.trim() !== "" && number(part.percent) === null}
                    onChange={(e) =>
                      set({
                        components: draft.components.map((p, n) =>
                          n === i ? { ...p, percent: e.target.value } : p,
                        ),
                      })
                    }
                    slotProps={{ htmlInput: { inputMode: "decimal" } }}
                  />
                  <Button
                    color="inherit"
                    disabled={draft.components.length === 1}
                    onClick={() => set({ components: draft.components.filter((_, n) => n !== i) })}
                    aria-label={`Take away, substance ${i + 1}`}
                  >
                    Take away
                  </Button>
                </div>
              ))}
              <div className="whole row wrap">
                <Button
                  onClick={() =>
                    set({
                      components: [...draft.components, { substance: "LACTIC", percent: "" }],
                    })
                  }
                >
                  Add a substance
                </Button>
                <span className="small soft">
                  A label in % w/w is converted at the Bench, Label to label.
                </span>
              </div>
              {amount("pH", "ph", "empty where none is printed")}
              {one("Vehicle", "vehicle", VEHICLES)}
              {tick("buffered in water", "bufferedInWater")}
              {tick("holds a warming agent", "warms")}
            </fieldset>
            <fieldset>
              <legend>How it is used</legend>
              <div className="whole">
                <Chips
                  label="Made for"
                  options={shelf.regions}
                  chosen={draft.regions}
                  onChange={(regions) => set({ regions })}
                />
              </div>
              {one("Use", "use", USES)}
              {amount("First visit, min", "firstMinutes")}
              {amount("Never beyond, min", "mostMinutes")}
              {amount("At least, min", "leastMinutes")}
              {draft.use === "STAYS" && amount("Stays, h", "staysHours", "empty: 6")}
              {amount("Layers, first visit", "layersFirst")}
              {amount("Layers, at most", "layersMost")}
              {amount("Between layers, min", "dwellMinutes")}
              {one("Ended by", "ending", ENDINGS)}
              {text("Done when", "doneWhen", "the maker’s sign")}
              {text("One layer is", "measure", "such as 4 pumps")}
            </fieldset>
            <fieldset>
              <legend>What it does</legend>
              {one("Depth at one layer", "depth", CLASSES)}
              {amount("Feels, from", "bandLow", "0 to 10")}
              {amount("Feels, to", "bandHigh", "0 to 10")}
              {amount("Within, s", "bandSeconds", "empty: all the time")}
              {tick("then falling", "thenFalling")}
              {amount("Days to the next", "intervalDays")}
              {amount("Series, least", "seriesLeast")}
              {amount("Series, most", "seriesMost")}
              {amount("Flaking from day", "peelingFirst", "0: none")}
              {amount("Flaking to day", "peelingLast", "0: none")}
            </fieldset>
          </div>
          <ErrorNote error={save.error} />
        </DialogContent>
        <DialogActions>
          <span className="small soft grow">
            {item
              ? `Kept as version ${item.version + 1}; records keep the version they used.`
              : "The maker’s label comes before the app’s own numbers."}
          </span>
          <Button color="inherit" onClick={() => onClose()}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={missing || save.isPending}>
            Keep the label
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

type TextName = {
  [K in keyof LabelDraft]: LabelDraft[K] extends string ? K : never;
}[Exclude<keyof LabelDraft, "family" | "vehicle" | "use" | "depth" | "ending">];
