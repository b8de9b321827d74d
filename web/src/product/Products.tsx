import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { PACK_FAULTS } from "../api/enumWords";
import type { CareProduct } from "../api/types";
import { CsvDialog } from "../parts/CsvDialog";
import { ErrorNote } from "../parts/ErrorNote";
import { ShelfHalves } from "../parts/ShelfHalves";
import { Strip } from "../parts/Strip";
import { plural } from "../parts/words";
import { CareProductForm } from "./CareProductForm";
import { catalogueQuery } from "./queries";
import { ProductDetail } from "./ProductDetail";
import { PRODUCT_TABLES } from "./productTable";
import styles from "./Products.module.css";

const cx = classNames.bind(styles);

/** Everything else that touches skin, by what it is for. */
export default function Products() {
  const { code } = useParams();
  const navigate = useNavigate();
  const catalogue = useQuery(catalogueQuery);
  const [typed, setTyped] = useState("");
  const [adding, setAdding] = useState(false);
  const [tables, setTables] = useState(false);
  const all = catalogue.data?.products ?? [];
  const found = all.filter(({ label, roleLabel }) =>
    `${label.code} ${label.name} ${roleLabel}`.toLowerCase().includes(typed.trim().toLowerCase()),
  );
  const picked = all.find((product) => product.label.code === code);
  return (
    <>
      <main className={cx("columns", "products")}>
        <section className="pad" aria-label="Products">
          <div className={cx("row", "wrap", "head")}>
            <h1 className="grow">What is on the shelf</h1>
            <Button variant="contained" onClick={() => setAdding(true)}>
              Add a product
            </Button>
            <Button onClick={() => setTables(true)}>Table in and out</Button>
          </div>
          <ShelfHalves />
          <ErrorNote error={catalogue.error} />
          <TextField
            size="small"
            label="Find a product"
            className={cx("find")}
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Strip title="Products" code={found.length} />
          {found.map((product) => (
            <Line
              key={product.label.code}
              product={product}
              picked={product.label.code === code}
              onPick={() => void navigate(`/shelf/products/${product.label.code}`)}
            />
          ))}
          {catalogue.data && found.length === 0 && (
            <p className="pad-small soft">Nothing in the catalogue is called that.</p>
          )}
        </section>
        <section className="side" aria-label="One product" tabIndex={0}>
          {catalogue.data && picked ? (
            <ProductDetail
              key={picked.label.code}
              catalogue={catalogue.data}
              product={picked}
              onGone={() => void navigate("/shelf/products")}
            />
          ) : (
            <p className="pad soft">
              One plain product of each role ships with Ivesk. Pick one to see its label and packs,
              or add your own from its label.
            </p>
          )}
        </section>
      </main>
      {adding && catalogue.data && (
        <CareProductForm
          catalogue={catalogue.data}
          onClose={(kept) => {
            setAdding(false);
            if (kept) void navigate(`/shelf/products/${kept}`);
          }}
        />
      )}
      {tables && <CsvDialog tables={PRODUCT_TABLES} onClose={() => setTables(false)} />}
    </>
  );
}

function Line({
  product,
  picked,
  onPick,
}: {
  product: CareProduct;
  picked: boolean;
  onPick: () => void;
}) {
  return (
    <button
      type="button"
      className={cx("line", "product", "item", picked ? "here" : "")}
      aria-pressed={picked}
      onClick={onPick}
    >
      <b className="mono">{product.label.code}</b>
      <span>{product.label.name}</span>
      <span className={cx("small", "soft", "role")}>{product.roleLabel}</span>
      <span className={cx("small", "soft", "tags")}>
        {[
          product.acidStep && "acid step",
          product.label.thermal === "WARMS" && "warms",
          product.label.alcoholWet && "alcohol",
          product.label.fragrance && "fragrance",
          product.version > 0 && `own, version ${product.version}`,
        ]
          .filter(Boolean)
          .join(" · ")}
      </span>
      <span className={cx("small", "packs", product.noPack ? "warn" : "soft")}>
        {product.noPack
          ? PACK_FAULTS[product.noPack]
          : product.packs.length > 0
            ? plural(product.packs.length, "pack")
            : "–"}
      </span>
    </button>
  );
}
