import { createHash } from "node:crypto";
import { derivePlan } from "@/core/plan/derive-plan";
import type { Practice } from "@/core/rehearsal/critique";
import type { PracticeStroke } from "@/core/rehearsal/practised-on";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { sampleJob } from "@/core/job/sample-job";
import { starterCards } from "@/core/cure/starter-cards";
import type { PracticeAnswer, PracticeQuestion } from "./practice.worker";
import type { DrawnRows, RehearseAnswer, RehearseQuestion } from "./rehearse.worker";

// Whole pictures are drawn here.
jest.setTimeout(60_000);

let made = 0;
const newId = () => `id-${(made += 1)}`;
const cards = starterCards(newId);
const job = sampleJob(cards, newId);
const plan = derivePlan(job, cards);
const piece = plan.pieces[0]!;
const of = rehearsalOf(plan, job, piece)!;
const passes = of.passes.length;

/** A worker's file run in a scope of its own, which keeps what it answers. */
async function start<Question, Answer>(load: () => Promise<unknown>) {
  const answers: Answer[] = [];
  const scope = {
    onmessage: null as ((event: { data: Question }) => void) | null,
    postMessage: (answer: Answer) => void answers.push(answer),
  };
  Object.assign(globalThis, { self: scope });
  await jest.isolateModulesAsync(async () => void (await load()));
  return {
    answers,
    ask: (data: Question): Answer | undefined => {
      const before = answers.length;
      scope.onmessage?.({ data });
      return answers[before];
    },
  };
}

describe("the worker that draws rehearsals", () => {
  const open = async () => {
    const worker = await start<RehearseQuestion, RehearseAnswer>(() => import("./rehearse.worker"));
    const tell = (key: number, pictured = of) =>
      worker.ask({ kind: "know", key, of: { rehearsal: pictured.rehearsal, palette: pictured.palette } });
    let task = 0;
    const rows = (
      key: number,
      from: number,
      to: number,
      more: { rough?: boolean; widthPx?: number } = {},
    ) => {
      const answer = worker.ask({
        kind: "rows",
        task: (task += 1),
        key,
        passes,
        widthPx: 120,
        from,
        to,
        ...more,
      });
      if (!answer || !("rows" in answer)) throw new Error("no rows");
      expect(answer.task).toBe(task);
      return answer.rows;
    };
    return { ...worker, tell, rows };
  };
  const print = ({ rgba }: DrawnRows) => createHash("sha1").update(rgba).digest("hex");

  test("halves laid under each other are the whole, and the same again", async () => {
    const { tell, rows } = await open();
    tell(1);
    const high = rows(1, 0, 1000).heightPx;
    const half = 16;
    const [upper, lower, whole] = [rows(1, 0, half), rows(1, half, high), rows(1, 0, high)];
    expect(upper).toMatchObject({ topPx: 0, widthPx: 120, heightPx: half });
    expect(lower).toMatchObject({ topPx: half, heightPx: high - half });
    expect(upper.rgba.length).toBe(4 * 120 * half);
    // A picture of some rows lies in its own tiles: the same to a shade or two where little is seen through.
    const both = [...upper.rgba, ...lower.rgba];
    const off = both.reduce((sum, value, i) => sum + Math.abs(value - whole.rgba[i]!), 0) / both.length;
    expect(off).toBeLessThan(2);
    expect(print(rows(1, 0, high))).toBe(print(whole));
  });

  test("every sample is opaque, and a picture is more than one colour", async () => {
    const { tell, rows } = await open();
    tell(1);
    const { rgba } = rows(1, 0, 1000);
    const lights = new Set<number>();
    for (let i = 0; i < rgba.length; i += 4) {
      expect(rgba[i + 3]).toBe(255);
      lights.add(rgba[i]! >> 4);
    }
    expect(lights.size).toBeGreaterThan(5);
  });

  test("what it was not told, or was told to forget, it does not draw", async () => {
    const { tell, ask, rows } = await open();
    expect(ask({ kind: "measure", task: 9, key: 4, passes, widthPx: 60 })).toEqual({
      task: 9,
      failed: "not known",
    });
    tell(4);
    rows(4, 0, 10);
    ask({ kind: "forget", key: 4 });
    expect(ask({ kind: "measure", task: 10, key: 4, passes, widthPx: 60 })).toEqual({
      task: 10,
      failed: "not known",
    });
  });

  test("a changed late pass is first drawn over what is kept, close to what it is as a whole", async () => {
    const { tell, ask, rows } = await open();
    tell(1);
    ask({ kind: "keep", task: 90, key: 1, passes: passes - 1, widthPx: 240 });
    const changed = {
      ...of,
      rehearsal: {
        ...of.rehearsal,
        coats: of.rehearsal.coats.map((coat, n, all) =>
          n < all.length - 1
            ? coat
            : {
                ...coat,
                passes: coat.passes.map((pass, m) =>
                  m < coat.passes.length - 1 ? pass : { ...pass, work: { ...pass.work, many: 2 } },
                ),
              },
        ),
      },
    };
    tell(2, changed);
    const first = rows(2, 0, 1000, { rough: true });
    const sharp = rows(2, 0, 1000);
    const off =
      first.rgba.reduce((sum, value, i) => sum + Math.abs(value - sharp.rgba[i]!), 0) / first.rgba.length;
    expect(off).toBeLessThan(12);
    expect(print(rows(1, 0, 1000))).not.toBe(print(sharp));
  });

  test("measures come with the task they were asked for, by round too", async () => {
    const { tell, ask } = await open();
    tell(1);
    const answer = ask({ kind: "measure", task: 31, key: 1, passes, widthPx: 100 });
    if (!answer || !("measures" in answer)) throw new Error("no measures");
    expect(answer.task).toBe(31);
    expect(answer.measures.onTop.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 2);
    const blending = of.rehearsal.coats.flatMap((coat) => coat.passes).find(({ kind }) => kind === "palm");
    const rounds = ask({ kind: "rounds", task: 32, key: 1, passId: blending?.id ?? "" });
    if (!rounds || !("byRound" in rounds)) throw new Error("no rounds");
    expect(rounds.byRound.length).toBe(5);
  });
});

describe("the worker of a practice", () => {
  const WIDE = 160;
  const open = async () => {
    const worker = await start<PracticeQuestion, PracticeAnswer>(() => import("./practice.worker"));
    const begun = worker.ask({ kind: "begin", of, passes: 1, widthPx: WIDE });
    if (begun?.kind !== "part") throw new Error("nothing was drawn");
    const high = begun.heightPx;
    /** The picture as a page puts it together from the parts that come. */
    const picture = new Uint8ClampedArray(4 * WIDE * high);
    const put = (answer: PracticeAnswer | undefined) => {
      if (answer?.kind !== "part") return;
      for (let y = 0; y < answer.heightPx; y += 1)
        picture.set(
          answer.rgba.subarray(4 * y * answer.widthPx, 4 * (y + 1) * answer.widthPx),
          4 * ((answer.topPx + y) * WIDE + answer.leftPx),
        );
    };
    put(begun);
    return {
      ...worker,
      put,
      print: () => createHash("sha1").update(picture).digest("hex"),
      picture,
      high,
    };
  };
  const stroke = (y: number, changes: Partial<PracticeStroke> = {}): PracticeStroke => ({
    tool: "hand",
    pressure: 0.6,
    points: [
      [200, y],
      [420, y + 20],
      [700, y + 10],
    ],
    flowLeft: 0.8,
    atMin: 5,
    ...changes,
  });

  test("it begins with the whole wet piece", async () => {
    const { answers, high } = await open();
    expect(answers[0]).toMatchObject({ kind: "part", leftPx: 0, topPx: 0, widthPx: WIDE, heightPx: high });
  });

  test("a pull sends only the part that it changes, and taken back the picture is what it was", async () => {
    const { ask, put, print, high } = await open();
    const before = print();
    const part = ask({ kind: "pull", stroke: stroke(250), number: 0, lifted: true });
    if (part?.kind !== "part") throw new Error("nothing was drawn");
    expect(part.widthPx * part.heightPx).toBeLessThan(WIDE * high);
    put(part);
    expect(print()).not.toBe(before);
    put(ask({ kind: "keep", pulls: 0 }));
    expect(print()).toBe(before);
  });

  test("drawn point by point it ends as the same pull drawn at once", async () => {
    const [slow, quick] = [await open(), await open()];
    const whole = stroke(300);
    for (let n = 2; n <= whole.points.length; n += 1)
      slow.put(
        slow.ask({
          kind: "pull",
          stroke: { ...whole, points: whole.points.slice(0, n) },
          number: 0,
          lifted: n === whole.points.length,
        }),
      );
    quick.put(quick.ask({ kind: "pull", stroke: whole, number: 0, lifted: true }));
    // What was sent on the way is at most a hair off where later points moved earlier ones.
    const off =
      slow.picture.reduce((sum, value, i) => sum + Math.abs(value - quick.picture[i]!), 0) /
      slow.picture.length;
    expect(off).toBeLessThan(1.5);
  });

  test("many pulls are baked into the picture and can still be taken back to the first", async () => {
    const { ask, put, print } = await open();
    const before = print();
    for (let n = 0; n < 16; n += 1)
      put(ask({ kind: "pull", stroke: stroke(120 + 22 * n), number: n, lifted: true }));
    put(ask({ kind: "keep", pulls: 0 }));
    expect(print()).toBe(before);
  });

  test("the critique is of the pulls that were made", async () => {
    const { ask } = await open();
    const practice: Practice = {
      passes: 1,
      fromMin: 4,
      openUntilMin: 60,
      strokes: [stroke(200), stroke(400, { pressure: 0.9 })],
    };
    ask({ kind: "pull", stroke: practice.strokes[0]!, number: 0, lifted: true });
    const judged = ask({ kind: "judge", piece, practice });
    if (judged?.kind !== "judged") throw new Error("no critique");
    expect(judged.critique.score).toBeGreaterThanOrEqual(0);
    expect(judged.critique.score).toBeLessThanOrEqual(100);
  });
});
