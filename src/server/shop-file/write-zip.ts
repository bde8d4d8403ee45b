import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { ZipFile } from "yazl";

/** Every file in the zip is of this moment, so that the same shop gives the same bytes. */
const MTIME = new Date("2026-01-01T00:00:00Z");

export type AddFile = (name: string, content: string | Buffer) => Promise<void>;

/** Writes a zip, one file after the other, so that no more than one of them is held in memory; half a zip is not left behind. */
export async function writeZip(path: string, write: (add: AddFile) => Promise<void>): Promise<void> {
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream, createWriteStream(path, { mode: 0o600 }));
  const broken = written.then(
    () => undefined,
    (failure: unknown) => {
      throw failure;
    },
  );
  // Heard where it is waited for.
  broken.catch(() => undefined);
  const add: AddFile = (name, content) =>
    Promise.race([
      broken,
      new Promise<void>((resolve) => {
        zip.addReadStreamLazy(
          name,
          { mtime: MTIME, mode: 0o100644, compress: !name.endsWith(".webp") },
          (give) => {
            const stream = Readable.from([content], { objectMode: false });
            stream.on("end", resolve);
            give(null, stream);
          },
        );
      }),
    ]);
  try {
    await write(add);
    zip.end();
    await written;
  } catch (failure) {
    (zip.outputStream as Readable).destroy();
    await rm(path, { force: true });
    throw failure;
  }
}
