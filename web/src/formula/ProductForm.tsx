import { api, body } from "../api/client";
import type { Product, Shelf, ShelfItem } from "../api/types";
import { LabelForm } from "./LabelForm";
import { useShelfWrite } from "./shelfQueries";

/** A peel of the practice's own, as its label has it. */
export function ProductForm({
  shelf,
  item,
  onClose,
}: {
  shelf: Shelf;
  item?: ShelfItem;
  onClose: (kept?: string) => void;
}) {
  const save = useShelfWrite(async (label: Product) => {
    const fresh = body(
      await api.PUT("/api/shelf/products", { body: { label, over: item?.version ?? 0 } }),
    );
    onClose(label.code);
    return fresh;
  });
  const shipped = shelf.items
    .filter((one) => one.version === 0 && one.label.use !== "OUT_OF_SCOPE")
    .map((one) => one.label);
  return (
    <LabelForm<Product>
      columns={shelf.columns}
      choices={{ regions: shelf.regions, substances: shelf.substances, shipped }}
      label={item?.label}
      version={item?.version}
      startFrom={shipped}
      save={save}
      onClose={() => onClose()}
    />
  );
}
