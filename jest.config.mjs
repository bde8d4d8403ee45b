const shared = {
  testEnvironment: "node",
  transform: { "^.+\\.m?[tj]sx?$": "<rootDir>/scripts/jest/transform.mjs" },
  // Packages that ship only ES modules.
  transformIgnorePatterns: [
    "/node_modules/(?!(flatbush|flatqueue|clipper2-ts|point-in-polygon-hao|robust-predicates|p-limit|yocto-queue|internmap|delaunator|qr|dinero.js|d3-[a-z-]+)/)",
  ],
  moduleNameMapper: {
    "^@/(.*)$": "<rootDir>/src/$1",
    "^server-only$": "<rootDir>/scripts/jest/server-only-stub.ts",
  },
};

const config = {
  // Of the whole run: in a project Jest does not read it.
  testTimeout: 30_000,
  projects: [
    {
      ...shared,
      displayName: "core",
      testMatch: ["<rootDir>/{src/{core,contracts},instruments}/**/*.test.ts"],
    },
    {
      ...shared,
      displayName: "interface",
      testMatch: ["<rootDir>/src/{features,pictures,offline,instruments,ui,app,workers}/**/*.test.{ts,tsx}"],
    },
    {
      ...shared,
      displayName: "server",
      testMatch: ["<rootDir>/src/server/**/*.test.ts", "<rootDir>/demo/**/*.test.ts"],
    },
    { ...shared, displayName: "start", testMatch: ["<rootDir>/scripts/**/*.test.ts"] },
  ],
};

export default config;
