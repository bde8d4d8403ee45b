import fc from "fast-check";
import { KEPT_STEPS, thinned, type Aged } from "./thin-versions";

const NOW = new Date("2026-11-29T12:00:00Z");
const DAY_MS = 86_400_000;

/** A history as it comes about: most saves go on, some are an undo or a redo. */
function history(moves: readonly ("save" | "undo" | "redo")[], daysBack: (index: number) => number): Aged[] {
  const versions: Aged[] = [];
  const savedAt = (index: number) => new Date(NOW.getTime() - daysBack(index) * DAY_MS);
  for (const [index, move] of moves.entries()) {
    const revision = index + 1;
    const current = versions.at(-1);
    const target =
      current && versions[(move === "undo" ? current.undo : move === "redo" ? current.redo : 0)! - 1];
    const next =
      move === "save" || !current || !target
        ? { undo: current?.revision ?? null, redo: null }
        : move === "undo"
          ? { undo: target.undo, redo: current.revision }
          : { undo: current.revision, redo: target.redo };
    versions.push({ revision, ...next, savedAt: savedAt(index) });
  }
  return versions;
}
const steady = (count: number) =>
  history(
    Array.from({ length: count }, () => "save" as const),
    (index) => ((count - index) / count) * 365,
  );

test("a year of daily work is a few hundred versions, and the last of each day of the season stays", () => {
  const year = steady(20_000);
  const { kept, gone } = thinned(year, new Set(), NOW);
  expect(kept.length).toBeLessThan(1200);
  expect(kept.length + gone.length).toBe(year.length);
  const days = new Set(
    kept
      .filter(({ savedAt }) => NOW.getTime() - savedAt.getTime() < 100 * DAY_MS)
      .map(({ savedAt }) => Math.floor(savedAt.getTime() / DAY_MS)),
  );
  expect(days.size).toBeGreaterThanOrEqual(100);
});

test("what a pour was started from stays, and the latest steps one by one", () => {
  const year = steady(5000);
  const { kept } = thinned(year, new Set([17]), NOW);
  expect(kept.some(({ revision }) => revision === 17)).toBe(true);
  expect(kept.slice(-KEPT_STEPS).map(({ revision }) => revision)).toEqual(
    Array.from({ length: KEPT_STEPS }, (_, index) => 5000 - KEPT_STEPS + 1 + index),
  );
});

test("undo and redo lead to versions that are there, undo always on to older ones, as far back as it went", () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom("save" as const, "save" as const, "undo" as const, "redo" as const), {
        minLength: 1,
        maxLength: 900,
      }),
      fc.integer({ min: 1, max: 700 }),
      (moves, days) => {
        const versions = history(["save", ...moves], (index) => days * (1 - index / moves.length));
        const { kept } = thinned(versions, new Set(), NOW);
        const there = new Map(kept.map((version) => [version.revision, version]));
        for (const { undo, redo } of kept)
          for (const to of [undo, redo]) if (to !== null) expect(there.has(to)).toBe(true);
        const steps = (of: ReadonlyMap<number, Aged>) => {
          const seen: number[] = [];
          for (
            let at: number | null = versions.at(-1)!.revision;
            at !== null;
            at = of.get(at)?.undo ?? null
          ) {
            expect(seen).not.toContain(at);
            seen.push(at);
          }
          return seen;
        };
        const before = steps(new Map(versions.map((version) => [version.revision, version])));
        const after = steps(there);
        // The same way, with fewer stops, in the same order.
        expect(before.filter((revision) => there.has(revision))).toEqual(after);
      },
    ),
    { numRuns: 60 },
  );
});

test("done twice it changes nothing more", () => {
  const once = thinned(steady(3000), new Set(), NOW);
  const twice = thinned(once.kept, new Set(), NOW);
  expect(twice.gone).toEqual([]);
  expect(twice.kept).toEqual(once.kept);
});
