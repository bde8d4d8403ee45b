import { createStream } from "rotating-file-stream";
import { inspect } from "node:util";

/** Longer than this no entry is worth reading. */
const LONGEST = 4000;

/** A failure without what it carries along: statements, their parameters, whole documents. */
export function wordsOf(thing) {
  if (typeof thing === "string") return thing;
  if (thing instanceof Error) {
    const code = "code" in thing ? ` [${String(thing.code)}]` : "";
    const cause = thing.cause instanceof Error ? `\ncaused by ${wordsOf(thing.cause)}` : "";
    // The first line of a stack is the message, which may quote what was sent.
    const frames = (thing.stack ?? "").split("\n").filter((line) => line.startsWith("    at "));
    return `${thing.name}${code}: ${thing.message.slice(0, 300)}\n${frames.slice(0, 12).join("\n")}${cause}`;
  }
  return inspect(thing, { depth: 1, maxArrayLength: 5, maxStringLength: 200 });
}

/**
 * From here on what the process says goes to a file of two megabytes at most, and two older ones, for nobody else to read.
 * Where the disk is full nothing is said: saying it again and again would keep the process from its work.
 */
export function keepLog(file) {
  let stream;
  const open = () => {
    stream = createStream(file, { size: "2M", maxFiles: 2, mode: 0o600, path: "/" });
    stream.on("error", () => {
      stream = undefined;
      setTimeout(open, 10_000).unref();
    });
    stream.on("warning", () => {});
  };
  open();
  const say =
    (kind) =>
    (...things) => {
      if (!stream || stream.destroyed || stream.writableLength > 200_000) return;
      const words = things.map(wordsOf).join(" ").slice(0, LONGEST);
      stream.write(`${new Date().toISOString()} ${kind} ${words}\n`);
    };
  for (const kind of ["error", "warn", "info", "log", "debug"]) console[kind] = say(kind);
  process.on("uncaughtException", (failure) => {
    console.error("Uncaught:", failure);
    if (failure.code !== "ENOSPC") setTimeout(() => process.exit(1), 200);
  });
  process.on("unhandledRejection", (failure) => console.error("Unhandled:", failure));
}
