import { api, body } from "../api/client";
import type { CsvTable } from "../parts/CsvDialog";

/** The table of own products, looked at and taken. */
export const PRODUCT_TABLE: CsvTable = {
  id: "CARE_PRODUCTS",
  label: "own products",
  href: "/api/products/csv",
  file: "ivesk-care-products.csv",
  preview: async (text) => body(await api.POST("/api/products/csv/preview", { body: { text } })),
  take: async (text) => body(await api.POST("/api/products/csv", { body: { text } })),
};
