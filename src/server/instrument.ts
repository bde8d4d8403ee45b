import { connect } from "node:net";

/** Instruments that stand at the server, by the environment variable that has their address, "host:port". */
export const INSTRUMENTS = { scale: "GAUGEBEAM_SCALE", probe: "GAUGEBEAM_PROBE" } as const;
export type InstrumentKind = keyof typeof INSTRUMENTS;

/** A line that never ends is none. */
const LONGEST_LINE = 400;
/** An instrument that says nothing for so long is gone, ms. */
const SILENT_MS = 15_000;

/** Where an instrument is; null for one that there is not, or whose address cannot be read. */
export function addressOf(kind: InstrumentKind): { host: string; port: number } | null {
  const [, host, port] = /^(.+):(\d{1,5})$/.exec(process.env[INSTRUMENTS[kind]] ?? "") ?? [];
  return host && port ? { host, port: Number(port) } : null;
}

/** Lines of an instrument as it prints them, until whoever asked is gone, or the instrument is. */
export async function* instrumentLines(
  { host, port }: { host: string; port: number },
  signal: AbortSignal,
): AsyncGenerator<string> {
  const socket = connect({ host, port });
  const stop = () => socket.destroy();
  signal.addEventListener("abort", stop);
  socket.setTimeout(SILENT_MS, stop);
  socket.setEncoding("latin1");
  let kept = "";
  try {
    for await (const chunk of socket) {
      const lines = (kept + String(chunk)).split(/\r\n|\n|\r/);
      kept = (lines.pop() ?? "").slice(-LONGEST_LINE);
      yield* lines.filter((line) => line !== "" && line.length <= LONGEST_LINE);
    }
  } catch {
    // Refused, cut off, silent: it ends.
  } finally {
    signal.removeEventListener("abort", stop);
    socket.destroy();
  }
}
