import next from "eslint-config-next/core-web-vitals";
import nextTypescript from "eslint-config-next/typescript";

const noClock = [
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: "Core has no clock: take the time as an argument.",
  },
  {
    selector: "MemberExpression[object.name='Date'][property.name='now']",
    message: "Core has no clock: take the time as an argument.",
  },
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: "Core has no randomness of its own: take a seed.",
  },
];

const config = [
  { ignores: [".next/**", ".next-*/**", "var/**", "node_modules/**", "next-env.d.ts", "test-results/**"] },
  ...next,
  ...nextTypescript,
  {
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/consistent-type-imports": "error",
      eqeqeq: "error",
      "no-console": ["error", { allow: ["error"] }],
    },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: { "no-restricted-syntax": ["error", ...noClock] },
  },
  { files: ["scripts/**", "serve/**", "benchmarks/**", "e2e/**", "demo/**"], rules: { "no-console": "off" } },
];

export default config;
