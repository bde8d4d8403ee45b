import type { Answer, Calls, Given, Message, News, Question } from "./calls";

/** What of a worker is needed here. */
export type AnyWorker = {
  postMessage: (question: Question) => void;
  terminate: () => void;
  onmessage: ((event: { data: Message }) => void) | null;
  onerror: ((event: never) => void) | null;
};

/** A question that was called off is given this long to end by itself before its worker is ended, ms. */
const GRACE_MS = 250;

type Waiting = {
  question: Question;
  tell: (news: never) => void;
  finish: (answer: unknown) => void;
  calledOff: boolean;
};

export type Asked<Found> = {
  /** Null when it failed or was called off. */
  answer: Promise<Found | null>;
  cancel: () => void;
};

export type WorkerClient<Of extends Calls> = {
  ask: <Name extends keyof Of & string>(
    call: Name,
    given: Given<Of, Name>,
    tell?: (news: News<Of, Name>) => void,
  ) => Asked<Awaited<Answer<Of, Name>>>;
  /** Ends the worker; what it was asked for is called off. The next question starts another. */
  end: () => void;
};

/**
 * A worker that lives on from one question to the next, and keeps what it worked out. Questions wait their turn; one that is called off before
 * it begins is never put. One that is called off at work may end by itself; when it does not, its worker ends and the next question gets a new one.
 */
export function workerClient<Of extends Calls>(start: () => AnyWorker | Worker): WorkerClient<Of> {
  let worker: AnyWorker | null = null;
  let asked = 0;
  let line: Waiting[] = [];
  let atWork: Waiting | null = null;
  let grace: ReturnType<typeof setTimeout> | null = null;

  const finish = (waiting: Waiting, answer: unknown) => {
    if (!waiting.calledOff) waiting.finish(answer);
    if (atWork !== waiting) return;
    atWork = null;
    if (grace) clearTimeout(grace);
    grace = null;
    next();
  };
  const stop = () => {
    worker?.terminate();
    worker = null;
    if (atWork) finish(atWork, null);
  };
  const open = (): AnyWorker => {
    const opened = start() as AnyWorker;
    opened.onmessage = ({ data }) => {
      if (worker !== opened || atWork?.question.id !== data.id) return;
      if ("news" in data) {
        if (!atWork.calledOff) atWork.tell(data.news as never);
      } else finish(atWork, "answer" in data ? data.answer : null);
    };
    opened.onerror = () => {
      if (worker === opened) stop();
    };
    return opened;
  };
  const next = () => {
    if (atWork) return;
    const waiting = line.shift();
    if (!waiting) return;
    atWork = waiting;
    worker ??= open();
    worker.postMessage(waiting.question);
  };
  const cancel = (waiting: Waiting) => {
    if (waiting.calledOff) return;
    waiting.calledOff = true;
    waiting.finish(null);
    line = line.filter((other) => other !== waiting);
    if (atWork === waiting) grace ??= setTimeout(stop, GRACE_MS);
  };
  return {
    ask: (call, given, tell = () => {}) => {
      let cancelled = () => {};
      const answer = new Promise<never | null>((resolve) => {
        const waiting: Waiting = {
          question: { id: (asked += 1), call, given },
          tell,
          finish: (found) => resolve(found as never),
          calledOff: false,
        };
        cancelled = () => cancel(waiting);
        line.push(waiting);
      });
      next();
      return { answer, cancel: cancelled };
    },
    end: () => {
      for (const waiting of line) waiting.finish(null);
      line = [];
      stop();
    },
  };
}

/** An answer if it comes in time; null when it does not, and its question is called off. */
export async function inTime<Found>(
  { answer, cancel }: Asked<Found>,
  patienceMs: number,
): Promise<Found | null> {
  const late = setTimeout(cancel, patienceMs);
  const found = await answer;
  clearTimeout(late);
  return found;
}
