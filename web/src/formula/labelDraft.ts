import type { LabelColumn, Product, Substance } from "../api/types";
import { number } from "../parts/NumberField";

/** One substance as it is typed. */
export interface PartDraft {
  substance: Substance;
  percent: string;
}

/** A field as it is typed: numbers are text until they are kept. */
export type Typed = string | boolean | string[] | PartDraft[];

/** A label as it is typed, by the fields of its columns. */
export type LabelDraft = Record<string, Typed>;

/** What stands in the form: the label's own, or what a new product begins with. */
export function draftOf(columns: LabelColumn[], label: Product | undefined): LabelDraft {
  return Object.fromEntries(
    columns.map((column) => [column.field, label ? typed(column, label) : initial(column)]),
  );
}

function initial({ kind, initial: first }: LabelColumn): Typed {
  switch (kind) {
    case "FLAG":
      return false;
    case "REGIONS":
      return [first];
    case "COMPONENTS":
      return [{ substance: first as Substance, percent: "" }];
    default:
      return first;
  }
}

function typed({ field, kind }: LabelColumn, label: Product): Typed {
  const value = label[field as keyof Product];
  switch (kind) {
    case "FLAG":
      return value === true;
    case "REGIONS":
      return [...label.regions];
    case "COMPONENTS":
      return label.components.map((c) => ({
        substance: c.substance,
        percent: String(c.percentWv),
      }));
    case "MINUTES":
      return value === undefined ? "" : String(Number(value) / 60);
    default:
      return value === undefined ? "" : String(value);
  }
}

/** Why a field cannot be kept as it is typed; undefined when it can. */
export function wrong(column: LabelColumn, value: Typed): string | undefined {
  switch (column.kind) {
    case "WHOLE":
    case "DECIMAL":
    case "MINUTES": {
      const text = String(value).trim();
      if (text === "") return column.needed ? "is needed" : undefined;
      return number(text) === null ? `“${text}” is no number` : undefined;
    }
    case "TEXT":
    case "CODE":
      return column.needed && String(value).trim() === "" ? "is needed" : undefined;
    case "REGIONS":
      return (value as string[]).length === 0 ? "name where it is made for" : undefined;
    case "COMPONENTS":
      return (value as PartDraft[]).some((part) => number(part.percent) === null)
        ? "each substance needs its strength"
        : undefined;
    case "FLAG":
    case "CHOICE":
    case "SHIPPED":
      return undefined;
  }
}

/** The label, or null while something that it needs is missing or cannot be. */
export function labelOf(columns: LabelColumn[], draft: LabelDraft): Product | null {
  const fields: [string, unknown][] = [];
  for (const column of columns) {
    const value = draft[column.field]!;
    if (wrong(column, value) !== undefined) return null;
    fields.push([column.field, kept(column, value)]);
  }
  return Object.fromEntries(fields) as Product;
}

function kept({ kind }: LabelColumn, value: Typed): unknown {
  const text = String(value).trim();
  switch (kind) {
    case "WHOLE":
      return text === "" ? undefined : Math.round(number(text)!);
    case "MINUTES":
      return text === "" ? undefined : Math.round(number(text)! * 60);
    case "DECIMAL":
      return text === "" ? undefined : number(text);
    case "SHIPPED":
      return text || undefined;
    case "TEXT":
    case "CODE":
      return text;
    case "COMPONENTS":
      return (value as PartDraft[]).map((part) => ({
        substance: part.substance,
        percentWv: number(part.percent),
      }));
    case "FLAG":
    case "CHOICE":
    case "REGIONS":
      return value;
  }
}
