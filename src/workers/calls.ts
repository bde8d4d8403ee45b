/** What a worker can be asked: functions of one value that answer at once, and may tell how far they are. */
export type Calls = Record<string, (given: never, tell: never) => unknown>;

export type Given<Of extends Calls, Name extends keyof Of> = Parameters<Of[Name]>[0];
export type Answer<Of extends Calls, Name extends keyof Of> = ReturnType<Of[Name]>;
export type News<Of extends Calls, Name extends keyof Of> = Parameters<Of[Name]>[1] extends (
  news: infer Told,
) => void
  ? Told
  : never;

/** What goes to a worker, and what comes back; `id` counts the questions. */
export type Question = { id: number; call: string; given: unknown };
export type Message = { id: number } & ({ news: unknown } | { answer: unknown } | { failed: string });

/** Makes of this worker one that answers these calls, one after the other. Its `workerClient` asks them. */
export function answerCalls<Of extends Calls>(calls: Of): Of {
  const scope = self as unknown as {
    onmessage: ((event: { data: Question }) => void) | null;
    postMessage: (message: Message) => void;
  };
  scope.onmessage = ({ data: { id, call, given } }) => {
    try {
      const answer = calls[call]?.(
        given as never,
        ((news: unknown) => scope.postMessage({ id, news })) as never,
      );
      scope.postMessage({ id, answer });
    } catch (failure) {
      scope.postMessage({ id, failed: failure instanceof Error ? failure.message : String(failure) });
    }
  };
  return calls;
}
