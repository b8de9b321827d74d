import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { FormProvider, useForm, useWatch } from "react-hook-form";
import { api, body } from "../api/client";
import type { LabelColumn, Product, Shelf, ShelfItem } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { LabelField } from "./LabelField";
import { draftOf, labelOf, type LabelDraft } from "./labelDraft";
import { useShelfWrite } from "./shelfQueries";
import styles from "./ProductForm.module.css";

const cx = classNames.bind(styles);

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
  const { columns } = shelf;
  const form = useForm<LabelDraft>({ defaultValues: draftOf(columns, item?.label) });
  const draft = useWatch({ control: form.control });
  const save = useShelfWrite(
    async (label: Product) =>
      body(await api.PUT("/api/shelf/products", { body: { label, over: item?.version ?? 0 } })),
    () => onClose(String(form.getValues("code"))),
  );
  const missing = labelOf(columns, draft as LabelDraft) === null;
  const shipped = shelf.items.filter(
    (one) => one.version === 0 && one.label.use !== "OUT_OF_SCOPE",
  );
  function startFrom(code: string) {
    const from = shelf.items.find((one) => one.label.code === code);
    if (!from) return;
    const { code: own, name, maker } = form.getValues();
    form.reset({ ...draftOf(columns, from.label), code: own!, name: name!, maker: maker! });
  }
  return (
    <Dialog open onClose={() => onClose()} maxWidth="md" fullWidth aria-labelledby="label-title">
      <FormProvider {...form}>
        <form
          className={cx("dialog-form")}
          onSubmit={form.handleSubmit((typed) => {
            const label = labelOf(columns, typed);
            if (label) save.mutate(label);
          })}
        >
          <DialogTitle id="label-title">
            {item ? `The label of ${item.label.code}` : "A product from its label"}
          </DialogTitle>
          <DialogContent>
            <div className={cx("product-form")}>
              {!item && (
                <TextField
                  select
                  margin="dense"
                  label="Start from a shipped formula"
                  value=""
                  onChange={(e) => startFrom(e.target.value)}
                >
                  {shipped.map(({ label }) => (
                    <MenuItem key={label.code} value={label.code}>
                      {label.code}, {label.name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
              {groups(columns).map((group) => (
                <fieldset key={group}>
                  <legend>{columns.find((column) => column.group === group)?.groupLabel}</legend>
                  {columns
                    .filter((column) => column.group === group)
                    .filter(({ field }) => field !== "staysHours" || draft.use === "STAYS")
                    .map((column) => (
                      <LabelField
                        key={column.field}
                        column={column}
                        shelf={shelf}
                        family={String(draft.family)}
                        fixed={column.kind === "CODE" && item !== undefined}
                      />
                    ))}
                </fieldset>
              ))}
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
      </FormProvider>
    </Dialog>
  );
}

function groups(columns: LabelColumn[]): LabelColumn["group"][] {
  return [...new Set(columns.map((column) => column.group))];
}
