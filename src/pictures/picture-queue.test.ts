import type { RehearseAnswer, RehearseQuestion } from "@/workers/rehearse.worker";
import { pictureQueue, type PictureWorker } from "./picture-queue";

/** A worker that answers when the test says so. */
class FakeWorker implements PictureWorker {
  onmessage: ((event: { data: RehearseAnswer }) => void) | null = null;
  onerror: (() => void) | null = null;
  asked: RehearseQuestion[] = [];
  gone = false;
  postMessage = (question: RehearseQuestion) => void this.asked.push(question);
  terminate = () => void (this.gone = true);

  /** What it does now; null while it waits. */
  get now(): Extract<RehearseQuestion, { task: number }> | null {
    const last = this.asked.findLast((question) => "task" in question);
    return last && last.task !== this.answered ? last : null;
  }
  private answered = 0;
  answer(): void {
    const { now } = this;
    if (!now) throw new Error("it has nothing to do");
    this.answered = now.task;
    const answer = {
      rows: { rows: { topPx: 0, widthPx: 1, heightPx: 1, rgba: new Uint8ClampedArray(4) } },
      measure: { measures: { passes: 1 } },
      keep: { kept: true },
      rounds: { byRound: [0] },
    }[now.kind];
    this.onmessage?.({ data: { task: now.task, ...answer } as unknown as RehearseAnswer });
  }
}

const workers: FakeWorker[] = [];
const queue = () => {
  workers.length = 0;
  return pictureQueue(() => {
    const worker = new FakeWorker();
    workers.push(worker);
    return worker;
  });
};
const picture = () => ({ rehearsal: { seed: 1 } as never, palette: [] });
const rows = (from: number, done: () => void = () => undefined) => ({
  kind: "rows" as const,
  passes: 1,
  widthPx: 100,
  from,
  to: from + 10,
  done,
});
const doing = () => workers.map(({ now }) => (now?.kind === "rows" ? now.from : (now?.kind ?? null)));

test("two workers, no more, take what is asked in its order, each the next when it is free", () => {
  const { askFor } = queue();
  const done: number[] = [];
  askFor(
    {},
    picture(),
    [0, 10, 20, 30].map((from) => rows(from, () => done.push(from))),
  );
  expect(doing()).toEqual([0, 10]);
  workers[1]!.answer();
  expect(doing()).toEqual([0, 20]);
  workers[0]!.answer();
  expect(doing()).toEqual([30, 20]);
  workers[0]!.answer();
  workers[1]!.answer();
  expect(doing()).toEqual([null, null]);
  expect(done).toEqual([10, 0, 30, 20]);
});

test("a rehearsal is told to a worker once, and again when it has been told too many others since", () => {
  const { askFor } = queue();
  const told = () => workers[0]!.asked.filter(({ kind }) => kind === "know").length;
  const [one, others] = [picture(), Array.from({ length: 6 }, picture)];
  const ask = (of: typeof one) => {
    askFor({}, of, [rows(0)]);
    workers.find(({ now }) => now)!.answer();
  };
  ask(one);
  ask(one);
  expect(told()).toBe(1);
  others.forEach(ask);
  expect(told()).toBe(7);
  // The worker does not decide by itself: it is told what to forget.
  const [first] = workers[0]!.asked;
  expect(workers[0]!.asked.filter(({ kind }) => kind === "forget")).toEqual([
    { kind: "forget", key: first!.kind === "know" ? first!.key : null },
  ]);
  ask(one);
  expect(told()).toBe(8);
});

test("what is called off is not begun, and the answer of what was under way is not heard", () => {
  const { askFor, callOff } = queue();
  const [old, fresh] = [{}, {}];
  const heard: string[] = [];
  askFor(
    old,
    picture(),
    [0, 10, 20].map((from) => rows(from, () => heard.push(`old ${from}`))),
  );
  callOff(old);
  askFor(fresh, picture(), [rows(50, () => heard.push("fresh"))]);
  workers[0]!.answer();
  expect(doing()).toEqual([50, 10]);
  workers[0]!.answer();
  workers[1]!.answer();
  expect(heard).toEqual(["fresh"]);
  expect(doing()).toEqual([null, null]);
});

test("each worker keeps a picture of its own; none does it for the other", () => {
  const { askFor, askToKeep } = queue();
  const [owner, of] = [{}, picture()];
  askFor(owner, of, [rows(0), rows(10)]);
  askToKeep(owner, of, 2, 640);
  workers[0]!.answer();
  expect(doing()).toEqual(["keep", 10]);
  workers[0]!.answer();
  // The other one's is left for it.
  expect(doing()).toEqual([null, 10]);
  workers[1]!.answer();
  expect(doing()).toEqual([null, "keep"]);
});

test("a worker that falls over is replaced, and what it did is done once more, but not again and again", () => {
  const { askFor } = queue();
  let heard = 0;
  askFor({}, picture(), [rows(0, () => (heard += 1))]);
  workers[0]!.onerror?.();
  expect(workers[0]!.gone).toBe(true);
  expect(workers[1]!.now).not.toBeNull();
  workers[1]!.onerror?.();
  expect(workers.length).toBe(2);
  expect(heard).toBe(0);
  // The page goes on with a new one.
  askFor({}, picture(), [rows(20, () => (heard += 1))]);
  workers[2]!.answer();
  expect(heard).toBe(1);
});
