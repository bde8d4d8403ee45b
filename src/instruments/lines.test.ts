import { hearLines, type DevicePort } from "./lines";

test("an instrument at the device is read until whoever listens stops, then its port is given back", async () => {
  let give: ReadableStreamDefaultController<Uint8Array>;
  let opened: number | null = null;
  let closed = false;
  const port: DevicePort = {
    readable: null,
    open: async ({ baudRate }) => {
      opened = baudRate;
      port.readable = new ReadableStream({ start: (controller) => void (give = controller) });
    },
    close: async () => {
      closed = true;
    },
  };
  const lines: string[] = [];
  const stop = hearLines("scale", { at: "device", port }, (line) => lines.push(line));
  await new Promise((resolve) => setTimeout(resolve, 5));
  give!.enqueue(new TextEncoder().encode("ST + 12.5 g\r\nST + 1"));
  give!.enqueue(new TextEncoder().encode("3.0 g\r\n"));
  await new Promise((resolve) => setTimeout(resolve, 5));
  expect([opened, lines]).toEqual([9600, ["ST + 12.5 g", "ST + 13.0 g"]]);
  stop();
  await new Promise((resolve) => setTimeout(resolve, 5));
  expect(closed).toBe(true);
});

test("a port that another program has is silent, and no error", async () => {
  const port: DevicePort = {
    readable: null,
    open: async () => {
      throw new Error("in use");
    },
    close: async () => {},
  };
  const heard = jest.fn();
  hearLines("scale", { at: "device", port }, heard);
  await new Promise((resolve) => setTimeout(resolve, 5));
  expect(heard).not.toHaveBeenCalled();
});
