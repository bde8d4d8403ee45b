/**
 * The app's HTTP server around Next. What Next's own does not do: it says who asks (behind a proxy only where GAUGEBEAM_PROXY=1 says that there is
 * one), answers addresses that cannot be read, ends within seconds whatever clients hold open, and keeps its log short and private.
 */
import { createServer } from "node:http";
import { parseArgs } from "node:util";
import next from "next";
import { keepLog } from "./keep-log.mjs";

const { values } = parseArgs({ options: { port: { type: "string" }, host: { type: "string" } } });
const port = Number(values.port ?? 3000);
const hostname = values.host ?? "127.0.0.1";
/** Open requests may take so long to end once a stop was asked for, ms. */
const LAST_WORDS_MS = 2000;

if (process.env.GAUGEBEAM_LOG) keepLog(process.env.GAUGEBEAM_LOG);

const app = next({ dev: false, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

/** Of the addresses a proxy notes, its own note is the last; the others are the client's to invent. */
function addressOf(request) {
  const noted = process.env.GAUGEBEAM_PROXY === "1" && request.headers["x-forwarded-for"];
  return (noted && String(noted).split(",").at(-1).trim()) || request.socket.remoteAddress || "unknown";
}

function canBeRead(url) {
  try {
    decodeURIComponent(url);
    return true;
  } catch {
    return false;
  }
}

const server = createServer((request, response) => {
  request.headers["x-gaugebeam-address"] = addressOf(request);
  delete request.headers["x-forwarded-for"];
  if (!canBeRead(request.url ?? "/")) {
    response.writeHead(400, { "content-type": "text/plain; charset=utf-8" });
    response.end("This address cannot be read. Go back, or open the bench at /bench.\n");
    return;
  }
  handle(request, response).catch((failure) => {
    console.error("A request failed:", failure);
    response.destroy();
  });
});
server.requestTimeout = 60_000;
server.headersTimeout = 20_000;

let ending = false;
function end() {
  if (ending) process.exit(0);
  ending = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => {
    server.closeAllConnections();
    process.exit(0);
  }, LAST_WORDS_MS).unref();
}
process.on("SIGTERM", end);
process.on("SIGINT", end);

server.on("error", (failure) => {
  console.error("The server cannot listen:", failure.message);
  process.exit(1);
});
server.listen(port, hostname);
