import { api, body } from "../api/client";
import type { CsvTable } from "../parts/CsvDialog";

function table(id: "PRODUCTS" | "PACKS", label: string, file: string): CsvTable {
  const params = { path: { table: id } };
  return {
    id,
    label,
    href: `/api/products/csv/${id}`,
    file,
    preview: async (text) =>
      body(await api.POST("/api/products/csv/{table}/preview", { params, body: { text } })),
    take: async (text) =>
      body(await api.POST("/api/products/csv/{table}", { params, body: { text } })),
  };
}

/** The tables of own products and of packs, looked at and taken. */
export const PRODUCT_TABLES = [
  table("PRODUCTS", "own products", "ivesk-care-products.csv"),
  table("PACKS", "packs", "ivesk-packs.csv"),
];
