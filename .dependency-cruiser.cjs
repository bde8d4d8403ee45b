/** The rules of the house: see docs/decisions/0001-house.md. */
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: "\\.test\\.tsx?$" },
  to: { path: "^src/", pathNot: allowed },
});
/** The rooms of the core from the bottom up, each with those that it may import from; README draws the same arrows. Tests keep to them too. */
const ROOMS = {
  units: [],
  numerics: ["units"],
  instruments: ["units"],
  geometry: ["numerics", "units"],
  cure: ["numerics", "units"],
  batch: ["cure", "numerics", "units"],
  colour: ["batch", "numerics", "units"],
  film: ["batch", "cure", "geometry", "numerics", "units"],
  passes: ["batch", "cure"],
  pattern: ["passes", "geometry", "numerics", "units"],
  veins: ["pattern", "geometry", "numerics", "units"],
  "drawing-files": ["veins", "pattern", "geometry", "numerics", "units"],
  schedule: ["passes", "pattern", "batch", "film", "cure", "geometry", "numerics", "units"],
  advice: ["schedule", "passes", "colour", "batch", "film", "cure", "geometry", "numerics", "units"],
  job: ["veins", "pattern", "schedule", "passes", "colour", "batch", "cure", "geometry", "numerics", "units"],
};
const BELOW_PLAN = Object.keys(ROOMS);
Object.assign(ROOMS, {
  plan: BELOW_PLAN,
  pour: ["plan", ...BELOW_PLAN],
  learning: ["inspect", "rehearsal", "pour", "plan", ...BELOW_PLAN],
  inspect: ["rehearsal", "pour", "plan", ...BELOW_PLAN],
  shop: ["pour", "plan", ...BELOW_PLAN],
  money: ["shop", "pour", "plan", ...BELOW_PLAN],
  shelf: ["shop", "pour", "plan", ...BELOW_PLAN],
  recipe: ["plan", ...BELOW_PLAN],
  rehearsal: ["plan", ...BELOW_PLAN],
});
const rooms = [
  ...Object.entries(ROOMS).map(([room, below]) => ({
    name: `core-${room}`,
    severity: "error",
    from: { path: `^src/core/${room}/` },
    // Reference values, for tests.
    to: { path: "^src/", pathNot: `^src/core/(reference|${[room, ...below].join("|")})/` },
  })),
  {
    name: "core-no-other-room",
    severity: "error",
    from: { path: "^src/core/", pathNot: `^src/core/(reference|${Object.keys(ROOMS).join("|")})/` },
    to: {},
  },
  {
    name: "core-reference-is-for-tests",
    severity: "error",
    from: { path: "^src/", pathNot: "(\\.test\\.tsx?$|^src/core/reference/)" },
    to: { path: "^src/core/reference/" },
  },
];
module.exports = {
  forbidden: [
    { name: "no-circular", severity: "error", from: {}, to: { circular: true } },
    only("core-only-core", "^src/core/", ["^src/core/"]),
    // Geometry, drawing files (docs/decisions/0007), the clock on the wall (0012) and money (0019) stand on well-kept packages; the rest of the core on nothing.
    {
      name: "core-no-packages",
      severity: "error",
      from: {
        path: "^src/core/",
        pathNot: [
          "\\.test\\.ts$",
          "^src/core/(geometry|drawing-files)/",
          "^src/core/(shop/wall-clock|money/money)\\.ts$",
        ],
      },
      to: { dependencyTypes: ["npm", "npm-dev", "core", "unknown"] },
    },
    {
      name: "core-money-packages",
      severity: "error",
      from: { path: "^src/core/money/money\\.ts$" },
      to: { dependencyTypes: ["npm", "npm-dev", "core", "unknown"], pathNot: "node_modules/dinero\\.js/" },
    },
    {
      name: "core-clock-packages",
      severity: "error",
      from: { path: "^src/core/shop/wall-clock\\.ts$" },
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
        pathNot:
          "node_modules/(@types/d3-delaunay|d3-delaunay|clipper2-ts|flatbush|robust-predicates|point-in-polygon-hao)/",
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
    only("offline-knows-no-view", "^src/offline/", ["^src/(offline|core|contracts)/"]),
    only("instruments-know-no-view", "^src/instruments/", ["^src/(instruments|core|contracts)/"]),
    only("workers-are-thin", "^src/workers/", ["^src/(workers|core|contracts)/"]),
    only("pictures-know-no-jobs", "^src/pictures/", ["^src/(pictures|ui|core|workers|contracts)/"]),
    only("features-inward", "^src/features/", [
      "^src/(features|pictures|offline|instruments|ui|contracts|core|workers|server)/",
    ]),
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
    ...rooms,
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.next" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".json"] },
  },
};
