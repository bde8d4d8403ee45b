/** The rules of the house: see docs/decisions/0001-house.md. */
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: "\\.test\\.tsx?$" },
  to: { path: "^src/", pathNot: allowed },
});
module.exports = {
  forbidden: [
    { name: "no-circular", severity: "error", from: {}, to: { circular: true } },
    only("core-only-core", "^src/core/", ["^src/core/"]),
    // Geometry, drawing files (docs/decisions/0007) and the clock on the wall (0012) stand on well-kept packages; the rest of the core on nothing.
    {
      name: "core-no-packages",
      severity: "error",
      from: {
        path: "^src/core/",
        pathNot: ["\\.test\\.ts$", "^src/core/(geometry|drawing-files)/", "^src/core/plan/wall-clock\\.ts$"],
      },
      to: { dependencyTypes: ["npm", "npm-dev", "core", "unknown"] },
    },
    {
      name: "core-clock-packages",
      severity: "error",
      from: { path: "^src/core/plan/wall-clock\\.ts$" },
      to: {
        dependencyTypes: ["npm", "npm-dev", "core", "unknown"],
        pathNot: "node_modules/@date-fns/tz/",
      },
    },
    {
      name: "core-geometry-packages",
      severity: "error",
      from: { path: "^src/core/geometry/", pathNot: "\\.test\\.ts$" },
      to: {
        dependencyTypes: ["npm", "npm-dev", "core", "unknown"],
        pathNot: "node_modules/(flatbush|robust-predicates|point-in-polygon-hao)/",
      },
    },
    {
      name: "core-drawing-files-packages",
      severity: "error",
      from: { path: "^src/core/drawing-files/", pathNot: "\\.test\\.ts$" },
      to: {
        dependencyTypes: ["npm", "npm-dev", "core", "unknown"],
        pathNot: "node_modules/(saxes|svgpath|dxf-parser|@tarikjabiri/dxf)/",
      },
    },
    only("contracts-only-core", "^src/contracts/", ["^src/(contracts|core)/"]),
    only("server-contracts-core", "^src/server/", ["^src/(server|contracts|core)/"]),
    only("ui-knows-no-jobs", "^src/ui/", ["^src/(ui|core)/"]),
    only("workers-are-thin", "^src/workers/", ["^src/(workers|core|contracts)/"]),
    only("features-inward", "^src/features/", ["^src/(features|ui|contracts|core|workers|server)/"]),
    {
      name: "feature-imports-no-other-feature",
      severity: "error",
      from: { path: "^src/features/([^/]+)/" },
      to: { path: "^src/features/([^/]+)/", pathNot: ["^src/features/$1/"] },
    },
    {
      name: "server-only-through-acts-and-queries",
      severity: "error",
      from: {
        path: "^src/features/",
        pathNot: ["/(actions|queries|sheets|export-[a-z-]+)\\.tsx?$", "\\.test\\.tsx?$"],
      },
      to: { path: "^src/server/" },
    },
    {
      name: "sequelize-only-in-server",
      severity: "error",
      from: { pathNot: "^src/server/" },
      to: { path: "node_modules/(sequelize|mysql2)/" },
    },
    // Units and numerics at the bottom, plan at the top.
    only("core-units", "^src/core/units/", ["^src/core/units/"]),
    only("core-numerics", "^src/core/numerics/", ["^src/core/(numerics|units)/"]),
    only("core-geometry", "^src/core/geometry/", ["^src/core/(geometry|numerics|units)/"]),
    only("core-drawing-files", "^src/core/drawing-files/", [
      "^src/core/(drawing-files|pattern|geometry|numerics|units)/",
    ]),
    // Facts of each kind of pass: one table, that pictures and days are told from.
    only("core-passes", "^src/core/passes/", ["^src/core/(passes|batch|cure)/"]),
    only("core-pattern", "^src/core/pattern/", ["^src/core/(pattern|passes|geometry|numerics|units)/"]),
    only("core-cure", "^src/core/cure/", ["^src/core/(cure|numerics|units)/"]),
    only("core-film", "^src/core/film/", ["^src/core/(film|geometry|cure|numerics|units)/"]),
    only("core-batch", "^src/core/batch/", ["^src/core/(batch|film|geometry|cure|numerics|units)/"]),
    only("core-colour", "^src/core/colour/", ["^src/core/(colour|batch|numerics|units)/"]),
    only("core-schedule", "^src/core/schedule/", [
      "^src/core/(schedule|passes|pattern|batch|film|geometry|cure|numerics|units)/",
    ]),
    only("core-advice", "^src/core/advice/", [
      "^src/core/(advice|schedule|passes|pattern|colour|batch|film|geometry|cure|numerics|units)/",
    ]),
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.next" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".json"] },
  },
};
