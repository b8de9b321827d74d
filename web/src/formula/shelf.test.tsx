import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { CsvPreview, LabelColumn, Product } from "../api/types";
import { CsvTables } from "./CsvTables";
import { draftOf, labelOf, type LabelDraft } from "./labelDraft";

const GEL: Product = {
  code: "SOFT-12",
  name: "Skerrow soft gel",
  maker: "Two Rooms",
  family: "PHA",
  rung: 2,
  components: [
    { substance: "GLUCONOLACTONE", percentWv: 12 },
    { substance: "LACTIC", percentWv: 5.5 },
  ],
  ph: 3.3,
  vehicle: "GEL",
  use: "TIMED",
  regions: ["FACE", "HANDS"],
  firstSeconds: 240,
  mostSeconds: 450,
  leastSeconds: 120,
  layersFirst: 1,
  layersMost: 2,
  dwellSeconds: 90,
  depth: "VERY_SUPERFICIAL",
  bandLow: 0,
  bandHigh: 3,
  bandSeconds: 120,
  thenFalling: true,
  ending: "RINSE",
  intervalDays: 7,
  seriesLeast: 6,
  seriesMost: 6,
  peelingFirst: 0,
  peelingLast: 0,
  doneWhen: "it has gone matt all over",
  bufferedInWater: false,
  warms: false,
  measure: "1 level scoop",
};

const column = (
  field: string,
  kind: LabelColumn["kind"],
  initial = "",
  needed = true,
): LabelColumn => ({
  field,
  kind,
  initial,
  needed,
  group: "What it is",
  label: field,
  unit: "",
  help: "",
  options: [],
});

const COLUMNS: LabelColumn[] = [
  column("code", "CODE"),
  column("name", "TEXT"),
  column("maker", "TEXT", "", false),
  column("family", "CHOICE", "LACTIC"),
  column("rung", "WHOLE", "1"),
  column("replaces", "SHIPPED", "", false),
  column("components", "COMPONENTS", "LACTIC"),
  column("ph", "DECIMAL", "", false),
  column("vehicle", "CHOICE", "GEL"),
  column("use", "CHOICE", "TIMED"),
  column("regions", "REGIONS", "FACE"),
  column("firstSeconds", "MINUTES", "", false),
  column("mostSeconds", "MINUTES", "", false),
  column("leastSeconds", "MINUTES", "", false),
  column("layersFirst", "WHOLE", "1"),
  column("layersMost", "WHOLE", "1"),
  column("dwellSeconds", "MINUTES", "0"),
  column("depth", "CHOICE", "VERY_SUPERFICIAL"),
  column("bandLow", "WHOLE", "0"),
  column("bandHigh", "WHOLE", "3"),
  column("bandSeconds", "WHOLE", "", false),
  column("thenFalling", "FLAG"),
  column("ending", "CHOICE", "RINSE"),
  column("intervalDays", "WHOLE", "14"),
  column("seriesLeast", "WHOLE", "6"),
  column("seriesMost", "WHOLE", "6"),
  column("peelingFirst", "WHOLE", "0"),
  column("peelingLast", "WHOLE", "0"),
  column("doneWhen", "TEXT", "", false),
  column("bufferedInWater", "FLAG"),
  column("warms", "FLAG"),
  column("measure", "TEXT", "", false),
];
const draft = (label?: Product) => draftOf(COLUMNS, label);

describe("a label as it is typed", () => {
  it("is the same label when nothing was changed", () => {
    expect(labelOf<Product>(COLUMNS, draft(GEL))).toEqual(GEL);
  });

  it("takes minutes and decimal commas", () => {
    const typed = { ...draft(GEL), firstSeconds: "2,5", ph: "3,6", dwellSeconds: "0" };
    expect(labelOf<Product>(COLUMNS, typed)).toMatchObject({
      firstSeconds: 150,
      ph: 3.6,
      dwellSeconds: 0,
    });
  });

  it("leaves out what is not printed", () => {
    const label = labelOf<Product>(COLUMNS, {
      ...draft(GEL),
      ph: "",
      leastSeconds: " ",
      replaces: "",
    });
    expect(label?.ph).toBeUndefined();
    expect(label?.leastSeconds).toBeUndefined();
    expect(label?.replaces).toBeUndefined();
  });

  it.each<LabelDraft>([
    { code: " " },
    { name: "" },
    { regions: [] },
    { rung: "" },
    { bandHigh: "three" },
    { components: [{ substance: "LACTIC" as const, percent: "" }] },
    { firstSeconds: "2 min" },
  ])("is none yet with %o", (change) => {
    expect(labelOf<Product>(COLUMNS, { ...draft(GEL), ...change })).toBeNull();
  });

  it("starts empty, on the face", () => {
    expect(labelOf<Product>(COLUMNS, draft())).toBeNull();
    expect(draft().regions).toEqual(["FACE"]);
  });
});

describe("a table that comes in", () => {
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
  });

  const seen: CsvPreview = {
    separator: "semicolon",
    rows: 3,
    fresh: 1,
    changed: 1,
    same: 1,
    shown: [
      { line: 2, code: "A-1", name: "New one", effect: "NEW" },
      { line: 3, code: "A-2", name: "Changed one", effect: "CHANGED" },
    ],
    faults: [],
  };

  function show(preview: CsvPreview) {
    const sent: string[] = [];
    vi.stubGlobal("fetch", (request: Request) => {
      sent.push(new URL(request.url).pathname);
      return Promise.resolve(
        new Response(JSON.stringify(preview), {
          status: 200,
          headers: { "Content-Type": "application/json" },
        }),
      );
    });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <CsvTables onClose={() => {}} />
      </QueryClientProvider>,
    );
    const file = new File(["code\n"], "shelf.csv", { type: "text/csv" });
    fireEvent.change(screen.getByLabelText("CSV file"), { target: { files: [file] } });
    return sent;
  }

  it("shows what it would do, and writes only then", async () => {
    const sent = show(seen);
    await screen.findByText(/3 lines read, separated by semicolon: 1 new, 1 changed/);
    expect(sent).toEqual(["/api/shelf/csv/PRODUCTS/preview"]);
    fireEvent.click(screen.getByRole("button", { name: "Take 2 lines" }));
    await screen.findByText("Taken.");
    expect(sent.at(-1)).toBe("/api/shelf/csv/PRODUCTS");
  });

  it("takes nothing while a line is wrong", async () => {
    show({ ...seen, faults: [{ line: 4, words: "pH is 15.0; allowed is 0.0 to 14.0" }] });
    await screen.findByText(/pH is 15.0/);
    const take = screen.getByRole<HTMLButtonElement>("button", { name: "Take 2 lines" });
    await waitFor(() => expect(take.disabled).toBe(true));
  });
});
