import { createServer, type Server, type Socket } from "node:net";

/** How often a stand-in prints, ms. */
export const PRINTS_MS = 100;

/** Prints a line to whoever is connected, every so often, as an instrument at a serial port does behind a TCP bridge. Ends with the answer. */
export async function serveLines(
  port: number,
  lineNow: () => string,
  everyMs = PRINTS_MS,
): Promise<{ port: number; close: () => Promise<void> }> {
  const sockets = new Set<Socket>();
  const server: Server = createServer((socket) => {
    sockets.add(socket);
    socket.on("error", () => socket.destroy());
    socket.on("close", () => sockets.delete(socket));
  });
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(port, "127.0.0.1", resolve);
  });
  const timer = setInterval(() => {
    const line = `${lineNow()}\r\n`;
    for (const socket of sockets) socket.write(line);
  }, everyMs);
  const address = server.address();
  return {
    port: typeof address === "object" && address ? address.port : port,
    close: () =>
      new Promise((resolve) => {
        clearInterval(timer);
        for (const socket of sockets) socket.destroy();
        server.close(() => resolve());
      }),
  };
}
