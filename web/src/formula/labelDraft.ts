import type { Product, Substance } from "../api/types";
import { number } from "../parts/NumberField";
import { DEPTHS } from "../api/enumWords";

/** A label as it is typed: numbers are text until they are kept. */
export interface LabelDraft {
  code: string;
  name: string;
  maker: string;
  family: Product["family"];
  rung: string;
  replaces: string;
  components: { substance: Product["components"][number]["substance"]; percent: string }[];
  ph: string;
  vehicle: Product["vehicle"];
  use: Product["use"];
  regions: Product["regions"];
  firstMinutes: string;
  mostMinutes: string;
  leastMinutes: string;
  staysHours: string;
  layersFirst: string;
  layersMost: string;
  dwellMinutes: string;
  depth: Product["depth"];
  bandLow: string;
  bandHigh: string;
  bandSeconds: string;
  thenFalling: boolean;
  ending: Product["ending"];
  intervalDays: string;
  seriesLeast: string;
  seriesMost: string;
  peelingFirst: string;
  peelingLast: string;
  doneWhen: string;
  bufferedInWater: boolean;
  warms: boolean;
  measure: string;
}

type Named<T extends string> = readonly { id: T; label: string }[];

export const VEHICLES: Named<Product["vehicle"]> = [
  { id: "GEL", label: "gel" },
  { id: "LIQUID", label: "liquid" },
  { id: "WATER", label: "water" },
  { id: "HYDROALCOHOLIC", label: "water and alcohol" },
  { id: "ALCOHOL", label: "alcohol" },
  { id: "CREAM", label: "cream" },
  { id: "CREAM_MASK", label: "cream mask" },
  { id: "PASTE", label: "paste" },
  { id: "LOTION", label: "lotion" },
];

export const USES: Named<Product["use"]> = [
  { id: "TIMED", label: "timed" },
  { id: "SELF_LIMITING", label: "falls by itself" },
  { id: "LAYERED", label: "layers that dry" },
  { id: "COATS", label: "coats until frost" },
  { id: "STAYS", label: "stays on after an acid" },
];

export const ENDINGS: Named<Product["ending"]> = [
  { id: "RINSE", label: "rinse" },
  { id: "NEUTRALISE", label: "neutraliser" },
  { id: "LIFT_THEN_NEUTRALISE", label: "lift the gel, neutraliser" },
  { id: "COOL_RINSE", label: "cool rinse" },
  { id: "DAMP_PADS", label: "damp pads" },
  { id: "COOL_PADS", label: "cool pads" },
  { id: "WIPE_THEN_COOL_RINSE", label: "wipe, cool rinse" },
  { id: "SELF_LIMITING", label: "ends by itself" },
  { id: "FROST_IS_THE_END", label: "frost is the end" },
];

export const CLASSES = (Object.keys(DEPTHS) as Product["depth"][]).map((id) => ({
  id,
  label: DEPTHS[id],
}));

const EMPTY: LabelDraft = {
  code: "",
  name: "",
  maker: "",
  family: "LACTIC",
  rung: "1",
  replaces: "",
  components: [{ substance: "LACTIC" as Substance, percent: "" }],
  ph: "",
  vehicle: "GEL",
  use: "TIMED",
  regions: ["FACE"],
  firstMinutes: "",
  mostMinutes: "",
  leastMinutes: "",
  staysHours: "",
  layersFirst: "1",
  layersMost: "1",
  dwellMinutes: "0",
  depth: "VERY_SUPERFICIAL",
  bandLow: "0",
  bandHigh: "3",
  bandSeconds: "",
  thenFalling: false,
  ending: "RINSE",
  intervalDays: "14",
  seriesLeast: "6",
  seriesMost: "6",
  peelingFirst: "0",
  peelingLast: "0",
  doneWhen: "",
  bufferedInWater: false,
  warms: false,
  measure: "",
};

const typed = (value: number | undefined) => (value === undefined ? "" : String(value));
const minutes = (seconds: number | undefined) => typed(seconds && seconds / 60);

export function draftOf(label: Product | undefined): LabelDraft {
  if (!label) return EMPTY;
  return {
    ...label,
    rung: String(label.rung),
    replaces: label.replaces ?? "",
    components: label.components.map((c) => ({
      substance: c.substance,
      percent: String(c.percentWv),
    })),
    ph: typed(label.ph),
    firstMinutes: minutes(label.firstSeconds),
    mostMinutes: minutes(label.mostSeconds),
    leastMinutes: minutes(label.leastSeconds),
    staysHours: typed(label.staysHours),
    layersFirst: String(label.layersFirst),
    layersMost: String(label.layersMost),
    dwellMinutes: String(label.dwellSeconds / 60),
    bandLow: String(label.bandLow),
    bandHigh: String(label.bandHigh),
    bandSeconds: typed(label.bandSeconds),
    intervalDays: String(label.intervalDays),
    seriesLeast: String(label.seriesLeast),
    seriesMost: String(label.seriesMost),
    peelingFirst: String(label.peelingFirst),
    peelingLast: String(label.peelingLast),
  };
}

/** The label, or null while a number that it needs is missing or none. */
export function labelOf(draft: LabelDraft): Product | null {
  let whole = draft.code.trim() !== "" && draft.name.trim() !== "" && draft.regions.length > 0;
  const needed = (text: string, scale = 1) => {
    const value = number(text);
    if (value === null) whole = false;
    return Math.round((value ?? 0) * scale);
  };
  const maybe = (text: string, scale = 1) => (text.trim() === "" ? undefined : needed(text, scale));
  const percent = (text: string) => {
    const value = number(text);
    if (value === null) whole = false;
    return value ?? 0;
  };
  const label: Product = {
    code: draft.code.trim(),
    name: draft.name.trim(),
    maker: draft.maker.trim(),
    family: draft.family,
    rung: needed(draft.rung),
    replaces: draft.replaces || undefined,
    components: draft.components.map((c) => ({
      substance: c.substance,
      percentWv: percent(c.percent),
    })),
    ph: draft.ph.trim() === "" ? undefined : percent(draft.ph),
    vehicle: draft.vehicle,
    use: draft.use,
    regions: draft.regions,
    firstSeconds: maybe(draft.firstMinutes, 60),
    mostSeconds: maybe(draft.mostMinutes, 60),
    leastSeconds: maybe(draft.leastMinutes, 60),
    staysHours: maybe(draft.staysHours),
    layersFirst: needed(draft.layersFirst),
    layersMost: needed(draft.layersMost),
    dwellSeconds: needed(draft.dwellMinutes, 60),
    depth: draft.depth,
    bandLow: needed(draft.bandLow),
    bandHigh: needed(draft.bandHigh),
    bandSeconds: maybe(draft.bandSeconds),
    thenFalling: draft.thenFalling,
    ending: draft.ending,
    intervalDays: needed(draft.intervalDays),
    seriesLeast: needed(draft.seriesLeast),
    seriesMost: needed(draft.seriesMost),
    peelingFirst: needed(draft.peelingFirst),
    peelingLast: needed(draft.peelingLast),
    doneWhen: draft.doneWhen.trim(),
    bufferedInWater: draft.bufferedInWater,
    warms: draft.warms,
    measure: draft.measure.trim(),
  };
  return whole ? label : null;
}
