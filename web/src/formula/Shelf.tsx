import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { Shelf as ShelfState, ShelfItem } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { ShelfHalves } from "../parts/ShelfHalves";
import { Strip } from "../parts/Strip";
import { day, decimal, plural } from "../parts/words";
import { CsvTables } from "./CsvTables";
import { ItemDetail } from "./ItemDetail";
import { Openings } from "./Openings";
import { ProductForm } from "./ProductForm";
import { shelfQuery } from "./shelfQueries";
import styles from "./Shelf.module.css";

const cx = classNames.bind(styles);

type Show = "all" | "own" | "bottles";

/** Formulas, the practice's own products, and bottles. */
export default function Shelf() {
  const { code } = useParams();
  const navigate = useNavigate();
  const shelf = useQuery(shelfQuery);
  const [show, setShow] = useState<Show>("all");
  const [typed, setTyped] = useState("");
  const [adding, setAdding] = useState(false);
  const [tables, setTables] = useState(false);
  const items = shelf.data?.items ?? [];
  const found = items.filter(
    (item) =>
      (show === "all" || (show === "own" ? item.version > 0 : item.lots.length > 0)) &&
      `${item.label.code} ${item.label.name}`.toLowerCase().includes(typed.trim().toLowerCase()),
  );
  const picked = items.find((item) => item.label.code === code);
  return (
    <>
      <main className={cx("columns", "shelf")}>
        <section className="pad" aria-label="Formulas and products">
          <div className={cx("row", "wrap", "shelf-head")}>
            <h1 className="grow">What is on the shelf</h1>
            <Button variant="contained" onClick={() => setAdding(true)}>
              Add a product
            </Button>
            <Button onClick={() => setTables(true)}>Tables in and out</Button>
          </div>
          <ShelfHalves />
          <p className="soft">
            The shipped formulas are read-only. A product of your own comes from its label, and the
            label comes before any of them.
          </p>
          <ErrorNote error={shelf.error} />
          {shelf.data && <Mind shelf={shelf.data} />}
          <div className={cx("row", "wrap", "shelf-filter")}>
            <TextField
              size="small"
              label="Find a formula"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
            />
            <Segments<Show>
              label="Show"
              value={show}
              options={[
                { id: "all", label: "all" },
                { id: "own", label: "own products" },
                { id: "bottles", label: "with bottles" },
              ]}
              onChange={setShow}
            />
          </div>
          {shelf.data?.families.map((family) => {
            const own = found.filter((item) => item.label.family === family.id);
            return own.length === 0 ? null : (
              <section key={family.id} aria-label={family.label}>
                <Strip
                  title={family.label}
                  code={family.ranked ? own.length : `${own.length} · by hand`}
                />
                {own.map((item) => (
                  <ItemLine
                    key={item.label.code}
                    item={item}
                    picked={item.label.code === code}
                    onPick={() => void navigate(`/shelf/${item.label.code}`)}
                  />
                ))}
              </section>
            );
          })}
          {shelf.data && found.length === 0 && (
            <p className="pad-small soft">
              {show === "own"
                ? "No product of your own yet. Add the first from its label."
                : "Nothing on the shelf is called that."}
            </p>
          )}
        </section>
        <section className="side" aria-label="One formula" tabIndex={0}>
          {shelf.data && picked && (
            <ItemDetail key={picked.label.code} shelf={shelf.data} item={picked} />
          )}
          {shelf.data && !picked && <Openings shelf={shelf.data} />}
        </section>
      </main>
      {adding && shelf.data && (
        <ProductForm
          shelf={shelf.data}
          onClose={(kept) => {
            setAdding(false);
            if (kept) void navigate(`/shelf/${kept}`);
          }}
        />
      )}
      {tables && <CsvTables onClose={() => setTables(false)} />}
    </>
  );
}

/** Bottles that are low, old or expired. */
function Mind({ shelf }: { shelf: ShelfState }) {
  const bad = shelf.items.flatMap((item) =>
    item.lots
      .filter((lot) => lot.state !== "GOOD" && lot.state !== "EMPTY")
      .map((lot) => ({ code: item.label.code, lot })),
  );
  if (bad.length === 0) return null;
  return (
    <ul className={cx("mind")} aria-label="Bottles to mind">
      {bad.map(({ code, lot }) => (
        <li key={lot.id} className="warn">
          {code} lot {lot.number}: {lot.stateLabel},{" "}
          {lot.state === "LOW"
            ? `${decimal(lot.leftMl, 0)} mL left`
            : `last day ${day(lot.lastDay)}`}
        </li>
      ))}
    </ul>
  );
}

function ItemLine({
  item,
  picked,
  onPick,
}: {
  item: ShelfItem;
  picked: boolean;
  onPick: () => void;
}) {
  const { label } = item;
  const line = useRef<HTMLButtonElement>(null);
  const opened = useRef(picked);
  // Opened by its address, a formula is in sight in the list too; one that is tapped stays put.
  useEffect(() => {
    if (opened.current) line.current?.scrollIntoView({ block: "nearest" });
  }, []);
  return (
    <button
      type="button"
      ref={line}
      className={cx("line", "product", "shelf-line", picked ? "here" : "")}
      aria-pressed={picked}
      onClick={onPick}
    >
      <b className="mono">{label.code}</b>
      <span className={cx("shelf-name")}>{label.name}</span>
      <span className={cx("small", "soft", "shelf-tags")}>
        {[
          item.percentWv > 0 && `${decimal(item.percentWv, 0)} %`,
          label.ph !== undefined && `pH ${decimal(label.ph, 1)}`,
          item.version > 0 && `own, version ${item.version}`,
          !item.onRack && "replaced",
          item.needs && "clinician opens",
          label.use === "OUT_OF_SCOPE" && "out of scope",
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
      <Bottles item={item} />
    </button>
  );
}

function Bottles({ item }: { item: ShelfItem }) {
  const usable = item.lots.filter((lot) => lot.state === "GOOD" || lot.state === "LOW");
  if (item.lots.length === 0)
    return <span className={cx("small", "soft", "shelf-bottles", "none")}>–</span>;
  if (item.noBottle)
    return <span className={cx("small", "shelf-bottles", "warn")}>none in date</span>;
  const low = usable.every((lot) => lot.state === "LOW");
  return (
    <span className={cx("small", "shelf-bottles", low ? "warn" : "")}>
      {plural(usable.length, "bottle")}
      {low && " · low"}
    </span>
  );
}
