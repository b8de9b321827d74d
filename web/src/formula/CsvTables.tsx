import { api, body } from "../api/client";
import { CsvDialog, type CsvTable } from "../parts/CsvDialog";

const TABLES: CsvTable[] = (
  [
    ["PRODUCTS", "own products"],
    ["LOTS", "bottles"],
  ] as const
).map(([table, label]) => {
  const params = { path: { table } };
  return {
    id: table,
    label,
    href: `/api/shelf/csv/${table}`,
    file: `ivesk-${table.toLowerCase()}.csv`,
    preview: async (text) =>
      body(await api.POST("/api/shelf/csv/{table}/preview", { params, body: { text } })),
    take: async (text) =>
      body(await api.POST("/api/shelf/csv/{table}", { params, body: { text } })),
  };
});

/** Own products and bottles as tables. */
export function CsvTables({ onClose }: { onClose: () => void }) {
  return <CsvDialog tables={TABLES} onClose={onClose} />;
}
