import { lineCutter } from "@/core/instruments/line-cutter";

/** Where the lines of an instrument come from: from the server, which reads it, or from a serial port of this device. */
export type LineSource = { at: "server" } | { at: "device"; port: DevicePort };

/** As much of a browser's serial port as is used here (W3C Web Serial). */
export type DevicePort = {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
};
type DevicePorts = { requestPort: () => Promise<DevicePort>; getPorts: () => Promise<DevicePort[]> };

const portsHere = (): DevicePorts | null =>
  typeof navigator === "undefined" ? null : ((navigator as { serial?: DevicePorts }).serial ?? null);

/** Most instruments speak at this rate unless they are told otherwise. */
const BAUD = 9600;

/** Whether this browser can read an instrument at its own device. */
export const canReadHere = (): boolean => portsHere() !== null;

/** The port that was chosen on this device before, if any. */
export const knownPort = async (): Promise<DevicePort | null> =>
  (
    await portsHere()
      ?.getPorts()
      .catch(() => [])
  )?.[0] ?? null;

/** Lets the person choose a port; null where none was chosen. To be called from a press. */
export const choosePort = async (): Promise<DevicePort | null> =>
  (await portsHere()
    ?.requestPort()
    .catch(() => null)) ?? null;

/** Hears an instrument line by line until the answer is called. */
export function hearLines(
  kind: "scale" | "probe",
  source: LineSource,
  heard: (line: string) => void,
): () => void {
  if (source.at === "device") return hearPort(source.port, heard);
  const events = new EventSource(`/api/instruments/${kind}`);
  events.onmessage = ({ data }) => heard(JSON.parse(data as string) as string);
  return () => events.close();
}

function hearPort(port: DevicePort, heard: (line: string) => void): () => void {
  let over = false;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const read = async () => {
    if (!port.readable) await port.open({ baudRate: BAUD });
    const cut = lineCutter();
    const decoder = new TextDecoder("latin1");
    while (!over && port.readable) {
      reader = port.readable.getReader();
      try {
        for (let part = await reader.read(); !part.done && !over; part = await reader.read())
          cut(decoder.decode(part.value, { stream: true })).forEach(heard);
      } finally {
        reader.releaseLock();
      }
    }
    await port.close();
  };
  // Pulled out, or taken by another program: whoever listens hears no more, and says so.
  void read().catch(() => {});
  return () => {
    over = true;
    void reader?.cancel().catch(() => {});
  };
}
