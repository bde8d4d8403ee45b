import { connect } from "node:net";
import type { Readable } from "node:stream";
import { SerialPort } from "serialport";
import { lineCutter } from "@/core/instruments/line-cutter";

/** Instruments that stand at the server, by the environment variable that has their address: "host:port", or a serial port as "/dev/ttyUSB0" or "/dev/ttyUSB0@4800". */
export const INSTRUMENTS = { scale: "GAUGEBEAM_SCALE", probe: "GAUGEBEAM_PROBE" } as const;
export type InstrumentKind = keyof typeof INSTRUMENTS;

/** An instrument that says nothing for so long is gone, ms. */
const SILENT_MS = 15_000;
/** Most instruments speak at this rate unless they are told otherwise. */
const USUAL_BAUD = 9600;

export type InstrumentAddress = { host: string; port: number } | { path: string; baudRate: number };

/** Where an instrument is; null for one that there is not, or whose address cannot be read. */
export function addressOf(kind: InstrumentKind): InstrumentAddress | null {
  const text = process.env[INSTRUMENTS[kind]] ?? "";
  const [, path, baud] = /^(\/dev\/[\w./-]+|COM\d+)(?:@(\d{3,7}))?$/.exec(text) ?? [];
  if (path) return { path, baudRate: Number(baud ?? USUAL_BAUD) };
  const [, host, port] = /^(.+):(\d{1,5})$/.exec(text) ?? [];
  return host && port ? { host, port: Number(port) } : null;
}

/** What an instrument says, as it comes. */
function opened(address: InstrumentAddress): Readable {
  if ("host" in address) return connect(address);
  return new SerialPort(address);
}

/** Lines of an instrument as it prints them, until whoever asked is gone, or the instrument is. */
export async function* instrumentLines(
  address: InstrumentAddress,
  signal: AbortSignal,
  open: (address: InstrumentAddress) => Readable = opened,
): AsyncGenerator<string> {
  const source = open(address);
  const stop = () => source.destroy();
  const timer = setTimeout(stop, SILENT_MS);
  signal.addEventListener("abort", stop);
  source.setEncoding("latin1");
  const cut = lineCutter();
  try {
    for await (const chunk of source) {
      timer.refresh();
      yield* cut(String(chunk));
    }
  } catch {
    // Refused, cut off, silent: it ends.
  } finally {
    clearTimeout(timer);
    signal.removeEventListener("abort", stop);
    source.destroy();
  }
}
