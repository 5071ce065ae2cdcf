import { readdirSync } from "node:fs";

import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

// Another area is reached by going up to its folder.
const areas = readdirSync(`${import.meta.dirname}/src/areas`).join("|");
const otherArea = `^(\\.\\./)+(${areas})/`;

export default tseslint.config(
  { ignores: ["dist", "bare/dist", "src/api/schema.ts"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  hooks.configs.flat.recommended,
  // The arrows of docs/architecture.md: parts stand below the areas, and areas know nothing of each other.
  {
    files: ["src/api/**", "src/parts/**"],
    rules: { "no-restricted-imports": ["error", { patterns: [{ regex: "/(app|areas)/" }] }] },
  },
  {
    files: ["src/areas/**"],
    rules: {
      "no-restricted-imports": ["error", { patterns: [{ regex: "/(app|areas)/" }, { regex: otherArea }] }],
    },
  },
);
