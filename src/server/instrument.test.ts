import { createServer, type AddressInfo, type Server, type Socket } from "node:net";
import { SerialPortMock } from "serialport";
import { addressOf, instrumentLines } from "./instrument";

let server: Server;
let port: number;
let onConnect: (socket: Socket) => void = () => {};
beforeAll(async () => {
  server = createServer((socket) => {
    socket.on("error", () => {});
    onConnect(socket);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

const linesOf = async (at = port, signal = new AbortController().signal) => {
  const lines: string[] = [];
  for await (const line of instrumentLines({ host: "127.0.0.1", port: at }, signal)) lines.push(line);
  return lines;
};

test("lines come as they are printed, however they are cut on the way; what is not ended is no line", async () => {
  onConnect = (socket) => {
    socket.write("ST +  20");
    socket.write("1.4 g\r\nUS +  202.0 g\nST + 203");
    socket.end();
  };
  expect(await linesOf()).toEqual(["ST +  201.4 g", "US +  202.0 g"]);
});
test("a line without end is none, and takes no room", async () => {
  onConnect = (socket) => {
    socket.write("x".repeat(100_000));
    socket.end("\n12 g\n");
  };
  expect((await linesOf()).filter((line) => line.includes("g"))).toEqual(["12 g"]);
});
test("an instrument that is not there is no line and no error", async () => {
  const gone = createServer();
  await new Promise<void>((resolve) => gone.listen(0, "127.0.0.1", resolve));
  const free = (gone.address() as AddressInfo).port;
  await new Promise((resolve) => gone.close(resolve));
  expect(await linesOf(free)).toEqual([]);
});
test("a serial port is read as a socket is: through the package's own stand-in of a port", async () => {
  SerialPortMock.binding.createPort("/dev/mock", { echo: false, record: false });
  const asked = new AbortController();
  const lines: string[] = [];
  for await (const line of instrumentLines({ path: "/dev/mock", baudRate: 9600 }, asked.signal, (address) => {
    const port = new SerialPortMock(address as { path: string; baudRate: number });
    port.on("open", () => {
      port.port?.emitData("ST + 12.5");
      port.port?.emitData(" g\r\nUS + 13.0 g\r\n");
    });
    return port;
  })) {
    lines.push(line);
    if (lines.length === 2) asked.abort();
  }
  expect(lines).toEqual(["ST + 12.5 g", "US + 13.0 g"]);
});
test("a serial port that is not there is no line and no error", async () => {
  const lines: string[] = [];
  for await (const line of instrumentLines(
    { path: "/dev/no-such-port", baudRate: 9600 },
    new AbortController().signal,
  ))
    lines.push(line);
  expect(lines).toEqual([]);
});
test("whoever is gone is not read for any more", async () => {
  const asked = new AbortController();
  let ended = false;
  onConnect = (socket) => {
    socket.write("1 g\n");
    socket.on("close", () => (ended = true));
    setTimeout(() => asked.abort(), 20);
  };
  expect(await linesOf(port, asked.signal)).toEqual(["1 g"]);
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(ended).toBe(true);
});
test.each([
  ["127.0.0.1:4001", { host: "127.0.0.1", port: 4001 }],
  ["scale.bench:23", { host: "scale.bench", port: 23 }],
  ["", null],
  ["4001", null],
  ["/dev/ttyUSB0", { path: "/dev/ttyUSB0", baudRate: 9600 }],
  ["/dev/serial/by-id/usb-scale-1@4800", { path: "/dev/serial/by-id/usb-scale-1", baudRate: 4800 }],
  ["COM3", { path: "COM3", baudRate: 9600 }],
])("the address %j", (text, address) => {
  process.env["GAUGEBEAM_SCALE"] = text;
  expect(addressOf("scale")).toEqual(address);
  delete process.env["GAUGEBEAM_SCALE"];
});
