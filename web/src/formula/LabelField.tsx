import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { Controller, useFieldArray, useFormContext } from "react-hook-form";
import type { LabelColumn, Region, Shelf } from "../api/types";
import { Chips } from "../parts/Chips";
import { number } from "../parts/NumberField";
import { type LabelDraft, type PartDraft, wrong } from "./labelDraft";
import productFormStyles from "./ProductForm.module.css";

const cx = classNames.bind(productFormStyles);

/** One field of a label, as its column says. */
export function LabelField({
  column,
  shelf,
  family,
  fixed,
}: {
  column: LabelColumn;
  shelf: Shelf;
  family: string;
  fixed: boolean;
}) {
  const { control } = useFormContext<LabelDraft>();
  if (column.kind === "COMPONENTS") return <Parts shelf={shelf} />;
  return (
    <Controller
      control={control}
      name={column.field}
      render={({ field }) => {
        const label = column.unit ? `${column.label}, ${column.unit}` : column.label;
        switch (column.kind) {
          case "FLAG":
            return (
              <FormControlLabel
                label={label}
                control={<Checkbox {...field} checked={field.value === true} />}
              />
            );
          case "REGIONS":
            return (
              <div className={cx("whole")}>
                <Chips<Region>
                  label={label}
                  options={shelf.regions}
                  chosen={field.value as Region[]}
                  onChange={field.onChange}
                />
              </div>
            );
          case "CHOICE":
          case "SHIPPED":
            return (
              <TextField {...field} select label={label} helperText={column.help}>
                {column.kind === "SHIPPED" && <MenuItem value="">none</MenuItem>}
                {options(column, shelf, family).map((option) => (
                  <MenuItem key={option.id} value={option.id}>
                    {option.label}
                  </MenuItem>
                ))}
              </TextField>
            );
          default: {
            const typed = String(field.value);
            const fault = typed.trim() === "" ? undefined : wrong(column, typed);
            return (
              <TextField
                {...field}
                label={label}
                disabled={fixed}
                error={fault !== undefined}
                helperText={fault ?? column.help}
                onChange={(e) =>
                  field.onChange(
                    column.kind === "CODE" ? e.target.value.toUpperCase() : e.target.value,
                  )
                }
                slotProps={{
                  htmlInput: {
                    inputMode:
                      column.kind === "TEXT" || column.kind === "CODE" ? "text" : "decimal",
                  },
                }}
              />
            );
          }
        }
      }}
    />
  );
}

function options(column: LabelColumn, shelf: Shelf, family: string) {
  return column.kind === "CHOICE"
    ? column.options
    : shelf.items
        .filter(({ version, label }) => version === 0 && label.family === family)
        .map(({ label }) => ({ id: label.code, label: label.code }));
}

/** What is in it: substances with their strengths. */
function Parts({ shelf }: { shelf: Shelf }) {
  const { control } = useFormContext<{ components: PartDraft[] }>();
  const { fields, append, remove } = useFieldArray({ control, name: "components" });
  return (
    <>
      {fields.map((part, i) => (
        <div key={part.id} className={cx("whole", "parts")}>
          <Controller
            control={control}
            name={`components.${i}.substance`}
            render={({ field }) => (
              <TextField {...field} select label={`Substance ${i + 1}`}>
                {shelf.substances.map(({ id, label }) => (
                  <MenuItem key={id} value={id}>
                    {label}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
          <Controller
            control={control}
            name={`components.${i}.percent`}
            render={({ field }) => (
              <TextField
                {...field}
                label={`% w/v ${i + 1}`}
                error={field.value.trim() !== "" && number(field.value) === null}
                slotProps={{ htmlInput: { inputMode: "decimal" } }}
              />
            )}
          />
          <Button
            color="inherit"
            disabled={fields.length === 1}
            onClick={() => remove(i)}
            aria-label={`Take away, substance ${i + 1}`}
          >
            Take away
          </Button>
        </div>
      ))}
      <div className={cx("whole", "row", "wrap")}>
        <Button onClick={() => append({ substance: "LACTIC", percent: "" })}>
          Add a substance
        </Button>
        <span className="small soft">
          A label in % w/w is converted at the Bench, Label to label.
        </span>
      </div>
    </>
  );
}
