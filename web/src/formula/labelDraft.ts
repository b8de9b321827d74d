import type { Family, LabelColumn, Region, Substance } from "../api/types";
import { number } from "../parts/NumberField";

/** What a label's choices are taken from. */
export interface Choices {
  regions: { id: Region; label: string }[];
  substances: { id: Substance; label: string }[];
  /** Shipped formulas in whose place a product may stand. */
  shipped: { code: string; family: Family }[];
}

/** Something with its percent, or its number, as it is typed. */
export interface PairDraft {
  id: string;
  figure: string;
}

/** One substance as it is typed. */
export interface PartDraft {
  substance: Substance;
  percent: string;
}

/** A field as it is typed: numbers are text until they are kept. */
export type Typed = string | boolean | string[] | PartDraft[] | PairDraft[];

/** A label as it is typed, by the fields of its columns. */
export type LabelDraft = Record<string, Typed>;

/** What stands in the form: the label's own, or what a new product begins with. */
export function draftOf(columns: LabelColumn[], label: object | undefined): LabelDraft {
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
    case "CHOICES":
    case "ACTIVES":
    case "BY_REGION":
      return [];
    case "COMPONENTS":
      return [{ substance: first as Substance, percent: "" }];
    default:
      return first;
  }
}

function typed({ field, kind }: LabelColumn, label: object): Typed {
  const value = (label as Record<string, unknown>)[field];
  switch (kind) {
    case "FLAG":
      return value === true;
    case "REGIONS":
    case "CHOICES":
      return [...(value as string[])];
    case "WORDS":
      return (value as string[]).join(", ");
    case "ACTIVES":
      return (value as { active: string; percent?: number }[]).map((part) => ({
        id: part.active,
        figure: part.percent === undefined ? "" : String(part.percent),
      }));
    case "BY_REGION":
      return Object.entries(value as Record<string, number>).map(([id, figure]) => ({
        id,
        figure: String(figure),
      }));
    case "COMPONENTS":
      return (value as { substance: Substance; percentWv: number }[]).map((c) => ({
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
    case "NUMBER":
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
    case "ACTIVES":
      return (value as PairDraft[]).some((p) => p.figure.trim() !== "" && number(p.figure) === null)
        ? "a percent is no number"
        : undefined;
    case "BY_REGION":
      return (value as PairDraft[]).some((p) => number(p.figure) === null)
        ? "each region needs its number"
        : undefined;
    case "FLAG":
    case "CHOICE":
    case "CHOICES":
    case "WORDS":
    case "SHIPPED":
      return undefined;
  }
}

/** The label, or null while something that it needs is missing or cannot be. */
export function labelOf<T>(columns: LabelColumn[], draft: LabelDraft): T | null {
  const fields: [string, unknown][] = [];
  for (const column of columns) {
    const value = draft[column.field]!;
    if (wrong(column, value) !== undefined) return null;
    fields.push([column.field, kept(column, value)]);
  }
  return Object.fromEntries(fields) as T;
}

function kept({ kind }: LabelColumn, value: Typed): unknown {
  const text = String(value).trim();
  switch (kind) {
    case "WHOLE":
      return text === "" ? undefined : Math.round(number(text)!);
    case "MINUTES":
      return text === "" ? undefined : Math.round(number(text)! * 60);
    case "DECIMAL":
    case "NUMBER":
      return text === "" ? undefined : number(text);
    case "WORDS":
      return text
        .split(",")
        .map((word) => word.trim())
        .filter(Boolean);
    case "ACTIVES":
      return (value as PairDraft[]).map((part) => ({
        active: part.id,
        percent: number(part.figure) ?? undefined,
      }));
    case "BY_REGION":
      return Object.fromEntries(
        (value as PairDraft[]).map((part) => [part.id, number(part.figure)]),
      );
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
    case "CHOICE":
      return value || undefined;
    case "FLAG":
    case "CHOICES":
    case "REGIONS":
      return value;
  }
}
