import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { Controller, useFieldArray, useFormContext } from "react-hook-form";
import type { LabelColumn, Region } from "../api/types";
import { Chips } from "../parts/Chips";
import { number } from "../parts/NumberField";
import { type Choices, type LabelDraft, type PairDraft, type PartDraft, wrong } from "./labelDraft";
import styles from "./LabelForm.module.css";

const cx = classNames.bind(styles);

/** One field of a label, as its column says. */
export function LabelField({
  column,
  choices,
  family,
  fixed,
}: {
  column: LabelColumn;
  choices: Choices;
  family: string;
  fixed: boolean;
}) {
  const { control } = useFormContext<LabelDraft>();
  if (column.kind === "COMPONENTS") return <Parts choices={choices} />;
  if (column.kind === "ACTIVES" || column.kind === "BY_REGION") return <Pairs column={column} />;
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
                  options={choices.regions}
                  chosen={field.value as Region[]}
                  onChange={field.onChange}
                />
              </div>
            );
          case "CHOICES":
            return (
              <div className={cx("whole")}>
                <span className="small soft">{label}</span>
                <Chips
                  label={label}
                  options={column.options}
                  chosen={field.value as string[]}
                  onChange={field.onChange}
                />
              </div>
            );
          case "CHOICE":
          case "SHIPPED":
            return (
              <TextField {...field} select label={label} helperText={column.help}>
                {(column.kind === "SHIPPED" || !column.needed) && (
                  <MenuItem value="">none</MenuItem>
                )}
                {options(column, choices, family).map((option) => (
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
                      column.kind === "TEXT" || column.kind === "CODE" || column.kind === "WORDS"
                        ? "text"
                        : "decimal",
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

function options(column: LabelColumn, choices: Choices, family: string) {
  return column.kind === "CHOICE"
    ? column.options
    : choices.shipped
        .filter((one) => one.family === family)
        .map(({ code }) => ({ id: code, label: code }));
}

/** Some of the options, each with a number: actives with their percent, regions with their units. */
function Pairs({ column }: { column: LabelColumn }) {
  const { control } = useFormContext<Record<string, PairDraft[]>>();
  const { fields, append, remove } = useFieldArray({ control, name: column.field });
  const figure = column.kind === "ACTIVES" ? "%" : "units";
  return (
    <div className={cx("whole", "pairs")} role="group" aria-label={column.label}>
      <span className="small soft">{column.label}</span>
      {fields.map((pair, i) => (
        <div key={pair.id} className={cx("parts")}>
          <Controller
            control={control}
            name={`${column.field}.${i}.id`}
            render={({ field }) => (
              <TextField {...field} select label={`${column.label} ${i + 1}`}>
                {column.options.map(({ id, label }) => (
                  <MenuItem key={id} value={id}>
                    {label}
                  </MenuItem>
                ))}
              </TextField>
            )}
          />
          <Controller
            control={control}
            name={`${column.field}.${i}.figure`}
            render={({ field }) => (
              <TextField
                {...field}
                label={`${figure} ${i + 1}`}
                error={field.value.trim() !== "" && number(field.value) === null}
                slotProps={{ htmlInput: { inputMode: "decimal" } }}
              />
            )}
          />
          <Button
            color="inherit"
            onClick={() => remove(i)}
            aria-label={`Take away, ${column.label} ${i + 1}`}
          >
            Take away
          </Button>
        </div>
      ))}
      <div>
        <Button onClick={() => append({ id: column.options[0]!.id, figure: "" })}>
          Add: {column.label.toLowerCase()}
        </Button>
      </div>
    </div>
  );
}

/** What is in it: substances with their strengths. */
function Parts({ choices }: { choices: Choices }) {
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
                {choices.substances.map(({ id, label }) => (
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
