import { api, body } from "../api/client";
import type { CareProduct, Catalogue, ProductLabel } from "../api/types";
import { LabelForm } from "../formula/LabelForm";
import { useCatalogueWrite } from "./queries";

/** A product as its label has it. */
export function CareProductForm({
  catalogue,
  product,
  onClose,
}: {
  catalogue: Catalogue;
  product?: CareProduct;
  onClose: (kept?: string) => void;
}) {
  const save = useCatalogueWrite(async (label: ProductLabel) => {
    const fresh = body(
      await api.PUT("/api/products", { body: { label, over: product?.version ?? 0 } }),
    );
    onClose(label.code);
    return fresh;
  });
  return (
    <LabelForm<ProductLabel>
      columns={catalogue.columns}
      choices={{ regions: catalogue.regions, substances: [], shipped: [] }}
      label={product?.label}
      version={product?.version}
      startFrom={catalogue.products.filter((one) => one.version === 0).map((one) => one.label)}
      save={save}
      onClose={() => onClose()}
    />
  );
}
