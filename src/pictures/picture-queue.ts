import type { PictureMeasures } from "@/core/rehearsal/judge-picture";
import type { DrawnRows, Pictured, RehearseAnswer, RehearseQuestion } from "@/workers/rehearse.worker";
import type { Light } from "@/core/pattern/engine/lit";
import { byIdentity } from "@/core/numerics/by-identity";
import type { Rehearsal } from "@/core/pattern/passes/rehearsal";

type Wanted =
  | {
      kind: "rows";
      passes: number;
      widthPx: number;
      from: number;
      to: number;
      rough?: boolean;
      light?: Light;
      done: (rows: DrawnRows) => void;
    }
  | { kind: "measure"; passes: number; widthPx: number; done: (measures: PictureMeasures) => void }
  | { kind: "keep"; passes: number; widthPx: number }
  | { kind: "rounds"; passId: string; done: (byRound: number[]) => void };
type Task = {
  id: number;
  owner: object;
  of: Pictured;
  key: number;
  wanted: Wanted;
  again?: true;
  only?: Hand;
};
type Hand = { worker: PictureWorker; knows: Set<number>; busy: Task | null };

/** As much of a worker as is used. */
export type PictureWorker = {
  onmessage: ((event: { data: RehearseAnswer }) => void) | null;
  onerror: (() => void) | null;
  postMessage: (question: RehearseQuestion) => void;
  terminate: () => void;
};

/** Two workers draw all pictures of a page; more would only wait for each other on the machines of a shop. */
const HANDS = 2;
/** A worker keeps so many rehearsals; asked about an older one it is told again. */
const KEPT = 6;

let lastKey = 0;
/** The same number for the same rehearsal as long as it lives. */
const keyOfRehearsal = byIdentity((_rehearsal: Rehearsal) => (lastKey += 1));
const keyOf = ({ rehearsal }: Pictured) => keyOfRehearsal(rehearsal);

/**
 * One queue for all pictures of a page: each worker takes the next part when it is free, so that what was asked first comes first and what is
 * called off is not begun.
 */
export function pictureQueue(newWorker: () => PictureWorker) {
  let hands: Hand[] = [];
  let queue: Task[] = [];
  let lastTask = 0;

  function newHand(): Hand {
    const worker = newWorker();
    const hand: Hand = { worker, knows: new Set(), busy: null };
    worker.onmessage = ({ data }) => {
      const task = hand.busy;
      hand.busy = null;
      // What was cancelled meanwhile is not wanted any more.
      if (task && task.id === data.task) {
        if ("rows" in data && task.wanted.kind === "rows") task.wanted.done(data.rows);
        if ("byRound" in data && task.wanted.kind === "rounds") task.wanted.done(data.byRound);
        if ("measures" in data && task.wanted.kind === "measure") task.wanted.done(data.measures);
      }
      next();
    };
    worker.onerror = () => {
      // A worker that fell over is replaced; what it did is asked for again once.
      hands = hands.filter((kept) => kept !== hand);
      queue = queue.filter(({ only }) => only !== hand);
      worker.terminate();
      if (hand.busy && hand.busy.id > 0 && !hand.busy.again && !hand.busy.only)
        queue.unshift({ ...hand.busy, again: true });
      next();
    };
    return hand;
  }

  function next(): void {
    if (queue.length > 0 && hands.length < HANDS && hands.every(({ busy }) => busy)) hands.push(newHand());
    for (const hand of hands) {
      if (hand.busy) continue;
      const at = queue.findIndex(({ only }) => !only || only === hand);
      const [task] = at < 0 ? [] : queue.splice(at, 1);
      if (!task) continue;
      hand.busy = task;
      const say = (question: RehearseQuestion) => hand.worker.postMessage(question);
      if (!hand.knows.has(task.key)) {
        say({ kind: "know", key: task.key, of: { rehearsal: task.of.rehearsal, palette: task.of.palette } });
        hand.knows.add(task.key);
        const oldest = hand.knows.values().next().value;
        if (hand.knows.size > KEPT && oldest !== undefined) {
          hand.knows.delete(oldest);
          say({ kind: "forget", key: oldest });
        }
      }
      const { wanted, id, key } = task;
      // What is to be done with the answer stays here.
      const question = "done" in wanted ? (({ done: _done, ...rest }) => rest)(wanted) : wanted;
      say({ ...question, task: id, key } as RehearseQuestion);
    }
  }

  /** Asks for parts of a picture, in the order given; those of an owner can be called off together. */
  function askFor(owner: object, of: Pictured, wanted: readonly Wanted[]): void {
    const key = keyOf(of);
    for (const part of wanted) queue.push({ id: (lastTask += 1), owner, of, key, wanted: part });
    for (let n = 0; n < HANDS; n += 1) next();
  }

  /** Each worker keeps the picture after some passes, so that a change of those after them is soon seen. */
  function askToKeep(owner: object, of: Pictured, passes: number, widthPx: number): void {
    const key = keyOf(of);
    for (const only of hands)
      queue.push({ id: (lastTask += 1), owner, of, key, wanted: { kind: "keep", passes, widthPx }, only });
    next();
  }

  /** Calls off what an owner still waits for. */
  function callOff(owner: object): void {
    queue = queue.filter((task) => task.owner !== owner);
    for (const hand of hands) if (hand.busy?.owner === owner) hand.busy = { ...hand.busy, id: -1 };
  }

  return { askFor, askToKeep, callOff };
}
