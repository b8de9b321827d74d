import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { FormProvider, useForm, useWatch } from "react-hook-form";
import type { LabelColumn } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { LabelField } from "./LabelField";
import { type Choices, draftOf, labelOf, type LabelDraft } from "./labelDraft";
import styles from "./LabelForm.module.css";

const cx = classNames.bind(styles);

/** What every label has. */
interface Named {
  code: string;
  name: string;
  maker: string;
}

/** A label as it is printed; what is not on it is left empty. */
export function LabelForm<T extends Named>({
  columns,
  choices,
  label,
  version,
  startFrom,
  save,
  onClose,
}: {
  columns: LabelColumn[];
  choices: Choices;
  label?: T;
  /** Of the label that is changed. */
  version?: number;
  startFrom: T[];
  save: { mutate: (label: T) => void; error: unknown; isPending: boolean };
  onClose: () => void;
}) {
  const form = useForm<LabelDraft>({ defaultValues: draftOf(columns, label) });
  const draft = useWatch({ control: form.control });
  const missing = labelOf<T>(columns, draft as LabelDraft) === null;
  function start(code: string) {
    const from = startFrom.find((one) => one.code === code);
    if (!from) return;
    const { code: own, name, maker } = form.getValues();
    form.reset({ ...draftOf(columns, from), code: own!, name: name!, maker: maker! });
  }
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="label-title">
      <FormProvider {...form}>
        <form
          className={cx("dialog-form")}
          onSubmit={form.handleSubmit((typed) => {
            const kept = labelOf<T>(columns, typed);
            if (kept) save.mutate(kept);
          })}
        >
          <DialogTitle id="label-title">
            {label ? `The label of ${label.code}` : "A product from its label"}
          </DialogTitle>
          <DialogContent>
            <div className={cx("product-form")}>
              {!label && (
                <TextField
                  select
                  margin="dense"
                  label="Start from a shipped one"
                  value=""
                  onChange={(e) => start(e.target.value)}
                >
                  {startFrom.map(({ code, name }) => (
                    <MenuItem key={code} value={code}>
                      {code}, {name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
              {groups(columns).map((group) => (
                <fieldset key={group}>
                  <legend>{group}</legend>
                  {columns
                    .filter((column) => column.group === group)
                    .filter(({ field }) => field !== "staysHours" || draft.use === "STAYS")
                    .map((column) => (
                      <LabelField
                        key={column.field}
                        column={column}
                        choices={choices}
                        family={String(draft.family)}
                        fixed={column.kind === "CODE" && label !== undefined}
                      />
                    ))}
                </fieldset>
              ))}
            </div>
            <ErrorNote error={save.error} />
          </DialogContent>
          <DialogActions>
            <span className="small soft grow">
              {version
                ? `Kept as version ${version + 1}; records keep the version they used.`
                : "The maker’s label comes before the app’s own numbers."}
            </span>
            <Button color="inherit" onClick={onClose}>
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
