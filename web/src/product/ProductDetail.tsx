import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, body } from "../api/client";
import { PACK_FAULTS, REGIONS } from "../api/enumWords";
import type { CareProduct, Catalogue, Pack, ProductLabel } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { number } from "../parts/NumberField";
import { Strip } from "../parts/Strip";
import { clock, dayOfYear, decimal } from "../parts/words";
import { CareProductForm } from "./CareProductForm";
import { useCatalogueWrite } from "./queries";
import styles from "./ProductDetail.module.css";

const cx = classNames.bind(styles);

/** One product: its label, and its packs. */
export function ProductDetail({
  catalogue,
  product,
  onGone,
}: {
  catalogue: Catalogue;
  product: CareProduct;
  onGone: () => void;
}) {
  const [editing, setEditing] = useState(false);
  const { label } = product;
  const retire = useCatalogueWrite(
    async (code: string) =>
      body(await api.DELETE("/api/products/{code}", { params: { path: { code } } })),
    onGone,
  );
  return (
    <>
      <div className={cx("top")}>
        <h2>{label.name}</h2>
        <p className="soft">
          {product.roleLabel} ·{" "}
          {product.version > 0 ? `own, version ${product.version}` : "shipped"}
          {label.maker && ` · ${label.maker}`}
        </p>
        {product.acidStep && (
          <p className="warn">
            An acid step: timed, counted, and shut where {product.acids.join(", ")} is shut.
          </p>
        )}
      </div>
      <dl className={cx("facts")}>
        {facts(catalogue, product).map(([name, value]) => (
          <div key={name} className="line">
            <dt className="soft">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      <Packs product={product} />
      <ErrorNote error={retire.error} />
      <div className="foot">
        {product.version > 0 ? (
          <>
            <Button onClick={() => setEditing(true)}>Change the label</Button>
            <Button color="inherit" onClick={() => retire.mutate(label.code)}>
              Retire
            </Button>
          </>
        ) : (
          <span className="small soft">
            Shipped products are read-only; add your own beside it.
          </span>
        )}
      </div>
      {editing && (
        <CareProductForm
          catalogue={catalogue}
          product={product}
          onClose={() => setEditing(false)}
        />
      )}
    </>
  );
}

/** What the label says, in the words of its columns; what it leaves out is left out. */
function facts(catalogue: Catalogue, { label, usual }: CareProduct): [string, string][] {
  const words = (field: keyof ProductLabel, id: string) =>
    catalogue.columns
      .find((column) => column.field === field)
      ?.options.find((option) => option.id === id)?.label ?? id;
  const said: [string, string | undefined | false][] = [
    [
      "actives",
      label.actives
        .map(
          (in_) =>
            words("actives", in_.active) +
            (in_.percent === undefined ? "" : ` ${decimal(in_.percent, 1)} %`),
        )
        .join(", "),
    ],
    ["pH", label.ph !== undefined && decimal(label.ph, 1)],
    [
      "counted in",
      `${words("unit", label.unit)}` +
        (label.unit === "ML" || label.unit === "GRAM"
          ? ""
          : ` of ${decimal(label.unitAmount, 2)} ${words("measure", label.measure)}`),
    ],
    ["usual", usual],
    [
      "time",
      [
        label.leastSeconds !== undefined && `at least ${clock(label.leastSeconds * 1000)}`,
        label.plannedSeconds !== undefined && clock(label.plannedSeconds * 1000),
        label.mostSeconds !== undefined && `never beyond ${clock(label.mostSeconds * 1000)}`,
      ]
        .filter(Boolean)
        .join(", "),
    ],
    [
      "mixed",
      label.powderG !== undefined &&
        label.waterG !== undefined &&
        `${decimal(label.powderG, 0)} g powder to ${decimal(label.waterG, 0)} g water, ${decimal(label.waterC ?? 20, 0)} °C`,
    ],
    [
      "base",
      label.base &&
        words("base", label.base) +
          (label.basePercentWv === undefined ? "" : ` ${decimal(label.basePercentWv, 0)} % w/v`),
    ],
    ["done when", label.doneSign],
    ["made for", label.regions.map((region) => REGIONS[region]).join(", ")],
    ["never on", label.neverOn.map((id) => words("neverOn", id)).join(", ")],
    ["allergens", label.allergens.join(", ")],
    [
      "also",
      [
        label.fragrance && "fragrance",
        label.alcoholWet && "wet with alcohol: dry before current",
        label.occlusive && "occlusive",
        label.thermal !== "NEITHER" && words("thermal", label.thermal),
        label.filter !== "NONE" && words("filter", label.filter),
      ]
        .filter(Boolean)
        .join(", "),
    ],
  ];
  return said.filter((one): one is [string, string] => Boolean(one[1]));
}

interface PackDraft {
  id: string;
  over: number;
  number: string;
  expires: string;
  opened: string;
  months: string;
  units: string;
  left: string;
}

function draftOf(pack?: Pack): PackDraft {
  return {
    id: pack?.id ?? crypto.randomUUID(),
    over: pack?.version ?? 0,
    number: pack?.number ?? "",
    expires: pack?.expires ?? "",
    opened: pack?.opened ?? "",
    months: pack?.monthsAfterOpening === undefined ? "" : String(pack.monthsAfterOpening),
    units: pack ? String(pack.units) : "",
    left: pack ? String(pack.left) : "",
  };
}

function Packs({ product }: { product: CareProduct }) {
  const [draft, setDraft] = useState<PackDraft | null>(null);
  const { code, unit } = product.label;
  const save = useCatalogueWrite(
    async (pack: PackDraft) =>
      body(
        await api.PUT("/api/products/packs/{id}", {
          params: { path: { id: pack.id } },
          body: {
            code,
            number: pack.number,
            expires: pack.expires,
            opened: pack.opened || undefined,
            monthsAfterOpening: number(pack.months) ?? undefined,
            units: number(pack.units) ?? 0,
            left: number(pack.left) ?? number(pack.units) ?? 0,
            over: pack.over,
          },
        }),
      ),
    () => setDraft(null),
  );
  const scan = useMutation({
    mutationFn: async () =>
      body(await api.POST("/api/products/scanner/{code}", { params: { path: { code } } })),
    onSuccess: (read) =>
      setDraft((was) => ({
        ...(was ?? draftOf()),
        number: read.lot ?? "",
        expires: read.expires ?? "",
        units: was?.units || "100",
      })),
  });
  const set = (fields: Partial<PackDraft>) => setDraft((was) => was && { ...was, ...fields });
  return (
    <>
      <Strip
        title="Packs"
        code={product.packs.length === 0 ? "not counted" : product.packs.length}
      />
      {product.packs.map((pack) => (
        <div key={pack.id} className="line">
          <div className="grow">
            <b className="mono">{pack.number}</b>{" "}
            {pack.fault && <span className="warn">{PACK_FAULTS[pack.fault]}</span>}
            <span className="under">
              {decimal(pack.left, 0)} of {decimal(pack.units, 0)} · last day{" "}
              {dayOfYear(pack.lastDay)}
              {pack.opened ? `, opened ${dayOfYear(pack.opened)}` : ", sealed"}
            </span>
          </div>
          <Button size="small" onClick={() => setDraft(draftOf(pack))}>
            Change
          </Button>
        </div>
      ))}
      {draft ? (
        <form
          className={cx("pack-form")}
          onSubmit={(e) => {
            e.preventDefault();
            save.mutate(draft);
          }}
        >
          <TextField
            label="Lot"
            value={draft.number}
            onChange={(e) => set({ number: e.target.value })}
          />
          <TextField
            label="Expires"
            type="date"
            slotProps={{ inputLabel: { shrink: true } }}
            value={draft.expires}
            onChange={(e) => set({ expires: e.target.value })}
          />
          <TextField
            label="Opened"
            type="date"
            slotProps={{ inputLabel: { shrink: true } }}
            value={draft.opened}
            onChange={(e) => set({ opened: e.target.value })}
          />
          <TextField
            label="Months once open"
            value={draft.months}
            onChange={(e) => set({ months: e.target.value })}
          />
          <TextField
            label={`Holds, ${unit === "ML" ? "mL" : unit === "GRAM" ? "g" : `${unit.toLowerCase()}s`}`}
            value={draft.units}
            onChange={(e) => set({ units: e.target.value })}
          />
          <TextField
            label="Left"
            value={draft.left}
            onChange={(e) => set({ left: e.target.value })}
          />
          <div className={cx("row", "wrap", "whole")}>
            <Button
              type="submit"
              variant="contained"
              disabled={
                draft.number.trim() === "" ||
                draft.expires === "" ||
                number(draft.units) === null ||
                save.isPending
              }
            >
              Keep the pack
            </Button>
            <Button onClick={() => scan.mutate()}>Scan it</Button>
            <Button color="inherit" onClick={() => setDraft(null)}>
              Leave it
            </Button>
          </div>
        </form>
      ) : (
        <div className="pad-small">
          <Button onClick={() => setDraft(draftOf())}>Add a pack</Button>
        </div>
      )}
      <ErrorNote error={save.error ?? scan.error} />
    </>
  );
}
