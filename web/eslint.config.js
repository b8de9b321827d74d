import js from "@eslint/js";
import importX, { createNodeResolver } from "eslint-plugin-import-x";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

const rooms = [
  "practice",
  "client",
  "visit",
  "skin",
  "screening",
  "formula",
  "selection",
  "plan",
  "treatment",
  "aftercare",
];

// Parts are shared and know no room; nothing but the frame reaches into everything.
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
      "import-x/no-cycle": ["error", { ignoreExternal: true }],
      "import-x/no-restricted-paths": [
        "error",
        {
          basePath: "./src",
          zones: [
            { target: "./parts", from: ["./app", ...rooms.map((room) => `./${room}`)] },
            { target: "./api", from: ["./app", "./parts", ...rooms.map((room) => `./${room}`)] },
          ],
        },
      ],
    },
  },
  { ignores: ["src/api/schema.d.ts"] },
);
