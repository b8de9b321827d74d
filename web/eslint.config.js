import js from "@eslint/js";
import importX, { createNodeResolver } from "eslint-plugin-import-x";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

// Each floor knows only those before it: what the server says, shared parts, the rooms, and on top
// the frame with its routes.
const floors = [
  "api",
  "parts",
  "treatment",
  "client",
  "skin",
  "practice",
  "formula",
  "product",
  "screening",
  "selection",
  "plan",
  "aftercare",
  "series",
  "visit",
  "path",
  "app",
];

// Inside the treatment: what every station of the couch shares, then what may come up in each, then
// the stations, which know nothing of each other.
const couch = ["couch", "alarm", "handset"];
const stations = ["ready", "treat", "settle"];
const inside = [
  ...couch.map((floor, i) => [floor, [...couch.slice(i + 1), ...stations]]),
  ...stations.map((station) => [station, stations.filter((other) => other !== station)]),
];

export default tseslint.config(
  js.configs.recommended,
  tseslint.configs.strict,
  reactHooks.configs.flat["recommended-latest"],
  {
    plugins: { "import-x": importX },
    settings: {
      "import-x/extensions": [".ts", ".tsx"],
      "import-x/parsers": { "@typescript-eslint/parser": [".ts", ".tsx"] },
      "import-x/resolver-next": [createNodeResolver({ extensions: [".ts", ".tsx", ".js"] })],
    },
    rules: {
      "@typescript-eslint/no-non-null-assertion": "off",
      "no-restricted-syntax": [
        "error",
        {
          selector: "Property[key.name='queryKey'] > ArrayExpression",
          message: "The keys of queries have their home in api/keys.ts.",
        },
      ],
      "import-x/no-cycle": ["error", { ignoreExternal: true }],
      "import-x/no-restricted-paths": [
        "error",
        {
          basePath: "./src",
          zones: [
            ...floors.slice(0, -1).map((floor, i) => ({
              target: `./${floor}`,
              from: floors.slice(i + 1).map((above) => `./${above}`),
            })),
            ...inside.map(([floor, above]) => ({
              target: `./treatment/${floor}`,
              from: above.map((other) => `./treatment/${other}`),
            })),
          ],
        },
      ],
    },
  },
  { ignores: ["src/api/schema.d.ts"] },
);
