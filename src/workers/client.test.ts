import { answerCalls, type Message, type Question } from "./calls";
import { inTime, workerClient, type AnyWorker } from "./client";
import { keeper } from "./keep";

type Sums = {
  sum: (numbers: number[], tell: (share: number) => void) => number;
  break: (words: string, tell: (news: never) => void) => never;
  forever: (given: null, tell: (news: never) => void) => never;
};

/** A worker that answers in turns of the event loop, and never the question "forever". */
function workers() {
  const started: { ended: boolean; questions: Question[] }[] = [];
  const start = (): AnyWorker => {
    const seen = { ended: false, questions: [] as Question[] };
    started.push(seen);
    const worker: AnyWorker = {
      onmessage: null,
      onerror: null,
      terminate: () => void (seen.ended = true),
      postMessage: (question) => {
        seen.questions.push(question);
        if (question.call === "forever") return;
        const scope = {
          onmessage: null as ((event: { data: Question }) => void) | null,
          postMessage: (data: Message) =>
            queueMicrotask(() => !seen.ended && worker.onmessage?.({ data: structuredClone(data) })),
        };
        Object.assign(globalThis, { self: scope });
        answerCalls<Pick<Sums, "sum" | "break">>({
          sum: (numbers, tell) => {
            tell(0.5);
            return numbers.reduce((a, b) => a + b, 0);
          },
          break: (words) => {
            throw new Error(words);
          },
        });
        scope.onmessage?.({ data: structuredClone(question) });
      },
    };
    return worker;
  };
  return { started, client: workerClient<Sums>(start) };
}

describe("a worker that is asked", () => {
  test("answers each question, tells how far it is, and lives on", async () => {
    const { started, client } = workers();
    const news: number[] = [];
    const [first, second] = [
      client.ask("sum", [1, 2], (share) => news.push(share)),
      client.ask("sum", [3, 4]),
    ];
    expect(await first.answer).toBe(3);
    expect(await second.answer).toBe(7);
    expect(news).toEqual([0.5]);
    expect(started.length).toBe(1);
    expect(started[0]!.ended).toBe(false);
  });
  test("a question that fails is null, and the next one is answered", async () => {
    const { started, client } = workers();
    expect(await client.ask("break", "no").answer).toBeNull();
    expect(await client.ask("sum", [5]).answer).toBe(5);
    expect(started.length).toBe(1);
  });
  test("a question called off before its turn is never put", async () => {
    const { started, client } = workers();
    const first = client.ask("sum", [1]);
    const second = client.ask("sum", [2]);
    second.cancel();
    expect(await second.answer).toBeNull();
    expect(await first.answer).toBe(1);
    expect(started[0]!.questions.map(({ given }) => given)).toEqual([[1]]);
  });
  test("one that does not end ends with its worker, and the next gets another", async () => {
    jest.useFakeTimers();
    const { started, client } = workers();
    const endless = client.ask("forever", null);
    const after = client.ask("sum", [1, 1]);
    endless.cancel();
    expect(await endless.answer).toBeNull();
    expect(started[0]!.ended).toBe(false);
    jest.advanceTimersByTime(300);
    jest.useRealTimers();
    expect(started[0]!.ended).toBe(true);
    expect(await after.answer).toBe(2);
    expect(started.length).toBe(2);
  });
  test("one that takes longer than one waits is let go", async () => {
    const { client } = workers();
    expect(await inTime(client.ask("forever", null), 5)).toBeNull();
    expect(await inTime(client.ask("sum", [8]), 2000)).toBe(8);
  });
  test("ended, all that waits is null, and a new question starts it again", async () => {
    const { started, client } = workers();
    const [endless, waiting] = [client.ask("forever", null), client.ask("sum", [1])];
    client.end();
    expect([await endless.answer, await waiting.answer]).toEqual([null, null]);
    expect(await client.ask("sum", [2, 2]).answer).toBe(4);
    expect(started.length).toBe(2);
  });
});

test("a keeper gives back the copy that came first, and lets go of the one that was not asked for longest", () => {
  const keep = keeper<{ at: number }>(2);
  const [first, second] = [{ at: 1 }, { at: 2 }];
  expect(keep(first)).toBe(first);
  expect(keep(second)).toBe(second);
  expect(keep({ at: 1 })).toBe(first);
  keep({ at: 3 });
  expect(keep({ at: 1 })).toBe(first);
  expect(keep({ at: 2 })).not.toBe(second);
});
