import { starterCards } from "@/core/cure/starter-cards";
import { sampleJob } from "@/core/job/sample-job";
import { USUAL_BENCH, type Bench } from "@/contracts/bench";
import { pathsToKeep } from "./paths-to-keep";

const DAYS = ["2026-05-14", "2026-05-15"];
let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const document = sampleJob(cards, newId);
const on = (startOn: string) => ({ ...document, work: { ...document.work, startOn } });
const bench = (over: Partial<Bench>): Bench => ({
  settings: USUAL_BENCH,
  reading: null,
  pours: [],
  jobs: [],
  cards: [],
  unreadable: { jobs: [], pours: [] },
  more: { jobs: 0, pours: 0 },
  ...over,
});

test("kept are live pours, the jobs of today and tomorrow with their sheets, and their cards; nothing twice", () => {
  const pour = { id: "p", jobId: "a", finishedAt: null, plan: { document, cards: [], colours: [] } };
  const paths = pathsToKeep(
    bench({
      pours: [
        pour,
        { ...pour, id: "over", jobId: "z", finishedAt: "2026-05-13T10:00:00Z" },
      ] as unknown as Bench["pours"],
      jobs: [
        { id: "a", name: "A", document: on("2026-05-14") },
        { id: "b", name: "B", document: on("2026-05-15") },
        { id: "c", name: "C", document: on("2026-05-16") },
      ],
      cards: [...cards, { ...cards[0]!, id: "unused" }],
    }),
    DAYS,
  );
  expect(new Set(paths).size).toBe(paths.length);
  expect(paths).toEqual(
    expect.arrayContaining([
      "/bench",
      "/pours/p",
      "/jobs/a/cups",
      "/jobs/b/sheets/run",
      `/cards/${document.coats[0]!.resinCardId}`,
    ]),
  );
  expect(paths).toEqual(expect.arrayContaining(["/jobs/a/inspect", "/jobs/z/inspect"]));
  expect(paths.join()).not.toMatch(/\/pours\/over|\/jobs\/c\/|\/jobs\/z\/[^i]|unused/);
});

test("a shop with many jobs on one day keeps some of them", () => {
  const jobs = Array.from({ length: 40 }, (_, n) => ({ id: `j${n}`, name: "", document: on("2026-05-14") }));
  expect(pathsToKeep(bench({ jobs }), DAYS).length).toBeLessThan(60);
});
